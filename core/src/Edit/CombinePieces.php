<?php

declare(strict_types=1);

namespace NeatEdge\Core\Edit;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Geometry\Tolerance;
use NeatEdge\Core\PlanarMap\Combine;
use NeatEdge\Core\Prepare\OutlineStrokes;
use NeatEdge\Core\Seen\Seen;

/** P2: weld, cut away, keep overlap, keep difference or split all on any number of pieces. Strokes are outlined first. */
final readonly class CombinePieces implements Edit
{
    /** @param  list<string>  $ids */
    public function __construct(private CombineKind $kind, private array $ids)
    {
    }

    public static function from(Input $input): self
    {
        return new self(CombineKind::from($input->choice('kind', array_column(CombineKind::cases(), 'value'))), $input->pieces());
    }

    public function label(): string
    {
        return $this->kind->label();
    }

    public function apply(Artwork $artwork): Artwork
    {
        $chosen = Chosen::in($artwork, $this->ids, $this->kind->leastPieces());
        $pieces = array_values($chosen);
        if ($pieces === []) {
            throw EditRefused::tooFew(1);
        }
        $tolerance = $artwork->tolerance();
        $shapes = array_map(fn (Piece $piece): Shape => self::wholeShape($piece, $artwork, $tolerance), $pieces);
        $made = $this->made($pieces[0], $shapes, $tolerance, $artwork);
        // The outcome lies where the lowest of them lay.
        $out = [];
        foreach ($artwork->pieces as $piece) {
            if ($piece->id === $pieces[0]->id) {
                array_push($out, ...$made);
            } elseif (! isset($chosen[$piece->id])) {
                $out[] = $piece;
            }
        }

        return $artwork->withPieces($out);
    }

    /**
     * @param  non-empty-list<Shape>  $shapes
     * @return non-empty-list<Piece>
     */
    private function made(Piece $lowest, array $shapes, Tolerance $tolerance, Artwork $artwork): array
    {
        $paint = $lowest->fill ?? $lowest->stroke?->paint;
        $found = match ($this->kind) {
            CombineKind::Weld => [Combine::weld($shapes, $tolerance)],
            CombineKind::CutAway => [Combine::cutAway($shapes[0], array_slice($shapes, 1), $tolerance)],
            CombineKind::KeepOverlap => [Combine::keepOverlap($shapes, $tolerance)],
            CombineKind::KeepDifference => [Combine::keepDifference($shapes, $tolerance)],
            CombineKind::SplitAll => array_column(Combine::splitAll($shapes, $tolerance), 'shape'),
        };
        $out = [];
        foreach ($found as $i => $shape) {
            if (! $shape->isEmpty()) {
                $id = $i === 0 ? $lowest->id : self::freeId($lowest->id, $i, $artwork);
                $out[] = new Piece($id, $shape, $paint, null, $lowest->name, null, $lowest->place);
            }
        }

        return $out === [] ? throw EditRefused::nothingLeft() : $out;
    }

    private static function wholeShape(Piece $piece, Artwork $artwork, Tolerance $tolerance): Shape
    {
        if ($piece->isSolid() && $piece->clip === null) {
            return $piece->shape;
        }
        $parts = (new OutlineStrokes)->apply(Seen::of($artwork->withPieces([$piece])))->pieces;
        if ($parts === []) {
            throw EditRefused::unpainted();
        }

        return Combine::weld(array_map(static fn (Piece $part): Shape => $part->shape, $parts), $tolerance);
    }

    private static function freeId(string $base, int $i, Artwork $artwork): string
    {
        do {
            $id = "{$base}.{$i}";
            $i++;
        } while ($artwork->piece($id) !== null);

        return $id;
    }
}
