<?php

declare(strict_types=1);

namespace NeatEdge\Core\Edit\Shaping;

use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Described\Field;
use NeatEdge\Core\Described\Values;
use NeatEdge\Core\Edit\Mark;
use NeatEdge\Core\Geometry\Box;
use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Recipe\Wrap\Net;
use NeatEdge\Core\Recipe\Wrap\Wrap;

/** What an artist says of a net: its lines, where they stand in the art, and what a press is to do to it. */
final readonly class NetPulled
{
    /** Squares of the test grid along the longer side. */
    private const SQUARES = 12;

    /** mm that what is bent may leave its true image by, in the test grid. */
    private const DEVIATION = 0.02;

    /** Folds that are told of. */
    private const TOLD = 12;

    /**
     * @param  list<Contour>  $lines  as they were pulled; those that the pieces have, or straight ones, when empty
     * @param  list<float>  $columns  mm from the left of what is bent at which the inner lines down stand
     * @param  list<float>  $rows  mm from its top, those across
     * @param  array{float, float}|null  $column  a place of a line across through which there is to be one down
     * @param  array{float, float}|null  $row  the other way
     * @param  array{float, float}|null  $smooth  the place of a knot
     */
    private function __construct(
        private int $across,
        private int $down,
        private array $lines,
        private array $columns,
        private array $rows,
        private ?array $column,
        private ?array $row,
        private ?array $smooth,
        private bool $grid,
    ) {
    }

    /** @return list<Field> */
    public static function fields(): array
    {
        return array_map(static fn (Field $field): Field => $field->where('shape', ['net']), [
            Field::count('across', 'Knots across', 3, 2, Net::MOST),
            Field::count('down', 'Knots down', 3, 2, Net::MOST),
            Field::words('columns', 'Inner lines, from the left', Field::LENGTHS, help: 'evenly spaced when left out'),
            Field::words('rows', 'Inner lines, from the top', Field::LENGTHS, help: 'evenly spaced when left out'),
            Field::words('column', 'One line more down', Field::PLACE, help: 'through a place of a line across'),
            Field::words('row', 'One line more across', Field::PLACE, help: 'through a place of a line down'),
            Field::words('smooth', 'Smooth knot', Field::PLACE, help: 'the knot nearest to a place'),
            Field::flag('grid', 'Test grid', false),
        ]);
    }

    public static function from(Values $values): self
    {
        return new self(
            (int) $values->number('across'), (int) $values->number('down'), $values->path('frame'), $values->lengths('columns'), $values->lengths('rows'),
            $values->place('column'), $values->place('row'), $values->place('smooth'), $values->flag('grid'),
        );
    }

    /**
     * @param  array<string, Piece>  $chosen
     *
     * @throws \NeatEdge\Core\Described\Refused where the lines are no net
     */
    public function of(Box $box, array $chosen): Net
    {
        $own = [];
        foreach ($chosen as $piece) {
            $own[] = $piece->recipe?->change(Wrap::class)?->net;
        }
        $has = count(array_filter($own)) === count($own) ? ($own[0] ?? null) : null;
        // Where another number of knots is asked for, it begins anew.
        $has = $has !== null && [count($has->columns), count($has->rows)] === [$this->across, $this->down] ? $has : null;
        $lines = $this->lines !== [] ? $this->lines : ($has ?? Net::straight($box, $this->across, $this->down))->lines()->contours;
        $as = $this->lines === [] ? $has : null;
        $columns = $this->columns === [] && $as !== null ? array_slice($as->columns, 1, -1) : self::shares($this->columns, $box->width());
        $rows = $this->rows === [] && $as !== null ? array_slice($as->rows, 1, -1) : self::shares($this->rows, $box->height());
        $net = Net::ofLines(array_values($lines), $columns, $rows);
        $net = $this->column === null ? $net : $net->withColumnAt(...$this->column);
        $net = $this->row === null ? $net : $net->withRowAt(...$this->row);

        return $this->smooth === null ? $net : $net->smoothAt(...$this->smooth);
    }

    /**
     * The net's lines, to be pulled; the test grid; where it folds over itself.
     *
     * @param  array<string, Piece>  $chosen
     * @return list<Mark>
     */
    public function marks(Box $box, array $chosen): array
    {
        $net = $this->of($box, $chosen);
        $lines = $net->lines();
        $places = static fn (array $shares, float $whole): string => implode(' ', array_map(
            static fn (float $share): string => round($share * $whole, 3).'mm',
            array_slice($shares, 1, -1),
        ));
        $marks = [new Mark('net', $lines->contours[0]->coords[0], $lines->contours[0]->coords[1], '', $lines, (string) json_encode([
            'across' => count($net->rows),
            'lines' => array_map(
                static fn (Contour $line): array => array_map(static fn (float $n): float => round($n, 4), $line->coords),
                $lines->contours,
            ),
            'columns' => $places($net->columns, $box->width()),
            'rows' => $places($net->rows, $box->height()),
        ]))];
        if ($this->grid) {
            $marks[] = new Mark('grid', $box->left, $box->top, '', $net->bent(self::squares($box), $box, self::DEVIATION));
        }
        foreach (array_slice($net->folds(), 0, self::TOLD) as [$x, $y]) {
            $marks[] = new Mark('fault', $x, $y, 'The frame folds over itself here.');
        }

        return $marks;
    }

    /**
     * @param  list<float>  $places  mm
     * @return list<float>
     */
    private static function shares(array $places, float $whole): array
    {
        return array_map(static fn (float $place): float => $place / max(1e-9, $whole), $places);
    }

    /** Lines of squares over what is bent. */
    private static function squares(Box $box): Shape
    {
        $side = max($box->width(), $box->height()) / self::SQUARES;
        $lines = [];
        for ($k = 0; $k <= round($box->width() / $side); $k++) {
            $x = min($box->right, $box->left + $k * $side);
            $lines[] = Contour::polygon([[$x, $box->top], [$x, $box->bottom]], false);
        }
        for ($k = 0; $k <= round($box->height() / $side); $k++) {
            $y = min($box->bottom, $box->top + $k * $side);
            $lines[] = Contour::polygon([[$box->left, $y], [$box->right, $y]], false);
        }

        return new Shape($lines);
    }
}
