<?php

declare(strict_types=1);

namespace App\Prep;

use App\Models\Contents;
use App\Models\Database;
use App\Models\Preparation;
use App\Models\Revision;
use App\Models\Sending;
use App\Models\ShopJob;
use App\Models\Work;
use App\People\Company;
use App\People\SigningIn;
use Illuminate\Support\Facades\DB;
use Throwable;

/**
 * Takes away what nothing points to any more, so that the database stays within a size per job: its file, its bench and named versions, a history of
 * so many bytes, and the outcome of its last two preparations.
 */
final class Pruning
{
    /** What a running preparation has put by and not yet named is left alone for so long, in hours. */
    private const FRESH = 2;

    /** @return array<string, int> how many of what went */
    public static function run(): array
    {
        $went = [];
        $tasks = [
            'jobs' => self::jobs(...), 'revisions' => self::history(...), 'preparations' => self::preparations(...), 'step results' => self::stepResults(...),
            'reference pictures' => self::pictures(...), 'layouts' => self::layouts(...), 'sent files' => self::sent(...), 'works' => self::works(...),
            'sign-ins' => SigningIn::prune(...), 'pages left open' => Company::prune(...),
            // After all that may let go of some.
            'contents' => Contents::prune(...),
        ];
        foreach ($tasks as $what => $task) {
            try {
                $went[$what] = $task();
            } catch (Throwable $broke) {
                // One that breaks off keeps none of the others from being done.
                report($broke);
                $went[$what] = 0;
            }
        }

        return $went;
    }

    /** Layouts that nobody has looked at for a week, and files that were written an hour ago: they are worked out anew when somebody does. */
    private static function layouts(): int
    {
        $gone = 0;
        foreach ([Made::FOLDER => 7 * 86_400, Written::FOLDER => Written::KEPT] as $folder => $seconds) {
            foreach (Contents::disk()->files($folder) as $path) {
                if (Contents::disk()->lastModified($path) < time() - $seconds) {
                    $gone += Contents::disk()->delete($path) ? 1 : 0;
                }
            }
        }

        return $gone;
    }

    /** Files that nothing is to be done with any more; the log of what was sent stays with the job. */
    private static function sent(): int
    {
        return Sending::query()->whereNotNull('content')->where('updated_at', '<', now()->subDay())->whereHas(
            'work',
            static fn ($work) => $work->whereIn('state', ['done', 'stopped']),
        )->update(['content' => null]);
    }

    /** Works that ended a week ago and of which nothing is kept. */
    private static function works(): int
    {
        $kept = static fn (string $table) => static fn ($query) => $query->from($table)->whereColumn("{$table}.work_id", 'works.id');

        return Work::query()->whereNotIn('state', [...Work::OPEN, 'paused'])->where('updated_at', '<', now()->subDays(7))
            ->whereNotExists($kept('preparations'))->whereNotExists($kept('sendings'))->whereNotExists($kept('batches'))->delete();
    }

    private static function jobs(): int
    {
        $gone = 0;
        foreach (ShopJob::onlyTrashed()->where('deleted_at', '<', now()->subDays((int) config('neat-edge.trash_days')))->get() as $job) {
            $job->forceDelete();
            $gone++;
        }

        return $gone;
    }

    /** The oldest changes of jobs whose history is larger than is kept; what is in force and what leads to it goes last. */
    private static function history(): int
    {
        $most = (int) config('neat-edge.history_bytes');
        $gone = 0;
        $large = Revision::query()->toBase()->groupBy('shop_job_id')->havingRaw('sum(length(change)) > ?', [$most])->pluck('shop_job_id');
        foreach ($large as $id) {
            $gone += DB::transaction(static fn (): int => self::shorten((int) $id, $most));
        }

        return $gone;
    }

    private static function shorten(int $id, int $most): int
    {
        $job = ShopJob::withTrashed()->findOrFail($id);
        $rows = Revision::query()->where('shop_job_id', $id)->orderByDesc('number')->toBase()->get([
            'number',
            'parent',
            Database::length('change', 'bytes'),
        ])->keyBy('number');
        // What was undone and can be done again goes last, but for what is in force; then what leads to it, the newest first.
        $line = [$job->revision];
        for ($at = $job->revision; ($next = $rows->where('parent', $at)->keys()->max()) !== null; $at = $next) {
            $line[] = $next;
        }
        for ($at = $rows->get($job->revision)?->parent; $at !== null && $rows->has($at); $at = $rows->get($at)?->parent) {
            $line[] = $at;
        }
        $sum = 0;
        $keep = [];
        foreach ($line as $number) {
            $bytes = (int) $rows->get($number)?->bytes;
            if ($keep !== [] && $sum + $bytes > $most) {
                break;
            }
            $sum += $bytes;
            $keep[] = (int) $number;
        }
        $gone = 0;
        foreach (array_chunk(array_diff($rows->keys()->all(), $keep), 500) as $numbers) {
            $gone += Revision::query()->where('shop_job_id', $id)->whereIn('number', $numbers)->delete();
        }
        // The oldest that is left is where the history begins now.
        Revision::query()->where('shop_job_id', $id)->where('number', min([$job->revision, ...$keep]))->update([
            'parent' => null,
            'change' => '',
            'label' => 'Earlier changes are no longer kept',
        ]);

        return $gone;
    }

    /**
     * Of each job its last two preparations stay, its last that was done, and what is at work. What goes is named, not what stays: of a large shop that is
     * little.
     */
    private static function preparations(): int
    {
        $gone = [];
        $job = null;
        $seen = $done = 0;
        foreach (Preparation::query()->toBase()->leftJoin(
            'works',
            'works.id',
            '=',
            'preparations.work_id',
        )->orderBy('preparations.shop_job_id')->orderByDesc('preparations.id')->select([
            'preparations.id',
            'preparations.shop_job_id',
            'works.state',
        ])->cursor() as $row) {
            [$seen, $done] = $row->shop_job_id === $job ? [$seen, $done] : [0, 0];
            $job = $row->shop_job_id;
            $busy = in_array($row->state, Work::OPEN, true);
            $first = $row->state === 'done' && $done === 0;
            if ($seen >= 2 && ! $busy && ! $first) {
                $gone[] = $row->id;
            }
            $seen++;
            $done += $row->state === 'done' ? 1 : 0;
        }
        foreach (array_chunk($gone, 500) as $ids) {
            Preparation::query()->whereIn('id', $ids)->delete();
        }

        return count($gone);
    }

    private static function stepResults(): int
    {
        $pointed = [];
        foreach (Preparation::query()->toBase()->whereNotNull('stage_keys')->pluck('stage_keys') as $keys) {
            foreach (json_decode((string) $keys, true) ?: [] as $key) {
                $pointed[$key] = true;
            }
        }
        $gone = 0;
        $old = DB::table('step_results')->where('created_at', '<', now()->subHours(self::FRESH))->pluck('key')->all();
        foreach (array_chunk(array_values(array_filter($old, static fn (string $key): bool => ! isset($pointed[$key]))), 500) as $keys) {
            $gone += DB::table('step_results')->whereIn('key', $keys)->delete();
        }

        return $gone;
    }

    private static function pictures(): int
    {
        return DB::table('reference_pictures')->whereNotIn('file', DB::table('job_pictures')->select('file'))->delete();
    }
}
