<?php

declare(strict_types=1);

namespace App\Works\Kinds;

use App\Models\ShopJob;
use App\Models\Work;
use App\Prep\Laid;
use App\Prep\Made;
use App\Works\Hold;
use App\Works\Kind;
use App\Works\Works;
use NeatEdge\Core\Described\Field;
use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\Described\Values;
use NeatEdge\Core\Patience\Patience;
use NeatEdge\Core\Patience\Stopped;
use NeatEdge\Core\Sheet\Make\Laying;
use NeatEdge\Core\Sheet\Nest\Placement;

/** A search for a closer way to lay the copies of a job, for as long as it was given; stopped, the best so far is kept. */
final class Nest extends Kind
{
    /** Seconds between tellings. */
    private const LOOK = 0.3;

    public function key(): string
    {
        return 'nest';
    }

    public function label(): string
    {
        return 'Nest';
    }

    public function queue(): string
    {
        return 'later';
    }

    public function fields(): array
    {
        return [Field::count('seconds', 'Search for seconds', 20, 1, 600)];
    }

    public function ask(ShopJob $job, Values $values): Work
    {
        if (Made::order($job)->designs() === [] || (Made::values($job)['arrange'] ?? 'drawn') === 'drawn') {
            throw Refused::because('Choose to nest the copies first; laid as they were drawn there is nothing to search for.');
        }

        return Works::start($this, $job, $job->title, ['seconds' => $values->count('seconds')]);
    }

    public function replaces(): bool
    {
        return true;
    }

    public function run(Work $work, Hold $hold): array
    {
        $job = ShopJob::query()->find($work->shop_job_id) ?? throw Refused::because('The job is not there any more.');
        $order = Made::order($job);
        $designs = $order->designs();
        $placements = $progress = [];
        $stopped = false;
        $each = $work->about['seconds'] / max(1, count($designs));
        foreach ($designs as $hex => $own) {
            $begun = microtime(true);
            $look = 0.0;
            $sheet = $hex === '' ? 'all' : $hex;
            $best = false;
            $tell = static function (float $length, int $tried) use (
                $hold,
                $sheet,
                $begun,
                $each,
                $designs,
                &$look,
                &$progress,
                &$stopped,
                &$placements,
                &$best,
            ): bool {
                $best = true;
                $progress[$sheet] = ['length' => round($length, 1), 'tried' => $tried];
                $now = microtime(true);
                if ($now >= $look) {
                    $look = $now + self::LOOK;
                    $hold->keep(['outcome' => ['progress' => $progress]]);
                    try {
                        $hold->tell(
                            count($placements),
                            count($designs),
                            "{$tried} tried",
                            min(1.0, (count($placements) + ($now - $begun) / $each) / count($designs)),
                        );
                    } catch (Stopped) {
                        $stopped = true;
                    }
                }

                return ! $stopped && $now - $begun < $each;
            };
            // Stopped before a sheet was laid in any way, it is left as it lay; once there is a best, the search ends with it.
            $question = static function () use ($hold, &$stopped, &$best): void {
                $stopped = $stopped || $hold->isStopped();
                $stopped && ! $best && throw new Stopped;
            };
            try {
                $found = $own === [] ? [] : Patience::with($question, static fn (): array => Laying::of($own, $order, $hex, $tell));
            } catch (Stopped) {
                break;
            }
            $placements[$sheet] = array_map(static fn (Placement $one): array => $one->toArray(), $found);
        }
        // Only where a job lies is changed: whatever else was chosen meanwhile stays.
        Laid::change(
            $job,
            'Nest the copies',
            static fn (array $making): array => $placements === [] ? $making : [...$making, 'placements' => [...$making['placements'] ?? [], ...$placements]],
        );
        $hold->keep(['outcome' => ['progress' => $progress]]);

        return $stopped ? throw new Stopped : ['progress' => $progress];
    }

    protected function brokeOff(): string
    {
        return 'The search broke off.';
    }

    protected function kept(Work $work, string $why): string
    {
        return $why === self::CUT_OFF
            ? 'The server was stopped while it searched; where the copies lay before is kept.'
            : "{$why} Where the copies lay before is kept.";
    }
}
