<?php

declare(strict_types=1);

namespace NeatEdge\Core\Edit\Shaping;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Described\Field;
use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\Described\Values;
use NeatEdge\Core\Edit\About;
use NeatEdge\Core\Edit\Chosen;
use NeatEdge\Core\Edit\Edit;
use NeatEdge\Core\Edit\FreeIds;
use NeatEdge\Core\Seen\Painted;
use NeatEdge\Core\Seen\Seen;

/** P1: strokes of the chosen pieces become filled outlines; fill and stroke part into two pieces, the stroke above. */
final readonly class OutlinePieces implements Edit
{
    /** @param  list<string>  $ids */
    public function __construct(private array $ids, private bool $strokeAlone)
    {
    }

    public static function about(string $kind): About
    {
        return new About('Outline strokes', 'Every stroke becomes a filled outline that looks the same.', [
            Field::choice('keep', 'Keep', 'both', ['both' => 'Fill and stroke, two pieces', 'stroke' => 'The stroke alone']),
        ], under: About::LINES, key: 'O');
    }

    public static function from(Values $values): self
    {
        return new self($values->pieces(), $values->choice('keep') === 'stroke');
    }

    public function label(): string
    {
        return 'Outline strokes';
    }

    public function apply(Artwork $artwork): Artwork
    {
        $free = FreeIds::in($artwork);
        $by = [];
        $cuts = false;
        foreach (Chosen::in($artwork, $this->ids) as $piece) {
            if ($piece->stroke === null || $piece->stroke->cut) {
                $cuts = $cuts || $piece->stroke !== null;

                continue;
            }
            $outline = Painted::region($piece, $artwork->tolerance());
            $filled = ! $this->strokeAlone && $piece->fill !== null && Seen::encloses($piece->shape);
            $by[$piece->id] = $filled ? [$piece->with(stroke: null)] : [];
            if (! $outline->isEmpty()) {
                $by[$piece->id][] = $piece->with(
                    id: $filled ? $free->next() : $piece->id,
                    shape: $outline,
                    fill: $piece->stroke->paint,
                    stroke: null,
                    recipe: null,
                );
            }
        }
        if ($by === []) {
            throw Refused::because($cuts
                ? 'A single cut has no width that could be outlined: let it be a drawn line first.'
                : 'None of the chosen pieces has a stroke.');
        }

        return Outlined::replaced($artwork, $by);
    }
}
