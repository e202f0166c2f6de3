<?php

declare(strict_types=1);

namespace NeatEdge\Core\Tests\Trace;

use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Geometry\Cubic;
use NeatEdge\Core\Geometry\Matrix;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\PlanarMap\Combine;
use NeatEdge\Core\Recipe\Mirror\MirrorHalf;
use NeatEdge\Core\Tests\Support\Painted;
use NeatEdge\Core\Trace\Meant\Found;
use NeatEdge\Core\Trace\Options;
use NeatEdge\Core\Trace\Part;
use NeatEdge\Core\Trace\Scan;
use NeatEdge\Core\Trace\Traced;
use NeatEdge\Core\Trace\Tracing;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** D14: what mirrors itself, comes again about a centre or along a row, or runs parallel, does so to the last digit. */
final class RepeatedTest extends TestCase
{
    private const PETAL = 'M100 20c8 10 8 24 0 34c-8-10-8-24 0-34z';

    private const VASE = 'M100 32c30 0 34 20 30 38c-3 14-20 18-22 34h-16c-2-16-19-20-22-34c-4-18 0-38 30-38z';

    private static function traced(string $inside, Options $options = new Options, int $width = 420, ?int $quality = null): Traced
    {
        $svg = "<svg xmlns=\"http://www.w3.org/2000/svg\" viewBox=\"0 0 200 140\"><rect width=\"200\" height=\"140\" fill=\"#fff\"/>{$inside}</svg>";

        return Tracing::of(Scan::of(Painted::drawing($svg, $width, $quality)), $options);
    }

    private static function found(Traced $traced, string $key): ?Found
    {
        return array_column($traced->meant, null, 'key')[$key] ?? null;
    }

    /** @return list<array{float, float}> */
    private static function nodes(Traced $traced): array
    {
        $nodes = [];
        foreach ($traced->parts as $part) {
            foreach ($part->contours as $contour) {
                foreach ($contour->segments() as $s) {
                    $nodes[] = [$s[0], $s[1]];
                }
            }
        }

        return $nodes;
    }

    /** What all of it and its image have not in common, dots². */
    private static function differ(Traced $traced, Matrix $matrix): float
    {
        $shape = new Shape(array_merge(...array_map(static fn (Part $part): array => $part->contours, $traced->parts)));

        return Combine::keepDifference([$shape, $shape->transformed($matrix)])->area();
    }

    /** @return array<string, array{string, Matrix, int|null}> */
    public static function mirrored(): array
    {
        // x becomes 2 * 210 - x: the axis stands at 210 dots of 420.
        $upright = new Matrix(-1, 0, 0, 1, 420, 0);

        return [
            'a vase, about its middle' => ['<path d="'.self::VASE.'"/>', $upright, null],
            'the same as a small JPEG' => ['<path d="'.self::VASE.'"/>', $upright, 75],
            'two wings apart' => [
                '<path d="M80 30c-30-20-60 0-50 40c5 20 30 30 40 20z"/><path d="M120 30c30-20 60 0 50 40c-5 20-30 30-40 20z"/>', $upright, null,
            ],
            'wings that a body of another colour joins' => [
                '<path d="M96 30c-30-20-66 0-56 40c5 20 40 30 56 20z" fill="#a33"/><path d="M104 30c30-20 66 0 56 40c-5 20-40 30-56 20z" fill="#a33"/>'
                .'<path d="M96 12h8l4 20v64l-8 20l-8-20v-64z" fill="#246"/>', $upright, null,
            ],
            'a roof whose ridge lies on the axis' => ['<path d="M100 20L170 70V120H30V70Z"/>', $upright, null],
            'one about a level axis' => ['<path d="M40 70c10-40 60-50 120-40v80c-60 10-110 0-120-40z"/>', new Matrix(1, 0, 0, -1, 0, 294), null],
        ];
    }

