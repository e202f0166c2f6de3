<?php

declare(strict_types=1);

namespace NeatEdge\Core\Shop;

use NeatEdge\Core\Described\Field;

/** A kind of thing that a shop has, as it describes itself: what is known of each, and what a job has of it whose ticket names one. */
final readonly class StockKind
{
    /**
     * @param  string  $label  of all of them
     * @param  string  $one  of one
     * @param  list<Field>  $fields
     * @param  list<string>  $brief  names of the fields by which one is told from another in a list
     * @param  list<string>  $for  keys of the processes whose tickets name one
     * @param  array<string, string>  $limits  names of limits, by that of the field that holds them: the stricter holds
     * @param  array<string, string>  $makes  names of choices of ways of making, by that of the field they are taken from
     */
    public function __construct(
        public string $label,
        public string $one,
        public string $says,
        public array $fields,
        public array $brief,
        public array $for = [],
        public array $limits = [],
        public array $makes = [],
    ) {
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'label' => $this->label,
            'one' => $this->one,
            'says' => $this->says,
            'fields' => array_map(static fn (Field $field): array => $field->toArray(), $this->fields),
            'brief' => $this->brief,
            'for' => $this->for,
        ];
    }
}
