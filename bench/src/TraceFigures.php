<?php

declare(strict_types=1);

namespace NeatEdge\Bench;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Format\Svg\Reader;
use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\Cubic;
use NeatEdge\Core\Geometry\Matrix;
use NeatEdge\Core\Geometry\Parts;
use NeatEdge\Core\Prepare\MergeByColour;
use NeatEdge\Core\Tests\Support\RealArt;
use NeatEdge\Core\Trace\Options;
use NeatEdge\Core\Trace\Scan;
use NeatEdge\Core\Trace\Traced;
use NeatEdge\Core\Trace\Tracing;
use RuntimeException;
use Throwable;

/**
 * Pictures of drawings that are known, traced, and held against what is seen of the drawings: by librsvg at two sizes, clean and as JPEG of quality 75.
 * NEAT_EDGE_TRACED says how many drawings of each set are taken (75 when nothing is said: 300 in all), NEAT_EDGE_TRACED_AT at which widths,
 * NEAT_EDGE_TRACE_EACH tells of each drawing.
 *
 * @phpstan-type Told array{nodes: int, parts: int, outlines: list<list<array{float, float}>>, circles: list<array{float, float, float}>}
 */
final class TraceFigures
{
    private const SETS = ['icons', 'strokes', 'emoji', 'map-signs'];

    /** Dots between the places that edges are held against each other at, and by which the one that is met is finer. */
    private const STEP = 0.5;

    private const FINE = 0.1;

    /** Pictures that the library is given in one process. */
    private const AT_ONCE = 15;

    /** Dots of what counts as a region. */
    private const REGION = 10.0;

    /** @return iterable<array{string, string, string}> */
    public function figures(): iterable
    {
        $count = (int) (getenv('NEAT_EDGE_TRACED') ?: 75);
        $drawings = [];
        foreach (self::SETS as $set) {
            $taken = 0;
            foreach (RealArt::of($set, min(200, 3 * $count)) as $name => $svg) {
                $told = $taken < $count ? self::source($svg) : null;
                if ($told !== null) {
                    $drawings["{$set}/{$name}"] = [$svg, $told];
                    $taken++;
                }
            }
        }
        foreach (['brass-lantern-tag', 'window-decal', 'stewards-tabard'] as $own) {
            $svg = (string) file_get_contents(dirname(__DIR__, 2)."/database/demo/{$own}.svg");
            $told = self::source($svg);
            if ($told !== null) {
                $drawings["demo/{$own}"] = [$svg, $told];
            }
        }
        foreach (array_map(intval(...), explode(',', getenv('NEAT_EDGE_TRACED_AT') ?: '512,1024')) as $size) {
            foreach ([false, true] as $lossy) {
                yield from $this->at($drawings, $size, $lossy);
            }
        }
        yield from self::growth();
    }

    /**
     * @param  array<string, array{string, Artwork}>  $drawings
     * @return iterable<array{string, string, string}>
     */
    private function at(array $drawings, int $size, bool $lossy): iterable
    {
        $ours = $theirs = [];
        $list = [];
        foreach ($drawings as $name => [$svg, $source]) {
            [$bytes, $scan] = self::picture($svg, $size, $lossy);
            $reference = self::told($source, $scan->width / $source->width);
            $before = Timed::here();
            $traced = Tracing::of(Scan::of($bytes), new Options);
            $cpu = Timed::here() - $before;
            $own = self::told($traced->artwork((float) $scan->width), 1.0);
            $own['circles'] = self::circles($traced);
            $row = [...self::held($reference, $own), 'cpu' => $cpu, 'name' => $name];
            $ours[] = $row;
            if (getenv('NEAT_EDGE_TRACE_EACH') !== false) {
                $form = "%-44s nodes %4d of %4d  mean %.3f  p95 %.2f  most %.2f  regions %d of %d  circles %d of %d  %4.0f ms\n";
                fprintf(
                    STDERR,
                    $form,
                    $name,
                    $own['nodes'],
                    $reference['nodes'],
                    $row['mean'],
                    $row['p95'],
                    $row['most'],
                    $own['parts'],
                    $reference['parts'],
                    $row['found'],
                    $row['circles'],
                    1000 * $cpu,
                );
            }
            $list[] = [$scan, count($traced->inks), $reference];
            // So many at once as memory holds.
            if (count($list) === self::AT_ONCE) {
                array_push($theirs, ...self::others($list));
                $list = [];
            }
        }
        array_push($theirs, ...self::others($list));
        $title = "{$size} px".($lossy ? ', JPEG 75' : '');
        yield from self::rows($title, $ours, $theirs);
    }

