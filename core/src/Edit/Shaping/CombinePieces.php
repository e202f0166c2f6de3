<?php

declare(strict_types=1);

namespace NeatEdge\Core\Edit\Shaping;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Field;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Edit\About;
use NeatEdge\Core\Edit\Arrangement;
use NeatEdge\Core\Edit\Chosen;
use NeatEdge\Core\Edit\Edit;
use NeatEdge\Core\Edit\EditRefused;
use NeatEdge\Core\Edit\FreeIds;
use NeatEdge\Core\Edit\Input;
use NeatEdge\Core\Geometry\Parts;
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

    public static function about(string $kind): About
    {
        $as = CombineKind::from($kind);
        $fields = $as === CombineKind::CutAway ? [Field::words('knife', 'Knife', Field::PIECE, help: 'the piece that cuts; all but the lowest when left out'), Field::flag('keepKnife', 'Keep the knife', false)] : [];

        return new About($as->label(), $as->description(), $fields, $as->leastPieces(), About::JOIN);
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
        // What is wholly clipped away takes no part; only where nothing paints at all there is nothing to combine.
        $seen = array_keys(array_filter($shapes, static fn (Shape $shape): bool => ! $shape->isEmpty()));
        if ($seen === []) {
            throw EditRefused::unpainted();
        }
        $made = $this->made(array_map(static fn (int $i): Piece => $pieces[$i], $seen), array_map(static fn (int $i): Shape => $shapes[$i], $seen), $tolerance, FreeIds::in($artwork));
        // The outcome lies where the lowest of them lay.
        $out = [];
        foreach ($artwork->pieces as $piece) {
            if ($piece->id === $pieces[0]->id) {
                array_push($out, ...$made);
            } elseif (! isset($chosen[$piece->id])) {
                $out[] = $piece;
            }
        }

        return Arrangement::settled($artwork->withPieces($out));
    }

    /**
     * @param  non-empty-list<Piece>  $pieces  the lowest first
     * @param  non-empty-list<Shape>  $shapes  of each
     * @return non-empty-list<Piece>
     */
    private function made(array $pieces, array $shapes, Tolerance $tolerance, FreeIds $free): array
    {
        if ($this->kind === CombineKind::SplitAll) {
            return self::split($pieces, $shapes, $tolerance, $free);
        }
        $lowest = $pieces[0];
        $shape = match ($this->kind) {
            CombineKind::Weld => Combine::weld($shapes, $tolerance),
            CombineKind::CutAway => Combine::cutAway($shapes[0], array_slice($shapes, 1), $tolerance),
            CombineKind::KeepOverlap => Combine::keepOverlap($shapes, $tolerance),
            CombineKind::KeepDifference => Combine::keepDifference($shapes, $tolerance),
        };
        if ($shape->isEmpty()) {
            throw EditRefused::nothingLeft();
        }

        return [new Piece($lowest->id, $shape, $lowest->fill ?? $lowest->stroke?->paint, null, $lowest->name, null, $lowest->place, blend: $lowest->blend)];
    }

    /**
     * Every connected part, in the paint that is seen there: that of the uppermost piece that covers it.
     *
     * @param  non-empty-list<Piece>  $pieces
     * @param  non-empty-list<Shape>  $shapes
     * @return non-empty-list<Piece>
     */
    private static function split(array $pieces, array $shapes, Tolerance $tolerance, FreeIds $free): array
    {
        $out = $taken = [];
        foreach (Combine::splitAll($shapes, $tolerance) as ['owners' => $owners, 'shape' => $whole]) {
            $top = $pieces[max([0, ...$owners])];
            foreach (Parts::of($whole) as $shape) {
                // The first part in which a piece is seen goes on under its name.
                $id = isset($taken[$top->id]) ? $free->next() : $top->id;
                $taken[$top->id] = true;
                $out[] = new Piece($id, $shape, $top->fill ?? $top->stroke?->paint, null, $top->name, null, $top->place, blend: $top->blend);
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
            return new Shape([]);
        }

        return Combine::weld(array_map(static fn (Piece $part): Shape => $part->shape, $parts), $tolerance);
    }
}
