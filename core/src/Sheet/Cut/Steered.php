<?php

declare(strict_types=1);

namespace NeatEdge\Core\Sheet\Cut;

use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\Polyline;

/** A way of a machine's axis in chords; along some of them the blade only scratches while it turns. */
final readonly class Steered
{
    /** mm that chords leave curves by: half a step of a cutter. */
    private const FLAT = 0.0125;

    /**
     * @param  non-empty-list<array{float, float}>  $points  mm
     * @param  array<int, true>  $light  numbers of points to which it goes lightly
     */
    public function __construct(public array $points, public array $light = [])
    {
    }

    /**
     * Lines as the axis of a knife goes along them.
     *
     * @param  list<Contour>  $lines
     * @param  float  $blade  mm from the axis to the tip of a drag knife; none when nought
     * @param  float  $height  mm of the sheet, in whose lower left corner a blade is turned before all: nothing lies there
     * @return list<self> of each line
     */
    public static function all(array $lines, float $blade, float $overcut, float $height, float $corner = 15.0, bool $lightly = false): array
    {
        $lines = array_map(static fn (Contour $line): Contour => Overcut::of($line, $overcut), $lines);

        return $blade > 0 ? (new DragKnife($blade, $corner, $lightly))->steer($lines, [0.5, $height - 0.5]) : array_map(
            static fn (Contour $line): self => self::along($line, self::FLAT),
            $lines,
        );
    }

    /** @param  float  $flat  mm that chords leave curves by */
    public static function along(Contour $line, float $flat): self
    {
        $points = Polyline::of($line, $flat);

        return new self($points === [] ? [[$line->coords[0], $line->coords[1]]] : $points);
    }
}