    /**
     * @param  list<array<string, mixed>>  $ours
     * @param  list<array<string, mixed>>  $theirs
     * @return iterable<array{string, string, string}>
     */
    private static function rows(string $title, array $ours, array $theirs): iterable
    {
        $at = static function (array $rows, string $key, float $share): float {
            $values = array_column($rows, $key);
            sort($values);

            return $values === [] ? NAN : (float) $values[min(count($values) - 1, (int) ($share * count($values)))];
        };
        $mean = static fn (array $rows, string $key): float => array_sum(array_column($rows, $key)) / max(1, count($rows));
        $share = static fn (array $rows, callable $is): float => 100 * count(array_filter($rows, $is)) / max(1, count($rows));
        $nodes = static fn (array $rows): string => sprintf('%.2f, %.2f', $at($rows, 'ratio', 0.5), $at($rows, 'ratio', 0.9));
        yield ["{$title}: nodes, times the drawing's, median and 90 %", $nodes($ours), 'at most 1.5, 2'];
        yield ["{$title}: the library's", $nodes($theirs), 'at least twice ours'];
        yield ["{$title}: edge off, mean and 95 % of places", sprintf('%.3f, %.2f px', $mean($ours, 'mean'), $mean($ours, 'p95')), 'at most 0.15, 0.6'];
        yield ["{$title}: the library's", sprintf('%.3f, %.2f px', $mean($theirs, 'mean'), $mean($theirs, 'p95')), 'more than ours'];
        yield ["{$title}: no place off by more than 0.6 px in", sprintf('%.0f %%', $share($ours, static fn (array $row): bool => $row['most'] <= 0.6)), 'told'];
        yield ["{$title}: as many regions", sprintf('%.0f %%', $share($ours, static fn (array $row): bool => $row['same'])), 'at least 97 %'];
        yield ["{$title}: the library's", sprintf('%.0f %%', $share($theirs, static fn (array $row): bool => $row['same'])), 'told'];
        $circles = array_sum(array_column($ours, 'circles'));
        $found = 100 * array_sum(array_column($ours, 'found')) / max(1, $circles);
        yield ["{$title}: circles found as such, of", sprintf('%.0f %% of %d', $found, $circles), 'at least 95 %'];
        yield ["{$title}: CPU a picture, ours and the library's", sprintf('%.0f, %.0f ms', 1000 * $mean($ours, 'cpu'), 1000 * $mean($theirs, 'cpu')), 'told'];
    }

    /** @return Artwork|null what is seen of a drawing, colour by colour; null for one that is not of flat, solid colours */
    private static function source(string $svg): ?Artwork
    {
        try {
            $art = Reader::read($svg)->artwork;
            foreach ($art->pieces as $piece) {
                foreach ([$piece->fill, $piece->stroke?->paint] as $paint) {
                    if ($paint !== null && (! $paint->isFlatColour() || ! $paint->isOpaque())) {
                        return null;
                    }
                }
                if ($piece->soft !== null) {
                    return null;
                }
            }

            return (new MergeByColour)->apply($art);
        } catch (Throwable) {
            return null;
        }
    }

    /** @return array{string, Scan} its bytes, and its dots */
    private static function picture(string $svg, int $size, bool $lossy): array
    {
        $process = proc_open(['rsvg-convert', '-w', (string) $size, '-b', 'white'], [['pipe', 'r'], ['pipe', 'w'], ['file', '/dev/null', 'w']], $pipes);
        if ($process === false) {
            throw new RuntimeException('rsvg-convert cannot be started.');
        }
        fwrite($pipes[0], $svg);
        fclose($pipes[0]);
        $png = (string) stream_get_contents($pipes[1]);
        proc_close($process);
        if ($lossy) {
            $image = imagecreatefromstring($png) ?: throw new RuntimeException('No picture.');
            ob_start();
            imagejpeg($image, null, 75);
            $png = (string) ob_get_clean();
        }

        return [$png, Scan::of($png)];
    }