    #[Test]
    #[DataProvider('mirrored')]
    public function halves_that_mirror_each_other_do_exactly(string $inside, Matrix $mirror, ?int $quality): void
    {
        $traced = self::traced($inside, quality: $quality);
        $found = self::found($traced, 'halves');
        self::assertNotNull($found);
        self::assertLessThan($quality === null ? 0.8 : 2.0, $found->moves);
        // About its own axis, which is told from the dots to a part of one.
        $nodes = self::nodes($traced);
        $level = $mirror->d < 0;
        $axis = array_map(static fn (array $node): float => $node[$level ? 1 : 0], $nodes);
        $twice = min([INF, ...$axis]) + max([-INF, ...$axis]);
        $exact = $level ? new Matrix(1, 0, 0, -1, 0, $twice) : new Matrix(-1, 0, 0, 1, $twice, 0);
        self::assertEqualsWithDelta($level ? $mirror->f : $mirror->e, $level ? $exact->f : $exact->e, 0.5);
        foreach ($nodes as [$x, $y]) {
            $at = $exact->apply($x, $y);
            $least = min(array_map(static fn (array $one): float => hypot($one[0] - $at->x, $one[1] - $at->y), $nodes));
            self::assertLessThan(1e-6, $least, "the node at {$x}, {$y} has one across the axis");
        }
        self::assertLessThan(1e-3, self::differ($traced, $exact));
        // As the dots have it where it is off, which is nothing exact.
        $left = self::traced($inside, new Options(off: ['halves']), quality: $quality);
        foreach ($traced->parts as $i => $part) {
            self::assertGreaterThan(0.0, $part->contours[0]->area() * $left->parts[$i]->contours[0]->area(), 'it runs as it ran');
        }
        self::assertNull(self::found($left, 'halves'));
        self::assertGreaterThan(1.0, self::differ($left, $mirror));
        self::assertLessThanOrEqual($left->nodes + 1, $traced->nodes, 'no node is added for it');
        self::assertLessThan(0.012 * $left->parts[0]->dots, abs(array_sum(array_map(
            static fn (Part $part): float => (new Shape($part->contours))->area(),
            $traced->parts,
        )) - array_sum(array_map(static fn (Part $part): float => (new Shape($part->contours))->area(), $left->parts))), 'it is where it was');
    }

    #[Test]
    public function what_differs_from_its_image_by_a_notch_is_left_as_it_is(): void
    {
        $notched = str_replace('c-3 14', 'l-4 3l4 3c-3 10', self::VASE);
        self::assertNull(self::found(self::traced("<path d=\"{$notched}\"/>"), 'halves'));
        // A notch as small as a dot and a half, and a lean by half a dot all over, are meant as well.
        self::assertNull(self::found(self::traced('<path d="'.str_replace('c-3 14', 'l-.9 .6l.9 .6c-3 12.8', self::VASE).'"/>'), 'halves'));
        foreach ([3, 0.6] as $lean) {
            self::assertNull(self::found(self::traced('<path d="'.self::VASE."\" transform=\"skewX({$lean})\"/>"), 'halves'), "{$lean} degrees");
        }
        // A circle mirrors itself whatever was meant.
        self::assertNull(self::found(self::traced('<circle cx="80" cy="60" r="30"/>'), 'halves'));
    }

    #[Test]
    public function what_mirrors_itself_about_an_axis_at_an_angle_does_so_exactly(): void
    {
        $traced = self::traced('<path d="'.self::VASE.'" transform="rotate(24 100 70)"/>');
        self::assertNotNull(self::found($traced, 'halves'));
        $best = INF;
        $box = (new Shape($traced->parts[0]->contours))->box();
        self::assertNotNull($box);
        // The axis leans by 24 degrees but for what the dots make of it.
        $nodes = self::nodes($traced);
        foreach ($nodes as $k => [$ax, $ay]) {
            foreach (array_slice($nodes, $k + 1) as [$bx, $by]) {
                $angle = rad2deg(atan2($by - $ay, $bx - $ax));
                $off = fmod($angle - 24 + 720, 180);
                $best = min($best, $off, 180 - $off);
            }
        }
        self::assertLessThan(0.6, $best, 'two nodes lie square across it');
    }

