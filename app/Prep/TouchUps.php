<?php

declare(strict_types=1);

namespace App\Prep;

use App\Models\ShopJob;
use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\LineStep;
use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\Edit\Edit;
use NeatEdge\Core\Format\Json\ArtworkDifference;
use NeatEdge\Core\Line\Edits;
use NeatEdge\Core\Line\PrepLine;
use NeatEdge\Core\Line\Steps;
use NeatEdge\Core\Line\TouchUp;
use NeatEdge\Core\Seen\Seen;
use NeatEdge\Core\Type\FontShelf;

/** Hand work on what the line gives: a page that says so works on the art after a step of touching up, and its edits become part of that step. */
final class TouchUps
{
    /**
     * The art that a page works on.
     *
     * @param  string|null  $step  of touching up that it works on; null for the source
     * @param  callable(): Artwork  $source
     */
    public static function art(?string $step, ShopJob $job, callable $source): Artwork
    {
        return $step === null ? $source() : self::after(ShopJob::snapshot($job->id), $step);
    }

    /** The art after a step of touching up. @throws Refused when it is not in the line any more */
    public static function after(ShopJob $job, string $step): Artwork
    {
        $bench = $job->art();
        $at = self::place($bench->line ?? [], $step);

        return PrepLine::of(array_slice($bench->line ?? [], 0, $at + 1), $job->limits(), new DatabaseStepCache)->outcome(Seen::of($bench));
    }

    /** @param  array<string, mixed>  $fields  the edit as it was sent */
    public static function proposal(ShopJob $job, string $step, array $fields, Edit $edit, FontShelf $fonts): Proposal
    {
        $bench = $job->art();
        $line = $bench->line ?? [];
        $at = self::place($line, $step);
        $art = self::after($job, $step);
        if (ArtworkDifference::between($art, Edits::applied($edit, $art, $fonts))->isNothing()) {
            return Proposal::nothing();
        }
        $edits = [...(array) ($line[$at]->values['edits'] ?? []), TouchUp::tied($fields, $art)];
        $line[$at] = $line[$at]->with(values: ['edits' => Steps::make('touch-up', ['edits' => $edits], $job->unit, $fonts)->values()['edits']]);

        return Proposal::state('Touch up: '.lcfirst($edit->label()), $bench, $bench->with(line: array_values($line), apart: $bench->apart));
    }

    /** @param  list<LineStep>  $line */
    private static function place(array $line, string $id): int
    {
        foreach ($line as $i => $step) {
            if ($step->id === $id && $step->kind === 'touch-up') {
                return $i;
            }
        }
        throw Refused::because('That step of touching up is not in the line any more.');
    }
}
