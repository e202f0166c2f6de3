<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\PageArt;
use App\Models\ReferencePicture;
use App\Models\ShopJob;
use App\Prep\ShopFonts;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use JsonException;
use NeatEdge\Core\Artwork\Reference;
use NeatEdge\Core\Edit\Edit;
use NeatEdge\Core\Edit\EditRefused;
use NeatEdge\Core\Edit\Edits;
use NeatEdge\Core\Format\Json\ArtworkDifference;
use NeatEdge\Core\Format\Json\ArtworkJson;
use NeatEdge\Core\Format\Json\PieceJson;
use NeatEdge\Core\Type\FontShelf;
use Throwable;

final class EditController
{
    /** What an edit would give; nothing is stored. Only what it changes is sent. */
    public function preview(Request $request, ShopJob $job): JsonResponse
    {
        $fonts = ShopFonts::shelf();
        $before = $job->art();
        $after = Edits::applied(self::edit($request, $job, $fonts), $before, $fonts);

        return new JsonResponse(PageArt::changes($before, $after));
    }

    public function store(Request $request, ShopJob $job): JsonResponse
    {
        $fonts = ShopFonts::shelf();
        $edit = self::edit($request, $job, $fonts);

        return self::change($request, $job, static function (ShopJob $job) use ($edit, $fonts): ArtworkDifference {
            $before = $job->art();

            return History::append($job, $edit->label(), $before, Edits::applied($edit, $before, $fonts));
        });
    }

    public function undo(Request $request, ShopJob $job): JsonResponse
    {
        return self::change($request, $job, static function (ShopJob $job): ?ArtworkDifference {
            $current = $job->current();
            if ($current->parent === null) {
                return null;
            }
            $back = $current->back();
            History::putInForce($job, $current->parent, $back);

            return $back;
        });
    }

    public function redo(Request $request, ShopJob $job): JsonResponse
    {
        return self::change($request, $job, static function (ShopJob $job): ?ArtworkDifference {
            $child = $job->revisions()->where('parent', $job->revision)->orderByDesc('number')->first();
            if ($child === null) {
                return null;
            }
            $ahead = $child->ahead();
            History::putInForce($job, $child->number, $ahead);

            return $ahead;
        });
    }

    /** @throws EditRefused */
    private static function edit(Request $request, ShopJob $job, FontShelf $fonts): Edit
    {
        $fields = $request->validate(['edit' => ['required', 'array'], 'edit.kind' => ['required', 'string', 'max:40']])['edit'];
        // Not everything that an edit takes is named above; what was sent is checked by the edit itself.
        $fields = [...(array) $request->input('edit'), 'kind' => $fields['kind']];
        if ($fields['kind'] === 'paste') {
            $fields['art'] = self::pasted($fields['art'] ?? null);
        }
        $fields['picture'] = isset($fields['picture']) ? ['reference' => self::reference($fields['picture'], $job)] : null;

        return Edits::make($fields['kind'], $fields, $fonts, $job->unit);
    }

    /**
     * @return list<\NeatEdge\Core\Artwork\Piece>
     *
     * @throws EditRefused
     */
    private static function pasted(mixed $text): array
    {
        try {
            $pieces = ArtworkJson::data(is_string($text) ? $text : '[]')['pieces'] ?? [];

            return array_values(array_map(PieceJson::to(...), is_array($pieces) ? $pieces : []));
        } catch (JsonException) {
            throw EditRefused::because('What was copied cannot be read; copy it again.');
        } catch (Throwable) {
            // Somebody else's words under our name: pieces that are none.
            throw EditRefused::because('What was copied are no pieces; copy them again.');
        }
    }

    /** @throws EditRefused */
    private static function reference(mixed $fields, ShopJob $job): Reference
    {
        $file = is_array($fields) ? ($fields['file'] ?? '') : '';
        $picture = is_string($file) ? ReferencePicture::query()->find($file) : null;
        if ($picture === null) {
            throw EditRefused::because('That picture is not here any more; add it again.');
        }
        // As large as fits the page, in its middle.
        $scale = min($job->width_mm / $picture->width, $job->height_mm / $picture->height);
        [$width, $height] = [$picture->width * $scale, $picture->height * $scale];
        $name = is_array($fields) && is_string($fields['name'] ?? null) ? mb_substr(mb_scrub($fields['name']), 0, 80) : '';

        return new Reference($picture->file, $name, ($job->width_mm - $width) / 2, ($job->height_mm - $height) / 2, $width, $height);
    }

    /** @param  callable(ShopJob): ?ArtworkDifference  $do */
    private static function change(Request $request, ShopJob $job, callable $do): JsonResponse
    {
        $version = (int) $request->validate(['version' => ['required', 'integer']])['version'];

        return History::change($job, $version, $do);
    }
}
