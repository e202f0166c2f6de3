<?php

declare(strict_types=1);

namespace NeatEdge\Bench;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Paint;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Format\Svg\Writer;
use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Measure\Colour;
use RuntimeException;

/**
 * What must not become slower unseen: CPU of whole processes as ratios, to a general-purpose path library in native code
 * and to each other, so that the machine does not count. A machine that is slow for a while is so for both of a pair
 * that run one after the other: the ratio of each pair is taken, and the median of three; where that is beyond its bound
 * more pairs are run. Kept figures stand in bench/guard.json; `bin/bench
 * guard keep` writes them anew.
 */
final class Guard
{
    private const PAIRS = 3;

    /** How much slower than kept a ratio may be. */
    private const BOUND = 1.3;

    /** Pairs after which a figure that is beyond its bound is believed. */
    private const MOST_PAIRS = 15;

    public bool $failed = false;

    public function __construct(private readonly bool $keep = false)
    {
    }

    /** @return iterable<array{string, string, string}> */
    public function figures(): iterable
    {
        $folder = sys_get_temp_dir().'/neat-edge-guard-'.getmypid();
        mkdir($folder);
        $path = dirname(__DIR__).'/guard.json';
        $kept = is_file($path) ? json_decode((string) file_get_contents($path), true) : [];
        $kept = is_array($kept) ? $kept : [];
        $found = [];
        try {
            foreach (self::measures($folder) as $name => [$ours, $other]) {
                $bound = isset($kept[$name]) ? self::BOUND * (float) $kept[$name] : INF;
                $pairs = [];
                do {
                    for ($k = 0; $k < self::PAIRS; $k++) {
                        $pairs[] = Timed::cpu($ours) / Timed::cpu($other);
                    }
                    $ratio = Timed::median($pairs);
                } while ($ratio > $bound && count($pairs) < self::MOST_PAIRS);
                $found[$name] = round($ratio, 3);
                $slower = $ratio > $bound;
                $this->failed = $this->failed || $slower || (! isset($kept[$name]) && ! $this->keep);
                yield [
                    $name,
                    sprintf('%.2f of %d pairs', $ratio, count($pairs)),
                    isset($kept[$name]) ? sprintf('at most %.2f%s', $bound, $slower ? ': SLOWER than it was' : '') : 'not kept yet',
                ];
            }
            if ($this->keep) {
                file_put_contents($path, json_encode($found, JSON_PRETTY_PRINT | JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE)."\n");
            }
        } finally {
            exec('rm -rf '.escapeshellarg($folder));
        }
    }

    /** @return iterable<string, array{list<string>, list<string>}> name => command, and the one it is measured by */
    private static function measures(string $folder): iterable
    {
        $root = dirname(__DIR__, 2);
        $file = static function (string $name, string $svg) use ($folder): string {
            file_put_contents("{$folder}/{$name}.svg", $svg) !== false ?: throw new RuntimeException("{$name} cannot be written.");

            return "{$folder}/{$name}.svg";
        };
        $out = "{$folder}/out.svg";
        $ours = static fn (string ...$words): array => ["{$root}/bin/neat-edge", ...array_values($words)];
        $curves = static fn (string $work, string $in): array => ['node', "{$root}/bench/compare/curves.mjs", $work, $in, $out];
        $weld = static fn (string $in): array => $ours('weld', '--by=all', $in, '-o', $out);
        [$small, $large] = [$file('small', Works::scene(1000)), $file('large', Works::scene(4000))];
        $few = $file('few', Works::scene(200));
        $emoji = $file('emoji', Works::emoji(60));
        $icons = $file('icons', Works::icons());
        $colours = $file('colours', self::colours(400));
        foreach ([
            '1000 shapes welded, to curves' => $small,
            '4000 shapes welded, to curves' => $large,
            '400 icons outlined and welded, to curves' => $icons,
        ] as $name => $in) {
            yield $name => [$weld($in), $curves('weld', $in)];
        }
        // These take the library minutes.
        yield 'a map of 3000 lands welded, to 1000 shapes' => [$weld($file('map', Works::map())), $weld($small)];
        yield 'tiles with circles welded, to 1000 shapes' => [$weld($file('tiles', Works::tiles())), $weld($small)];
        yield '60 emoji visible, to curves' => [$ours('visible', $emoji, '-o', $out), $curves('visible', $emoji)];
        yield 'growth: 4000 shapes to 1000' => [$weld($large), $weld($small)];
        yield 'all checks of 60 emoji, to visible' => [$ours('check', $emoji, '--fail-on=never'), $ours('visible', $emoji, '-o', $out)];
        yield 'the whole line of 60 emoji, to visible' => [
            $ours('prepare', $emoji, '--replace', '--out-dir', "{$folder}/ready"),
            $ours('visible', $emoji, '-o', $out),
        ];
        yield 'the whole line of 400 icons, to outlined and welded' => [
            $ours('prepare', $icons, '--replace', '--out-dir', "{$folder}/ready"),
            $weld($icons),
        ];
        yield 'all checks of 400 colours, to visible' => [$ours('check', $colours, '--fail-on=never'), $ours('visible', $colours, '-o', $out)];
        yield '200 pieces outset, to 1000 welded' => [$ours('edit', 'outset', $few, '--all', '-o', $out), $weld($small)];
        yield '200 pieces inset, to 1000 welded' => [$ours('edit', 'inset', $few, '--all', '--distance=0.3mm', '-o', $out), $weld($small)];
        yield '200 pieces ringed, to 1000 welded' => [$ours('edit', 'ring', $few, '--all', '-o', $out), $weld($small)];
        yield 'a border round 200 pieces, to 1000 welded' => [$ours('edit', 'cut-border', $few, '--all', '-o', $out), $weld($small)];
        $apart = $file('apart', self::apart(300));
        yield 'sheets of 300 pieces written, to visible' => [
            $ours('export', $apart, '--process=plain', '--replace', '--format=plt', '--out-dir', "{$folder}/sheets"),
            $ours('visible', $apart, '-o', $out),
        ];
        yield 'a call that does nothing, to 1000 welded' => [$ours('--version'), $weld($small)];
    }

    /** Discs that lie apart: nothing in them is to be mended, so they are made as they are. */
    private static function apart(int $n): string
    {
        $pieces = [];
        for ($i = 0; $i < $n; $i++) {
            $pieces[] = new Piece(
                "p{$i}",
                Shape::of(Contour::circle(6.0 + 12.0 * ($i % 20), 6.0 + 12.0 * intdiv($i, 20), 4.0)),
                new Paint(new Colour(36, 81, 107)),
            );
        }

        return Writer::write(new Artwork(240.0, 12.0 * ceil($n / 20), $pieces));
    }

    /** Squares side by side, each in a colour of its own that lies near others. */
    private static function colours(int $n): string
    {
        $pieces = [];
        for ($i = 0; $i < $n; $i++) {
            [$x, $y] = [6.0 * ($i % 20), 6.0 * intdiv($i, 20)];
            $pieces[] = new Piece(
                "p{$i}",
                Shape::of(Contour::rectangle($x, $y, 5.0, 5.0)),
                new Paint(new Colour(20 + $i % 20 * 10, 20 + intdiv($i, 20) * 10, 90)),
            );
        }

        return Writer::write(new Artwork(120.0, 6.0 * ceil($n / 20), $pieces));
    }
}
