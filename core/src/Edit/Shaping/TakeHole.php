<?php

declare(strict_types=1);

namespace NeatEdge\Core\Edit\Shaping;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Described\Field;
use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\Described\Values;
use NeatEdge\Core\Edit\About;
use NeatEdge\Core\Edit\Edit;
use NeatEdge\Core\Edit\FreeIds;
use NeatEdge\Core\Geometry\Matrix;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\PlanarMap\Combine;
use NeatEdge\Core\PlanarMap\PlanarMap;

/** P6: a hole of a piece, found by a place inside it, is lifted out as a positive piece above, or filled. */
final readonly class TakeHole implements Edit
{
    /**
     * @param  list<string>  $ids  pieces whose holes are meant; all that can be touched when none
     * @param  list<array{float, float}>  $at
     * @param  float|null  $scale  of the piece that is lifted, about its middle; null where the hole is filled
     */
    public function __construct(private array $ids, private array $at, private ?float $scale)
    {
    }

    public static function about(string $kind): About
    {
        return $kind === 'fill-hole'
            ? new About('Fill a hole', 'The hole at a place is closed.', [Field::words('at', 'Places', Field::PLACES)], 0, About::JOIN, 'J', About::AT_ONCE)
            : new About('Lift a hole', 'The hole at a place becomes a piece above, as large or scaled about its middle.', [
                Field::words('at', 'Places', Field::PLACES), Field::share('scale', 'Scale', 1.0, 0.01, 100.0),
            ], 0, About::JOIN, 'H', About::AT_ONCE);
    }

    public static function from(Values $values): self
    {
        return new self(
            $values->pieces(), $values->places('at'),
            $values->kind === 'fill-hole' ? null : $values->number('scale'),
        );
    }

    public function label(): string
    {
        return $this->scale === null ? 'Fill a hole' : 'Lift a hole';
    }

    public function apply(Artwork $artwork): Artwork
    {
        if ($this->at === []) {
            throw Refused::because('Press inside a hole.');
        }
        foreach ($this->at as $place) {
            [$piece, $hole] = $this->hole($artwork, $place);
            if ($this->scale === null) {
                $artwork = Outlined::replaced($artwork, [$piece->id => [$piece->withShape(Combine::weld([$piece->shape, $hole], $artwork->tolerance()))]]);

                continue;
            }
            $middle = $hole->box()?->middle();
            $grown = $middle === null || $this->scale === 1.0 ? $hole
                : $hole->transformed(Matrix::translation($middle->x, $middle->y)
                    ->after(Matrix::scaling($this->scale, $this->scale))
                    ->after(Matrix::translation(-$middle->x, -$middle->y)));
            $lifted = $piece->withShape($grown)->with(
                id: FreeIds::in($artwork)->next(),
                stroke: null,
                clip: null,
                name: $piece->name === '' ? 'Hole' : "Hole of {$piece->name}",
            );
            $artwork = Outlined::replaced($artwork, [$piece->id => [$piece, $lifted]]);
        }

        return $artwork;
    }

    /**
     * @param  array{float, float}  $place
     * @return array{Piece, Shape} the uppermost piece that has a hole there
     */
    private function hole(Artwork $artwork, array $place): array
    {
        foreach (array_reverse(Lines::pieces($artwork, $this->ids)) as $piece) {
            $box = $piece->box();
            if ($piece->fill === null
                || $box === null
                || $place[0] < $box->left
                || $place[0] > $box->right
                || $place[1] < $box->top
                || $place[1] > $box->bottom) {
                continue;
            }
            $cells = PlanarMap::of([$piece->shape], $artwork->tolerance())->cells();
            $cell = $cells->at(...$place);
            if ($cell !== null && $cells->covers[$cell] === []) {
                return [$piece, $cells->shapes([$cell => 0])[0]];
            }
        }
        throw Refused::because(sprintf('There is no hole at %s,%s.', round($place[0], 3), round($place[1], 3)));
    }
}
