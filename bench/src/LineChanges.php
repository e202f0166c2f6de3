<?php

declare(strict_types=1);

namespace NeatEdge\Bench;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\LineStep;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Format\Svg\Reader;
use NeatEdge\Core\Line\MemoryCache;
use NeatEdge\Core\Line\PrepLine;
use NeatEdge\Core\Measure\Limits;
use NeatEdge\Core\PlanarMap\Combine;
use NeatEdge\Core\Prepare\Cure\ToLimits;
use NeatEdge\Core\Prepare\Look;
use NeatEdge\Core\Prepare\Widths;
use NeatEdge\Core\Process\Processes;
use NeatEdge\Core\Seen\Seen;
use NeatEdge\Core\Tests\Support\RealArt;

/** What a change late in a line costs, how many real places cures bring to their limits, and what a second worker brings to a batch. */
final class LineChanges
{
    private const ICONS = ['icons' => 90, 'strokes' => 60, 'map-signs' => 50, 'emoji' => 60, 'weather-lines' => 40];

    /** @return iterable<array{string, string, string}> */
    public function figures(): iterable
    {
        yield $this->late();
        yield from $this->cures();
        yield $this->batch();
    }

    /** @return array{string, string, string} */
    private function late(): array
    {
        $art = Seen::of(Reader::read((string) file_get_contents(dirname(__DIR__, 2).'/database/demo/window-decal.svg'))->artwork->atWidth(600.0));
        $limits = new Limits(0.8, 0.5, island: 1.5, hole: 1.0);
        $line = Processes::of('cut-vinyl')->preset()->steps;
        $cache = new MemoryCache;
        /** @param  list<LineStep>  $line */
        $run = static function (array $line) use ($art, $limits, $cache): float {
            $start = hrtime(true);
            PrepLine::of(array_values($line), $limits, $cache)->run($art);

            return (hrtime(true) - $start) / 1e9;
        };
        $whole = $run($line);
        $at = count($line) - 2;
        $line[$at] = new LineStep($line[$at]->id, $line[$at]->kind, ['width' => 0.55]);
        $again = $run($line);

        return [
            sprintf('last but one step of the decal changed: %.1f s of %.1f s', $again, $whole),
            sprintf('%.2f', $again / $whole),
            'at most 0.20 of the whole',
        ];
    }

    /** @return iterable<array{string, string, string}> */
    private function cures(): iterable
    {
        $limits = new Limits(0.8, 0.5);
        $icons = $places = $done = $clean = $overlaps = 0;
        $looks = [];
        foreach (self::ICONS as $set => $count) {
            foreach (RealArt::of($set, $count) as $svg) {
                $flat = self::failing(Reader::read($svg)->artwork, $limits);
                if ($flat === null) {
                    continue;
                }
                $before = self::overlap($flat);
                $cured = ToLimits::cured($flat, $limits, ['thin-line', 'thin-point', 'narrow-gap']);
                $icons++;
                $places += count($cured->done) + count($cured->left);
                $done += count($cured->done);
                $clean += self::found($cured->artwork, $limits) === 0 ? 1 : 0;
                $overlaps += self::overlap($cured->artwork) > $before + 0.01 ? 1 : 0;
                $least = self::least($flat, $limits);
                if ($least > 0 && $cured->left === []) {
                    $looks[] = Look::between($flat, $cured->artwork)->area / $least;
                }
            }
        }
        sort($looks);
        yield [sprintf('places brought to their limits, %d icons, %d places', $icons, $places), sprintf('%.1f %%', 100 * $done / max(1, $places)), '99 %'];
        yield ['icons without any finding of width afterwards', sprintf('%.1f %%', 100 * $clean / max(1, $icons)), 'all'];
        yield ['icons in which pieces overlap that did not', (string) $overlaps, 'none'];
        yield [
            'look changed, in what is least needed: median, 90th',
            sprintf('%.2f, %.2f', $looks[intdiv(count($looks), 2)] ?? 0, $looks[(int) (0.9 * count($looks))] ?? 0),
            'at most 2',
        ];
    }

    /** Made as large as it can be so that something is too narrow. */
    private static function failing(Artwork $art, Limits $limits): ?Artwork
    {
        for ($width = 40.0; $width > 3; $width *= 0.85) {
            $flat = PrepLine::usual()->run($art->atWidth($width))->artwork();
            if (self::found($flat, $limits) > 0) {
                return $flat;
            }
        }

        return null;
    }

    private static function found(Artwork $flat, Limits $limits): int
    {
        $widths = Widths::of($flat, $limits);

        return array_sum(array_map(count(...), $widths->lines)) + array_sum(array_map(count(...), $widths->gaps));
    }

    /** mm² that lie under other pieces. */
    private static function overlap(Artwork $flat): float
    {
        $shapes = array_map(static fn (Piece $piece) => $piece->shape, array_filter($flat->pieces, static fn (Piece $piece): bool => $piece->isSolid()));

        return array_sum(array_map(
            static fn ($shape): float => $shape->area(),
            $shapes,
        )) - ($shapes === [] ? 0.0 : Combine::weld(array_values($shapes), $flat->tolerance())->area());
    }

    /** mm² that must change at least: what is missing in width along each place, of gaps the less of widening and filling. */
    private static function least(Artwork $flat, Limits $limits): float
    {
        $widths = Widths::of($flat, $limits);
        $sum = 0.0;
        foreach ($widths->lines as $places) {
            foreach ($places as $place) {
                $sum += $place->length * ($place->pointed ? $place->typical / 2 : $limits->line - $place->typical);
            }
        }
        foreach ($widths->gaps as $places) {
            foreach ($places as $place) {
                $sum += $place->length * min($place->typical, $limits->gap - $place->typical);
            }
        }

        return $sum;
    }

    /** @return array{string, string, string} */
    private function batch(): array
    {
        $folder = sys_get_temp_dir().'/neat-edge-bench-'.bin2hex(random_bytes(4));
        mkdir("{$folder}/in", recursive: true);
        foreach (self::ICONS as $set => $count) {
            foreach (RealArt::of($set, $count) as $name => $svg) {
                file_put_contents("{$folder}/in/{$set}-{$name}.svg", $svg);
            }
        }
        $took = [];
        foreach ([1, 2] as $jobs) {
            $start = hrtime(true);
            exec(escapeshellarg(dirname(__DIR__, 2).'/bin/neat-edge').' batch '.escapeshellarg("{$folder}/in").' --preset=cut-vinyl --width=60mm --jobs='
                .$jobs.' --out-dir '.escapeshellarg("{$folder}/out{$jobs}").' >/dev/null 2>&1');
            $took[$jobs] = (hrtime(true) - $start) / 1e9;
        }
        exec('rm -rf '.escapeshellarg($folder));

        return [
            sprintf('a batch of 300 icons: one worker %.0f s, two %.0f s', $took[1], $took[2]),
            sprintf('%.2f times', $took[1] / $took[2]),
            'at least 1.7 times',
        ];
    }
}
