<?php

declare(strict_types=1);

namespace App\Prep;

use App\Models\Contents;
use App\Models\Preparation;
use App\Models\ShopJob;
use App\Models\StockItem;
use App\Works\BeingMade;
use App\Works\Kinds\Lay;
use Illuminate\Support\Facades\DB;
use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\Format\Json\LayoutJson;
use NeatEdge\Core\Line\PrepLine;
use NeatEdge\Core\Seen\Seen;
use NeatEdge\Core\Sheet\Layout\Layout;
use NeatEdge\Core\Sheet\Make\Order;
use NeatEdge\Core\Sheet\Nest\Placement;

/** A prepared job laid out as its process promises; kept by all that led to it. */
final class Made
{
    /** Where layouts lie on the disk of contents, each by what it is made of. */
    public const FOLDER = 'layouts';

    /** Grows whenever layouts come out otherwise. */
    private const FORM = 8;

    /** Seconds that a file or a picture is waited for. */
    private const WAIT = 120.0;

    /** By all that leads to it. @throws Refused when nothing was prepared */
    public static function key(ShopJob $job): string
    {
        $along = array_map(
            static fn (array $one): array => [
                $one['job']?->title,
                $one['job']?->process->key(),
                $one['job']?->version,
                $one['job']?->latestPreparation?->version,
                $one['job']?->latestPreparation?->stage_keys,
            ],
            self::companions($job),
        );

        return hash(
            'xxh128',
            json_encode(
                [
                    self::FORM, PrepLine::ENGINE, self::prepared($job)->stage_keys, $job->process->key(), $job->making, $job->title, self::names(),
                    self::materials(), self::inks(), $job->stock, $job->limits(), $along,
                ],
                JSON_THROW_ON_ERROR,
            ),
        );
    }

    /**
     * The job as it would be with other choices of how it is laid out; nothing is stored.
     *
     * @param  array<string, mixed>  $making
     */
    public static function with(ShopJob $job, array $making): ShopJob
    {
        $tried = clone $job;
        $tried->making = $making;

        return $tried;
    }

    private static function path(ShopJob $job): string
    {
        return self::FOLDER.'/'.self::key($job).'.gz';
    }

    /** @return list<Layout>|null what is laid out already, null when it has to be worked out; a torn file is made anew */
    private static function kept(string $path): ?array
    {
        $disk = Contents::disk();
        $bytes = $disk->exists($path) ? (string) $disk->get($path) : null;
        if ($bytes === null) {
            return null;
        }
        if ($disk->lastModified($path) < time() - 86_400) {
            // Still looked at.
            Contents::write($path, $bytes);
        }

        return LayoutJson::decode((string) @gzuncompress($bytes));
    }

    /**
     * For a request: what is laid out, or a work that lays it out.
     *
     * @param  bool  $waits  whether who asked can wait for nothing but the thing itself: a file that is fetched, a picture. Only the answer is held back,
     *     nothing is computed
     * @return list<Layout>
     *
     * @throws BeingMade|Refused
     */
    public static function ready(ShopJob $job, bool $waits = false): array
    {
        $kept = self::kept(self::path($job));
        if ($kept !== null) {
            return $kept;
        }
        $work = Lay::open($job) ?? Lay::begin($job);
        for ($end = microtime(true) + self::WAIT; $waits && $work->isOpen() && microtime(true) < $end; $work->refresh()) {
            usleep(100_000);
        }
        if ($waits && $work->state === 'done' && isset($work->about['making'])) {
            // It was chosen otherwise meanwhile.
            $job = ShopJob::query()->findOrFail($job->id);
        }
        if ($work->state === 'failed') {
            throw Refused::because($work->error);
        }

        return $work->state === 'done' ? self::kept(self::path($job)) ?? throw new BeingMade($work) : throw new BeingMade($work);
    }

    /** @return list<Layout> worked out here and now when it is not kept @throws Refused when nothing was prepared */
    public static function layouts(ShopJob $job): array
    {
        $path = self::path($job);
        $kept = self::kept($path);
        if ($kept !== null) {
            return $kept;
        }
        $layouts = self::order($job)->layouts();
        Contents::write($path, (string) gzcompress(LayoutJson::encode($layouts), 3));

        return $layouts;
    }

