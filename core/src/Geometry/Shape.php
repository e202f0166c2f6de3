<?php

declare(strict_types=1);

namespace NeatEdge\Core\Geometry;

/** Contours that are filled together by one rule. */
final readonly class Shape
{
    /** @param  list<Contour>  $contours */
    public function __construct(public array $contours, public FillRule $rule = FillRule::Nonzero)
    {
    }

    public static function of(Contour ...$contours): self
    {
        return new self(array_values($contours));
    }

    public function isEmpty(): bool
    {
        return $this->contours === [];
    }

    public function transformed(Matrix $m): self
    {
        return $m->isIdentity() ? $this : new self(
            array_map(static fn (Contour $contour): Contour => $contour->transformed($m), $this->contours),
            $this->rule,
        );
    }

    public function box(): ?Box
    {
        return $this->contours === [] ? null : KnownBoxes::of($this);
    }

    /**
     * Area in mm² of a shape that the planar map traced: its holes run the other way round, so the signed areas add up.
     */
    public function area(): float
    {
        $sum = 0.0;
        foreach ($this->contours as $contour) {
            $sum += $contour->area();
        }

        return abs($sum);
    }

    /** Length in mm of all contours: what a blade travels. */
    public function length(): float
    {
        $sum = 0.0;
        foreach ($this->contours as $contour) {
            $sum += $contour->length();
        }

        return $sum;
    }

    /** About how long all its contours are, mm; see Contour. */
    public function roughLength(): float
    {
        $sum = 0.0;
        foreach ($this->contours as $contour) {
            $sum += $contour->roughLength();
        }

        return $sum;
    }

    public function nodeCount(): int
    {
        $sum = 0;
        foreach ($this->contours as $contour) {
            $sum += $contour->nodeCount();
        }

        return $sum;
    }
}
