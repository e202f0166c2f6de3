<?php

declare(strict_types=1);

namespace NeatEdge\Core\Format\Svg;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Paint;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Artwork\Stroke;
use NeatEdge\Core\Check\Severity;
use NeatEdge\Core\Format\Notes;
use NeatEdge\Core\Geometry\Box;
use NeatEdge\Core\Geometry\Matrix;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\PlanarMap\Combine;
use NeatEdge\Core\Prepare\RemoveHidden;
use NeatEdge\Core\Prepare\SolidColours;
use NeatEdge\Core\Seen\StrokeRegion;

/** The pieces drawn so far, within the limits; what was drawn last can be cut or made see-through together. */
final class Canvas
{
    /** @var list<Piece> */
    private array $pieces = [];

    private int $segments = 0;

    public function __construct(public readonly Limits $limits, private readonly ?Notes $notes = null)
    {
    }

    /** @return list<Piece> */
    public function pieces(): array
    {
        return $this->pieces;
    }

    /** A place to come back to. */
    public function mark(): int
    {
        return count($this->pieces);
    }

    /** @return list<Piece> what was drawn since a mark; it is taken off */
    public function takeSince(int $mark): array
    {
        return array_splice($this->pieces, $mark);
    }

    /** The box of what was drawn since a mark, in a space that leads to mm by the matrix; strokes are not counted. */
    public function boxSince(int $mark, Matrix $matrix): ?Box
    {
        $back = $matrix->inverse();
        $boxes = [];
        foreach (array_slice($this->pieces, $mark) as $piece) {
            $boxes[] = $piece->shape->transformed($back)->box();
        }

        return Box::around(...array_values(array_filter($boxes)));
    }

    public function count(int $segments): void
    {
        $this->segments += $segments;
        if ($this->segments > $this->limits->segments) {
            throw SvgRefused::tooManySegments($this->limits->segments);
        }
    }

    public function add(Shape $shape, ?Paint $fill, ?Stroke $stroke, string $name): void
    {
        if ($shape->isEmpty() || ($fill === null && $stroke === null)) {
            return;
        }
        if (! self::isWithin($shape, $this->limits->size) || ($stroke !== null && ! ($stroke->style->width <= $this->limits->size))) {
            $this->notes?->once(
                'far',
                sprintf('What reaches farther than %s mm from the page is left out (limit "size").', round($this->limits->size)),
                Severity::Serious,
            );

            return;
        }
        if (count($this->pieces) >= $this->limits->pieces) {
            throw SvgRefused::tooMany($this->limits->pieces);
        }
        $this->pieces[] = new Piece('p'.(count($this->pieces) + 1), $shape, $fill, $stroke, $name);
    }

    /** Whether every node and handle is a number, and not farther from the page's corner than a distance. */
    private static function isWithin(Shape $shape, float $distance): bool
    {
        foreach ($shape->contours as $contour) {
            if ($contour->coords !== []
                && ! (max($contour->coords) <= $distance && min($contour->coords) >= -$distance && is_finite(array_sum($contour->coords)))) {
                return false;
            }
        }

        return true;
    }

    /**
     * Adds what lies within all of some shapes.
     *
     * @param  list<Shape>  $clips
     */
    public function addWithin(array $clips, Shape $shape, ?Paint $fill, ?Stroke $stroke, string $name): void
    {
        $clips = self::needed($clips, $shape, $stroke);
        if ($clips === null) {
            return;
        }
        if ($clips === []) {
            $this->add($shape, $fill, $stroke, $name);

            return;
        }
        if ($fill !== null) {
            $this->add(Combine::keepOverlap([$shape, ...$clips]), $fill, null, $name);
        }
        if ($stroke !== null) {
            $this->add(Combine::keepOverlap([StrokeRegion::of($shape, $stroke), ...$clips]), $stroke->paint, null, $name);
        }
    }

    /** Keeps of what was drawn since a mark only what lies within a shape. */
    public function clip(int $mark, Shape $clip): void
    {
        $this->put($this->takeSince($mark), [$clip]);
    }

    /**
     * @param  list<Piece>  $pieces
     * @param  list<Shape>  $clips
     */
    public function put(array $pieces, array $clips = []): void
    {
        foreach ($pieces as $piece) {
            $this->addWithin($clips, $piece->shape, $piece->fill, $piece->stroke, $piece->name);
        }
    }

    /**
     * Makes the pieces drawn since a mark see-through together: what they cover of each other stays covered, so that
     * within the group only what is seen is left before the opacity is taken.
     */
    public function fade(int $mark, float $opacity): void
    {
        if ($opacity >= 1.0 || count($this->pieces) === $mark) {
            return;
        }
        $group = $this->takeSince($mark);
        if (count($group) > 1 || ($group[0]->fill !== null && $group[0]->stroke !== null)) {
            $box = Box::around(...array_values(array_filter(array_map(static fn (Piece $piece): ?Box => $piece->box(), $group))));
            $art = new Artwork(max(1e-9, $box?->width() ?? 1.0), max(1e-9, $box?->height() ?? 1.0), $group);
            $solid = array_filter(
                $group,
                static fn (Piece $piece): bool => ! ($piece->fill?->isOpaque() ?? true) || ! ($piece->stroke?->paint->isOpaque() ?? true),
            ) === [];
            $group = ($solid ? new RemoveHidden : new SolidColours)->apply($art)->pieces;
        }
        foreach ($group as $piece) {
            $stroke = $piece->stroke;
            $this->add(
                $piece->shape,
                $piece->fill?->faded($opacity),
                $stroke === null ? null : new Stroke($stroke->paint->faded($opacity), $stroke->style, $stroke->pen),
                $piece->name,
            );
        }
    }

    /**
     * @param  list<Shape>  $clips
     * @return list<Shape>|null those whose outlines come near the piece; null where it lies outside one of them
     */
    private static function needed(array $clips, Shape $shape, ?Stroke $stroke): ?array
    {
        $box = $clips === [] ? null : $shape->box();
        if ($box === null) {
            return [];
        }
        $reach = $stroke === null ? 0.0 : $stroke->style->width * ($stroke->pen?->greatestScale() ?? 1.0) * max(1.0, $stroke->style->miterLimit);
        $box = $box->grown($reach);
        $near = [];
        foreach ($clips as $clip) {
            if (Within::touches($clip, $box)) {
                $near[] = $clip;
            } elseif (! Within::covers($clip, $box->left, $box->top)) {
                return null;
            }
        }

        return $near;
    }
}
