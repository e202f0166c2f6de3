<?php

declare(strict_types=1);

namespace NeatEdge\Core\Format\Plt;

use NeatEdge\Core\Geometry\Matrix;

/** From the numbers of a plotter file to mm, y upwards: steps, or user units between two corners, turned by quarters. */
final class Scale
{
    /** @var array{float, float, float, float} corners that scaling refers to, steps */
    private array $corners = [0.0, 0.0, 10_000.0, 7_200.0];

    /** @var list<float>|null what user units were said to be */
    private ?array $units = null;

    private int $turn = 0;

    /** @param  list<float>  $v  corners in steps; those at the start when there are none */
    public function corners(array $v): void
    {
        $this->corners = match (true) {
            count($v) >= 4 => [$v[0], $v[1], $v[2], $v[3]],
            // One corner moves, and the other keeps its distance.
            count($v) >= 2 => [$v[0], $v[1], $v[0] + $this->corners[2] - $this->corners[0], $v[1] + $this->corners[3] - $this->corners[1]],
            default => [0.0, 0.0, 10_000.0, 7_200.0],
        };
    }

    /** @param  list<float>  $v  xmin, xmax, ymin, ymax, kind and, for even ones, where they stand; or xmin, factor, ymin, factor, 2 */
    public function units(array $v): bool
    {
        $factors = (int) ($v[4] ?? 0) === 2;
        $this->units = count($v) < 4 ? null : $v;
        $bad = $this->units !== null && ($factors ? $v[1] === 0.0 || $v[3] === 0.0 : $v[0] === $v[1] || $v[2] === $v[3]);
        $this->units = $bad ? null : $this->units;

        return ! $bad;
    }

    /** @param  int  $degrees  a quarter, a half or three quarters of a turn, from as the sheet lies at the start */
    public function turn(int $degrees): void
    {
        $this->turn = $degrees;
    }

    public function isUser(): bool
    {
        return $this->units !== null;
    }

    public function matrix(): Matrix
    {
        $turned = match ($this->turn) {
            90 => new Matrix(0.0, 1.0, -1.0, 0.0, 0.0, 0.0),
            180 => new Matrix(-1.0, 0.0, 0.0, -1.0, 0.0, 0.0),
            270 => new Matrix(0.0, -1.0, 1.0, 0.0, 0.0, 0.0),
            default => Matrix::identity(),
        };

        return Matrix::scaling(1 / PltWriter::STEPS, 1 / PltWriter::STEPS)->after($turned)->after($this->toSteps());
    }

    private function toSteps(): Matrix
    {
        $v = $this->units;
        if ($v === null) {
            return Matrix::identity();
        }
        [$x1, $y1, $x2, $y2] = $this->corners;
        if ((int) ($v[4] ?? 0) === 2) {
            return new Matrix($v[1], 0.0, 0.0, $v[3], $x1 - $v[0] * $v[1], $y1 - $v[2] * $v[3]);
        }
        $sx = ($x2 - $x1) / ($v[1] - $v[0]);
        $sy = ($y2 - $y1) / ($v[3] - $v[2]);
        if ((int) ($v[4] ?? 0) !== 1) {
            return new Matrix($sx, 0.0, 0.0, $sy, $x1 - $v[0] * $sx, $y1 - $v[2] * $sy);
        }
        // Even units: the smaller of both, and where they do not fill the frame they stand as is said, in the middle as a rule.
        $s = min(abs($sx), abs($sy));
        [$px, $py] = [$sx < 0 ? -$s : $s, $sy < 0 ? -$s : $s];
        $left = ($v[5] ?? 50.0) / 100;
        $below = ($v[6] ?? 50.0) / 100;
        $restX = ($x2 - $x1) - $px * ($v[1] - $v[0]);
        $restY = ($y2 - $y1) - $py * ($v[3] - $v[2]);

        return new Matrix($px, 0.0, 0.0, $py, $x1 + $left * $restX - $v[0] * $px, $y1 + $below * $restY - $v[2] * $py);
    }
}
