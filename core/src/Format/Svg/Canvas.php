<?php

declare(strict_types=1);

namespace NeatEdge\Core\Format\Svg;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Blend;
use NeatEdge\Core\Artwork\Gradient;
use NeatEdge\Core\Artwork\GradientKind;
use NeatEdge\Core\Artwork\Paint;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Artwork\SoftLook;
use NeatEdge\Core\Artwork\Stroke;
use NeatEdge\Core\Check\Severity;
use NeatEdge\Core\Format\Notes;
use NeatEdge\Core\Geometry\Box;
use NeatEdge\Core\Geometry\Matrix;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Measure\Colour;
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

    /** @return list<Piece> what was drawn since a mark */
    public function since(int $mark): array
    {
        return array_slice($this->pieces, $mark);
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

    public function add(Shape $shape, ?Paint $fill, ?Stroke $stroke, string $name, ?SoftLook $soft = null, Blend $blend = Blend::Normal): void
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
        $this->pieces[] = new Piece('p'.(count($this->pieces) + 1), $shape, $fill, $stroke, $name, blend: $blend, soft: $soft);
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
            if ($piece->soft === null) {
                $from = $this->mark();
                $this->addWithin($clips, $piece->shape, $piece->fill, $piece->stroke, $piece->name);
                $piece->blend === Blend::Normal || $this->blend($from, $piece->blend);

                continue;
            }
            // What is soft cannot be cut along a line: it is seen through that.
            $light = array_map(static fn (Shape $clip): array => [new Piece('k', $clip, new Paint(new Colour(255, 255, 255)))], $clips);
            $this->add($piece->shape, $piece->fill, $piece->stroke, $piece->name, self::within($piece->soft, $light), $piece->blend);
        }
    }

    /**
     * Lets the pieces drawn since a mark be seen through a drawing.
     *
     * @param  non-empty-list<Piece>  $clip
     */
    public function seenThrough(int $mark, array $clip): void
    {
        foreach ($this->takeSince($mark) as $piece) {
            $this->add($piece->shape, $piece->fill, $piece->stroke, $piece->name, self::within($piece->soft ?? new SoftLook, [$clip]), $piece->blend);
        }
    }

    /** @param  list<non-empty-list<Piece>>  $clips */
    private static function within(SoftLook $look, array $clips): SoftLook
    {
        return $look->with(clips: array_slice([...$look->clips, ...$clips], -SoftLook::MOST_CLIPS));
    }

    /** Lays the pieces drawn since a mark over what is below by a blend. */
    public function blend(int $mark, Blend $blend): void
    {
        foreach ($this->takeSince($mark) as $piece) {
            $this->pieces[] = $piece->with(blend: $blend);
        }
    }

    /** Leaves of what was drawn since a mark only what is seen, where several overlap: what is done to them together may then be done to each. */
    public function together(int $mark): void
    {
        $group = array_slice($this->pieces, $mark);
        $soft = array_filter($group, static fn (Piece $piece): bool => $piece->soft !== null || $piece->blend !== Blend::Normal);
        if ($soft === [] && (count($group) > 1 || (count($group) === 1 && $group[0]->fill !== null && $group[0]->stroke !== null))) {
            $this->put(self::apart($this->takeSince($mark)));
        }
    }

    /** The same for what is soft or blended as one anyway: a fill with its line is. */
    public function severalTogether(int $mark): void
    {
        if (count($this->pieces) - $mark > 1) {
            $this->together($mark);
        }
    }

    /**
     * @param  list<Piece>  $group
     * @return list<Piece>
     */
    private static function apart(array $group): array
    {
        $box = Box::around(...array_values(array_filter(array_map(static fn (Piece $piece): ?Box => $piece->box(), $group))));
        $art = new Artwork(max(1e-9, $box?->width() ?? 1.0), max(1e-9, $box?->height() ?? 1.0), $group);
        $solid = array_filter(
            $group,
            static fn (Piece $piece): bool => ! ($piece->fill?->isOpaque() ?? true) || ! ($piece->stroke?->paint->isOpaque() ?? true),
        ) === [];

        return ($solid ? new RemoveHidden : new SolidColours)->apply($art)->pieces;
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
        $this->together($mark);
        $group = $this->takeSince($mark);
        foreach ($group as $piece) {
            if ($piece->soft !== null) {
                $this->add($piece->shape, $piece->fill, $piece->stroke, $piece->name, self::faded($piece->soft, $opacity), $piece->blend);

                continue;
            }
            $this->add(
                $piece->shape,
                $piece->fill?->faded($opacity),
                $piece->stroke?->with(paint: $piece->stroke->paint->faded($opacity)),
                $piece->name,
                null,
                $piece->blend,
            );
        }
    }

    /** As much less of it is seen everywhere. */
    private static function faded(SoftLook $look, float $opacity): SoftLook
    {
        $white = new Colour(255, 255, 255);

        return $look->with(fade: $look->fade?->faded($opacity)
            ?? new Gradient(GradientKind::Linear, [0.0, 0.0, 1.0, 0.0], [[0.0, $white, $opacity], [1.0, $white, $opacity]], Matrix::identity()));
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
        $reach = $stroke?->reach() ?? 0.0;
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