    /** The machine that a job is made with: the one that its ticket names, else the first of the kind that its process wants. */
    public static function machine(ShopJob $job): ?StockItem
    {
        $machines = StockItem::query()->where('kind', 'machine')->orderBy('id')->get();

        return $machines->firstWhere(
            'id',
            $job->chosen()->items['machine']['id'] ?? 0,
        ) ?? $machines->first(static fn (StockItem $stockItem): bool => $stockItem->data['kind'] === $job->process->machine());
    }

    /** @return array<string, float|string|bool> that machine, with the knife that is in it for this job */
    public static function described(ShopJob $job, ?StockItem $machine): array
    {
        $machine = $machine->data ?? ['kind' => $job->process->machine()];
        $blade = $job->chosen()->items['blade']['values'] ?? [];
        $steered = (float) ($machine['blade'] ?? 0.0);

        return [
            ...$machine,
            'blade' => $steered > 0 ? (float) ($blade['offset'] ?? $steered) : 0.0,
            'overcut' => (float) ($blade['overcut'] ?? $machine['overcut'] ?? 0.3),
        ];
    }

    public static function order(ShopJob $job): Order
    {
        $preparation = self::prepared($job);
        $art = $preparation->lastArt() ?? throw Refused::because('What was prepared is not kept any more; prepare the job again.');
        $values = self::values($job);
        $line = PrepLine::of($preparation->line(), $job->limits(), new DatabaseStepCache);
        $under = $preparation->version === $job->version ? $job->process->under($line, Seen::of($job->art()), $values) : [];
        $placements = [];
        foreach ($job->making['placements'] ?? [] as $hex => $rows) {
            $placements[$hex === 'all' ? '' : $hex] = array_map(Placement::fromArray(...), $rows);
        }

        [$along, $warns] = self::along($job);

        return new Order(
            $art, $job->title, $job->process->making(), $job->limits(), $values, self::names(), $line->isMirrored(), $placements, $under,
            self::beds($job), $along, self::inks(),
            [...$job->chosen()->warns($values), ...$warns],
        );
    }

    /** @return array{list<Order>, list<string>} the jobs that are laid with it, and why some of them are not */
    private static function along(ShopJob $job): array
    {
        $along = $warns = [];
        foreach (self::companions($job) as ['job' => $other, 'copies' => $copies]) {
            $preparation = $other?->latestPreparation;
            $art = $preparation?->status === 'done' ? $preparation->lastArt() : null;
            if ($other === null) {
                $warns[] = 'A job that was to be laid with it is not in the shop any more.';
            } elseif ($art === null || ! $other->process->is($job->process) || $preparation?->version !== $other->version) {
                $warns[] = sprintf(
                    '%s is not laid with it: %s.',
                    $other->title,
                    ! $other->process->is($job->process) ? 'it is made in another way now' : 'it was changed and has to be prepared again',
                );
            } else {
                $along[] = new Order(
                    $art,
                    $other->title,
                    $other->process->making(),
                    $other->limits(),
                    ['copies' => $copies],
                    mirrored: PrepLine::of($preparation->line(), $other->limits())->isMirrored(),
                );
            }
        }

        return [$along, $warns];
    }

    /** @return list<array{job: ShopJob|null, copies: int}> chosen to be laid with it; null for one that is gone */
    private static function companions(ShopJob $job): array
    {
        $chosen = $job->making['along'] ?? [];
        $jobs = $chosen === [] ? collect() : ShopJob::query()->with('latestPreparation')->whereKey(array_column($chosen, 'job'))->get()->keyBy('id');

        return array_map(static fn (array $one): array => ['job' => $jobs->get($one['job']), 'copies' => $one['copies']], $chosen);
    }

