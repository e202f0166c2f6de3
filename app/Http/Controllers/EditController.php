<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Budget;
use App\Http\Lane;
use App\Http\PageArt;
use App\Models\ReferencePicture;
use App\Models\ShopJob;
use App\Prep\Foretelling;
use App\Prep\ShopFonts;
use App\Prep\TouchUps;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\ValidationException;
use JsonException;
use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Artwork\Reference;
use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\Edit\About;
use NeatEdge\Core\Edit\Arranging\PastePieces;
use NeatEdge\Core\Edit\Edit;
use NeatEdge\Core\Edit\Edits;
use NeatEdge\Core\Edit\Shaping\Outcome;
use NeatEdge\Core\Format\Json\ArtworkJson;
use NeatEdge\Core\Format\Json\PieceJson;
use NeatEdge\Core\Format\Json\StoredForm;
use NeatEdge\Core\Format\Json\StoredFormRefused;
use NeatEdge\Core\Type\FontShelf;
use UnexpectedValueException;

final class EditController
{
    /** What an edit would give; nothing is stored. Only what it changes is sent. */
    public function preview(Request $request, ShopJob $job): JsonResponse
    {
        $fonts = ShopFonts::shelf();
        $job = self::read($request, $job);
        $edit = self::edit($request, $job, $fonts);

        return new JsonResponse(Budget::within('This change', static function () use ($request, $edit, $job, $fonts): array {
            $before = TouchUps::art($request, $job, $job->art(...));

            return PageArt::changes($before, Edits::applied($edit, $before, $fonts));
        }));
    }

    /** A preview in a lane: what an edit would give, or what it has to show on the art; the one before in the same lane is stopped. Nothing is stored. */
    public function lane(Request $request, ShopJob $job): JsonResponse
    {
        $asked = $request->validate(
            ['lane' => ['required', 'string', 'max:40'], 'version' => ['required', 'integer'], 'what' => ['required', 'in:edit,marks,step,cure'], 'instead' => ['sometimes', 'string', 'max:80'], 'findings' => ['required_if:what,cure', 'array', 'max:20000'], 'findings.*' => ['integer', 'min:0']],
            ['*' => 'Say the lane, the version of the job and what is to be shown.'],
        );
        $lane = Lane::enter($job->id, $asked['lane'], (string) $request->header('X-Page', $request->ip() ?? ''));
        $fonts = ShopFonts::shelf();
        $job = self::read($request, $job);
        if ($job->version !== (int) $asked['version']) {
            return new JsonResponse(['message' => 'The bench has changed since; this is shown anew.'], 409);
        }
        if ($asked['what'] === 'step') {
            return new JsonResponse(Budget::within('This step', StepPreview::of($request, $job), $lane->isLatest(...)));
        }
        if ($asked['what'] === 'cure') {
            $numbers = array_map(intval(...), array_values($asked['findings']));
            $work = isset($asked['instead']) ? static fn (): ?array => Foretelling::instead($job, $asked['instead'], $numbers, $fonts) : static fn (): array => Foretelling::of($job, self::edit($request, $job, $fonts), $numbers, $fonts);

            return new JsonResponse(Budget::within('Telling what this remedy comes to', $work, $lane->isLatest(...)));
        }
        $edit = self::edit($request, $job, $fonts);
        $work = $asked['what'] === 'marks'
            ? static fn (): array => ['marks' => array_map(PageArt::mark(...), Edits::marks($edit, TouchUps::art($request, $job, $job->art(...))))]
            : static fn (): array => self::outcome($edit, TouchUps::art($request, $job, $job->art(...)), $fonts);

        return new JsonResponse(Budget::within('This tool', $work, $lane->isLatest(...)));
    }

    /** @return array<string, mixed> the changes, and what they come to in numbers */
    private static function outcome(Edit $edit, Artwork $before, FontShelf $fonts): array
    {
        $after = Edits::applied($edit, $before, $fonts);

        return [...PageArt::changes($before, $after), 'report' => Outcome::between($before, $after)->toArray()];
    }

    /** Every kind of edit as it describes itself. */
    public function catalogue(): JsonResponse
    {
        return new JsonResponse(array_map(static fn (About $about): array => $about->toArray(), Edits::catalogue()));
    }

    public function store(Request $request, ShopJob $job): JsonResponse
    {
        $fonts = ShopFonts::shelf();
        $step = TouchUps::asked($request);
        if ($step !== null) {
            return self::change($request, $job, static fn (ShopJob $job): Proposal => TouchUps::proposal($job, $step, (array) $request->input('edit'), self::edit($request, $job, $fonts), $fonts));
        }

        return self::change($request, $job, static function (ShopJob $job) use ($request, $fonts): Proposal {
            $edit = self::edit($request, $job, $fonts);
            $before = $job->art();

            return Proposal::state($edit->label(), $before, Edits::applied($edit, $before, $fonts));
        }, self::read($request, $job));
    }

