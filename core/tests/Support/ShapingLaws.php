<?php

declare(strict_types=1);

namespace NeatEdge\Core\Tests\Support;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Paint;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Artwork\Stroke;
use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\Matrix;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Line\Edits;
use NeatEdge\Core\Measure\Colour;
use NeatEdge\Core\PlanarMap\Combine;
use NeatEdge\Core\PlanarMap\PlanarMap;
use NeatEdge\Core\Stroke\Offset;
use NeatEdge\Core\Stroke\StrokeStyle;
use NeatEdge\Core\Type\FontShelf;

/** What must hold for every operation of shaping, whatever it is given: areas add up, nothing overlaps that must not, and no other piece is touched. */
final class ShapingLaws
{
    /** Area that may be off for each mm of outline: slivers thinner than half the flatness may be left out. */
    private const SLACK = 2e-5;

    private static ?FontShelf $fonts = null;

    private readonly RandomArt $random;

    /** @var list<Shape> */
    private readonly array $shapes;

    private readonly Artwork $art;

    private function __construct(int $seed)
    {
        $this->random = new RandomArt($seed);
        $pieces = $shapes = [];
        for ($k = 0, $n = 2 + $this->random->pick(4); $k < $n; $k++) {
            $shapes[] = $this->random->shape()->transformed(Matrix::translation(50, 50));
            $pieces[] = new Piece("s{$k}", $shapes[$k], new Paint(new Colour(20 * $k, 80, 120)));
        }
        for ($k = 0; $k < 3; $k++) {
            $line = Contour::polygon(
                [
                    [50 + $this->random->between(-25, 25), 25 + $this->random->between(-4, 4)],
                    [50 + $this->random->between(-25, 25), 75 + $this->random->between(-4, 4)],
                ],
                false,
            );
            $pieces[] = new Piece("l{$k}", Shape::of($line), null, new Stroke(new Paint(new Colour(0, 0, 0)), new StrokeStyle(1.0)));
        }
        $pieces[] = new Piece('by', Shape::of(Contour::circle(50, 50, 30)), new Paint(new Colour(9, 9, 9)));
        $this->shapes = $shapes;
        $this->art = new Artwork(100.0, 100.0, $pieces);
    }

    /** @return array<string, float> by law: what it is off, as a share of what is allowed */
    public static function errors(int $seed): array
    {
        $self = new self($seed);
        $out = [];
        foreach (['cells', 'part', 'offsets', 'shade', 'split', 'weave', 'knife'] as $law) {
            foreach ($self->{$law}() as $name => $error) {
                $out["{$law}: {$name}"] = $error;
            }
        }

        return $out;
    }

    /**
     * @param  array<string, mixed>  $fields
     * @return list<Piece>|null the pieces that it changed or made; null where it was refused
     */
    private function made(string $kind, array $fields): ?array
    {
        self::$fonts ??= FontShelf::shipped();
        try {
            $after = Edits::applied(Edits::make($kind, $fields, self::$fonts), $this->art, self::$fonts);
        } catch (Refused) {
            return null;
        }
        $before = [];
        foreach ($this->art->pieces as $piece) {
            $before[$piece->id] = $piece;
        }
        $bystander = $after->piece('by');
        if ($bystander !== $before['by'] && ! in_array('by', (array) $fields['pieces'], true)) {
            throw new \LogicException("{$kind} touched a piece that it is not about.");
        }

        return array_values(array_filter($after->pieces, static fn (Piece $piece): bool => ($before[$piece->id] ?? null) !== $piece));
    }

    /** @param  iterable<Shape>  $shapes */
    private static function slack(iterable $shapes): float
    {
        $length = 0.0;
        foreach ($shapes as $shape) {
            $length += $shape->length();
        }

        return 1e-6 + self::SLACK * $length;
    }

    /** @param  list<Piece>|null  $pieces */
    private static function sum(?array $pieces): float
    {
        return array_sum(array_map(static fn (Piece $piece): float => Combine::weld([$piece->shape])->area(), $pieces ?? []));
    }

