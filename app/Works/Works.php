<?php

declare(strict_types=1);

namespace App\Works;

use App\Events\WorkEnded;
use App\Models\ShopJob;
use App\Models\Work;
use App\Prep\Broken;
use App\Prep\Holder;
use Closure;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\Context;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Redis;
use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\Device\Paused;
use NeatEdge\Core\Patience\Patience;
use NeatEdge\Core\Patience\Stopped;
use NeatEdge\Core\PlanarMap\MapTooLarge;
use RedisException;
use Throwable;

/** The one way of long work: asked for, taken by one process, done, stopped, gone on with, and taken up when its process is gone. */
final class Works
{
    /** How often a work is taken up by itself after its process died. */
    private const TRIES = 3;

    /** Seconds after which one that waits is handed out once more: what was to bring it may be lost. Handed out twice it is taken once. */
    private const FORGOTTEN = 300.0;

    /**
     * Asks for a work. What is being made, or is made and kept, is not made again.
     *
     * @param  array<string, mixed>  $about
     * @param  (Closure(Work): mixed)|null  $also  stored with it, in the same transaction
     *
     * @throws Refused where whoever asks has too much open already
     */
    public static function start(Kind $kind, ?ShopJob $job, string $title, array $about, string $key = '', string $lane = '', ?Closure $also = null): Work
    {
        $work = DB::transaction(static function () use ($kind, $job, $title, $about, $key, $lane, $also): Work {
            $of = Work::query()->where('kind', $kind->key())->when($job !== null, static fn ($query) => $query->where('shop_job_id', $job?->id));
            if ($key !== '') {
                $same = (clone $of)->where('key', $key)->whereIn('state', [...Work::OPEN, 'done'])->where('asked', '')->latest('id')->first();
                if ($same !== null && ($same->isOpen() || $kind->isKept($same))) {
                    return $same;
                }
            }
            if ($kind->replaces()) {
                foreach ((clone $of)->whereIn('state', Work::OPEN)->get() as $earlier) {
                    self::tell($earlier, 'stop');
                }
            }
            self::holdPerson();
            $work = Work::query()->create([
                'kind' => $kind->key(),
                'key' => $key,
                'lane' => $lane,
                'shop_job_id' => $job?->id,
                'title' => mb_substr($title, 0, 200),
                'about' => $about,
                'queued_at' => microtime(true),
            ]);
            $also === null ?: $also($work);

            return $work;
        });
        if ($work->wasRecentlyCreated) {
            self::queue($work);
        }

        return $work->refresh();
    }

    /** Of several people none takes all workers for long. @throws Refused where somebody has as much long work open as one may */
    private static function holdPerson(): void
    {
        $most = (int) config('neat-edge.works_a_person');
        if (Auth::id() !== null && Work::query()->where('person_id', Auth::id())->whereIn('state', Work::OPEN)->count() >= $most) {
            throw Refused::because(sprintf('You have %d pieces of long work waiting or under way; let some of them end, or stop them.', $most));
        }
    }

    /** Handed to the workers of its kind. What cannot be handed over just now waits all the same: the sweep does it then. */
    private static function queue(Work $work): void
    {
        try {
            RunWork::dispatch($work->id)->onQueue($work->kind()->queue());
        } catch (RedisException $gone) {
            report($gone);
        }
    }

    /** Taken by this process, or nothing when another has it, when it is over, or when what it uses alone is in use. */
    public static function take(int $id): ?Hold
    {
        $work = Work::query()->find($id);
        $held = $work?->state === 'waiting' ? $work->kind()->heldUp($work) : null;
        if ($work === null || $held !== null) {
            Work::query()->whereKey($id)->where('state', 'waiting')->update(['error' => mb_substr((string) $held, 0, 480)]);

            return null;
        }
        $now = microtime(true);
        $fence = $work->fence + 1;
        $taken = Work::query()->whereKey($id)->where('state', 'waiting')->where('fence', $work->fence)
            ->when(
                $work->lane !== '',
                static fn ($query) => $query->whereNotExists(static fn (Builder $others) => $others->from('works as others')
                    ->whereColumn('others.lane', 'works.lane')
                    ->whereColumn('others.id', '!=', 'works.id')
                    ->where('others.state', 'running')),
            )
            ->update([
                'state' => 'running',
                'asked' => '',
                'error' => '',
                'holder' => Holder::own(),
                'fence' => $fence,
                'lease_until' => $now + Hold::LEASE,
                'tries' => $work->tries + 1,
                'began_at' => $now,
                'ends_at' => null,
            ]);

        return $taken === 0 ? null : new Hold($work->refresh(), $fence);
    }

