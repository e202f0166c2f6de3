<?php

declare(strict_types=1);

namespace NeatEdge\Core\Artwork;

/** One step of the line by which the art is prepared, as it is stored with it. */
final readonly class LineStep
{
    /**
     * @param  string  $id  unique within its line
     * @param  string  $kind  which step it is, such as remove-hidden
     * @param  array<string, mixed>  $values  by the names of its fields, lengths in mm; what is left out is as usual
     * @param  bool  $on  whether it takes part
     */
    public function __construct(public string $id, public string $kind, public array $values = [], public bool $on = true)
    {
    }

    public function with(mixed ...$changes): self
    {
        /** @var array<string, mixed> $all */
        $all = [...get_object_vars($this), ...$changes];

        return new self(...$all);
    }

    /** @return array{id: string, kind: string, values: array<string, mixed>, on: bool} */
    public function toArray(): array
    {
        return ['id' => $this->id, 'kind' => $this->kind, 'values' => $this->values, 'on' => $this->on];
    }
}
