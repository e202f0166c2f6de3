<?php

declare(strict_types=1);

namespace NeatEdge\Core\Sheet\Layout;

use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Geometry\Box;
use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\Matrix;

/** What of a layout is made in one way: areas that are inked, or lines in the order in which a tool goes along them. */
final readonly class Layer
{
    /**
     * @param  string  $name  as the shop has it: of an ink, of a kind of cut
     * @param  string  $colour  in which it is shown, #rrggbb
     * @param  list<Piece>  $areas
     * @param  list<Contour>  $lines  in order, mm on the sheet
     * @param  list<float>  $hatch  packed stretches x0, y0, x1, y1 that are filled before the lines are followed, mm
     * @param  array<string, float|int>  $use  what the tool is told: speed mm/s, power %, passes, depth mm, pen
     * @param  bool  $overprints  whether it is printed on what lies under it instead of beside it
     */
    public function __construct(
        public Role $role,
        public string $name,
        public string $colour,
        public array $areas = [],
        public array $lines = [],
        public array $hatch = [],
        public array $use = [],
        public bool $overprints = false,
    ) {
    }

    public function isEmpty(): bool
    {
        return $this->areas === [] && $this->lines === [] && $this->hatch === [];
    }

    /** @param  list<Contour>  $lines */
    public function withLines(array $lines): self
    {
        return new self($this->role, $this->name, $this->colour, $this->areas, $lines, $this->hatch, $this->use, $this->overprints);
    }

    /** @param  array<string, float|int>  $use */
    public function using(array $use): self
    {
        return new self($this->role, $this->name, $this->colour, $this->areas, $this->lines, $this->hatch, $use, $this->overprints);
    }

    public function transformed(Matrix $matrix): self
    {
        $hatch = [];
        for ($i = 0, $n = count($this->hatch); $i < $n; $i += 2) {
            $p = $matrix->apply($this->hatch[$i], $this->hatch[$i + 1]);
            $hatch[] = $p->x;
            $hatch[] = $p->y;
        }

        return new self(
            $this->role, $this->name, $this->colour,
            array_map(static fn (Piece $piece): Piece => $piece->transformed($matrix), $this->areas),
            array_map(static fn (Contour $line): Contour => $line->transformed($matrix), $this->lines),
            $hatch, $this->use, $this->overprints,
        );
    }

    /** mm that a tool goes along its lines and stretches, each pass counted. */
    public function length(): float
    {
        $sum = array_sum(array_map(static fn (Contour $line): float => $line->length(), $this->lines));
        for ($i = 0, $n = count($this->hatch); $i < $n; $i += 4) {
            $sum += hypot($this->hatch[$i + 2] - $this->hatch[$i], $this->hatch[$i + 3] - $this->hatch[$i + 1]);
        }

        return $sum * max(1, (int) ($this->use['passes'] ?? 1));
    }

    /** mm² that is inked. */
    public function area(): float
    {
        return array_sum(array_map(static fn (Piece $piece): float => $piece->shape->area(), $this->areas));
    }

    public function box(): ?Box
    {
        $boxes = [
            ...array_map(static fn (Piece $piece): ?Box => $piece->box(), $this->areas),
            ...array_map(static fn (Contour $line): Box => $line->box(), $this->lines),
        ];
        if ($this->hatch !== []) {
            $x = array_filter($this->hatch, static fn (int $i): bool => $i % 2 === 0, ARRAY_FILTER_USE_KEY);
            $y = array_filter($this->hatch, static fn (int $i): bool => $i % 2 === 1, ARRAY_FILTER_USE_KEY);
            if ($x !== [] && $y !== []) {
                $boxes[] = new Box(min($x), min($y), max($x), max($y));
            }
        }

        return Box::around(...array_values(array_filter($boxes)));
    }
}
