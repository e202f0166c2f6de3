<?php

declare(strict_types=1);

namespace NeatEdge\Core\Sheet\Layout;

use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Geometry\Box;

/** One sheet, plate or page as it leaves: what lies where on which material, in which order. Formats and devices know nothing else of a job. */
final readonly class Layout
{
    /**
     * @param  string  $name  for files, without an ending
     * @param  string  $title  for people
     * @param  float  $width  of the sheet, mm
     * @param  float  $height  mm; y grows downwards, from the upper left
     * @param  list<Layer>  $layers  in the order in which they are made
     * @param  string  $material  what it is made of, as the shop has it
     * @param  string  $ground  colour of the material or cloth, #rrggbb
     * @param  Box|null  $trim  what is left when it is finished; all of the sheet when null
     * @param  float  $bleed  mm that print reaches beyond that
     * @param  list<string>  $says  what should be known of it, one sentence each
     * @param  float|null  $used  share of the material that is used, 0 to 1
     * @param  list<string>  $warns  what would surprise at the machine, one sentence each
     * @param  list<array{float, float, float, string}>  $words  what is said there in letters that are outlines, so that it can be searched: left and base
     *     line in mm, size in mm, text
     */
    public function __construct(
        public string $name,
        public string $title,
        public float $width,
        public float $height,
        public array $layers,
        public string $material = '',
        public string $ground = '#ffffff',
        public ?Box $trim = null,
        public float $bleed = 0.0,
        public array $says = [],
        public ?float $used = null,
        public array $warns = [],
        public array $words = [],
    ) {
    }

    /** The same with some properties, by their names, replaced. */
    public function with(mixed ...$changes): self
    {
        /** @var array<string, mixed> $all */
        $all = [...get_object_vars($this), ...$changes];

        return new self(...$all);
    }

    /** @return list<Layer> along which a tool goes, in order */
    public function paths(): array
    {
        return array_values(array_filter($this->layers, static fn (Layer $layer): bool => $layer->role->isPath()));
    }

    /** mm that tools go along lines, see Layer. */
    public function length(): float
    {
        return array_sum(array_map(static fn (Layer $layer): float => $layer->length(), $this->paths()));
    }

    /** The box of the art itself, without what helps the waste to come off, cuts through or is looked for by a camera; null where there is none. */
    public function artBox(): ?Box
    {
        $art = array_filter($this->layers, static fn (Layer $layer): bool => ! in_array($layer->role, [Role::Weed, Role::Through, Role::Mark], true));
        // What is shown of a cut is the art as it was prepared; its lines may run past it.
        $areas = array_merge(...array_values(array_map(static fn (Layer $layer): array => $layer->areas, $art)));
        $boxes = $areas === [] ? array_map(
            static fn (Layer $layer): ?Box => $layer->box(),
            $art,
        ) : array_map(static fn (Piece $piece): ?Box => $piece->box(), $areas);

        return Box::around(...array_values(array_filter($boxes))) ?? $this->box();
    }

    /** The box of all that is made; null where that is nothing. */
    public function box(): ?Box
    {
        return Box::around(...array_values(array_filter(array_map(static fn (Layer $layer): ?Box => $layer->box(), $this->layers))));
    }
}
