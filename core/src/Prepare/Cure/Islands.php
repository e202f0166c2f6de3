<?php

declare(strict_types=1);

namespace NeatEdge\Core\Prepare\Cure;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Described\Field;
use NeatEdge\Core\Described\Values;
use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\Cubic;
use NeatEdge\Core\Geometry\Matrix;
use NeatEdge\Core\Geometry\Parts;
use NeatEdge\Core\Geometry\Point;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Measure\Inscribed;
use NeatEdge\Core\Measure\Limits;
use NeatEdge\Core\Prepare\AboutStep;
use NeatEdge\Core\Prepare\Described;
use NeatEdge\Core\Prepare\TellsDeeds;
use NeatEdge\Core\Prepare\UnderLimits;
use NeatEdge\Core\Stroke\Cap;
use NeatEdge\Core\Stroke\Join;
use NeatEdge\Core\Stroke\Outliner;
use NeatEdge\Core\Stroke\StrokeStyle;

/** X6: parts too small to hold are dropped, joined to the nearest part of their colour by the shortest bridge, or enlarged about their middle. */
final readonly class Islands implements TellsDeeds, UnderLimits
{
    use Described;

    private const HOW = ['drop' => 'Leave out', 'join' => 'Join to the nearest', 'enlarge' => 'Enlarge'];

    /** Chords that stand for one segment while the nearest places are sought. */
    private const CHORDS = 6;

    /**
     * @param  float  $size  mm: side of the square that has as much area; the limit of the ticket when nought
     * @param  float  $bridge  mm wide
     */
    public function __construct(private string $how = 'drop', private float $size = 0.0, private float $bridge = 0.0, private ?Places $at = null)
    {
    }

    public static function about(): AboutStep
    {
        return new AboutStep('islands', 'Islands', 'Parts too small to hold are dropped, joined to the nearest of their colour, or enlarged.', [
            Field::choice('how', 'How', 'drop', self::HOW),
            Field::length('size', 'Smaller than a square of', 0.0, 0.0, 'as the ticket says when nought', 1000.0),
            Field::length('bridge', 'Bridges of', 0.0, 0.0, '0: the least line of the ticket', 1000.0),
            Field::words('at', 'Only at', Field::PLACES),
        ], 60, ['merge-by-colour' => 'A part is small by itself only when its colour has been merged.'], true, 0.4, apart: AboutStep::MAKES);
    }

    public static function from(Values $values): self
    {
        return new self($values->choice('how'), $values->length('size'), $values->length('bridge'), Places::from($values));
    }

    public function values(): array
    {
        return ['how' => $this->how, 'size' => $this->size, 'bridge' => $this->bridge, 'at' => $this->at?->text() ?? ''];
    }

    public function under(Limits $limits): static
    {
        return new self($this->how, $this->size > 0 ? $this->size : $limits->island, $this->bridge > 0 ? $this->bridge : $limits->line, $this->at);
    }

    public function apply(Artwork $artwork): Artwork
    {
        return $this->cure($artwork)->artwork;
    }

    public function cure(Artwork $artwork): Cured
    {
        $flat = Flat::of($artwork);
        $places = $this->at ?? Places::all();
        $patches = new Patches;
        $done = $left = [];
        foreach ($flat->pieces as $i => $piece) {
            if (! $piece->isSolid()) {
                continue;
            }
            $parts = Parts::of($piece->shape);
            foreach ($parts as $k => $part) {
                [$x, $y] = $part->area() < $this->size ** 2 ? Inscribed::in($part, 0.05) : [INF, INF];
                if ($x === INF || ! $places->holds(new Point($x, $y))) {
                    continue;
                }
                $row = ['kind' => 'island', 'at' => [$x, $y], 'measured' => sqrt($part->area()), 'how' => $this->how];
                $others = array_values(array_filter($parts, fn (Shape $other): bool => $other !== $part && $other->area() >= $this->size ** 2));
                if ($this->how === 'join' && $others === []) {
                    $left[] = [...$row, 'how' => 'there is no other part of its colour to join it to'];
                } else {
                    $this->patch($patches, $i, $part, $others);
                    $done[] = $row;
                }
            }
        }

        return new Cured($done === [] ? $flat : $patches->on($flat)[0], $done, $left);
    }

    /** @param  list<Shape>  $others */
    private function patch(Patches $patches, int $piece, Shape $part, array $others): void
    {
        if ($this->how === 'drop') {
            // A hair more than the part, so that nothing of its border stays.
            $patches->take($piece, $part, true);
        } elseif ($this->how === 'join') {
            $patches->add($piece, $this->bridgeTo($part, $others));
        } else {
            $middle = $part->box()?->middle() ?? new Point(0.0, 0.0);
            $factor = 1.01 * $this->size / max(1e-9, sqrt($part->area()));
            $patches->add(
                $piece,
                $part->transformed(Matrix::translation($middle->x, $middle->y)
                    ->after(Matrix::scaling($factor, $factor))
                    ->after(Matrix::translation(-$middle->x, -$middle->y))),
            );
        }
    }

    /** @param  list<Shape>  $others */
    private function bridgeTo(Shape $part, array $others): Shape
    {
        $best = [INF, 0.0, 0.0, 0.0, 0.0];
        $own = self::places($part);
        foreach ($others as $other) {
            foreach (self::places($other) as [$x, $y]) {
                foreach ($own as [$px, $py]) {
                    $d = ($x - $px) ** 2 + ($y - $py) ** 2;
                    if ($d < $best[0]) {
                        $best = [$d, $px, $py, $x, $y];
                    }
                }
            }
        }
        [$d, $ax, $ay, $bx, $by] = $best;
        $long = max(1e-9, sqrt($d));
        [$dx, $dy] = [($bx - $ax) / $long * $this->bridge / 2, ($by - $ay) / $long * $this->bridge / 2];

        // Half a width into both, so that it hangs on to them.
        return Outliner::outline(
            [Contour::ofSegments([Cubic::line($ax - $dx, $ay - $dy, $bx + $dx, $by + $dy)], false)],
            new StrokeStyle(max(1e-6, $this->bridge), Cap::Butt, Join::Round),
        );
    }

    /** @return list<array{float, float}> */
    private static function places(Shape $shape): array
    {
        $places = [];
        foreach ($shape->contours as $contour) {
            foreach ($contour->segments() as $s) {
                for ($k = 0; $k < self::CHORDS; $k++) {
                    $places[] = Cubic::placeOn($s, $k / self::CHORDS);
                }
            }
        }

        return $places;
    }
}
