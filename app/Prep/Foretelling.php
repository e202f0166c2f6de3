<?php

declare(strict_types=1);

namespace App\Prep;

use App\Models\ShopJob;
use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Check\Finding;
use NeatEdge\Core\Check\Foretold;
use NeatEdge\Core\Check\Inspection;
use NeatEdge\Core\Check\Remedies;
use NeatEdge\Core\Check\Remedy;
use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\Edit\Edit;
use NeatEdge\Core\Line\Edits;
use NeatEdge\Core\Line\PrepLine;
use NeatEdge\Core\Seen\Seen;
use NeatEdge\Core\Type\FontShelf;

/** What a remedy would come to: the job goes through its line with it, and is checked; nothing of the job is stored. */
final class Foretelling
{
    /**
     * @param  list<int>  $asked  numbers of the findings of the job's last preparation that the remedy is about
     * @return array<string, mixed> see Foretold
     */
    public static function of(ShopJob $job, Edit $edit, array $asked, FontShelf $fonts): array
    {
        return self::foretold($job, $edit, self::before($job), $asked, $fonts)->toArray();
    }

    /**
     * What the best of the other remedies of the same kind comes to as a step.
     *
     * @param  string  $label  of the remedy that is in hand
     * @param  list<int>  $asked
     * @return array<string, mixed>|null see Foretold, with its label; null where there is none that cures anything
     */
    public static function instead(ShopJob $job, string $label, array $asked, FontShelf $fonts): ?array
    {
        $before = self::before($job);
        $best = null;
        foreach (Remedies::of((string) ($before[$asked[0] ?? -1]['kind'] ?? '')) as $remedy) {
            if ($remedy->label === $label) {
                continue;
            }
            try {
                $one = self::foretold($job, self::asStep($remedy, $before, $asked, $fonts), $before, $asked, $fonts);
            } catch (Refused) {
                // It cannot be made here, and so is none that would help.
                continue;
            }
            if ($one->cures > 0 && ($best === null || $one->isBetterThan($best[1]))) {
                $best = [$remedy, $one];
            }
        }

        return $best === null ? null : ['label' => $best[0]->label, ...$best[1]->toArray()];
    }

    /** @return list<array<string, mixed>> what was found of the job as it is */
    private static function before(ShopJob $job): array
    {
        $preparation = $job->latestPreparation;
        if ($preparation === null || $preparation->status !== 'done' || $preparation->version !== $job->version) {
            throw Refused::because('The job was changed since it was prepared; prepare it, and look again.');
        }

        return $preparation->findings();
    }

    /**
     * @param  list<array<string, mixed>>  $before
     * @param  list<int>  $asked
     */
    private static function foretold(ShopJob $job, Edit $edit, array $before, array $asked, FontShelf $fonts): Foretold
    {
        $bench = Edits::applied($edit, $job->art(), $fonts);

        return Foretold::between($before, array_map(static fn (Finding $finding): array => $finding->toArray(), self::found($bench, $job)), $asked);
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
        $at = $remedy->places && count($places) < count(array_filter(
            $before,
            static fn (array $row): bool => $row['kind'] === ($before[$asked[0]]['kind'] ?? ''),
        )) ? ['at' => implode(' ', array_map(static fn (array $p): string => "{$p[0]},{$p[1]}", $places))] : [];

        return Edits::make('line-cure', ['what' => $remedy->step, 'values' => [...$remedy->values, ...$at]], $fonts);
    }
}
