<?php

declare(strict_types=1);

namespace NeatEdge\Core\Edit\Live;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Contours;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Artwork\Recipe;
use NeatEdge\Core\Described\Field;
use NeatEdge\Core\Described\Values;
use NeatEdge\Core\Edit\About;
use NeatEdge\Core\Edit\Chosen;
use NeatEdge\Core\Edit\Lines\Nodes;
use NeatEdge\Core\Edit\Lines\OnContours;
use NeatEdge\Core\Edit\Local;
use NeatEdge\Core\Recipe\Corners\RoundCorners;

/** D4: rounds chosen corners by a radius, or all of them; a radius of nothing makes them sharp again. They stay adjustable. */
final readonly class RoundChosenCorners implements Local
{
    /** @param  list<list<int>>  $nodes  all when empty */
    public function __construct(private string $id, private array $nodes, private float $radius)
    {
    }

    public static function about(string $kind): About
    {
        return new About(
            'Round corners',
            'Of chosen nodes.',
            [Field::words('piece', 'Piece', Field::PIECE), Field::words('nodes', 'Nodes', Field::NODES), Field::length('radius', 'Radius', 1.0)->needed()],
            0,
        );
    }

    public static function from(Values $values): self
    {
        return new self($values->text('piece'), $values->nodes('nodes'), $values->length('radius'));
    }

    public function label(): string
    {
        return 'Round corners';
    }

    public function apply(Artwork $artwork): Artwork
    {
        $piece = Chosen::in($artwork, [$this->id])[$this->id];
        $recipe = ($piece->recipe ?? new Recipe(new Contours($piece->shape)))->trueToBench();
        // Corners are counted on what the recipe begins with, and rounded in its own measure.
        $contours = array_map(OnContours::closedUp(...), $recipe->base->shape()->contours);
        $radius = $this->radius / max(1e-9, $recipe->matrix->meanScale());
        $radii = [];
        foreach ($recipe->change(RoundCorners::class)->corners ?? [] as [$k, $i, $r]) {
            $radii["{$k} {$i}"] = [$k, $i, $r];
        }
        $nodes = $this->nodes;
        if ($nodes === []) {
            foreach ($contours as $k => $contour) {
                for ($i = $contour->closed ? 0 : 1; $i < $contour->segmentCount(); $i++) {
                    $nodes[] = [$k, $i];
                }
            }
        } else {
            Nodes::byContour($nodes, $contours);
        }
        foreach ($nodes as [$k, $i]) {
            $radii["{$k} {$i}"] = [$k, $i, $radius];
        }
        $corners = array_values(array_filter($radii, static fn (array $corner): bool => $corner[2] > 0));
        $changes = array_values(array_filter($recipe->changes, static fn (object $change): bool => ! $change instanceof RoundCorners));
        // Corners come before a mirrored half or a repeat, whose copies are rounded alike.
        $recipe = new Recipe($recipe->base, $recipe->matrix, $corners === [] ? $changes : [new RoundCorners($corners), ...$changes]);
        $plain = $recipe->changes === [] && ! $recipe->base->isAdjustable();

        return $artwork->mapped(
            static fn (Piece $piece): Piece => $plain ? $piece->withShape($recipe->shape()) : $piece->withRecipe($recipe),
            [$this->id => true],
        );
    }
}
