<?php

declare(strict_types=1);

namespace App\Prep;

use App\Models\Preparation;
use App\Models\ShopJob;
use App\Models\StockItem;
use Illuminate\Support\Facades\DB;
use NeatEdge\Core\Artwork\LineStep;
use NeatEdge\Core\Check\Process;
use NeatEdge\Core\Edit\EditRefused;
use NeatEdge\Core\Prepare\PrepLine;
use NeatEdge\Core\Seen\Seen;
use NeatEdge\Core\Sheet\Layout\Layout;
use NeatEdge\Core\Sheet\Make\Makings;
use NeatEdge\Core\Sheet\Make\Order;
use NeatEdge\Core\Sheet\Make\ScreenPlates;
use NeatEdge\Core\Sheet\Nest\Placement;

/** A prepared job laid out as its process promises; kept by all that led to it. */
final class Made
{
    /** Grows whenever layouts come out otherwise. */
    private const FORM = 2;

    /** @return list<Layout> @throws EditRefused when nothing was prepared */
    public static function layouts(ShopJob $job): array
    {
        $preparation = self::prepared($job);
        $key = hash('xxh128', json_encode([self::FORM, PrepLine::ENGINE, $preparation->stage_keys, $job->process, $job->making, $job->title, self::names(), self::materials(), $job->limits()], JSON_THROW_ON_ERROR));
        $path = self::folder()."/{$key}.gz";
        if (is_file($path)) {
            touch($path);
            $kept = unserialize((string) gzuncompress((string) file_get_contents($path)));
            if (is_array($kept)) {
                return array_values(array_filter($kept, static fn (mixed $one): bool => $one instanceof Layout));
            }
        }
        $layouts = Makings::layouts(self::order($job));
        if (! is_dir(dirname($path))) {
            @mkdir(dirname($path), 0775, true);
        }
        // Two windows may work it out at once: each writes its own, and the last one stays.
        $part = $path.'.'.bin2hex(random_bytes(4));
        file_put_contents($part, gzcompress(serialize($layouts), 3));
        rename($part, $path);

        return $layouts;
    }

    public static function folder(): string
    {
        return rtrim((string) config('neat-edge.layouts'), '/');
    }

    public static function order(ShopJob $job): Order
    {
        $preparation = self::prepared($job);
        $art = $preparation->stageArt(count($preparation->stage_keys ?? []) - 1) ?? throw EditRefused::because('What was prepared is not kept any more; prepare the job again.');
        $values = self::values($job);
        $line = array_values(array_filter($preparation->line(), static fn (LineStep $step): bool => $step->on));
        $under = [];
        if ($job->process === Process::ScreenPrint && $preparation->version === $job->version) {
            foreach (ScreenPlates::colours((string) ($values['overprint'] ?? '')) as $hex) {
                $under[$hex] = PrepLine::of($line, $job->limits(), new DatabaseStepCache)->outcomeWithout(Seen::of($job->art()), [$hex]);
            }
        }
        $placements = [];
        foreach ($job->making['placements'] ?? [] as $hex => $rows) {
            $placements[$hex === 'all' ? '' : $hex] = array_map(Placement::fromArray(...), $rows);
        }

        return new Order(
            $art, $job->title, $job->process, $job->limits(), $values, self::names(),
            count(array_filter($line, static fn (LineStep $step): bool => $step->kind === 'mirror')) % 2 === 1, $placements, $under, self::beds($job),
        );
    }

    /** @return array<string, float|string|bool> */
    public static function values(ShopJob $job): array
    {
        return Makings::values($job->process, $job->making['values'] ?? []);
    }

    private static function prepared(ShopJob $job): Preparation
    {
        $preparation = $job->latestPreparation;
        if ($preparation === null || $preparation->status !== 'done') {
            throw EditRefused::because('There is nothing to lay out until the art has been prepared.');
        }

        return $preparation;
    }

    /** @return array<string, string> names of colours, by #rrggbb */
    public static function names(): array
    {
        $stock = [];
        // What is called nothing has the name of the ink or material of just that colour.
        foreach (StockItem::query()->whereIn('kind', ['material', 'ink'])->orderBy('id')->get() as $one) {
            $stock[(string) ($one->data['colour'] ?? '')] ??= $one->name;
        }

        return [...$stock, ...self::given()];
    }

    /** @return array<string, string> names that were given to colours themselves */
    private static function given(): array
    {
        return DB::table('shop_colours')->orderBy('hex')->pluck('name', 'hex')->map(static fn (mixed $name): string => is_string($name) ? $name : '')->all();
    }

    /** @return array<int, list<mixed>> */
    private static function materials(): array
    {
        return StockItem::query()->where('kind', 'material')->orderBy('id')->get()->map(static fn (StockItem $one): array => [$one->id, $one->name, $one->data])->all();
    }

    /** @return array<string, array{width: float, length: float, grain: bool, name: string}> */
    private static function beds(ShopJob $job): array
    {
        $out = [];
        $all = StockItem::query()->where('kind', 'material')->get()->keyBy('id');
        foreach ($job->making['materials'] ?? [] as $hex => $id) {
            $one = $all->get((int) $id);
            if ($one !== null) {
                $out[$hex === 'all' ? '' : $hex] = ['width' => (float) ($one->data['width'] ?? 610.0), 'length' => ($one->data['form'] ?? 'roll') === 'sheet' ? (float) ($one->data['length'] ?? 0.0) : 0.0, 'grain' => (bool) ($one->data['grain'] ?? false), 'name' => $one->name];
            }
        }

        return $out;
    }

    public static function isStale(ShopJob $job): bool
    {
        return self::prepared($job)->version !== $job->version;
    }
}
