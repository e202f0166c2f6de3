<?php

declare(strict_types=1);

namespace App\Prep;

use App\Models\Preparation;
use App\Models\ShopJob;
use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Check\Finding;
use NeatEdge\Core\Check\Foretold;
use NeatEdge\Core\Check\Inspection;
use NeatEdge\Core\Check\Remedies;
use NeatEdge\Core\Check\Remedy;
use NeatEdge\Core\Edit\Edit;
use NeatEdge\Core\Edit\EditRefused;
use NeatEdge\Core\Edit\Edits;
use NeatEdge\Core\Prepare\PrepLine;
use NeatEdge\Core\Seen\Seen;
use NeatEdge\Core\Type\FontShelf;

/** What a remedy would come to: the job goes through its line with it, and is checked; nothing of the job is stored. */
final class Foretelling
{
    /**
     * @param  list<int>  $asked  numbers of the findings of the job's last preparation that the remedy is about
     * @return array<string, mixed> see Foretold; with "instead", another remedy of the same kind that would help more
     */
    public static function of(ShopJob $job, Edit $edit, array $asked, FontShelf $fonts): array
    {
        $preparation = $job->latestPreparation;
        if ($preparation === null || $preparation->status !== 'done' || $preparation->version !== $job->version) {
            throw EditRefused::because('The job was changed since it was prepared; prepare it, and look again.');
        }
        $before = $preparation->findings();
        $own = self::foretold($job, $edit, $before, $asked, $fonts);
        $kind = (string) ($before[$asked[0] ?? -1]['kind'] ?? '');
        $instead = null;
        foreach ($own->isWhole() ? [] : Remedies::of($kind) as $remedy) {
            try {
                $other = self::foretold($job, self::asStep($remedy, $before, $asked, $fonts), $before, $asked, $fonts);
            } catch (EditRefused) {
                // It cannot be made here, and so is none that would help.
                continue;
            }
            if ($other->cures > 0 && $other->isBetterThan($instead[1] ?? $own)) {
                $instead = [$remedy, $other];
            }
        }

        return [...$own->toArray(), 'instead' => $instead === null ? null : ['label' => $instead[0]->label, ...$instead[1]->toArray()]];
    }

    /**
     * @param  list<array<string, mixed>>  $before
     * @param  list<int>  $asked
     */
    private static function foretold(ShopJob $job, Edit $edit, array $before, array $asked, FontShelf $fonts): Foretold
    {
        $bench = Edits::applied($edit, $job->art(), $fonts);

        return Foretold::between($before, array_map(static fn (Finding $one): array => $one->toArray(), self::found($bench, $job)), $asked);
    }

    /** @return list<Finding> what is found of the job with that on its bench */
    private static function found(Artwork $bench, ShopJob $job): array
    {
        $source = Seen::of($bench);

        return Inspection::ofResult($bench, $source, PrepLine::of($bench->line ?? [], $job->limits(), new DatabaseStepCache)->run($source), $job->limits());
    }

    /**
     * @param  list<array<string, mixed>>  $before
     * @param  list<int>  $asked
     */
    private static function asStep(Remedy $remedy, array $before, array $asked, FontShelf $fonts): Edit
    {
        $places = array_filter(array_map(static fn (int $number): ?array => $before[$number]['at'] ?? null, $asked));
        $at = $remedy->places && count($places) < count(array_filter($before, static fn (array $row): bool => $row['kind'] === ($before[$asked[0]]['kind'] ?? ''))) ? ['at' => implode(' ', array_map(static fn (array $p): string => "{$p[0]},{$p[1]}", $places))] : [];

        return Edits::make('line-cure', ['what' => $remedy->step, 'values' => [...$remedy->values, ...$at]], $fonts);
    }
}
