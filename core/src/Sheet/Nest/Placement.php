<?php

declare(strict_types=1);

namespace NeatEdge\Core\Sheet\Nest;

use NeatEdge\Core\Geometry\Box;
use NeatEdge\Core\Geometry\Matrix;
use NeatEdge\Core\Geometry\Shape;

/** Where a copy of a design lies: on which sheet, turned by how much about its box's middle, then with its box at a place. */
final readonly class Placement
{
    /**
     * @param  int  $design  number of the design
     * @param  float  $x  mm, left of its turned box
     * @param  float  $y  mm, top of its turned box
     * @param  float  $turn  degrees, clockwise on the bench
     * @param  bool  $kept  whether it was laid by hand and stays there
     */
    public function __construct(public int $design, public int $sheet, public float $x, public float $y, public float $turn = 0.0, public bool $kept = false)
    {
    }

    /** From the design as it was drawn to the sheet. */
    public function matrix(Shape $design): Matrix
    {
        $box = $design->box() ?? new Box(0.0, 0.0, 0.0, 0.0);
        $turned = Matrix::rotation($this->turn, $box->middle()->x, $box->middle()->y);
        $now = $this->turn === 0.0 ? $box : ($design->transformed($turned)->box() ?? $box);

        return Matrix::translation($this->x - $now->left, $this->y - $now->top)->after($turned);
    }

    public function moved(float $dx, float $dy): self
    {
        return new self($this->design, $this->sheet, $this->x + $dx, $this->y + $dy, $this->turn, $this->kept);
    }

    /** @return array{design: int, sheet: int, x: float, y: float, turn: float, kept: bool} */
    public function toArray(): array
    {
        return [
            'design' => $this->design,
            'sheet' => $this->sheet,
            'x' => round($this->x, 4),
            'y' => round($this->y, 4),
            'turn' => $this->turn,
            'kept' => $this->kept,
        ];
    }

    /** @param  array<string, mixed>  $data  as toArray() gives it */
    public static function fromArray(array $data): self
    {
        return new self(
            (int) $data['design'],
            (int) $data['sheet'],
            (float) $data['x'],
            (float) $data['y'],
            (float) $data['turn'],
            (bool) ($data['kept'] ?? false),
        );
    }
}
