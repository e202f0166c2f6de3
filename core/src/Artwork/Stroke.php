<?php

declare(strict_types=1);

namespace NeatEdge\Core\Artwork;

use NeatEdge\Core\Geometry\Matrix;
use NeatEdge\Core\Stroke\LineEnds;
use NeatEdge\Core\Stroke\StrokeStyle;
use NeatEdge\Core\Stroke\WidthStops;

/** A painted line along a piece's contours. */
final readonly class Stroke
{
    /**
     * @param  Matrix|null  $pen  from the space in which the pen is round, and the style's lengths hold, to mm; null when that is mm
     * @param  WidthStops|null  $stops  how the width changes along the line; null where it does not
     * @param  LineEnds|null  $ends  points and tails of open lines; null where there are none
     * @param  bool  $cut  whether it is a single cut: a line that a tool follows once. It paints nothing; its width is only how it is shown
     */
    public function __construct(
        public Paint $paint,
        public StrokeStyle $style,
        public ?Matrix $pen = null,
        public Side $side = Side::Centre,
        public ?WidthStops $stops = null,
        public bool $cut = false,
        public ?LineEnds $ends = null,
    ) {
    }

    /** mm that a single cut is drawn wide, so that it is seen. */
    private const SHOWN = 0.25;

    /** A line that a tool follows once, on the sheet of a colour. */
    public static function singleCut(Paint $paint): self
    {
        return new self($paint, new StrokeStyle(self::SHOWN), cut: true);
    }

    public function with(mixed ...$changes): self
    {
        /** @var array<string, mixed> $all */
        $all = [...get_object_vars($this), ...$changes];

        return new self(...$all);
    }

    /** Whether it is more than a stroke of SVG: to be drawn, it has to be outlined. */
    public function isOwnKind(): bool
    {
        return ! $this->cut && ($this->side !== Side::Centre || $this->stops !== null || $this->ends !== null);
    }

    /** @param  bool  $widths  whether its width and dashes scale along */
    public function transformed(Matrix $matrix, bool $widths): self
    {
        $paint = $this->paint->transformed($matrix);
        if (! $widths || $this->cut) {
            return $this->with(paint: $paint);
        }
        // A round pen that is stretched one way becomes an ellipse: what it draws is stretched as the line is. Stretched back, it is round again.
        $pen = $this->pen === null ? $matrix : $matrix->after($this->pen);
        if (! $pen->isSimilarity()) {
            return $this->with(paint: $paint, pen: $pen);
        }
        $factor = $pen->meanScale();

        return $this->with(paint: $paint, pen: null, style: abs($factor - 1) < 1e-12 ? $this->style : $this->style->scaled($factor));
    }

    /** mm that it lies beyond its line at most: its width, and the points of its corners, which are half as long where it lies on both sides. */
    public function reach(): float
    {
        $points = $this->isOwnKind() ? $this->style->miterLimit : $this->style->miterLimit / 2;

        return $this->style->width * max(1.0, $points) * ($this->pen?->greatestScale() ?? 1.0);
    }

    /** @return array{float, float} mm of its least and its greatest width: two unlike ones where its pen is no round one */
    public function widths(): array
    {
        $pen = $this->pen;
        if ($pen === null) {
            return [$this->style->width, $this->style->width];
        }
        $greatest = $pen->greatestScale();

        return [$this->style->width * abs($pen->determinant()) / max(1e-12, $greatest), $this->style->width * $greatest];
    }
}
