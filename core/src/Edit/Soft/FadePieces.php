<?php

declare(strict_types=1);

namespace NeatEdge\Core\Edit\Soft;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Gradient;
use NeatEdge\Core\Artwork\GradientKind;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Artwork\SoftLook;
use NeatEdge\Core\Described\Field;
use NeatEdge\Core\Described\Values;
use NeatEdge\Core\Edit\About;
use NeatEdge\Core\Edit\Chosen;
use NeatEdge\Core\Edit\Local;
use NeatEdge\Core\Geometry\Box;
use NeatEdge\Core\Geometry\Matrix;
use NeatEdge\Core\Measure\Colour;

/** D13: pieces fade along a line or from their middle outwards, as one: the line lies across the box of all of them. */
final readonly class FadePieces implements Local
{
    public const WAYS = ['along' => 'Along a line', 'outwards' => 'From the middle outwards', 'none' => 'Not at all'];

    /**
     * @param  list<string>  $ids
     * @param  'along'|'outwards'|'none'  $way
     * @param  float  $angle  degrees of the line, clockwise on the bench
     * @param  array{float, float}  $seen  how much at the beginning and at the end, 0 to 1
     * @param  array{float, float}  $span  where it begins and ends, of the box along that line, 0 to 1
     */
    public function __construct(private array $ids, private string $way, private float $angle, private array $seen, private array $span)
    {
    }

    public static function about(string $kind): About
    {
        return new About('Fade', 'More is seen here than there.', self::fields());
    }

    /** @return list<Field> */
    public static function fields(): array
    {
        return [
            Field::choice('way', 'Fades', 'along', self::WAYS),
            Field::number('angle', 'Direction, °', 0.0, -360.0, 360.0)->where('way', ['along']),
            Field::number('start', 'Seen at first, %', 100.0, 0.0, 100.0)->where('way', ['along', 'outwards']),
            Field::number('end', 'Seen at last, %', 0.0, 0.0, 100.0)->where('way', ['along', 'outwards']),
            Field::number('from', 'Begins, % of the way', 0.0, 0.0, 100.0)->where('way', ['along', 'outwards']),
            Field::number('to', 'Ends, % of the way', 100.0, 0.0, 100.0)->where('way', ['along', 'outwards']),
        ];
    }

    public static function from(Values $values): self
    {
        /** @var 'along'|'outwards'|'none' $way */
        $way = $values->choice('way');

        return new self(
            $values->pieces(),
            $way,
            $values->number('angle'),
            [$values->number('start') / 100, $values->number('end') / 100],
            [$values->number('from') / 100, $values->number('to') / 100],
        );
    }

    public function label(): string
    {
        return $this->way === 'none' ? 'No fade' : 'Fade';
    }

    public function apply(Artwork $artwork): Artwork
    {
        $chosen = Chosen::in($artwork, $this->ids);
        $box = Box::around(...array_values(array_filter(array_map(static fn (Piece $piece): ?Box => $piece->box(), $chosen))));
        $fade = $this->way === 'none' || $box === null ? null : $this->fade($box);

        return $artwork->mapped(static fn (Piece $piece): Piece => Looked::with($piece, ($piece->soft ?? new SoftLook)->with(fade: $fade)), $chosen);
    }

    private function fade(Box $box): Gradient
    {
        $white = new Colour(255, 255, 255);
        [$from, $to] = $this->span;
        // Both at one place would be no line: a hair apart is as hard.
        [$first, $last] = $from <= $to ? $this->seen : array_reverse($this->seen);
        $stops = [[min($from, $to), $white, $first], [max($from, $to, $from + 1e-4), $white, $last]];
        $middle = $box->middle();
        if ($this->way === 'outwards') {
            $reach = max(1e-6, hypot($box->width(), $box->height()) / 2);

            return new Gradient(GradientKind::Radial, [$middle->x, $middle->y, $reach, $middle->x, $middle->y, 0.0], $stops, Matrix::identity());
        }
        $cos = cos(deg2rad($this->angle));
        $sin = sin(deg2rad($this->angle));
        // Half of what the box is long along the line.
        $half = max(1e-6, (abs($box->width() * $cos) + abs($box->height() * $sin)) / 2);

        return new Gradient(
            GradientKind::Linear,
            [$middle->x - $half * $cos, $middle->y - $half * $sin, $middle->x + $half * $cos, $middle->y + $half * $sin],
            $stops,
            Matrix::identity(),
        );
    }
}
