<?php

declare(strict_types=1);

namespace NeatEdge\Core\Sheet\Make;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\Measure\Colour;
use NeatEdge\Core\Measure\ColourName;
use NeatEdge\Core\Measure\Limits;
use NeatEdge\Core\Sheet\Layout\Layout;
use NeatEdge\Core\Sheet\Nest\Placement;

/** What is to be made: the result of a line, and how the shop wants it laid out. */
final readonly class Order
{
    /**
     * @param  Artwork  $result  of the whole line
     * @param  string  $name  of the job, for people; files are named after it
     * @param  class-string<Making>  $making  what is made of it
     * @param  array<string, float|string|bool>  $values  of the fields of its way of making
     * @param  array<string, string>  $names  what the shop calls colours, by #rrggbb
     * @param  bool  $mirrored  whether the line has turned it round already
     * @param  array<string, list<Placement>>  $placements  where copies lie, by the colour of the sheet, #rrggbb, or "" where all colours lie on one; those
     *     that are not told are worked out
     * @param  array<string, array{width: float, length: float, grain: bool, name: string, colour: string}>  $beds  of the material that a colour is made
     *     from, by #rrggbb; under "" for all others
     * @param  array<string, Artwork>  $under  for an ink that is printed on others, by #rrggbb: the result as it is without it
     * @param  list<self>  $along  other jobs whose copies are laid with it, each with its own result, name, copies and turn; nothing else of them is read
     * @param  array<string, array{rank: int, alone: bool}>  $inks  what the shop knows of inks, by #rrggbb: when they are printed, and whether without
     *     white under them
     * @param  list<string>  $warns  what should be minded of the whole order, one sentence each
     */
    public function __construct(
        public Artwork $result,
        public string $name,
        public string $making,
        public Limits $limits,
        public array $values,
        public array $names = [],
        public bool $mirrored = false,
        public array $placements = [],
        public array $under = [],
        public array $beds = [],
        public array $along = [],
        public array $inks = [],
        public array $warns = [],
    ) {
    }

    /** @return non-empty-list<self> it and the jobs that are laid with it, each with the choices of this one but for how often it is wanted */
    public function all(): array
    {
        $own = array_map(
            fn (self $order): self => new self(
                $order->result,
                $order->name,
                $this->making,
                $this->limits,
                [...$this->values, 'copies' => $order->copies()],
                $this->names,
                $order->mirrored,
            ),
            $this->along,
        );

        return [$this, ...$own];
    }

    /**
     * @return list<Layout> in the order in which they are made
     *
     * @throws Refused
     */
    public function layouts(): array
    {
        return $this->making::layouts($this);
    }

    /** @return array<string, list<Design>> see Making */
    public function designs(): array
    {
        return $this->making::designs($this);
    }

    public function copies(): int
    {
        return max(1, (int) $this->length('copies'));
    }

    /** What the shop calls a colour; one that it has no name for is called as people do, with its code behind: two near blues are two. */
    public function called(string $hex): string
    {
        return $this->names[$hex] ?? ($hex === '' ? '' : ColourName::of(Colour::fromHex($hex)).' '.$hex);
    }

    public function length(string $field): float
    {
        return (float) ($this->values[$field] ?? 0.0);
    }

    public function is(string $field): bool
    {
        return (bool) ($this->values[$field] ?? false);
    }

    public function word(string $field): string
    {
        return (string) ($this->values[$field] ?? '');
    }

    /** A stem for a file: the job, which sheet of it, of what. */
    public function file(int $number, string $of): string
    {
        $plain = static fn (string $text): string => trim(
            preg_replace('/[^a-z0-9]+/', '-', strtolower((string) iconv('UTF-8', 'ASCII//TRANSLIT//IGNORE', mb_scrub($text)))) ?? '',
            '-',
        );
        $job = substr($plain($this->name), 0, 40);

        return ($job === '' ? 'job' : $job)."-{$number}-".(substr($plain($of), 0, 30) ?: 'sheet');
    }
}