    /** @return array<string, array{string, int}> */
    public static function round(): array
    {
        $turned = static fn (int $count): string => implode('', array_map(
            static fn (int $k): string => '<path d="'.self::PETAL.'" transform="rotate('.(360 * $k / $count).' 100 70)"/>',
            range(0, $count - 1),
        ));
        $star = 'M'.implode('L', array_map(static function (int $k): string {
            $r = $k % 2 === 0 ? 56 : 24;

            return (100 + $r * sin($k * M_PI / 5)).' '.(70 - $r * cos($k * M_PI / 5));
        }, range(0, 9))).'Z';
        $gear = 'M'.implode(' ', array_map(static function (int $k): string {
            $at = static fn (float $r, float $turn): string => (100 + $r * cos($turn)).' '.(70 + $r * sin($turn));
            $from = 2 * M_PI * $k / 7;

            return ($k === 0 ? '' : 'L').$at(40, $from).'Q'.$at(66, $from + 0.25).' '.$at(40, $from + 0.5);
        }, range(0, 6))).'Z';
        $flower = '<path d="M'.implode('L', array_map(static function (int $k): string {
            $r = 42 + 9 * sin(5 * $k * M_PI / 180);

            return (100 + $r * cos($k * M_PI / 180)).' '.(70 + $r * sin($k * M_PI / 180));
        }, range(0, 359))).'Z"/>';
        $at = static fn (int $k): string => (100 + 56 * cos(M_PI * $k / 3 + 0.2)).' '.(70 + 56 * sin(M_PI * $k / 3 + 0.2));
        // One over the other, as they are drawn: beside each other they would have a light seam.
        $wheel = '<circle cx="100" cy="70" r="56" fill="#c83"/>'.implode('', array_map(
            static fn (int $k): string => "<path d=\"M100 70L{$at(2 * $k)}A56 56 0 0 1 {$at(2 * $k + 1)}Z\" fill=\"#246\"/>",
            range(0, 2),
        )).'<circle cx="100" cy="70" r="14" fill="#fff"/>';

        return [
            'petals that stand apart' => [$turned(6), 6],
            'five of them' => [$turned(5), 5],
            'a star of one line' => ["<path d=\"{$star}\"/>", 5],
            'a gear of curves' => ["<path d=\"{$gear}\"/>", 7],
            'a flower of one smooth line' => [$flower, 5],
            'sectors of two colours about a hub' => [$wheel, 6],
        ];
    }

    #[Test]
    #[DataProvider('round')]
    public function what_comes_again_about_a_centre_does_so_exactly(string $inside, int $count): void
    {
        $traced = self::traced($inside);
        $found = self::found($traced, 'round');
        self::assertNotNull($found);
        self::assertLessThan(0.8, $found->moves);
        $nodes = self::nodes($traced);
        $x = array_sum(array_column($nodes, 0)) / count($nodes);
        $y = array_sum(array_column($nodes, 1)) / count($nodes);
        self::assertEqualsWithDelta(210.0, $x, 0.4);
        self::assertEqualsWithDelta(147.0, $y, 0.4);
        foreach ($nodes as [$px, $py]) {
            $at = Matrix::rotation(360 / $count, $x, $y)->apply($px, $py);
            self::assertLessThan(1e-6, min(array_map(static fn (array $one): float => hypot($one[0] - $at->x, $one[1] - $at->y), $nodes)));
        }
        foreach ($traced->parts as $part) {
            $segments = $part->contours[0]->segments();
            foreach ($segments as $k => $s) {
                $before = $segments[($k + count($segments) - 1) % count($segments)];
                $turn = rad2deg(atan2($s[3] - $s[1], $s[2] - $s[0]) - atan2($before[7] - $before[5], $before[6] - $before[4]));
                $turn = abs($turn - 360 * round($turn / 360));
                if (! Cubic::isLine($s) && ! Cubic::isLine($before) && $turn < 8) {
                    self::assertLessThan(1e-4, $turn, 'smooth where it goes on smoothly');
                }
            }
        }
        self::assertNull(self::found(self::traced($inside, new Options(off: ['round'])), 'round'));
    }

