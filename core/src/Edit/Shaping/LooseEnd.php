<?php

declare(strict_types=1);

namespace NeatEdge\Core\Edit\Shaping;

/** An open end that stops short of the next line, or sticks out past its last crossing. */
final readonly class LooseEnd
{
    /**
     * @param  int  $line  number of the line
     * @param  bool  $atEnd  whether it is its end, not its start
     * @param  bool  $short  whether it stops short; else it sticks out
     * @param  float  $by  mm to be added, or to be cut
     * @param  float  $x  mm, where the end is
     * @param  float  $y  mm
     * @param  array{float, float}  $to  where it would meet, mm
     */
    public function __construct(public int $line, public bool $atEnd, public bool $short, public float $by, public float $x, public float $y, public array $to)
    {
    }

    public function says(): string
    {
        return sprintf('%s by %.2f mm', $this->short ? 'Stops short' : 'Sticks out', $this->by);
    }
}
