<?php

declare(strict_types=1);

namespace NeatEdge\Core\Edit\Arranging;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Described\Field;
use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\Described\Values;
use NeatEdge\Core\Edit\About;
use NeatEdge\Core\Edit\Chosen;
use NeatEdge\Core\Edit\Local;
use NeatEdge\Core\Geometry\Box;
use NeatEdge\Core\Geometry\Length;
use NeatEdge\Core\Geometry\Matrix;
use NeatEdge\Core\Geometry\Point;
use NeatEdge\Core\Geometry\Tolerance;
use NeatEdge\Core\Seen\Extent;

/** D7: position, size, angle and skew by number, about a chosen origin. Several pieces are placed as one. */
final readonly class PlacePieces implements Local
{
    /**
     * @param  list<string>  $ids
     * @param  array{float, float}  $origin  0 to 1 across and down the box
     * @param  array<string, float>  $values  any of x, y, width, height, angle, skew
     * @param  bool  $ratio  whether the side that was not typed follows
     * @param  bool  $outer  whether a typed size is that of all that is painted, strokes included
     */
    public function __construct(
        private array $ids,
        private array $origin,
        private array $values,
        private bool $ratio,
        private bool $strokes,
        private bool $outer = false,
        private string $unit = 'mm',
    ) {
    }

    public static function about(string $kind): About
    {
        return new About(
            'Place and size',
            'Place, size, angle and skew by number.',
            [
                Field::signed('x', 'Left')->asItIs(),
                Field::signed('y', 'Top')->asItIs(),
                Field::length('width', 'Width', 0.0, 1e-4)->asItIs(),
                Field::length('height', 'Height', 0.0, 1e-4)->asItIs(),
                Field::angle('angle', 'Angle', 0.0)->asItIs(),
                Field::angle('skew', 'Skew', 0.0, -85.0, 85.0)->asItIs(),
                Field::share('originX', 'Origin across', 0.5),
                Field::share('originY', 'Origin down', 0.5),
                Field::flag('ratio', 'Keep the proportions', false),
                Field::flag('strokes', 'Strokes grow along', true),
                Field::flag('outer', 'Sizes with strokes', false),
            ],
        );
    }

    public static function from(Values $values): self
    {
        $sizes = [];
        foreach (['x', 'y'] as $name) {
            if ($values->has($name)) {
                $sizes[$name] = $values->length($name);
            }
        }
        foreach (['width', 'height'] as $name) {
            $share = $values->percentage($name);
            if ($share !== null) {
                $sizes["{$name}Share"] = $share > 0 ? $share : throw Refused::because('A size of nothing cannot be given.');
            } elseif ($values->has($name)) {
                $sizes[$name] = $values->length($name);
            }
        }
        if ($values->has('angle')) {
            $sizes['angle'] = $values->number('angle');
        }
        if ($values->has('skew')) {
            $sizes['skew'] = $values->number('skew');
        }

        return new self(
            $values->pieces(),
            [$values->number('originX'), $values->number('originY')],
            $sizes,
            $values->flag('ratio'),
            $values->flag('strokes'),
            $values->flag('outer'),
            $values->unit,
        );
    }

    public function label(): string
    {
        $name = array_key_first($this->values);
        $value = $this->values[$name] ?? 0.0;

        return match ($name) {
            'x' => 'Left '.Length::said($value, $this->unit),
            'y' => 'Top '.Length::said($value, $this->unit),
            'width' => 'Width '.Length::said($value, $this->unit),
            'height' => 'Height '.Length::said($value, $this->unit),
            'widthShare' => sprintf('Width %s %%', round(100 * $value, 1)),
            'heightShare' => sprintf('Height %s %%', round(100 * $value, 1)),
            'angle' => sprintf('Angle %s°', round($value, 1)),
            'skew' => sprintf('Skew %s°', round($value, 1)),
            default => 'Place and size',
        };
    }

    public function apply(Artwork $artwork): Artwork
    {
        $chosen = Chosen::in($artwork, $this->ids);
        [$box, $turn, $at] = self::frame($chosen, $this->origin);
        $v = $this->values;
        // How far strokes reach over the box; unlike the box, that grows only if strokes do.
        $more = $this->outer ? self::outer($chosen, $turn, $artwork->tolerance()) : null;
        $across = $v['widthShare'] ?? $this->factor($v['width'] ?? null, $box->width(), $more?->width());
        $down = $v['heightShare'] ?? $this->factor($v['height'] ?? null, $box->height(), $more?->height());
        if ($this->ratio) {
            $across ??= $down;
            $down ??= $across;
        }
        $new = $v['angle'] ?? $turn;
        $matrix = Matrix::translation($v['x'] ?? $at->x, $v['y'] ?? $at->y)
            ->after(Matrix::rotation($new))
            ->after(new Matrix(1, 0, tan(deg2rad($v['skew'] ?? 0.0)), 1, 0, 0))
            ->after(Matrix::scaling($across ?? 1.0, $down ?? 1.0))
            ->after(Matrix::rotation(-$turn))
            ->after(Matrix::translation(-$at->x, -$at->y));
        $angle = $new - $turn;

        return $artwork->mapped(
            fn (Piece $piece): Piece => $piece->transformed($matrix, $this->strokes)->with(turn: TransformPieces::turned($piece->turn + $angle)),
            $chosen,
        );
    }

    /**
     * The box of pieces in the frame that their turn gives, and where their origin lies on the bench.
     *
     * @param  array<string, Piece>  $chosen
     * @param  array{float, float}  $origin
     * @return array{Box, float, Point} box in the turned frame, turn in degrees, origin
     */
    public static function frame(array $chosen, array $origin): array
    {
        $turns = array_unique(array_map(static fn (Piece $piece): string => sprintf('%.6f', $piece->turn), $chosen));
        $turn = count($turns) === 1 ? (float) reset($turns) : 0.0;
        $level = Matrix::rotation(-$turn);
        $box = Chosen::box(array_map(
            static fn (Piece $piece): Piece => $turn === 0.0 ? $piece : $piece->with(shape: $piece->shape->transformed($level)),
            $chosen,
        ));
        $at = Matrix::rotation($turn)->apply($box->left + $origin[0] * $box->width(), $box->top + $origin[1] * $box->height());

        return [$box, $turn, $at];
    }

    /**
     * The box of all that pieces paint, in the same frame.
     *
     * @param  array<string, Piece>  $chosen
     */
    public static function outer(array $chosen, float $turn, Tolerance $tolerance): ?Box
    {
        $level = Matrix::rotation(-$turn);

        return Box::around(...array_values(array_filter(array_map(
            static fn (Piece $piece): ?Box => Extent::piece(($turn === 0.0 ? $piece : $piece->transformed($level))->with(clip: null), $tolerance),
            $chosen,
        ))));
    }

    /** @param  float|null  $outer  mm with strokes, where that is what is wanted */
    private function factor(?float $wanted, float $now, ?float $outer = null): ?float
    {
        if ($wanted === null) {
            return null;
        }
        if ($outer !== null && $outer > $now) {
            if ($this->strokes) {
                return $wanted / $outer;
            }
            $wanted -= $outer - $now;
            if ($wanted <= 0) {
                throw Refused::because(sprintf('The strokes alone are %.2f mm wide: it cannot be made so small with them.', $outer - $now));
            }
        }
        if ($now < 1e-9) {
            throw Refused::because('What has no extent in that direction cannot be given one by number.');
        }

        return $wanted / $now;
    }
}
