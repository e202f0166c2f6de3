<?php

declare(strict_types=1);

namespace App\Prep;

use App\Models\ReferencePicture;
use App\Models\ShopJob;
use JsonException;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Artwork\Reference;
use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\Edit\Arranging\PastePieces;
use NeatEdge\Core\Edit\Edit;
use NeatEdge\Core\Format\Json\ArtworkJson;
use NeatEdge\Core\Format\Json\PieceJson;
use NeatEdge\Core\Format\Json\StoredForm;
use NeatEdge\Core\Format\Json\StoredFormRefused;
use NeatEdge\Core\Line\Edits;
use NeatEdge\Core\Type\FontShelf;
use UnexpectedValueException;

/** Edits as a page sends them. */
final class SentEdits
{
    /**
     * @param  array<string, mixed>  $fields  as they were sent; what is in them is checked by the edit itself
     *
     * @throws Refused
     */
    public static function make(array $fields, ShopJob $job, FontShelf $fonts): Edit
    {
        $kind = $fields['kind'] ?? '';
        if ($kind === 'paste') {
            [$fields['art'], $from] = self::pasted($fields['art'] ?? null);
            $fields['fromHere'] = $from === $job->id;
        }
        $fields['picture'] = isset($fields['picture']) ? ['reference' => self::reference($fields['picture'], $job)] : null;

        $fields['traced'] = $kind === 'trace' ? TracedPictures::find($fields['traced'] ?? null) : null;

        return Edits::make(is_string($kind) ? $kind : '', $fields, $fonts, $job->unit);
    }

    /**
     * The job with the pieces that the edit is about, where it leaves all others alone; else with all.
     *
     * @param  array<string, mixed>  $fields
     */
    public static function read(array $fields, ShopJob $job): ShopJob
    {
        $kind = $fields['kind'] ?? null;
        $only = is_string($kind) ? Edits::only($kind, $fields) : null;

        return match (true) {
            $only === null => ShopJob::snapshot($job->id),
            Edits::adds($kind) => ShopJob::beneath($job->id, $only, is_string($fields['layer'] ?? null) ? $fields['layer'] : ''),
            default => ShopJob::part($job->id, $only, Edits::minds($kind)),
        };
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
        $copies = [];
        foreach ($pieces as $piece) {
            try {
                StoredForm::hold($piece);
            } catch (StoredFormRefused $refused) {
                throw Refused::because($refused->getMessage());
            }
            $copies[] = PieceJson::to($piece);
        }

        return [$copies, is_int($data['job'] ?? null) ? $data['job'] : 0];
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
}
