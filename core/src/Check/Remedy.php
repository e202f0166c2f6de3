<?php

declare(strict_types=1);

namespace NeatEdge\Core\Check;

/** What cures a kind of finding: a step of the line, with values; on the art itself it is made by the same step. */
final readonly class Remedy
{
    /**
     * @param  string  $step  kind of the step
     * @param  array<string, mixed>  $values  of its fields
     * @param  string  $label  what a button says
     * @param  bool  $source  whether it is best made on the art itself, where a person draws; else as a step of the line
     * @param  bool  $onArt  whether it can be made on the art itself
     * @param  bool  $alone  whether it changes what was ordered, such as the size, and so is made only where it is asked for by name
     * @param  bool  $places  whether it can be had for some places alone
     */
    public function __construct(
        public string $step,
        public string $label,
        public array $values = [],
        public bool $source = false,
        public bool $places = false,
        public bool $onArt = true,
        public bool $alone = false,
    ) {
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'step' => $this->step,
            'label' => $this->label,
            'values' => (object) $this->values,
            'source' => $this->source,
            'places' => $this->places,
            'onArt' => $this->onArt,
        ];
    }
}
