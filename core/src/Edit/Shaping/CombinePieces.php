<?php

declare(strict_types=1);

namespace NeatEdge\Core\Edit\Shaping;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Described\Field;
use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\Described\Values;
use NeatEdge\Core\Edit\About;
use NeatEdge\Core\Edit\Chosen;
use NeatEdge\Core\Edit\Edit;
use NeatEdge\Core\Edit\FreeIds;
use NeatEdge\Core\Geometry\Parts;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Geometry\Tolerance;
use NeatEdge\Core\PlanarMap\Combine;

/** P2: weld, cut away, keep overlap, keep difference or split all on any number of pieces. Strokes are outlined first. */
final readonly class CombinePieces implements Edit
{
    /** mm; a wider gap is a part of the drawing. */
    private const WIDEST_GAP = 20.0;

    /**
     * @param  list<string>  $ids
     * @param  string  $knife  id of the piece that cuts all others; the lowest is cut by all above it when there is none
     * @param  float  $bridge  mm; gaps that are narrower are welded over
     */
    public function __construct(
        private CombineKind $kind,
        private array $ids,
        private string $knife = '',
        private bool $keepKnife = false,
        private float $bridge = 0.0,
    ) {
    }

    public static function about(string $kind): About
    {
        $as = CombineKind::from($kind);
        $fields = $as === CombineKind::CutAway ? [
            Field::words('knife', 'Knife', Field::PIECE, help: 'the piece that cuts all others; when left out, the lowest is cut by all above it'),
            Field::flag('keepKnife', 'Keep the knife', false),
        ] : ($as === CombineKind::Weld ? [Field::length(
            'bridge',
            'Over gaps up to',
            0.0,
            0.0,
            'pieces that a gap of a hair keeps apart are welded all the same',
            self::WIDEST_GAP,
        )] : []);

        return new About(
            $as->label(),
            $as->description(),
            [...$fields, ...($as === CombineKind::Weld ? [] : Leftovers::fields())],
            $as->leastPieces(),
            About::JOIN,
            $as->key(),
        );
    }

    public static function from(Values $values): self
    {
        $kind = CombineKind::from($values->kind);
        $cuts = $kind === CombineKind::CutAway;

        return new self(
            $kind,
            $values->pieces(),
            $cuts ? $values->text('knife') : '',
            $cuts && $values->flag('keepKnife'),
            $kind === CombineKind::Weld ? $values->length('bridge') : 0.0,
        );
    }

    public function label(): string
    {
        return $this->kind->label();
    }

    public function apply(Artwork $artwork): Artwork
    {
        $ids = $this->knife === '' || in_array($this->knife, $this->ids, true) ? $this->ids : [...$this->ids, $this->knife];
        $chosen = Chosen::in($artwork, $ids, $this->kind->leastPieces());
        $pieces = array_values($chosen);
        if ($pieces === []) {
            throw Refused::tooFew(1);
        }
        $tolerance = $artwork->tolerance();
        $shapes = array_map(static fn (Piece $piece): Shape => Outlined::whole($piece, $artwork), $pieces);
        // What is wholly clipped away takes no part; only where nothing paints at all there is nothing to combine.
        $seen = array_keys(array_filter($shapes, static fn (Shape $shape): bool => ! $shape->isEmpty()));
        if ($seen === []) {
            throw Refused::unpainted();
        }
        if ($this->kind === CombineKind::CutAway) {
            return $this->cut($artwork, $pieces, $shapes);
        }
        $made = $this->made(
            array_map(static fn (int $i): Piece => $pieces[$i], $seen),
            array_map(static fn (int $i): Shape => $shapes[$i], $seen),
            $tolerance,
            FreeIds::in($artwork),
        );
        // The outcome lies where the lowest of them lay.
        $by = array_map(static fn (): array => [], $chosen);
        $by[$pieces[0]->id] = $made;

        return Outlined::replaced($artwork, $by);
    }

    /**
     * @param  non-empty-list<Piece>  $pieces  the lowest first
     * @param  non-empty-list<Shape>  $shapes  of each
     */
    private function cut(Artwork $artwork, array $pieces, array $shapes): Artwork
    {
        $knives = $by = [];
        foreach ($pieces as $i => $piece) {
            if ($this->knife === '' ? $i > 0 : $piece->id === $this->knife) {
                $knives[] = $shapes[$i];
                $by[$piece->id] = $this->keepKnife ? [$piece] : [];
            }
        }
        foreach ($pieces as $i => $piece) {
            if (isset($by[$piece->id])) {
                continue;
            }
            $left = Combine::cutAway($shapes[$i], $knives, $artwork->tolerance());
            $by[$piece->id] = $left->isEmpty() ? [] : [Outlined::as($piece, $left)];
        }
        $kept = array_filter($by, static fn (array $list): bool => $list !== []);

        return count($kept) === ($this->keepKnife ? count($knives) : 0) ? throw Refused::nothingLeft() : Outlined::replaced($artwork, $by);
    }

    /**
     * @param  non-empty-list<Piece>  $pieces  the lowest first
     * @param  non-empty-list<Shape>  $shapes  of each
     * @return non-empty-list<Piece>
     */
    private function made(array $pieces, array $shapes, Tolerance $tolerance, FreeIds $free): array
    {
        $shape = match ($this->kind) {
            CombineKind::SplitAll => null,
            CombineKind::KeepOverlap => Combine::keepOverlap($shapes, $tolerance),
            CombineKind::KeepDifference => Combine::keepDifference($shapes, $tolerance),
            default => $this->bridge > 0.0 ? Bridged::weld($shapes, $this->bridge, $tolerance) : Combine::weld($shapes, $tolerance),
        };
        if ($shape === null) {
            return self::split($pieces, $shapes, $tolerance, $free);
        }

        return $shape->isEmpty() ? throw Refused::nothingLeft() : [Outlined::as($pieces[0], $shape)];
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
        $made = $taken = [];
        foreach (Combine::splitAll($shapes, $tolerance) as ['owners' => $owners, 'shape' => $whole]) {
            $top = $pieces[max([0, ...$owners])];
            foreach (Parts::of($whole) as $shape) {
                // The first part in which a piece is seen goes on under its name.
                $made[] = Outlined::as($top, $shape, isset($taken[$top->id]) ? $free->next() : $top->id);
                $taken[$top->id] = true;
            }
        }

        return $made === [] ? throw Refused::nothingLeft() : $made;
    }
}