    /**
     * @param  list<Piece>|null  $pieces
     * @return float area that two of them share
     */
    private static function shared(?array $pieces): float
    {
        $shapes = array_map(static fn (Piece $piece): Shape => $piece->shape, $pieces ?? []);

        return count($shapes) < 2 ? 0.0 : max(0.0, self::sum($pieces) - Combine::weld($shapes)->area());
    }

    /** @return list<string> */
    private function ids(): array
    {
        return array_map(static fn (int $k): string => "s{$k}", array_keys($this->shapes));
    }

    /** @return array<string, float> */
    private function cells(): array
    {
        $lines = array_map(static fn (Piece $piece): Shape => $piece->shape, array_slice($this->art->pieces, count($this->shapes), 3));
        // Of the same flatness as the edit's: whether a gap of a thousandth encloses anything is decided by it.
        $cells = PlanarMap::of($this->shapes, $this->art->tolerance(), $lines)->cells();
        $covered = $holes = 0.0;
        $each = $cells->each();
        foreach ($each as $cell => $shape) {
            $cells->covers[$cell] === [] ? $holes += $shape->area() : $covered += $shape->area();
        }
        $union = Combine::weld($this->shapes);
        $slack = self::slack([...$this->shapes, ...$lines]);
        $joined = $cells->shapes(array_fill(0, $cells->count(), 0))[0] ?? new Shape([]);
        $lifted = $this->made('cells', ['pieces' => [...$this->ids(), 'l0', 'l1', 'l2'], 'rest' => 'lift']);
        $label = [];
        foreach ($cells->covers as $cell => $owners) {
            if ($owners !== []) {
                $label[$cell] = 0;
            }
        }
        $same = $cells->shapes($label)[0] ?? new Shape([]);

        return [
            'covered cells fill the union' => abs($covered - $union->area()) / $slack,
            'all cells joined are as much as all cells' => abs($joined->area() - $covered - $holes) / $slack,
            'covered cells joined are the union' => abs(Combine::keepDifference([$same, $union])->area()) / $slack,
            'lifted cells do not overlap' => self::shared($lifted) / $slack,
            'lifted cells are all cells' => abs(self::sum($lifted) - $covered - $holes) / $slack,
        ];
    }

    /** @return array<string, float> */
    private function part(): array
    {
        $out = [];
        $id = $this->ids()[$this->random->pick(count($this->shapes))];
        $whole = Combine::weld([$this->shapes[(int) substr($id, 1)]]);
        $ways = [
            'a line' => [
                'angle' => $this->random->between(0, 180),
                'at' => sprintf('%F,%F', 50 + $this->random->between(-5, 5), 50 + $this->random->between(-5, 5)),
            ],
            'slices' => ['slices' => 2 + $this->random->pick(5), 'equal' => $this->random->pick(2) === 0 ? 'area' : 'extent'],
            'sectors' => ['sectors' => 2 + $this->random->pick(6)],
            'a curve' => ['line' => sprintf(
                'M20 %F C40 %F 60 %F 80 %F',
                50 + $this->random->between(-8, 8),
                50 + $this->random->between(-30, 30),
                50 + $this->random->between(-30, 30),
                50 + $this->random->between(-8, 8),
            )],
        ];
        foreach ($ways as $name => $way) {
            $parts = $this->made('part', ['pieces' => [$id], ...$way]);
            if ($parts !== null) {
                $slack = self::slack(array_map(static fn (Piece $piece): Shape => $piece->shape, $parts));
                $out["{$name}: the parts are the whole"] = abs(self::sum($parts) - $whole->area()) / $slack;
                $out["{$name}: the parts do not overlap"] = self::shared($parts) / $slack;
            }
        }

        return $out;
    }

