<?php

declare(strict_types=1);

namespace App\Models;

use App\Events\JobStands;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\LineStep;
use NeatEdge\Core\Check\Judgements;
use NeatEdge\Core\Check\Severity;
use NeatEdge\Core\Sheet\Sheet;

/**
 * One run of a job's prep line.
 *
 * @property int $id
 * @property int $shop_job_id
 * @property int $version the job's version that it was made of
 * @property int|null $work_id by which it was made
 * @property-read Work|null $work how far it is, and how it ended
 * @property-read string $status waiting, running, done, stopped or failed
 * @property list<string|array{id: string, kind: string, values: array<string, mixed>, on: bool}> $steps of its line; of one from before lines were the
 *     artist's, the kinds that were on
 * @property array{findings: int, sheets: int, serious: int, open?: int, kinds?: array<string, int>}|null $summary what lists of jobs tell of its outcome
 * @property list<string>|null $stage_keys where each step's outcome is kept
 * @property array<string, mixed>|null $result
 */
final class Preparation extends Model
{
    use MadeBySomebody;

    protected $guarded = [];

    /** @var list<string> */
    protected $with = ['work'];

    /** All but its outcome. */
    public const BRIEF = ['id', 'shop_job_id', 'work_id', 'version', 'steps', 'created_at', 'summary'];

    protected static function booted(): void
    {
        self::saved(static function (self $preparation): void {
            if ($preparation->wasRecentlyCreated || $preparation->wasChanged('summary')) {
                JobStands::dispatch($preparation->shop_job_id);
            }
        });
    }

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['steps' => 'array', 'stage_keys' => 'array', 'result' => 'array', 'summary' => 'array'];
    }

    /** @return BelongsTo<Work, $this> */
    public function work(): BelongsTo
    {
        return $this->belongsTo(Work::class);
    }

    public function getStatusAttribute(): string
    {
        return $this->work->state ?? ($this->summary === null ? 'stopped' : 'done');
    }

    /** @return list<LineStep> the line that it was made by */
    public function line(): array
    {
        return array_map(
            static fn (string|array $step): LineStep => is_string($step) ? new LineStep($step, $step) : new LineStep(
                $step['id'],
                $step['kind'],
                $step['values'],
                $step['on'],
            ),
            $this->steps,
        );
    }

    /** @return BelongsTo<ShopJob, $this> */
    public function job(): BelongsTo
    {
        return $this->belongsTo(ShopJob::class, 'shop_job_id');
    }

    /** @return list<array<string, mixed>> what was found, as Finding::toArray() gives it now */
    public function findings(): array
    {
        return array_values(array_map(static function (array $finding): array {
            // Before findings had several outlines, a stretch was one.
            if (isset($finding['ribbon'][0][0]) && ! is_array($finding['ribbon'][0][0])) {
                $finding['ribbon'] = [$finding['ribbon']];
            }

            return $finding;
        }, $this->result['findings'] ?? []));
    }

    /**
     * @param  list<array{kind: string, sheet: string|null, at: array{float, float}|null, share: float|null, accepted: string|null, by?: string}>  $judged
     *     see ShopJob
     * @return array{findings: int, sheets: int, serious: int, open: int, kinds: array<string, int>} findings that nobody has accepted; of these the serious
     *     ones, and those that stand between the job and its machine, these also by kind
     */
    public function summed(array $judged, float $width): array
    {
        $open = array_filter(Judgements::on($this->findings(), $judged, $width), static fn (array $finding): bool => ! isset($finding['accepted']));

        $blocks = array_filter($open, static fn (array $finding): bool => $finding['severity'] !== Severity::Note->value);

        $kinds = [];
        foreach ($blocks as $finding) {
            $kinds[(string) $finding['kind']] = 1 + ($kinds[(string) $finding['kind']] ?? 0);
        }

        return [
            'findings' => count($open),
            'sheets' => count($this->result['sheets'] ?? []),
            'open' => count($blocks),
            'kinds' => $kinds,
            'serious' => count(array_filter($open, static fn (array $finding): bool => $finding['severity'] === Severity::Serious->value)),
        ];
    }

    /** The art after a step, the first of which is 0; null when there is no such step. */
    public function stageArt(int $stage): ?Artwork
    {
        $key = $this->stage_keys[$stage] ?? null;

        return $key === null ? null : StepResult::query()->find($key)?->art();
    }

    /** What the line made; null until it has run. */
    public function lastArt(): ?Artwork
    {
        return $this->stageArt(count($this->stage_keys ?? []) - 1);
    }

    /** @return list<Sheet> what the machine gets; empty until the line has run */
    public function sheets(): array
    {
        $art = $this->lastArt();

        return $art === null ? [] : Sheet::allOf($art);
    }
}
