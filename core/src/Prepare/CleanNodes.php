<?php

declare(strict_types=1);

namespace NeatEdge\Core\Prepare;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Described\Field;
use NeatEdge\Core\Described\Values;
use NeatEdge\Core\Flat\Cleaning;

/** Takes out doubled nodes, tiny segments, flat curves and nodes that the outline does not need, within a deviation. */
final readonly class CleanNodes implements Step
{
    use Described;

    public const USUAL = Cleaning::USUAL;

    /** @param  float  $deviation how far an outline may move, mm */
    public function __construct(private float $deviation = self::USUAL)
    {
    }

    public static function about(): AboutStep
    {
        return new AboutStep(
            'clean-nodes',
            'Clean nodes',
            'Doubled and needless nodes go, within a deviation.',
            [Field::length('deviation', 'Deviation', self::USUAL, most: 5.0)],
            80,
            [
                'thicken' => 'What is thickened gets new nodes: clean after it.',
                'widen-gaps' => 'What is widened gets new nodes: clean after it.',
                'remove-hidden' => 'Where pieces are cut new nodes come: clean after it.',
            ],
            work: 0.1,
        );
    }

    public static function from(Values $values): self
    {
        return new self($values->length('deviation'));
    }

    public function values(): array
    {
        return ['deviation' => $this->deviation];
    }

    public function apply(Artwork $artwork): Artwork
    {
        $cleaning = new Cleaning($this->deviation);
        $pieces = [];
        foreach ($artwork->pieces as $piece) {
            $pieces[] = $piece->stroke === null ? $piece->withShape($cleaning->shape($piece->shape)) : $piece;
        }

        return $artwork->withPieces($pieces);
    }
}
