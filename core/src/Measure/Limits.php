<?php

declare(strict_types=1);

namespace NeatEdge\Core\Measure;

/** What a machine or a material can hold. Lengths in mm; nought switches a check off. */
final readonly class Limits
{
    /**
     * @param  float  $line  least width of what is there
     * @param  float  $gap  least width of what is between
     * @param  float  $island  side of the square that has as much area as the least part that holds by itself
     * @param  float  $hole  the same of the least hole that can be weeded or stays open in print
     * @param  int  $colours  most sheets or plates
     * @param  float  $bedWidth  of the machine
     * @param  float  $bedHeight  of the machine; nought for a roll
     * @param  float  $letter  least height of capital letters
     * @param  bool  $gradients  whether the process gives gradients: in full colour, or as dots
     * @param  bool  $opacity  whether it gives what one can see through
     * @param  float  $point  length from which on a sharp point that is thinner than a line may be counts
     * @param  float  $look  percent of what is seen that may look otherwise afterwards
     * @param  float  $around  what the process lays round the art on the bed: margin, border, marks
     * @param  bool  $printed  whether it is one full picture, of which only the border is cut: widths are those of the border then
     * @param  bool  $cuts  whether it has a tool that follows a line once
     */
    public function __construct(
        public float $line,
        public float $gap,
        public float $island = 0.0,
        public float $hole = 0.0,
        public int $colours = 0,
        public float $bedWidth = 0.0,
        public float $bedHeight = 0.0,
        public float $letter = 0.0,
        public bool $gradients = false,
        public bool $opacity = false,
        public bool $cuts = true,
        public float $point = 0.0,
        public float $look = 0.1,
        public float $around = 0.0,
        public bool $printed = false,
    ) {
    }

    /** The same with some limits, by their names, replaced. */
    public function with(mixed ...$changes): self
    {
        /** @var array<string, mixed> $all */
        $all = [...get_object_vars($this), ...$changes];

        return new self(...$all);
    }
}
