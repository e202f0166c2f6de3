<?php

declare(strict_types=1);

namespace NeatEdge\Core\Edit\Live;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Contours;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Artwork\Recipe;
use NeatEdge\Core\Described\Field;
use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\Described\Values;
use NeatEdge\Core\Edit\About;
use NeatEdge\Core\Edit\Chosen;
use NeatEdge\Core\Edit\Local;
use NeatEdge\Core\Recipe\Repeat\StepAndRepeat;

/** D6: step and repeat, live; or off again. */
final readonly class RepeatPieces implements Local
{
    /**
     * @param  list<string>  $ids
     * @param  array<string, float|string|bool>  $values  see StepAndRepeat::fields(); the centre in mm on the bench
     */
    public function __construct(private array $ids, private array $values, private bool $off)
    {
    }

    public static function about(string $kind): About
    {
        return new About('Step and repeat', 'Row, grid or ring.', [...StepAndRepeat::fields(), Field::flag('off', 'Off', false)]);
    }

    public static function from(Values $values): self
    {
        // What is taken off has no values.
        return $values->flag('off') ? new self(
            $values->pieces(),
            ['count' => 1.0, 'as' => 'row'],
            true,
        ) : new self($values->pieces(), $values->against(StepAndRepeat::fields())->all(), false);
    }

    public function label(): string
    {
        return $this->off ? 'Step and repeat off' : 'Step and repeat';
    }

    public function apply(Artwork $artwork): Artwork
    {
        $v = $this->values;
        $count = (int) $v['count'];
        if ($count * ($v['as'] === 'grid' ? (int) $v['rows'] : 1) > StepAndRepeat::MOST) {
            throw Refused::because(sprintf('At most %d copies are made.', StepAndRepeat::MOST));
        }

        return $artwork->mapped(function (Piece $piece) use ($v, $count): Piece {
            if ($this->off) {
                if ($piece->recipe?->change(StepAndRepeat::class) === null) {
                    throw Refused::because('It is not repeated.');
                }
                $recipe = $piece->recipe->without(StepAndRepeat::class);

                return $recipe->changes === [] && ! $recipe->base->isAdjustable() ? $piece->withShape($recipe->shape()) : $piece->withRecipe($recipe);
            }
            $recipe = Recipe::of($piece)->trueToBench();
            $back = $recipe->matrix->inverse();
            $centre = $back->apply((float) $v['centreX'], (float) $v['centreY']);
            // A step is a length without a place: only the linear part of the matrix counts.
            $step = [$back->a * (float) $v['stepX'] + $back->c * (float) $v['stepY'], $back->b * (float) $v['stepX'] + $back->d * (float) $v['stepY']];
            if ($v['as'] === 'grid' && (abs($back->b) > 1e-9 || abs($back->c) > 1e-9)) {
                // Rows and columns run along the bench, however the piece is turned.
                $recipe = new Recipe(new Contours($recipe->without(StepAndRepeat::class)->shape()));
                $centre = $recipe->matrix->apply((float) $v['centreX'], (float) $v['centreY']);
                $step = [(float) $v['stepX'], (float) $v['stepY']];
            }

            return $piece->withRecipe($recipe->changed(new StepAndRepeat([
                (string) $v['as'], $count, (int) $v['rows'], $step[0], $step[1], $centre->x, $centre->y,
                (float) $v['sweep'] * ($recipe->matrix->determinant() < 0 ? -1 : 1), (bool) $v['turning'],
            ])));
        }, Chosen::in($artwork, $this->ids));
    }
}
