<?php

declare(strict_types=1);

namespace App\Http;

use App\Models\BenchPiece;
use App\Models\Preparation;
use App\Models\ShopJob;
use App\Models\StockItem;
use App\Prep\Gate;
use NeatEdge\Core\Artwork\LineStep;
use NeatEdge\Core\Check\FindingGroups;
use NeatEdge\Core\Check\Judgements;
use NeatEdge\Core\Check\Verdict;
use NeatEdge\Core\Format\Json\ArtworkDifference;
use NeatEdge\Core\Format\Json\ArtworkJson;
use NeatEdge\Core\Measure\LookDifference;
use NeatEdge\Core\Prepare\Preset;

/** A job as the page is told of it. */
final class Ticket
{
    /** @return array<string, mixed> */
    public static function of(ShopJob $job): array
    {
        $limits = $job->limits();

        return [
            'id' => $job->id,
            'title' => $job->title,
            'customer' => $job->customer,
            'due' => $job->due,
            'process' => $job->process->key(),
            'processLabel' => $job->process->label(),
            'format' => $job->process->format(),
            'sheetsByColour' => $job->process->sheetsByColour(),
            'width' => $job->width_mm,
            'height' => $job->height_mm,
            'limits' => get_object_vars($limits),
            'moreLimits' => (object) ($job->more_limits ?? []),
            'stock' => (object) self::stock($job),
            'preset' => $job->preset === null ? null : ['name' => $job->preset['name'], 'version' => $job->preset['version'], 'changed' => Preset::key(ArtworkJson::line(ArtworkJson::data((string) $job->bench)['line'] ?? [])) !== $job->preset['line']],
            'ownLimits' => ['line' => $job->line_limit_mm, 'gap' => $job->gap_limit_mm],
            'demo' => $job->is_demo,
            'sourceName' => $job->source_name,
            'file' => $job->fileFrame(),
            'version' => $job->version,
            'unit' => $job->unit,
            'updated' => $job->updated_at?->toIso8601String(),
        ];
    }

    /** @return array<string, array{id: int, name: string, changed: bool}> what its ticket names, by kind, and whether the shop has it otherwise now */
    private static function stock(ShopJob $job): array
    {
        $items = $job->stock ?? [];
        $now = $items === [] ? collect() : StockItem::query()->whereKey(array_column($items, 'id'))->get()->keyBy('id');

        return array_map(static fn (array $one): array => ['id' => $one['id'], 'name' => $one['name'], 'changed' => $now->get($one['id'])?->data != $one['values'] || $now->get($one['id'])?->name !== $one['name']], $items);
    }

    /** @return string JSON; the pieces are kept as the page draws them */
    public static function whole(ShopJob $job): string
    {
        return ShopJob::reading(static fn (): string => self::read(ShopJob::query()->findOrFail($job->id)));
    }

    private static function read(ShopJob $job): string
    {
        $frame = self::json(PageArt::frame(ArtworkJson::data((string) $job->bench)));

        return substr(self::json(self::state($job)), 0, -1).',"art":'.substr($frame, 0, -1).',"pieces":['.implode(',', BenchPiece::pages($job)).']}}';
    }

    /**
     * @param  ArtworkDifference|null  $difference  what was changed; null when the art was not
     * @param  array<string, string>  $pages  JSON by id of the pieces that were
     * @return string JSON
     */
    public static function changed(ShopJob $job, ?ArtworkDifference $difference, array $pages): string
    {
        $changes = self::json([
            'gone' => array_map(strval(...), array_keys(array_filter($difference->pieces ?? [], static fn (?array $piece): bool => $piece === null))),
            'order' => $difference?->order,
            'frame' => $difference?->frame === null ? null : PageArt::frame($difference->frame),
        ]);

        return substr(self::json(self::state($job, brief: true)), 0, -1).',"changes":'.substr($changes, 0, -1).',"pieces":['.implode(',', $pages).']}}';
    }

