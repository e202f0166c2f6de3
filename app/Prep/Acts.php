<?php

declare(strict_types=1);

namespace App\Prep;

use App\Models\Revision;
use App\Models\ShopJob;
use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\Format\Json\ArtworkDifference;

/** The acts that led to a job's state, and those ahead of it that were taken back. */
final class Acts
{
    /** So many are listed: who wants to go farther goes to the last of them first. */
    private const LISTED = 300;

    private const READ = ['id', 'shop_job_id', 'number', 'parent', 'label', 'created_at', 'person_id'];

    /** @return list<array{number: int, label: string, at: string, by: string|null, state: string}> the newest first; state is done, now or undone */
    public static function of(ShopJob $job): array
    {
        [$done, $ahead] = self::line($job);
        $acts = [];
        foreach (array_reverse(array_slice($ahead, 0, self::LISTED)) as $each) {
            $acts[] = self::act($each, 'undone');
        }
        foreach (array_slice($done, 0, self::LISTED) as $i => $each) {
            $acts[] = self::act($each, $i === 0 ? 'now' : 'done');
        }

        return $acts;
    }

    /** @throws Refused when there is no such act on the way that led here */
    public static function proposal(ShopJob $job, int $number): Proposal
    {
        [$done, $ahead] = self::line($job);
        $back = self::until($done, $number);
        $on = $back === null ? self::until($ahead, $number) : null;
        if ($back === null && $on === null) {
            throw Refused::because('That act is not one of those that led here; look at the list again.');
        }
        $way = $back === null ? 'ahead' : 'back';
        // Of those that are gone back on, the one that is gone to stays done.
        $steps = $back === null ? $on ?? [] : array_slice($back, 0, -1);
        if ($steps === []) {
            return Proposal::nothing();
        }
        $difference = new ArtworkDifference([], null, null);
        $making = null;
        $notices = [];
        foreach ($steps as $each) {
            $revision = $job->revisions()->where('number', $each->number)->firstOrFail();
            $difference = $difference->then($way === 'back' ? $revision->back() : $revision->ahead());
            $beside = $revision->beside($way);
            $making = $beside['making'] ?? $making;
            $notices = array_replace($notices, $beside['notices'] ?? []);
        }

        return Proposal::inForce(
            $number,
            $difference,
            [...($making === null ? [] : ['making' => $making]), ...($notices === [] ? [] : ['notices' => $notices])],
        );
    }

    /**
     * @param  list<Revision>  $line
     * @return list<Revision>|null up to that number, itself the last; null where it is none of them
     */
    private static function until(array $line, int $number): ?array
    {
        foreach ($line as $i => $each) {
            if ($each->number === $number) {
                return array_slice($line, 0, $i + 1);
            }
        }

        return null;
    }

    /** @return array{list<Revision>, list<Revision>} from the state in force back to the first, and from the one after it on; without what they changed */
    private static function line(ShopJob $job): array
    {
        $byNumber = $newest = [];
        foreach ($job->revisions()->with('person:id,name')->orderBy('number')->get(self::READ) as $each) {
            $byNumber[$each->number] = $each;
            if ($each->parent !== null) {
                $newest[$each->parent] = $each;
            }
        }
        $done = [];
        for ($at = $byNumber[$job->revision] ?? null; $at !== null; $at = $at->parent === null ? null : ($byNumber[$at->parent] ?? null)) {
            $done[] = $at;
        }
        $ahead = [];
        for ($at = $newest[$job->revision] ?? null; $at !== null; $at = $newest[$at->number] ?? null) {
            $ahead[] = $at;
        }

        return [$done, $ahead];
    }

    /** @return array{number: int, label: string, at: string, by: string|null, state: string} */
    private static function act(Revision $each, string $state): array
    {
        return ['number' => $each->number, 'label' => $each->label, 'at' => (string) $each->created_at, 'by' => $each->person?->name, 'state' => $state];
    }
}
