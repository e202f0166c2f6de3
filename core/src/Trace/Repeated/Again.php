<?php

declare(strict_types=1);

namespace NeatEdge\Core\Trace\Repeated;

/** What was drawn once and comes again: on which borders each of its borders comes to lie. */
final readonly class Again
{
    public const MIRROR = 'mirror';

    public const RING = 'ring';

    public const ROW = 'row';

    /**
     * @param  self::MIRROR|self::RING|self::ROW  $kind
     * @param  list<array<int, int>>  $copies  by its chains the chains of each copy, itself first; where it lies on itself, move by move
     * @param  float  $x  a place on the axis, the centre, or the step across; dots
     * @param  float  $y  the step down of a row
     * @param  float  $angle  degrees of an axis; from one copy to the next of a ring
     */
    public function __construct(public string $kind, public array $copies, public float $x, public float $y, public float $angle = 0.0)
    {
    }

    /**
     * In a round each of them may be the one that is drawn: by any chain that of the copy so many steps on.
     *
     * @param  list<array<int, int>>  $copies  by the chains of the first those of each
     */
    public static function round(array $copies, float $x, float $y): self
    {
        $count = count($copies);
        $turned = [];
        for ($k = 0; $k < $count; $k++) {
            $all = [];
            foreach ($copies as $i => $copy) {
                foreach ($copy as $chain => $at) {
                    $all[$at] = $copies[($i + $k) % $count][$chain];
                }
            }
            $turned[] = $all;
        }

        return new self(self::RING, $turned, $x, $y, 360 / $count);
    }

    /** Both as one where they come again alike; null where not. */
    public function with(self $other): ?self
    {
        $off = abs($this->x - $other->x) + abs($this->y - $other->y) + abs($this->angle - $other->angle);
        if ($this->kind !== $other->kind || count($this->copies) !== count($other->copies) || $off > 1e-9) {
            return null;
        }

        return new self(
            $this->kind,
            array_map(static fn (array $own, array $more): array => $own + $more, $this->copies, $other->copies),
            $this->x,
            $this->y,
            $this->angle,
        );
    }

    /** @return array<int, true> all the chains that have a part in it */
    public function chains(): array
    {
        $all = [];
        foreach ($this->copies as $copy) {
            foreach ($copy as $chain => $other) {
                $all[$chain] = $all[$other] = true;
            }
        }

        return $all;
    }
}