    /** @return array<string, mixed> everything but the art */
    public static function words(ShopJob $job): array
    {
        return self::state($job);
    }

    /**
     * @param  bool  $brief  without what no change to the art changes: the outcome of the last preparation, which may be long
     * @return array<string, mixed>
     */
    private static function state(ShopJob $job, bool $brief = false): array
    {
        $preparation = $brief ? $job->preparations()->latest('id')->first(Preparation::BRIEF) : $job->latestPreparation;

        return [
            'job' => self::of($job),
            'notices' => $notices = $job->placedNotices(),
            ...($brief || $preparation !== null ? [] : ['groups' => FindingGroups::of($notices)]),
            'history' => self::history($job),
            'preparation' => $preparation === null ? null : ($brief ? self::run($preparation, $job) : self::preparation($preparation, $job)),
        ];
    }

    /** @return array{label: string, canUndo: bool, canRedo: bool, nextLabel: string|null, number: int, key: string, laid: string} where the job stands in its states; `laid` is another wherever it is laid out otherwise */
    public static function history(ShopJob $job): array
    {
        $current = $job->current();
        $next = $job->revisions()->where('parent', $current->number)->orderByDesc('number')->first();

        return [
            'label' => $current->label,
            'canUndo' => $current->parent !== null,
            'canRedo' => $next !== null,
            'nextLabel' => $next?->label,
            'number' => $current->number,
            'key' => $job->last_key,
            'laid' => hash('xxh32', (string) ($job->getAttributes()['making'] ?? '')),
        ];
    }

    /** @param  array<string, mixed>  $data */
    private static function json(array $data): string
    {
        return ArtworkJson::text($data);
    }

    /** @return array<string, mixed> how far a preparation is */
    private static function run(Preparation $preparation, ShopJob $job): array
    {
        return [
            'id' => $preparation->id,
            'status' => $preparation->status,
            'work' => $preparation->work?->row(),
            'steps' => array_map(static fn (LineStep $step): array => ['id' => $step->id, 'kind' => $step->kind, 'on' => $step->on], $preparation->line()),
            'stale' => $preparation->version !== $job->version,
        ];
    }

    /** @return array<string, mixed> with its outcome */
    public static function preparation(Preparation $preparation, ShopJob $job): array
    {
        $findings = Judgements::on($preparation->findings(), $job->judged ?? [], $job->width_mm);
        $verdict = self::verdict($preparation, $job);

        return self::run($preparation, $job) + [
            'result' => $preparation->result === null ? null : ['findings' => $findings] + $preparation->result,
            'groups' => FindingGroups::of([...$job->placedNotices(), ...$findings]),
            'verdict' => $verdict === null ? null : [...$verdict->toArray(), 'released' => $verdict->isReady() ? null : Gate::released($job, $verdict)?->row()],
        ];
    }

    /** What is true of the job as it was prepared last; null while nothing is prepared. */
    public static function verdict(Preparation $preparation, ShopJob $job): ?Verdict
    {
        $result = $preparation->result;
        if ($preparation->status !== 'done' || $result === null) {
            return null;
        }

        return self::judged($preparation, $job, LookDifference::fromArray($result['look_difference']), $preparation->summed($job->judged ?? [], $job->width_mm));
    }

    /**
     * The one rule by which a job is ready, for its page and for the list of all.
     *
     * @param  array{findings: int, sheets: int, serious: int, open?: int, kinds?: array<string, int>}  $summary  see Preparation
     */
    public static function judged(Preparation $preparation, ShopJob $job, LookDifference $look, array $summary): Verdict
    {
        $leftOut = $job->leftOut();

        return Verdict::of(
            $look,
            count($leftOut),
            count(array_filter($leftOut, static fn (array $notice): bool => isset($notice['accepted']))),
            // Before the open ones were kept, all that was found was counted.
            $summary['open'] ?? $summary['findings'],
            $preparation->version !== $job->version,
            $summary['sheets'] === 0,
            $summary['serious'],
            $summary['kinds'] ?? [],
        );
    }
}
