<?php

declare(strict_types=1);

namespace NeatEdge\Core\Edit;

use NeatEdge\Core\Described\Field;

/**
 * What an edit says of itself: from it follow the form on the page, the help and the options of the command line, and
 * the catalogue.
 */
final readonly class About
{
    /** Headings under which the tools of shaping stand; what has none is offered elsewhere. */
    public const JOIN = 'Join and cut';

    public const CELLS = 'Cells';

    public const LINES = 'Lines';

    public const BORDERS = 'Borders';

    public const CLEAN = 'Clean';

    /** A press says the place, and the edit is made at once. */
    public const AT_ONCE = 'at-once';

    /** Presses join, drop and lift what is marked; the edit is made when it is kept. */
    public const CELLS_PRESSED = 'cells';

    /** A drag draws the line. */
    public const DRAWS_LINE = 'line';

    /** Presses turn what is marked. */
    public const TURNS = 'turn';

    /**
     * @param  string  $says  what it does, in one sentence
     * @param  list<Field>  $fields  what it takes besides the pieces
     * @param  int  $least  pieces that must be chosen; 0 for an edit that needs none, or takes all when none is chosen
     * @param  string  $under  one of the headings
     * @param  string  $key  the letter that, with Shift, takes the tool in hand
     * @param  string  $press  what a press on the bench does while the tool is in hand: nothing, one of the constants
     */
    public function __construct(
        public string $label,
        public string $says,
        public array $fields = [],
        public int $least = 1,
        public string $under = '',
        public string $key = '',
        public string $press = '',
    ) {
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [...get_object_vars($this), 'fields' => array_map(static fn (Field $field): array => $field->toArray(), $this->fields)];
    }
}
