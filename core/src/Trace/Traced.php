<?php

declare(strict_types=1);

namespace NeatEdge\Core\Trace;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Paint;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Artwork\Recipe;
use NeatEdge\Core\Artwork\Stroke;
use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\Matrix;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Recipe\Basic\BasicShape;
use NeatEdge\Core\Recipe\Basic\ShapeKind;
use NeatEdge\Core\Stroke\Join;
use NeatEdge\Core\Stroke\StrokeStyle;
use NeatEdge\Core\Trace\Meant\Found;
use NeatEdge\Core\Trace\Repeated\Drawn;

/** What a picture came to: its colours, its parts in dots, and what was meant. */
final readonly class Traced
{
    /**
     * @param  int  $width  dots
     * @param  float  $shrunk  dots of the file to one of these
     * @param  int  $left  dots of the picture that lie left of it, where it is a part of one
     * @param  int  $top  and above
     * @param  int  $whole  dots that the whole picture is wide
     * @param  list<Ink>  $inks
     * @param  int|null  $ground  number of the colour that lies around everything
     * @param  list<Part>  $parts  the largest first
     * @param  list<Found>  $meant  dots
     * @param  float  $noise  dots
     * @param  bool  $photo  whether the picture is one, as far as can be told
     * @param  int  $dropped  specks that went into what surrounds them
     * @param  int  $nodes  of all borders, each told once
     */
    public function __construct(
        public int $width,
        public int $height,
        public float $shrunk,
        public int $left,
        public int $top,
        public int $whole,
        public array $inks,
        public ?int $ground,
        public array $parts,
        public array $meant,
        public float $noise,
        public bool $photo,
        public int $dropped,
        public int $nodes,
    ) {
    }

    /** @return list<string> what whoever asked for it should know */
    public function says(): array
    {
        $says = [];
        if ($this->photo) {
            $says[] = sprintf('This is a photo, or shaded as one: it is traced in %d flat colours.', count($this->inks));
        }
        if ($this->shrunk > 1.001) {
            $says[] = sprintf('The picture has more dots than are traced; it was made %.1f times smaller first.', $this->shrunk);
        }
        if (min($this->width, $this->height) < 40) {
            $says[] = 'The picture is under 40 dots high or wide: what it shows can only be guessed at.';
        }
        if ($this->parts === []) {
            $says[] = 'The picture has one colour only: there is nothing to trace.';
        }
        if ($this->dropped > 0) {
            $says[] = $this->dropped === 1 ? '1 speck was left out.' : "{$this->dropped} specks were left out.";
        }

        return $says;
    }

    /**
     * As large as what was traced.
     *
     * @param  float  $width  mm of the whole picture
     * @param  array<string, string>  $names  of colours, by their hex
     */
    public function artwork(float $width, array $names = []): Artwork
    {
        $scale = $width / $this->whole;

        return new Artwork($this->width * $scale, $this->height * $scale, $this->pieces(Matrix::scaling($scale, $scale), $names));
    }

    /**
     * @param  Matrix  $matrix  from dots to mm; it turns and scales evenly
     * @param  array<string, string>  $names  of colours, by their hex
     * @return list<Piece> numbered from 1
     */
    public function pieces(Matrix $matrix, array $names = []): array
    {
        $scale = sqrt(abs($matrix->a * $matrix->d - $matrix->b * $matrix->c));
        $pieces = [];
        foreach ($this->parts as $i => $part) {
            $colour = $this->inks[$part->ink]->colour;
            $name = $names[$colour->hex()] ?? '';
            $id = (string) ($i + 1);
            $paint = new Paint($colour);
            $shape = new Shape(array_map(static fn (Contour $contour): Contour => $contour->transformed($matrix), $part->contours));
            if ($part->line !== null) {
                $pieces[] = new Piece($id, $shape, null, new Stroke($paint, new StrokeStyle($part->line * $scale, $part->cap, Join::Round)), $name);

                continue;
            }
            $piece = new Piece($id, $shape, $paint, null, $name);
            $piece = $part->model === null ? $piece : $piece->withRecipe(self::recipe($part->model, $matrix, $scale));
            $pieces[] = $part->again === null ? $piece : Drawn::live($piece, $part->again, $matrix);
        }

        return $pieces;
    }

    private static function recipe(Model $model, Matrix $matrix, float $scale): Recipe
    {
        $kind = $model->kind === 'rectangle' ? ShapeKind::Rectangle : ShapeKind::Ellipse;
        $values = [...$kind->usual(), 'width' => $model->width * $scale, 'height' => $model->height * $scale];
        if ($kind === ShapeKind::Rectangle) {
            foreach (['topLeft', 'topRight', 'bottomRight', 'bottomLeft'] as $corner) {
                $values[$corner] = $model->radius * $scale;
            }
        }
        $middle = $matrix->apply($model->x, $model->y);
        $turn = $model->turn + rad2deg(atan2($matrix->b, $matrix->a));

        return new Recipe(new BasicShape($kind, $values), Matrix::translation($middle->x, $middle->y)->after(Matrix::rotation($turn)));
    }

    /**
     * @param  list<list<array{float, float, float, float}>>|null  $differs  where it does not look as the picture does, see Format\TraceDifferences; null
     *         where it was not looked at
     * @return array<string, mixed> in mm, as commands and the page tell it
     */
    public function told(float $width, ?array $differs = null): array
    {
        $scale = $width / $this->whole;

        return [
            'left' => round($scale * $this->left, 4),
            'top' => round($scale * $this->top, 4),
            'picture' => ['width' => $this->width, 'height' => $this->height, 'photo' => $this->photo, 'noise' => round($this->noise, 3)],
            'colours' => array_map(fn (Ink $ink, int $i): array => [
                'colour' => $ink->colour->hex(),
                'share' => round($ink->share, 4),
                'ground' => $i === $this->ground || $ink->clear,
                'pieces' => count(array_filter($this->parts, static fn (Part $part): bool => $part->ink === $i)),
            ], $this->inks, array_keys($this->inks)),
            'pieces' => count($this->parts),
            'nodes' => $this->nodes,
            'specks' => $this->dropped,
            'meant' => array_map(static fn (Found $found): array => [
                'key' => $found->key,
                'label' => $found->label,
                'moves' => round($found->moves * $scale, 4),
                'at' => array_map(static fn (array $place): array => [round($place[0] * $scale, 3), round($place[1] * $scale, 3)], $found->at),
            ], $this->meant),
            'differs' => $differs === null ? null : array_map(
                static fn (array $place): array => array_map(
                    static fn (array $box): array => array_map(static fn (float $dots): float => round($dots * $scale, 3), $box),
                    $place,
                ),
                $differs,
            ),
            'says' => $this->says(),
        ];
    }
}