    /** @return array<string, float> */
    private function offsets(): array
    {
        $id = $this->ids()[0];
        $shape = Combine::weld([$this->shapes[0]]);
        $join = ['round', 'miter', 'bevel'][$this->random->pick(3)];
        $d = $this->random->between(0.3, 3.0);
        $out = $this->made('outset', ['pieces' => [$id], 'distance' => $d, 'join' => $join])[0]->shape ?? new Shape([]);
        $in = $this->made('inset', ['pieces' => [$id], 'distance' => $d, 'join' => $join])[0]->shape ?? new Shape([]);
        $ring = $this->made('ring', ['pieces' => [$id], 'inner' => $d, 'outer' => $d, 'join' => $join])[0]->shape ?? new Shape([]);
        // Offsets are fitted within 0.4 per cent of the distance, at most 5 µm.
        $slack = self::slack([$out, $in, $shape]) + 0.012 * ($out->length() + $in->length());

        return [
            'the outset holds the shape' => Combine::cutAway($shape, [$out])->area() / $slack,
            'the shape holds the inset' => ($in->isEmpty() ? 0.0 : Combine::cutAway($in, [$shape])->area()) / $slack,
            'the ring is what lies between' => abs($ring->area() - $out->area() + $in->area()) / $slack,
            'the outset goes no further than its corners may' => max(
                0.0,
                $out->area() - $shape->area() - ($join === 'miter' ? 6 : 1.3) * ($d * $shape->length() + 20 * $d * $d),
            ) / $slack,
        ];
    }

    /** @return array<string, float> */
    private function shade(): array
    {
        $gap = $this->random->pick(2) === 0 ? 0.0 : $this->random->between(0.1, 0.8);
        $angle = $this->random->between(0, 360);
        $distance = $this->random->between(1, 6);
        $shade = $this->made('drop-shade', ['pieces' => $this->ids(), 'angle' => $angle, 'distance' => $distance, 'gap' => $gap])[0]->shape ?? new Shape([]);
        $whole = Combine::weld($this->shapes);
        $slack = self::slack([$shade, $whole]) + ($gap > 0 ? 0.012 * $whole->length() : 0.0);
        $copies = [$whole];
        for ($k = 1; $k <= 8; $k++) {
            $copies[] = $whole->transformed(Matrix::translation($distance * $k / 8 * cos(deg2rad($angle)), $distance * $k / 8 * sin(deg2rad($angle))));
        }
        $reached = Combine::weld([$whole, $shade, ...($gap > 0 ? [Offset::outset($whole, $gap)] : [])]);

        return [
            'the shade does not lie on the pieces' => ($shade->isEmpty() ? 0.0 : Combine::keepOverlap([$shade, $whole])->area()) / $slack,
            'every place that a copy passes is covered' => Combine::cutAway(Combine::weld($copies), [$reached])->area() / $slack,
        ];
    }

    /** @return array<string, float> */
    private function split(): array
    {
        $parts = $this->made('split-all', ['pieces' => $this->ids()]);
        $slack = self::slack($this->shapes);

        return [
            'parts fill the union' => abs(self::sum($parts) - Combine::weld($this->shapes)->area()) / $slack,
            'parts do not overlap' => self::shared($parts) / $slack,
        ];
    }

    /** @return array<string, float> */
    private function knife(): array
    {
        $cut = $this->made('cut-away', ['pieces' => $this->ids(), 'knife' => 's0', 'keepKnife' => true]);
        $slack = self::slack($this->shapes);
        $sum = 0.0;
        foreach ($cut ?? [] as $piece) {
            $sum += $piece->id === 's0' ? 0.0 : Combine::keepOverlap([$piece->shape, $this->shapes[0]])->area();
        }

        return ['nothing lies under the knife' => $sum / $slack];
    }

    /** @return array<string, float> */
    private function weave(): array
    {
        $woven = $this->made('weave', ['pieces' => ['l0', 'l1', 'l2', 's0'], 'gap' => 0.5]);
        $slack = self::slack(array_map(static fn (Piece $piece): Shape => $piece->shape, $woven ?? []));

        return ['strands do not overlap' => self::shared($woven) / ($slack + 1e-3)];
    }
}