    /** Does a work that was taken, and stores how it ended, whatever happens. */
    public static function run(Hold $hold): void
    {
        $kind = $hold->work->kind();
        // All that is logged of it says which work it is, and for whom.
        Context::add(['work' => $hold->work->id, 'job' => $hold->work->shop_job_id, 'person' => $hold->work->person_id]);
        try {
            try {
                self::end($hold, 'done', outcome: Patience::with($hold->goesOn(...), static fn (): ?array => $kind->run($hold->work, $hold)));
            } catch (Stopped) {
                self::end($hold, 'stopped');
            } catch (Paused) {
                self::end($hold, 'paused');
            } catch (Refused|MapTooLarge $refused) {
                self::end($hold, 'failed', $refused->getMessage());
            }
        } catch (Lost) {
            // Whoever has it now says how it ends.
            return;
        } catch (Throwable $problem) {
            Broken::ended(static fn () => self::end($hold, 'failed', $kind->broke($hold->work, Broken::why($problem, ''))));
            throw $problem;
        }
    }

    /** @param  array<string, mixed>|null  $outcome */
    public static function end(Hold $hold, string $state, string $error = '', ?array $outcome = null): void
    {
        $hold->keep([
            'state' => $state,
            'asked' => '',
            'doing' => '',
            'error' => mb_substr($error, 0, 480),
            ...($state === 'done' ? ['done' => $hold->work->of, 'share' => 1.0] : []),
            ...($outcome === null ? [] : ['outcome' => $outcome]),
        ]);
        self::after($hold->work);
    }

    /** What waits for the same thing comes next. */
    private static function after(Work $work): void
    {
        WorkEnded::dispatch($work);
        $next = $work->lane === '' ? null : Work::query()->where('lane', $work->lane)->where('state', 'waiting')->whereKeyNot($work->id)->oldest('id')->first();
        $next === null ?: self::queue($next);
    }

    /** @param  'stop'|'pause'  $what  asked of one that waits or runs; one that is paused or broke off can still be stopped for good */
    public static function tell(Work $work, string $what): Work
    {
        $kind = $work->kind();
        if ($what === 'pause' && ! $kind->pauses()) {
            return $work;
        }
        Work::query()->whereKey($work->id)->where('state', 'running')->update(['asked' => $what]);
        $ends = $what === 'stop' ? 'stopped' : 'paused';
        $from = $what === 'pause' ? ['waiting'] : ['waiting', 'paused', ...($kind->pauses() ? ['failed'] : [])];
        $ended = Work::query()->whereKey($work->id)->whereIn('state', $from)->update(['state' => $ends, 'error' => '', 'asked' => '']);
        $work->refresh();
        if ($ended > 0) {
            self::after($work);
        }

        return $work->refresh();
    }

    /** What a job that is thrown away wanted is not wanted any more; what lies half done at a machine is for a person to end. */
    public static function stopAll(ShopJob $job): void
    {
        foreach (Work::query()->where('shop_job_id', $job->id)->whereIn('state', Work::OPEN)->get() as $work) {
            $work->kind()->pauses() ?: self::tell($work, 'stop');
        }
    }

    /** On from where it stopped. */
    public static function goOn(Work $work): Work
    {
        if ($work->kind()->goesOn($work) && Work::query()->whereKey($work->id)->where('state', $work->state)->where('fence', $work->fence)->update([
            'state' => 'waiting',
            'asked' => '',
            'error' => '',
            'queued_at' => microtime(true),
        ]) > 0) {
            self::queue($work);
        }

        return $work->refresh();
    }

    /**
     * Finds work whose process is gone: on this machine by the process, on another by the lease. It is taken up again or named as cut off; nobody else's is
     * touched.
     *
     * @return int how many
     */
    public static function sweep(): int
    {
        $now = microtime(true);
        $gone = 0;
        foreach (Work::query()->where('state', 'running')->get() as $work) {
            if (Holder::isHere($work->holder) ? Holder::isThere($work->holder) : $work->lease_until > $now) {
                continue;
            }
            $again = $work->kind()->resumes() && $work->tries < self::TRIES && $work->asked === '';
            // Only as it was seen: whoever took it meanwhile has it.
            $mine = Work::query()->whereKey($work->id)->where('state', 'running')->where('fence', $work->fence)->where('holder', $work->holder)->update([
                'fence' => $work->fence + 1,
                'asked' => '',
                'doing' => '',
                'state' => $again ? 'waiting' : ($work->asked === 'stop' ? 'stopped' : 'failed'),
                'queued_at' => $now,
                'error' => $again || $work->asked === 'stop' ? '' : mb_substr($work->kind()->broke($work, Kind::CUT_OFF), 0, 480),
            ]);
            if ($mine > 0) {
                $gone++;
                $again ? self::queue($work->refresh()) : self::after($work->refresh());
            }
        }
        $since = self::isQueueNew() ? $now : $now - self::FORGOTTEN;
        foreach (Work::query()->where('state', 'waiting')->where('queued_at', '<', $since)->get() as $work) {
            Work::query()->whereKey($work->id)->update(['queued_at' => $now]);
            self::queue($work);
        }

        return $gone;
    }

    /** Whether what brings work to the workers began with nothing since it was last asked: a Redis that was begun anew knows of none that waits. */
    private static function isQueueNew(): bool
    {
        return config('queue.default') === 'redis' && (bool) Redis::connection()->command('setnx', ['knows-what-waits', '1']);
    }
}