    #[Test]
    public function rivets_are_of_one_size_at_exact_places_and_what_lies_on_an_axis_lies_there(): void
    {
        $rivet = static fn (float $x, float $y): string => "<circle cx=\"{$x}\" cy=\"{$y}\" r=\"5\"/>";
        $ring = implode('', array_map(static fn (int $k): string => $rivet(100 + 50 * cos(0.4 + $k * M_PI / 3), 70 + 50 * sin(0.4 + $k * M_PI / 3)), range(0, 5)));
        $off = ['radii'];
        $single = self::traced($ring, new Options(off: [...$off, 'round', 'halves']));
        $traced = self::traced($ring, new Options(off: [...$off, 'halves']));
        self::assertNotNull(self::found($traced, 'round'));
        $width = static fn (Part $part): float => $part->model->width ?? 0.0;
        $mean = array_sum(array_map($width, $single->parts)) / 6;
        foreach ($traced->parts as $part) {
            self::assertEqualsWithDelta($mean, $width($part), 1e-9, 'told from all six');
        }
        $middles = array_map(static fn (Part $part): array => [$part->model->x ?? 0.0, $part->model->y ?? 0.0], $traced->parts);
        $x = array_sum(array_column($middles, 0)) / 6;
        $y = array_sum(array_column($middles, 1)) / 6;
        foreach ($middles as [$px, $py]) {
            self::assertEqualsWithDelta(hypot($middles[0][0] - $x, $middles[0][1] - $y), hypot($px - $x, $py - $y), 1e-9);
        }
        // About a hub they lie about its middle, though theirs is another by a part of a dot.
        $hub = self::traced($ring.'<circle cx="100.03" cy="70.02" r="20"/>', new Options(off: [...$off, 'halves']));
        $models = array_values(array_filter(array_map(static fn (Part $part) => $part->model, $hub->parts)));
        self::assertCount(7, $models);
        usort($models, static fn ($a, $b): int => $b->width <=> $a->width);
        $far = array_map(static fn ($one): float => hypot($one->x - $models[0]->x, $one->y - $models[0]->y), array_slice($models, 1));
        self::assertEqualsWithDelta(min([INF, ...$far]), max([0.0, ...$far]), 1e-9);
        // A lamp over its foot: the circle goes to the axis of what mirrors itself.
        $lamp = self::traced('<path d="M100 60L128 120H72Z"/><path d="M84 46L100 54L116 46L112 40H88Z"/><circle cx="100.04" cy="24" r="12"/>');
        self::assertNotNull(self::found($lamp, 'halves'));
        $foot = (new Shape($lamp->parts[0]->contours))->box();
        $round = array_values(array_filter(array_map(static fn (Part $part) => $part->model, $lamp->parts)));
        self::assertCount(1, $round);
        self::assertNotNull($foot);
        self::assertEqualsWithDelta(($foot->left + $foot->right) / 2, $round[0]->x, 1e-9);
    }

    #[Test]
    public function what_comes_again_along_a_row_does_so_exactly_and_letters_of_a_word_do_not(): void
    {
        $row = static fn (array $at): string => implode('', array_map(
            static fn (float $x): string => "<path d=\"M{$x} 40l12-4l6 30l-16 3z\"/>",
            $at,
        ));
        $traced = self::traced($row([20, 50.3, 80.6, 110.9]));
        self::assertNotNull(self::found($traced, 'row'));
        $nodes = self::nodes($traced);
        usort($nodes, static fn (array $a, array $b): int => $a[0] <=> $b[0]);
        $step = $nodes[4][0] - $nodes[0][0];
        self::assertEqualsWithDelta(30.3 * 2.1, $step, 0.2);
        for ($k = 4; $k < 16; $k++) {
            self::assertEqualsWithDelta($nodes[$k - 4][0] + $step, $nodes[$k][0], 1e-6);
        }
        self::assertNull(self::found(self::traced($row([20, 50.3, 84, 110.9])), 'row'), 'at uneven steps nobody meant a row');
    }

