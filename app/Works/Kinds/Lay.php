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
use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\Patience\Progress;

/** A prepared job laid out: as it was chosen, or as it is to be chosen, which is stored once it can be laid out so. */
final class Lay extends Kind
{
    public function key(): string
    {
        return 'lay-out';
    }

    public function produces(): bool
    {
        return true;
    }

    public function label(): string
    {
        return 'Lay out';
    }

    public function queue(): string
    {
        return 'quick';
    }

    /**
     * @param  array<string, mixed>|null  $making  other choices, to be stored when it can be laid out so; see ShopJob
     * @param  list<array<string, mixed>>  $from  choices that these may take the place of
     */
    public static function begin(ShopJob $job, ?array $making = null, string $label = '', array $from = []): Work
    {
        $tried = $making === null ? $job : Made::with($job, $making);

        return Works::start(
            new self,
            $job,
            $job->title,
            $making === null ? [] : ['making' => $making, 'label' => $label, 'from' => $from],
            Made::key($tried).($making === null ? '' : ' kept'),
        );
    }

    /**
     * Choices that are still being laid out: what is chosen next is chosen beside them.
     *
     * @return array<string, mixed>|null
     */
    public static function pending(ShopJob $job): ?array
    {
        return self::open($job)->about['making'] ?? null;
    }

    /** What lays out other choices of a job now. */
    public static function open(ShopJob $job): ?Work
    {
        return Work::query()->where('kind', 'lay-out')
            ->where('shop_job_id', $job->id)
            ->whereIn('state', Work::OPEN)
            ->where('asked', '')
            ->latest('id')
            ->get()
            ->first(static fn (Work $work): bool => isset($work->about['making']));
    }

    public function replaces(): bool
    {
        return true;
    }

    public function resumes(): bool
    {
        return true;
    }

    public function run(Work $work, Hold $hold): ?array
    {
        $job = ShopJob::query()->find($work->shop_job_id) ?? throw Refused::because('The job is not there any more.');
        $making = $work->about['making'] ?? null;
        Progress::with($hold->tell(...), static fn (): array => Made::layouts($making === null ? $job : Made::with($job, $making)));
        $hold->tell(1, 1);
        if ($making !== null) {
            Laid::change($job, (string) $work->about['label'], static function (array $now) use ($making, $work): array {
                // Whoever chose otherwise meanwhile is not overruled.
                return $now == $making || in_array($now, $work->about['from'] ?? [], false)
                    ? $making
                    : throw Refused::because('It was laid out otherwise meanwhile; nothing was changed.');
            });
        }

        return null;
    }

    protected function brokeOff(): string
    {
        return 'Laying out broke off.';
    }

    protected function kept(Work $work, string $why): string
    {
        return "{$why} Nothing was changed. Try again.";
    }
}
