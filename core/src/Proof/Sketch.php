<?php

declare(strict_types=1);

namespace NeatEdge\Core\Proof;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Blend;
use NeatEdge\Core\Artwork\Contours;
use NeatEdge\Core\Artwork\Gradient;
use NeatEdge\Core\Artwork\GradientKind;
use NeatEdge\Core\Artwork\Layer;
use NeatEdge\Core\Artwork\LayerPart;
use NeatEdge\Core\Artwork\Paint;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Artwork\Place as Lies;
use NeatEdge\Core\Artwork\Recipe;
use NeatEdge\Core\Artwork\SoftLook;
use NeatEdge\Core\Geometry\Box;
use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\FillRule;
use NeatEdge\Core\Geometry\Matrix;
use NeatEdge\Core\Geometry\PathData;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Measure\Colour;
use NeatEdge\Core\Recipe\Wrap\Net;
use NeatEdge\Core\Recipe\Wrap\Wrap;

/** A thing as it is drawn, layer by layer: shapes as paths of SVG in mm. */
final class Sketch
{
    /** @var list<Layer> */
    private array $layers = [];

    /** @var list<Piece> */
    private array $pieces = [];

    public function __construct(private readonly float $width, private readonly float $height)
    {
    }

    /** @param  array<string, mixed>  $place  by the fields of Place */
    public function layer(string $name, LayerPart $part, array $place = []): self
    {
        $this->layers[] = new Layer('l'.(count($this->layers) + 1), $name, part: $part->value, place: $place);

        return $this;
    }

    /**
     * @param  string  $fill  #rrggbb, or several with a bar between for a gradient
     * @param  list<float>|null  $axis  of the gradient, mm: a line; or a middle and a radius
     * @param  string|null  $within  a path that it is seen within
     */
    public function shape(
        string $name,
        string $d,
        string $fill,
        ?array $axis = null,
        float $edge = 0.0,
        float $opacity = 1.0,
        Blend $blend = Blend::Normal,
        ?string $within = null,
        FillRule $rule = FillRule::Nonzero,
    ): self {
        $white = new Colour(255, 255, 255);
        $colours = array_map(Colour::fromHex(...), explode('|', $fill));
        $paint = new Paint($colours[0], $opacity);
        $axis = $axis === null ? null : array_map(floatval(...), $axis);
        if ($axis !== null && count($colours) > 1) {
            $stops = [];
            foreach ($colours as $i => $colour) {
                $stops[] = [(float) ($i / (count($colours) - 1)), $colour, $opacity];
            }
            $paint = Paint::gradient(count($axis) === 4 ? new Gradient(GradientKind::Linear, $axis, $stops, Matrix::identity())
                : new Gradient(GradientKind::Radial, [$axis[0], $axis[1], $axis[2], $axis[0], $axis[1], 0.0], $stops, Matrix::identity()));
        }
        $id = 't'.(count($this->pieces) + 1);
        $clips = $within === null ? [] : [[new Piece("{$id}k", self::path($within), new Paint($white))]];
        $look = new SoftLook($edge, null, $clips);
        $this->pieces[] = new Piece(
            $id,
            self::path($d, $rule),
            $paint,
            name: $name,
            place: new Lies($this->layers[count($this->layers) - 1]->id),
            blend: $blend,
            soft: $look->isNone() ? null : $look,
        );

        return $this;
    }

    /**
     * Where art lies as a net takes it, which is pulled over the shape of a place by its knots and runs smoothly through them.
     *
     * @param  list<list<array{float, float}>>  $knots  row by row, mm; the corners of what is bent are those of its straight box
     */
    public function net(string $name, Box $box, array $knots): self
    {
        $lines = array_map(static fn (array $row): Contour => Contour::polygon($row, false), $knots);
        for ($column = 0; $column < count($knots[0]); $column++) {
            $lines[] = Contour::polygon(array_column($knots, $column), false);
        }
        $net = Net::ofLines($lines);
        foreach (array_merge(...$knots) as [$x, $y]) {
            $net = $net->smoothAt($x, $y);
        }
        $base = new Contours(Shape::of(Contour::rectangle($box->left, $box->top, $box->width(), $box->height())));
        $values = ['shape' => 'net', 'across' => count($net->columns), 'down' => count($net->rows)];
        $recipe = new Recipe($base, changes: [new Wrap($box, Wrap::frame('cone', $box, 0.0), Matrix::identity(), $values, net: $net)]);
        $this->pieces[] = new Piece(
            't'.(count($this->pieces) + 1),
            $recipe->shape(),
            new Paint(new Colour(255, 255, 255)),
            name: $name,
            place: new Lies($this->layers[count($this->layers) - 1]->id),
            recipe: $recipe,
        );

        return $this;
    }

    /**
     * Another thing stands here: all of it but what it stands before.
     *
     * @param  string  $name  what its parts are called by
     * @param  string  $without  name of its layer that stays behind
     */
    public function thing(Artwork $thing, string $name, float $scale, float $x, float $y, string $without): self
    {
        $matrix = new Matrix($scale, 0.0, 0.0, $scale, $x, $y);
        $ids = [];
        foreach ($thing->layers as $layer) {
            if ($layer->name !== $without) {
                $ids[$layer->id] = $id = 'l'.(count($this->layers) + 1);
                $this->layers[] = $layer->with(id: $id, name: "{$name}: {$layer->name}");
            }
        }
        foreach ($thing->pieces as $piece) {
            if (isset($ids[$piece->place->layer])) {
                $this->pieces[] = $piece->transformed($matrix)->with(id: 't'.(count($this->pieces) + 1), place: new Lies($ids[$piece->place->layer]));
            }
        }

        return $this;
    }

    private static function path(string $d, FillRule $rule = FillRule::Nonzero): Shape
    {
        return new Shape(PathData::parse($d)[0], $rule);
    }

    public function artwork(): Artwork
    {
        return new Artwork($this->width, $this->height, $this->pieces, $this->layers);
    }
}
