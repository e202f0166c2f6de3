<?php

declare(strict_types=1);

namespace NeatEdge\Core\Edit\Arranging;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Artwork\References;
use NeatEdge\Core\Described\Field;
use NeatEdge\Core\Described\Values;
use NeatEdge\Core\Edit\About;
use NeatEdge\Core\Edit\Arrangement;
use NeatEdge\Core\Edit\Chosen;
use NeatEdge\Core\Edit\Edit;
use NeatEdge\Core\Edit\FreeIds;
use NeatEdge\Core\Geometry\Matrix;

/** Duplicates pieces just above themselves, moved by a length. */
final readonly class CopyPieces implements Edit
{
    /** @param  list<string>  $ids */
    public function __construct(private array $ids, private float $x, private float $y)
    {
    }

    public static function about(string $kind): About
    {
        return new About('Duplicate', 'Lay a copy aside.', [Field::signed('x', 'Right by'), Field::signed('y', 'Down by')]);
    }

    public static function from(Values $values): self
    {
        return new self($values->pieces(), $values->length('x'), $values->length('y'));
    }

    public function label(): string
    {
        return 'Duplicate';
    }

    public function apply(Artwork $artwork): Artwork
    {
        [$with, $copies] = self::copied($artwork, Chosen::in($artwork, $this->ids));
        $matrix = Matrix::translation($this->x, $this->y);

        return $with->mapped(static fn (Piece $piece): Piece => $piece->transformed($matrix), $copies);
    }

    /**
     * @param  array<string, Piece>  $chosen
     * @return array{Artwork, array<string, Piece>} with copies of them all above the uppermost, and the copies by id
     */
    public static function copied(Artwork $artwork, array $chosen): array
    {
        $copies = self::renamed($artwork, array_values($chosen));
        $last = array_key_last($chosen);
        $laid = [];
        foreach ($artwork->pieces as $piece) {
            $laid[] = $piece;
            if ($piece->id === $last) {
                array_push($laid, ...array_values($copies['pieces']));
            }
        }

        return [Arrangement::settled($artwork->with(pieces: $laid, groups: [...$artwork->groups, ...$copies['groups']])), $copies['pieces']];
    }

    /**
     * Pieces with ids of their own; groups of which they are all are copied too. What follows a piece that is copied along follows the copy.
     *
     * @param  list<Piece>  $pieces
     * @param  bool  $from  whether they come from this artwork: only then does what they follow here stay theirs
     * @return array{pieces: array<string, Piece>, groups: array<string, string>}
     */
    public static function renamed(Artwork $artwork, array $pieces, bool $from = true): array
    {
        $free = FreeIds::in($artwork);
        $new = [];
        $groups = $names = $renamed = [];
        foreach ($pieces as $piece) {
            $path = [];
            foreach ($piece->place->groups as $group) {
                if (! isset($groups[$group])) {
                    $groups[$group] = $free->next('g');
                    $names[$groups[$group]] = $artwork->groups[$group] ?? 'Group';
                }
                $path[] = $groups[$group];
            }
            $id = $free->next();
            $new[$piece->id] = $id;
            $renamed[$id] = $piece->with(id: $id, place: $piece->place->with(groups: $path));
        }
        $copy = (string) array_key_first($renamed);
        foreach ($renamed as $id => $piece) {
            $instead = [];
            foreach (References::of($piece) as $leader) {
                $instead[$leader] = $new[$leader] ?? ($from && $artwork->piece($leader) !== null ? $leader : null);
            }
            $renamed[$id] = References::apart(References::following($piece, $instead), $copy);
        }

        return ['pieces' => $renamed, 'groups' => $names];
    }
}
