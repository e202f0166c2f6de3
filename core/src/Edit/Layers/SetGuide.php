<?php

declare(strict_types=1);

namespace NeatEdge\Core\Edit\Layers;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Guide;
use NeatEdge\Core\Described\Field;
use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\Described\Values;
use NeatEdge\Core\Edit\About;
use NeatEdge\Core\Edit\Edit;
use NeatEdge\Core\Edit\FreeIds;

/** S4: a new guide at a typed place, or another place for one that is there. */
final readonly class SetGuide implements Edit
{
    public const MOST = 200;

    public function __construct(private string $id, private bool $upright, private float $at)
    {
    }

    public static function about(string $kind): About
    {
        return new About(
            'Lay a guide',
            'A line to snap to.',
            [Field::words('guide', 'Guide'), Field::flag('upright', 'Upright', false), Field::signed('at', 'At')->needed()],
            0,
        );
    }

    public static function from(Values $values): self
    {
        return new self($values->text('guide'), $values->flag('upright'), $values->length('at'));
    }

    public function label(): string
    {
        return $this->id === '' ? 'Lay a guide' : 'Move a guide';
    }

    public function apply(Artwork $artwork): Artwork
    {
        if ($this->id === '') {
            return count($artwork->guides) >= self::MOST
                ? throw Refused::because(sprintf('There are %d guides already.', self::MOST))
                : $artwork->with(guides: [...$artwork->guides, new Guide(FreeIds::in($artwork)->next('u'), $this->upright, $this->at)]);
        }
        $found = false;
        $guides = array_map(function (Guide $guide) use (&$found): Guide {
            if ($guide->id !== $this->id) {
                return $guide;
            }
            $found = true;

            return new Guide($guide->id, $guide->upright, $this->at);
        }, $artwork->guides);

        return $found ? $artwork->with(guides: $guides) : throw Refused::because('That guide is not there any more.');
    }
}