    /** @return list<array{id: int, title: string, ready: bool}> jobs that can be laid with it */
    public static function others(ShopJob $job): array
    {
        return array_values(ShopJob::query()
            ->where('process', $job->process->key())
            ->whereNull('archived_at')
            ->whereKeyNot($job->id)
            ->orderByDesc('id')
            ->limit(200)
            ->get(['id', 'title', 'standing'])
            ->map(static fn (ShopJob $shopJob): array => [
                'id' => $shopJob->id,
                'title' => $shopJob->title,
                'ready' => in_array($shopJob->standing, [Standing::OPEN, Standing::READY], true),
            ])->all());
    }

    /** @return array<string, float|string|bool> */
    public static function values(ShopJob $job): array
    {
        return $job->process->values([...$job->chosen()->makes(), ...$job->making['values'] ?? []]);
    }

    public static function prepared(ShopJob $job): Preparation
    {
        $preparation = $job->latestPreparation;
        if ($preparation === null || $preparation->status !== 'done') {
            throw Refused::because('There is nothing to lay out until the art has been prepared.');
        }

        return $preparation;
    }

    /** @return array<string, string> names of colours, by #rrggbb */
    public static function names(): array
    {
        // A colour is an ink or a material because somebody said so, never because the shop has one that looks the same.
        return DB::table('shop_colours')->orderBy('hex')->pluck('name', 'hex')->map(static fn (mixed $name): string => is_string($name) ? $name : '')->all();
    }

    /** @return array<int, list<mixed>> */
    private static function materials(): array
    {
        return StockItem::query()
            ->where('kind', 'material')
            ->orderBy('id')
            ->get()
            ->map(static fn (StockItem $stockItem): array => [$stockItem->id, $stockItem->name, $stockItem->data])
            ->all();
    }

    /** @return array<string, array{rank: int, alone: bool}> what is known of inks, by #rrggbb */
    private static function inks(): array
    {
        $inks = StockItem::query()->where('kind', 'ink')->orderBy('id')->get()->keyBy('name');
        $known = [];
        foreach (self::names() as $hex => $name) {
            $one = $inks->get($name);
            if ($one !== null) {
                $known[$hex] = ['rank' => (int) ($one->data['rank'] ?? 1), 'alone' => (bool) ($one->data['alone'] ?? false)];
            }
        }

        return $known;
    }

    /** @return list<string> what a job is made on: the material of its ticket, and those of single colours, as the shop calls them */
    public static function materialNames(ShopJob $job): array
    {
        return array_values(array_unique(array_filter(array_column(self::beds($job), 'name'), static fn (string $name): bool => $name !== '')));
    }

    /**
     * @return array<string, array{width: float, length: float, grain: bool, name: string, colour: string}> that of the ticket for all whose own is not
     *     chosen
     */
    private static function beds(ShopJob $job): array
    {
        $beds = [];
        $all = StockItem::query()->where('kind', 'material')->get()->keyBy('id');
        $named = $job->chosen()->items['material'] ?? null;
        $items = $named === null ? [] : ['' => [$named['name'], $named['values']]];
        foreach ($job->making['materials'] ?? [] as $hex => $id) {
            $one = $all->get((int) $id);
            if ($one !== null) {
                $items[$hex === 'all' ? '' : $hex] = [$one->name, $one->data];
            }
        }
        $most = $job->chosen()->across();
        foreach ($items as $hex => [$name, $values]) {
            $width = (float) ($values['width'] ?? 610.0);
            $beds[$hex] = [
                'width' => $most > 0 ? min($most, $width) : $width,
                'length' => ($values['form'] ?? 'roll') === 'sheet' ? (float) ($values['length'] ?? 0.0) : 0.0,
                'grain' => (bool) ($values['grain'] ?? false),
                'name' => $name,
                'colour' => (string) ($values['colour'] ?? '#ffffff'),
            ];
        }

        return $beds;
    }

    public static function isStale(ShopJob $job): bool
    {
        return self::prepared($job)->version !== $job->version;
    }

    /**
     * Sheets of an earlier state go out only to who says that they are wanted all the same, and never to a machine.
     *
     * @throws Refused
     */
    public static function holdStale(Preparation $preparation, bool $earlier): void
    {
        if (! $earlier && $preparation->version !== $preparation->job()->firstOrFail()->version) {
            throw Refused::because('The job was changed since these sheets were made. Prepare it again, or ask for the earlier state by name.');
        }
    }
}