    #[Test]
    public function slanted_lines_nearly_parallel_or_square_are(): void
    {
        $inside = '<path d="M60 30h70v50h-70z" transform="rotate(27 95 55)"/><path d="M20 110l60-7l1 9l-60 7z"/>';
        $sides = static function (Traced $traced): array {
            $angles = [];
            foreach ($traced->parts as $part) {
                foreach ($part->contours[0]->segments() as $s) {
                    $angles[] = fmod(rad2deg(atan2($s[7] - $s[1], $s[6] - $s[0])) + 720, 90);
                }
            }
            sort($angles);

            return $angles;
        };
        // A rectangle is told as one before; its sides are square by that.
        $traced = self::traced($inside, new Options(off: ['rectangles']));
        self::assertNotNull(self::found($traced, 'parallel'));
        $angles = $sides($traced);
        self::assertCount(8, $angles);
        self::assertEqualsWithDelta(27.0, $angles[0], 0.3);
        for ($k = 1; $k < 4; $k++) {
            self::assertEqualsWithDelta($angles[0], $angles[$k], 1e-7);
        }
        $left = $sides(self::traced($inside, new Options(off: ['rectangles', 'parallel'])));
        self::assertGreaterThan(1e-4, $left[3] - $left[0]);
        // Two degrees apart is meant.
        $apart = self::traced('<path d="M20 30L140 12L141 20L21 42Z"/>', new Options(off: ['rectangles']));
        $angles = $sides($apart);
        self::assertNotEmpty($angles);
        self::assertGreaterThan(1.0, $angles[count($angles) - 1] - $angles[0]);
    }

    #[Test]
    public function where_it_is_asked_for_it_is_drawn_once_and_its_copies_follow(): void
    {
        $inside = '<path d="'.self::VASE.'" transform="translate(-50 0)"/><g fill="#a33">'.implode('', array_map(
            static fn (int $k): string => '<path d="M150 30c6 8 6 16 0 22c-6-6-6-14 0-22z" transform="rotate('.(72 * $k).' 150 62)"/>',
            range(0, 4),
        )).'</g><g fill="#246"><path d="M20 120l12-3l2 12l-12 2z"/><path d="M50 120l12-3l2 12l-12 2z"/><path d="M80 120l12-3l2 12l-12 2z"/></g>';
        $plain = self::traced($inside)->artwork(200.0);
        $live = self::traced($inside, new Options(live: true))->artwork(200.0);
        self::assertCount(9, $plain->pieces);
        self::assertCount(3, $live->pieces);
        $kinds = array_map(static fn (Piece $piece): string => implode(' ', array_map(
            static fn ($change): string => $change::kind(),
            $piece->recipe->changes ?? [],
        )), $live->pieces);
        sort($kinds);
        self::assertSame(['mirror', 'repeat', 'repeat'], $kinds);
        foreach ($live->pieces as $piece) {
            $half = $piece->recipe?->base->shape()->box();
            if ($piece->recipe?->change(MirrorHalf::class) !== null) {
                self::assertEqualsWithDelta(0.5 * ($piece->box()?->width() ?? 0.0), $half?->width(), 1e-6, 'one half is drawn');
            }
        }
        $all = static fn (array $pieces): Shape => Combine::weld(array_values(array_map(static fn (Piece $piece): Shape => $piece->shape, $pieces)));
        self::assertLessThan(1e-3, Combine::keepDifference([$all($plain->pieces), $all($live->pieces)])->area(), 'it looks as it did');
        self::assertGreaterThan(1000, $all($live->pieces)->area());
        // A colour that mirrors onto another is not it.
        $two = self::traced('<path d="M80 30c-30-20-60 0-50 40c5 20 30 30 40 20z" fill="#a33"/><path d="M120 30c30-20 60 0 50 40c-5 20-30 30-40 20z"/>', new Options(live: true));
        self::assertCount(2, $two->parts);
        self::assertNotNull(self::found($two, 'halves'));
    }
}
