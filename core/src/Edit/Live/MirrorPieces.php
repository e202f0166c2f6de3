<?php

declare(strict_types=1);

namespace NeatEdge\Core\Edit\Live;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Artwork\Recipe;
use NeatEdge\Core\Described\Field;
use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\Described\Values;
use NeatEdge\Core\Edit\About;
use NeatEdge\Core\Edit\Chosen;
use NeatEdge\Core\Edit\Local;
use NeatEdge\Core\Recipe\Mirror\MirrorHalf;

/** D5: mirrors pieces about an axis, live; or stops doing so. */
final readonly class MirrorPieces implements Local
{
    /**
     * @param  list<string>  $ids
     * @param  float  $x  a place on the axis, mm
     * @param  float  $angle  degrees; 90 is upright
     * @param  float  $reach  mm within which an end is drawn onto the axis
     */
    public function __construct(private array $ids, private float $x, private float $y, private float $angle, private float $reach, private bool $off)
    {
    }

    public static function about(string $kind): About
    {
        return new About(
            'Mirrored half',
            'The other half follows about an axis.',
            [
                Field::signed('x', 'Axis across'),
                Field::signed('y', 'Axis down'),
                Field::angle('angle', 'Angle', 90.0),
                Field::length('reach', 'Melt within', 1.0, most: 100.0),
                Field::flag('off', 'Off', false),
            ],
        );
    }

    public static function from(Values $values): self
    {
        return new self(
            $values->pieces(),
            $values->length('x'),
            $values->length('y'),
            $values->number('angle'),
            $values->length('reach'),
            $values->flag('off'),
        );
    }

    public function label(): string
    {
        return $this->off ? 'Mirrored half off' : 'Mirrored half';
    }

    public function apply(Artwork $artwork): Artwork
    {
        return $artwork->mapped(function (Piece $piece): Piece {
            if ($this->off) {
                if ($piece->recipe?->change(MirrorHalf::class) === null) {
                    throw Refused::because('It is no mirrored half.');
                }
                $recipe = $piece->recipe->without(MirrorHalf::class);

                return $recipe->changes === [] && ! $recipe->base->isAdjustable() ? $piece->withShape($recipe->shape()) : $piece->withRecipe($recipe);
            }
            $recipe = Recipe::of($piece)->trueToBench();
            $back = $recipe->matrix->inverse();
            $at = $back->apply($this->x, $this->y);
            $ahead = $back->apply($this->x + cos(deg2rad($this->angle)), $this->y + sin(deg2rad($this->angle)));
            $angle = rad2deg(atan2($ahead->y - $at->y, $ahead->x - $at->x));
            $half = new MirrorHalf($at->x, $at->y, self::upright($angle), $this->reach / $recipe->matrix->meanScale());
            $made = $piece->withRecipe($recipe->changed($half->heldTo($recipe->base->shape())));

            return $made->shape->isEmpty() ? throw Refused::because('Nothing would be left on the side of the axis that is mirrored.') : $made;
        }, Chosen::in($artwork, $this->ids));
    }

    /** An angle that is upright or level up to rounding is so exactly. */
    private static function upright(float $angle): float
    {
        $quarter = round($angle / 90) * 90;

        return abs($angle - $quarter) < 1e-9 ? $quarter : $angle;
    }
}
