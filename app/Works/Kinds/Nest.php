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
use Closure;
use NeatEdge\Core\Described\Field;
use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\Described\Values;
use NeatEdge\Core\Patience\Stopped;
use NeatEdge\Core\Sheet\Make\Laying;
use NeatEdge\Core\Sheet\Nest\Placement;

/** A search for a closer way to lay the copies of a job, for as long as it was given; stopped, the best so far is kept. */
final class Nest extends Kind
{
    public function key(): string
    {
        return 'nest';
    }

    public function produces(): bool
    {
        return true;
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
        $search = new NestSearch($hold, $work->about['seconds'] / max(1, count($designs)), count($designs));
        $placements = [];
        foreach ($designs as $hex => $own) {
            $sheet = $hex === '' ? 'all' : $hex;
            $found = $search->of($sheet, static fn (Closure $tell): array => $own === [] ? [] : Laying::of($own, $order, $hex, $tell));
            if ($found === null) {
                break;
            }
            $placements[$sheet] = array_map(static fn (Placement $placement): array => $placement->toArray(), $found);
        }
        // Only where a job lies is changed: whatever else was chosen meanwhile stays.
        Laid::change(
            $job,
            'Nest the copies',
            static fn (array $making): array => $placements === [] ? $making : [...$making, 'placements' => [...$making['placements'] ?? [], ...$placements]],
        );
        $hold->keep(['outcome' => ['progress' => $search->progress]]);

        return $search->stopped ? throw new Stopped : ['progress' => $search->progress];
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
