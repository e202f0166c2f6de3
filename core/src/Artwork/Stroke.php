<?php

declare(strict_types=1);

namespace NeatEdge\Core\Artwork;

use NeatEdge\Core\Geometry\Matrix;
use NeatEdge\Core\Stroke\StrokeStyle;
use NeatEdge\Core\Stroke\WidthStops;

/** A painted line along a piece's contours. */
final readonly class Stroke
{
    /**
     * @param  Matrix|null  $pen  from the space in which the pen is round, and the style's lengths hold, to mm; null when that is mm
     * @param  WidthStops|null  $stops  how the width changes along the line; null where it does not
     */
    public function __construct(
        public Paint $paint,
        public StrokeStyle $style,
        public ?Matrix $pen = null,
        public Side $side = Side::Centre,
        public ?WidthStops $stops = null,
    ) {
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
        return $this->side !== Side::Centre || $this->stops !== null;
    }

    /** @param  bool  $widths  whether its width and dashes scale along */
    public function transformed(Matrix $matrix, bool $widths): self
    {
        $paint = $this->paint->transformed($matrix);
        if ($this->pen !== null) {
            return $this->with(paint: $paint, pen: $matrix->after($this->pen));
        }
        if (! $widths) {
            return $this->with(paint: $paint);
        }
        if ($matrix->isSimilarity() || $this->isOwnKind()) {
            $factor = $matrix->meanScale();

            return $this->with(paint: $paint, style: abs($factor - 1) < 1e-12 ? $this->style : $this->style->scaled($factor));
        }

        // A round pen becomes an ellipse: what it draws is stretched as the line is.
        return $this->with(paint: $paint, pen: $matrix);
    }
}
