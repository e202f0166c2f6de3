<?php

declare(strict_types=1);

namespace NeatEdge\Core\Format;

use NeatEdge\Core\Described\Field;

/** A format of files as it says of itself. */
final readonly class AboutFormat
{
    /**
     * @param  string  $key  such as pdf
     * @param  string  $label  for a list of many
     * @param  string  $says  what it is for, in one sentence
     * @param  bool  $several  whether one file holds several sheets or plates
     * @param  list<Field>  $fields  what can be chosen
     * @param  bool  $inDots  whether what is soft goes into it as pictures, which are made before it is written
     */
    public function __construct(
        public string $key,
        public string $label,
        public string $extension,
        public string $type,
        public string $says,
        public bool $several = false,
        public array $fields = [],
        public bool $inDots = false,
    ) {
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'key' => $this->key,
            'label' => $this->label,
            'extension' => $this->extension,
            'says' => $this->says,
            'several' => $this->several,
            'fields' => array_map(static fn (Field $field): array => $field->toArray(), $this->fields),
        ];
    }
}
