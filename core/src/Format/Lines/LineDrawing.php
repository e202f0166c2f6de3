<?php

declare(strict_types=1);

namespace NeatEdge\Core\Format\Lines;

use NeatEdge\Core\Geometry\Box;
use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\Matrix;
use NeatEdge\Core\Geometry\Point;
use NeatEdge\Core\Geometry\Shape;

/** What a drawing in lines holds, by layer or pen, in mm with y upwards; and by name what was not taken of it. */
final class LineDrawing
{
    /** @var array<string, DrawnLayer> */
    public array $layers = [];

    /** @var array<string, array{count: int, at: Point|null, why: string}> by what it is */
    public array $leftOut = [];

    /** @var array<string, array{count: int, at: Point|null}> sentences about what was taken otherwise than it stands; "%d" stands for the count */
    public array $replaced = [];

    /** @var list<string> what is good to know, one sentence each */
    public array $notes = [];

    /** @var array<string, int> how many things lie where they are not drawn, by the reason */
    public array $asleep = [];

    /** @var array<int|string, float> mm of lines by the width that the file gives them, mm */
    public array $weights = [];

    /** @param  bool  $statesUnit  whether the file says what its numbers mean */
    public function __construct(public bool $statesUnit = true)
    {
    }

    public function layer(string $name, ?string $colour = null): DrawnLayer
    {
        return $this->layers[$name] ??= new DrawnLayer($name, $colour);
    }

    public function leaveOut(string $what, string $why, ?Point $at = null): void
    {
        $this->leftOut[$what] ??= ['count' => 0, 'at' => $at, 'why' => $why];
        $this->leftOut[$what]['count']++;
    }

    public function replace(string $sentence, ?Point $at = null): void
    {
        $this->replaced[$sentence] ??= ['count' => 0, 'at' => $at];
        $this->replaced[$sentence]['count']++;
    }

    public function note(string $sentence): void
    {
        if (! in_array($sentence, $this->notes, true)) {
            $this->notes[] = $sentence;
        }
    }

    /** Whether nothing of it can be taken. */
    public function isEmpty(): bool
    {
        foreach ($this->layers as $layer) {
            if ($layer->lines !== [] || $layer->wide !== [] || $layer->areas !== [] || $layer->words !== []) {
                return false;
            }
        }

        return true;
    }

    /** The box of lines and areas; strokes as their lines, letters by where they begin. */
    public function box(): ?Box
    {
        $boxes = [];
        foreach ($this->layers as $layer) {
            array_push(
                $boxes,
                ...array_map(static fn (Contour $line): Box => $line->box(), $layer->lines),
                ...array_map(static fn (DrawnLine $line): Box => $line->line->box(), $layer->wide),
                ...array_values(array_filter(array_map(static fn (Shape $area): ?Box => $area->box(), $layer->areas))),
            );
        }

        return $boxes === [] ? null : Box::around(...$boxes);
    }

    public function transformed(Matrix $matrix): self
    {
        $place = static fn (?Point $at): ?Point => $at === null ? null : $matrix->apply($at->x, $at->y);
        $moved = clone $this;
        $moved->layers = array_map(static fn (DrawnLayer $layer): DrawnLayer => $layer->transformed($matrix), $this->layers);
        $moved->leftOut = array_map(static fn (array $row): array => [...$row, 'at' => $place($row['at'])], $this->leftOut);
        $moved->replaced = array_map(static fn (array $row): array => [...$row, 'at' => $place($row['at'])], $this->replaced);

        return $moved;
    }
}
