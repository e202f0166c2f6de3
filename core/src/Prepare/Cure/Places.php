<?php

declare(strict_types=1);

namespace NeatEdge\Core\Prepare\Cure;

use NeatEdge\Core\Described\Values;
use NeatEdge\Core\Geometry\Point;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Measure\Inside;
use NeatEdge\Core\Measure\ThinPlace;

/** The places that a cure is asked for: all, or those near some. */
final readonly class Places
{
    /** mm; a place is the same when it lies nearer. */
    private const NEAR = 0.75;

    /** @param  list<array{float, float}>  $spots  all places when there is none */
    private function __construct(private array $spots)
    {
    }

    public static function from(Values $values, string $name = 'at'): self
    {
        return new self($values->places($name));
    }

    public static function all(): self
    {
        return new self([]);
    }

    public function holds(Point $at): bool
    {
        foreach ($this->spots as [$x, $y]) {
            if (hypot($at->x - $x, $at->y - $y) < self::NEAR) {
                return true;
            }
        }

        return $this->spots === [];
    }

    /** Whether one of them lies in an area, or near a place that stands for it: of a long or bent one there is more than one middle. */
    public function lieIn(Shape $area, Point $at): bool
    {
        if ($this->holds($at)) {
            return true;
        }
        $inside = new Inside($area);
        foreach ($this->spots as [$x, $y]) {
            if ($inside->holds($x, $y)) {
                return true;
            }
        }

        return false;
    }

    /** Whether a stretch runs through one of them. */
    public function runThrough(ThinPlace $place): bool
    {
        if ($this->spots === [] || $this->holds($place->at)) {
            return true;
        }
        foreach ($place->middle as $point) {
            if ($this->holds($point)) {
                return true;
            }
        }

        return false;
    }

    public function text(): string
    {
        return implode(' ', array_map(static fn (array $spot): string => round($spot[0], 3).','.round($spot[1], 3), $this->spots));
    }
}