    /** @return Told in dots; white is the ground */
    private static function told(Artwork $art, float $scale): array
    {
        $nodes = $parts = 0;
        $outlines = $circles = [];
        foreach ($art->pieces as $piece) {
            $colour = ($piece->fill ?? $piece->stroke?->paint)?->colour;
            if ($colour === null || min($colour->red, $colour->green, $colour->blue) > 245) {
                continue;
            }
            $shape = $piece->shape->transformed(Matrix::scaling($scale, $scale));
            foreach (Parts::of($shape) as $part) {
                $parts += abs($part->area()) >= self::REGION ? 1 : 0;
            }
            foreach ($shape->contours as $contour) {
                if (abs($contour->area()) < self::REGION) {
                    continue;
                }
                $nodes += $contour->nodeCount();
                $outlines[] = self::along($contour);
                $circle = self::circle($contour);
                if ($circle !== null) {
                    $circles[] = $circle;
                }
            }
        }

        return ['nodes' => $nodes, 'parts' => $parts, 'outlines' => $outlines, 'circles' => self::once($circles)];
    }

    /** @return list<array{float, float}> so close that a place between two is off by next to nothing */
    private static function along(Contour $contour): array
    {
        $places = [];
        foreach ($contour->closedSegments() as $segment) {
            $long = Cubic::length($segment);
            $steps = max(1, (int) ceil($long / self::FINE));
            for ($k = 0; $k < $steps; $k++) {
                $places[] = Cubic::placeOn($segment, $k / $steps);
            }
        }

        return $places;
    }

    /** @return array{float, float, float}|null by the places alone, whatever they were made from */
    private static function circle(Contour $contour): ?array
    {
        $box = $contour->box();
        [$x, $y, $r] = [($box->left + $box->right) / 2, ($box->top + $box->bottom) / 2, $box->width() / 2];
        if ($r < 2.5 || abs($box->width() - $box->height()) > 0.02 * $r) {
            return null;
        }
        foreach (self::along($contour) as $place) {
            if (abs(hypot($place[0] - $x, $place[1] - $y) - $r) > 0.01 * $r) {
                return null;
            }
        }

        return [$x, $y, $r];
    }

    /**
     * @param  list<array{float, float, float}>  $circles
     * @return list<array{float, float, float}> a border that two colours share is one
     */
    private static function once(array $circles): array
    {
        $once = [];
        foreach ($circles as $circle) {
            foreach ($once as $other) {
                if (abs($other[0] - $circle[0]) + abs($other[1] - $circle[1]) + abs($other[2] - $circle[2]) < 0.5) {
                    continue 2;
                }
            }
            $once[] = $circle;
        }

        return $once;
    }

    /** @return list<array{float, float, float}> */
    private static function circles(Traced $traced): array
    {
        foreach ($traced->meant as $found) {
            if ($found->key === 'circles') {
                return array_map(static fn (array $at): array => [$at[0], $at[1], 0.0], $found->at);
            }
        }

        return [];
    }

    /**
     * @param  Told  $reference
     * @param  Told  $own
     * @return array{ratio: float, mean: float, p95: float, most: float, same: bool, circles: int, found: int}
     */
    private static function held(array $reference, array $own): array
    {
        $off = [...self::off($reference['outlines'], $own['outlines']), ...self::off($own['outlines'], $reference['outlines'])];
        sort($off);
        $n = count($off);
        $found = 0;
        foreach ($reference['circles'] as [$x, $y]) {
            foreach ($own['circles'] as [$cx, $cy]) {
                if (hypot($x - $cx, $y - $cy) <= 0.1) {
                    $found++;
                    break;
                }
            }
        }

        return [
            'ratio' => $own['nodes'] / max(1, $reference['nodes']),
            'mean' => $n === 0 ? 0.0 : array_sum($off) / $n,
            'p95' => $n === 0 ? 0.0 : $off[min($n - 1, (int) (0.95 * $n))],
            'most' => $n === 0 ? 0.0 : $off[$n - 1],
            'same' => $own['parts'] === $reference['parts'],
            'circles' => count($reference['circles']),
            'found' => $found,
        ];
    }