    /** The job with the pieces that the edit is about, where it leaves all others alone; else with all. */
    private static function read(Request $request, ShopJob $job): ShopJob
    {
        $fields = $request->input('edit');
        $kind = is_array($fields) ? ($fields['kind'] ?? null) : null;
        $only = is_string($kind) ? Edits::only($kind, $fields) : null;

        return $only === null ? ShopJob::snapshot($job->id) : ShopJob::part($job->id, $only, Edits::minds($kind));
    }

    public function undo(Request $request, ShopJob $job): JsonResponse
    {
        return self::change($request, $job, static function (ShopJob $job): Proposal {
            $current = $job->current();

            return $current->parent === null ? Proposal::nothing() : Proposal::inForce($current->parent, $current->back(), $current->beside('back'));
        }, ShopJob::part($job->id, []));
    }

    public function redo(Request $request, ShopJob $job): JsonResponse
    {
        return self::change($request, $job, static function (ShopJob $job): Proposal {
            $child = $job->revisions()->where('parent', $job->revision)->orderByDesc('number')->first();

            return $child === null ? Proposal::nothing() : Proposal::inForce($child->number, $child->ahead(), $child->beside('ahead'));
        }, ShopJob::part($job->id, []));
    }

    /** @throws Refused */
    private static function edit(Request $request, ShopJob $job, FontShelf $fonts): Edit
    {
        $fields = $request->validate(['edit' => ['required', 'array'], 'edit.kind' => ['required', 'string', 'max:40']], ['edit' => 'Say which change is to be made.', 'edit.*' => 'Say which change is to be made.'])['edit'];
        // Not everything that an edit takes is named above; what was sent is checked by the edit itself.
        $fields = [...(array) $request->input('edit'), 'kind' => $fields['kind']];
        if ($fields['kind'] === 'paste') {
            [$fields['art'], $from] = self::pasted($fields['art'] ?? null);
            $fields['fromHere'] = $from === $job->id;
        }
        $fields['picture'] = isset($fields['picture']) ? ['reference' => self::reference($fields['picture'], $job)] : null;

        return Edits::make($fields['kind'], $fields, $fonts, $job->unit);
    }

    /**
     * @return array{list<Piece>, int} the pieces, and the job that they were taken from
     *
     * @throws Refused
     */
    private static function pasted(mixed $text): array
    {
        try {
            $data = ArtworkJson::data(is_string($text) ? $text : '[]');
            $pieces = $data['pieces'] ?? [];
        } catch (JsonException|UnexpectedValueException) {
            throw Refused::because('What was copied cannot be read; copy it again.');
        }
        if (! is_array($pieces) || ! array_is_list($pieces) || count($pieces) > PastePieces::MOST) {
            throw Refused::because(sprintf('What was copied are no pieces, or more than %d; copy them again.', PastePieces::MOST));
        }
        $out = [];
        foreach ($pieces as $piece) {
            try {
                StoredForm::hold($piece);
            } catch (StoredFormRefused $refused) {
                throw Refused::because($refused->getMessage());
            }
            $out[] = PieceJson::to($piece);
        }

        return [$out, is_int($data['job'] ?? null) ? $data['job'] : 0];
    }

    /** @throws Refused */
    private static function reference(mixed $fields, ShopJob $job): Reference
    {
        $file = is_array($fields) ? ($fields['file'] ?? '') : '';
        $picture = is_string($file) ? ReferencePicture::query()->find($file) : null;
        if ($picture === null) {
            throw Refused::because('That picture is not here any more; add it again.');
        }
        // As large as fits the page, in its middle.
        $scale = min($job->width_mm / $picture->width, $job->height_mm / $picture->height);
        [$width, $height] = [$picture->width * $scale, $picture->height * $scale];
        $name = is_array($fields) && is_string($fields['name'] ?? null) ? mb_substr(mb_scrub($fields['name']), 0, 80) : '';

        return new Reference($picture->file, $name, ($job->width_mm - $width) / 2, ($job->height_mm - $height) / 2, $width, $height);
    }

    /**
     * @param  callable(ShopJob): Proposal  $do
     * @param  ShopJob|null  $read  see History
     */
    private static function change(Request $request, ShopJob $job, callable $do, ?ShopJob $read = null): JsonResponse
    {
        return History::change($job, self::version($request), $do, $read);
    }

    /** The version of the job that the page knows. */
    public static function version(Request $request): int
    {
        // No word, no truth value: a version is counted.
        $version = $request->input('version');

        return is_int($version) || (is_string($version) && preg_match('/^\d{1,9}$/D', $version) === 1)
            ? (int) $version
            : throw ValidationException::withMessages(['version' => 'The page did not say which state of the job it knows; load it again.']);
    }
}
