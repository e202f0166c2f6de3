<?php

declare(strict_types=1);

namespace NeatEdge\Core\Edit\Soft;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Described\Field;
use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\Described\Values;
use NeatEdge\Core\Edit\About;
use NeatEdge\Core\Edit\Arrangement;
use NeatEdge\Core\Edit\Chosen;
use NeatEdge\Core\Edit\Edit;
use NeatEdge\Core\Flat\Harden;

/** D13: soft pieces become hard ones, along the line where so much of them is seen or along their outline. */
final readonly class HardenPieces implements Edit
{
    /**
     * @param  list<string>  $ids
     * @param  'harden'|'outline'  $how
     * @param  float  $level  0 to 1
     */
    public function __construct(private array $ids, private string $how, private float $level)
    {
    }

    public static function about(string $kind): About
    {
        return new About('Harden', 'A hard edge that a knife can follow, in place of a soft one.', [
            Field::choice('how', 'Along', 'harden', ['harden' => 'Where so much is seen', 'outline' => 'Its own outline']),
            Field::number('level', 'Seen along the line, %', 50.0, 2.0, 98.0)->where('how', ['harden']),
        ]);
    }

    public static function from(Values $values): self
    {
        /** @var 'harden'|'outline' $how */
        $how = $values->choice('how');

        return new self($values->pieces(), $how, $values->number('level') / 100);
    }

    public function label(): string
    {
        return 'Harden';
    }

    public function apply(Artwork $artwork): Artwork
    {
        $chosen = array_filter(Chosen::in($artwork, $this->ids), static fn (Piece $piece): bool => $piece->soft !== null);
        if ($chosen === []) {
            throw Refused::because('Nothing that is chosen is soft.');
        }
        $pieces = [];
        foreach ($artwork->pieces as $piece) {
            $hard = isset($chosen[$piece->id]) ? Harden::piece($piece, $this->how, $this->level, $artwork->tolerance()) : $piece;
            if ($hard === null) {
                throw Refused::because('Nowhere is so much of it seen: take a lower share.');
            }
            $pieces[] = $hard;
        }

        return Arrangement::settled($artwork->withPieces($pieces));
    }
}