    /**
     * How far each place of some outlines is from others.
     *
     * @param  list<list<array{float, float}>>  $of
     * @param  list<list<array{float, float}>>  $from
     * @return list<float> dots, 4 at most
     */
    private static function off(array $of, array $from): array
    {
        $cells = [];
        foreach ($from as $outline) {
            foreach ($outline as [$x, $y]) {
                $cells[(int) floor($x) * 65536 + (int) floor($y)][] = [$x, $y];
            }
        }
        $off = [];
        foreach ($of as $outline) {
            for ($i = 0, $n = count($outline); $i < $n; $i += (int) round(self::STEP / self::FINE)) {
                [$x, $y] = $outline[$i];
                $least = 16.0;
                for ($reach = 1; $reach <= 4; $reach++) {
                    for ($u = (int) floor($x) - $reach; $u <= (int) floor($x) + $reach; $u++) {
                        for ($v = (int) floor($y) - $reach; $v <= (int) floor($y) + $reach; $v++) {
                            foreach ($cells[$u * 65536 + $v] ?? [] as [$px, $py]) {
                                $least = min($least, ($px - $x) ** 2 + ($py - $y) ** 2);
                            }
                        }
                    }
                    if ($least <= $reach * $reach) {
                        break;
                    }
                }
                $off[] = sqrt($least);
            }
        }

        return $off;
    }

    /**
     * The same pictures by a general library (bench/compare/trace.mjs), in one process.
     *
     * @param  list<array{Scan, int, Told}>  $list
     * @return list<array<string, mixed>>
     */
    private static function others(array $list): array
    {
        $folder = sys_get_temp_dir().'/neat-edge-trace-'.getmypid();
        @mkdir($folder);
        $lines = '';
        foreach ($list as $k => [$scan, $colours]) {
            $rgba = '';
            foreach ($scan->dots as $dot) {
                $rgba .= chr($dot >> 16).chr($dot >> 8 & 255).chr($dot & 255)."\xff";
            }
            file_put_contents("{$folder}/{$k}", $rgba);
            $lines .= "{$scan->width} {$scan->height} {$folder}/{$k} ".max(2, $colours)."\n";
        }
        file_put_contents("{$folder}/list", $lines);
        $process = proc_open(['node', dirname(__DIR__).'/compare/trace.mjs'], [['file', "{$folder}/list", 'r'], ['pipe', 'w'], STDERR], $pipes);
        $said = $process === false ? '' : (string) stream_get_contents($pipes[1]);
        if ($process !== false) {
            proc_close($process);
        }
        $rows = [];
        foreach (array_filter(explode("\n", $said)) as $k => $line) {
            [$ms, $file] = explode(' ', $line);
            try {
                $art = Reader::read((string) file_get_contents($file))->artwork;
            } catch (Throwable) {
                continue;
            }
            $rows[] = [...self::held($list[$k][2], self::told($art, $list[$k][0]->width / $art->width)), 'cpu' => (int) $ms / 1000];
        }
        array_map(unlink(...), glob("{$folder}/*") ?: []);
        rmdir($folder);

        return $rows;
    }

    /** @return iterable<array{string, string, string}> one drawing at sizes that double in dots */
    private static function growth(): iterable
    {
        $svg = (string) file_get_contents(dirname(__DIR__, 2).'/database/demo/sticker-sheet.svg');
        $before = null;
        foreach ([512, 724, 1024, 1448, 2048] as $size) {
            [$bytes, $scan] = self::picture($svg, $size, false);
            memory_reset_peak_usage();
            $start = Timed::here();
            Tracing::of(Scan::of($bytes), new Options);
            $cpu = Timed::here() - $start;
            yield [
                sprintf('sticker sheet of %.2f million dots', $scan->width * $scan->height / 1e6),
                sprintf('%.2f s%s, %d MB', $cpu, $before === null ? '' : sprintf(' (%.2f times)', $cpu / $before), memory_get_peak_usage() / 1e6),
                $size === 1448 ? 'a megapixel: 4 s, 400 MB' : 'twice the dots: about twice',
            ];
            $before = $cpu;
        }
    }
}
