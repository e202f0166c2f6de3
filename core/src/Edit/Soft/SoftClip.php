<?php

declare(strict_types=1);

namespace NeatEdge\Core\Edit\Soft;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Gradient;
use NeatEdge\Core\Artwork\Paint;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Artwork\SoftLook;
use NeatEdge\Core\Described\Field;
use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\Described\Values;
use NeatEdge\Core\Edit\About;
use NeatEdge\Core\Edit\Arrangement;
use NeatEdge\Core\Edit\Chosen;
use NeatEdge\Core\Edit\Edit;
use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Measure\Colour;
use NeatEdge\Core\Seen\StrokeRegion;

/**
 * D13: pieces are seen through the uppermost of those that are chosen. It may have a soft edge and a fade of its own; each piece may have several such clips,
 * one in the other. A line serves through what its stroke covers; its colour does not matter.
 */
final readonly class SoftClip implements Edit
{
    /** @param  list<string>  $ids */
    public function __construct(private array $ids, private float $edge, private bool $fill)
    {
    }

    public static function about(string $kind): About
    {
        return new About(
            'Soft clip',
            'Seen through the uppermost, whose edge may be soft.',
            [
                Field::length('edge', 'Softness of the clip', 2.0, 0.0, 'a soft edge that the uppermost has is kept at nought', SoftLook::WIDEST),
                Field::flag('fill', 'Fill it first', false, 'so that an outline without a fill clips by what it encloses'),
            ],
            2,
        );
    }

    public static function from(Values $values): self
    {
        return new self($values->pieces(), $values->length('edge'), $values->flag('fill'));
    }

    public function label(): string
    {
        return 'Soft clip';
    }

    public function apply(Artwork $artwork): Artwork
    {
        $chosen = Chosen::in($artwork, $this->ids, 2);
        $by = $chosen[array_key_last($chosen)];
        $clip = $this->clip($by, $artwork);
        $pieces = [];
        foreach ($artwork->pieces as $piece) {
            if ($piece->id === $by->id) {
                continue;
            }
            if (isset($chosen[$piece->id])) {
                $look = $piece->soft ?? new SoftLook;
                if (count($look->clips) >= SoftLook::MOST_CLIPS) {
                    throw Refused::because(sprintf('A piece takes at most %d clips; release one first.', SoftLook::MOST_CLIPS));
                }
                $piece = Looked::with($piece, $look->with(clips: [...$look->clips, [$clip]]));
            }
            $pieces[] = $piece;
        }

        return Arrangement::settled($artwork->withPieces($pieces));
    }

    private function clip(Piece $by, Artwork $artwork): Piece
    {
        $white = new Colour(255, 255, 255);
        $shape = $by->shape;
        if ($by->fill === null && $by->stroke !== null && ! $by->stroke->cut && ! $this->fill) {
            if (array_filter($by->shape->contours, static fn (Contour $contour): bool => ! $contour->closed) === []) {
                throw Refused::because('Only a filled shape can clip: the uppermost piece has no fill. Let it be filled first; its colour does not matter.');
            }
            $shape = StrokeRegion::of($by->shape, $by->stroke, $artwork->tolerance());
        } elseif ($by->fill === null) {
            if (! $this->fill) {
                throw Refused::because('Only a filled shape can clip: the uppermost piece has no fill. Let it be filled first; its colour does not matter.');
            }
            $shape = new Shape(array_map(static fn (Contour $contour): Contour => new Contour($contour->coords, true), $by->shape->contours), $by->shape->rule);
        }
        if ($shape->isEmpty()) {
            throw Refused::because('The uppermost piece covers nothing that could be seen through.');
        }
        $own = $by->soft ?? new SoftLook;
        $look = $own->with(edge: $this->edge > 0 ? $this->edge : $own->edge);
        // What it is painted with does not count, but how much of it is seen does.
        $fade = $by->fill?->gradient;
        if ($look->fade === null && $fade !== null && ! $fade->isOpaque()) {
            $look = $look->with(fade: new Gradient(
                $fade->kind,
                $fade->axis,
                array_map(static fn (array $stop): array => [$stop[0], $white, $stop[2]], $fade->stops),
                $fade->matrix,
                $fade->spread,
            ));
        }

        return new Piece($by->id, $shape, new Paint($white), name: $by->name, soft: $look->isNone() ? null : $look);
    }
}
