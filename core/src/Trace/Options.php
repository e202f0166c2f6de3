<?php

declare(strict_types=1);

namespace NeatEdge\Core\Trace;

use NeatEdge\Core\Described\Field;
use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\Described\Values;
use NeatEdge\Core\Measure\Colour;

/** What an artist chooses of a trace. */
final readonly class Options
{
    /**
     * @param  int|null  $colours  how many; as many as the picture has when null
     * @param  int|null  $speck  regions of fewer dots go into what surrounds them; as the picture's noise asks for when null
     * @param  float  $closeness  1 as the picture's noise asks for; more keeps closer to the dots and takes more nodes
     * @param  bool  $lines  whether what is thin and even comes as strokes along its middle
     * @param  bool  $paper  whether the ground is kept as a piece, too
     * @param  bool  $level  whether a ground that is not evenly lit is levelled
     * @param  list<string>  $off  keys of what was meant that is not to be, see Rules
     * @param  list<Choice>  $choices  colours as the artist has them; as they were found when empty
     * @param  float  $turn  degrees by which the picture is turned first, clockwise, about its middle
     * @param  list<float>  $part  left, top, width and height of what is traced, mm from the top left of the picture in its true size; all of it when empty
     * @param  bool  $live  whether what mirrors itself or comes again is drawn once and follows
     * @param  float  $corners  1 as the picture's noise asks for; at more, blunter ones are corners, too, at less, only sharp ones
     */
    public function __construct(
        public ?int $colours = null,
        public ?int $speck = null,
        public float $closeness = 1.0,
        public bool $lines = false,
        public bool $paper = false,
        public bool $level = true,
        public array $off = [],
        public array $choices = [],
        public float $turn = 0.0,
        public array $part = [],
        public bool $live = false,
        public float $corners = 1.0,
    ) {
    }

    /** @return list<Field> */
    public static function fields(): array
    {
        return [
            Field::count('colours', 'Colours', 0, 0, Inks::MOST),
            Field::count('specks', 'Specks under', 0, 0, 10_000, 'dots of what is too small to be meant; as the noise of the picture asks for at 0'),
            Field::number('closeness', 'Closeness', 1.0, 0.2, 5.0),
            new Field('corners', 'Corners', Field::NUMBER, 1.0, 0.4, 2.5, help: 'above 1 blunter ones are corners, too; below, only sharp ones'),
            Field::flag('lines', 'Middle lines', false, 'what is thin and even comes as a stroke along its middle'),
            Field::flag('live', 'Mirrors and repeats live', false, 'what mirrors itself or comes again is drawn once, and its copies follow'),
            Field::flag('paper', 'Keep the ground', false, 'the colour around everything comes as a piece, too'),
            Field::flag('level', 'Level the light', true, 'a ground that is darker to one side, as at the fold of a book, is made even first'),
            Field::angle('turn', 'Straighten', 0.0, -45.0, 45.0),
            Field::words('part', 'Part of the picture', Field::LENGTHS, help: 'left, top, width and height from its top left; all of it when left out'),
            Field::words('off', 'Not meant', help: 'what is left as the dots have it, such as circles, level'),
            Field::data('inks', 'Colours of the picture'),
        ];
    }

    /**
     * @param  list<float>  $part
     * @return list<float>
     */
    private static function part(array $part): array
    {
        return $part === [] || (count($part) === 4 && $part[2] > 0 && $part[3] > 0) ? $part
            : throw Refused::because('A part of a picture is four lengths: left, top, width and height.');
    }

    public static function from(Values $values): self
    {
        $count = $values->count('colours');
        $choices = [];
        foreach ((array) $values->data('inks') as $one) {
            if (is_array($one) && ($colour = Colour::parse(is_string($one['colour'] ?? null) ? $one['colour'] : '')) !== null) {
                $into = Colour::parse(is_string($one['into'] ?? null) ? $one['into'] : '');
                $name = is_string($one['name'] ?? null) ? mb_substr($one['name'], 0, 100) : '';
                $choices[] = new Choice($colour, $name, ($one['drop'] ?? false) === true, $into);
            }
        }

        return new self(
            $count === 0 ? null : $count,
            $values->count('specks') ?: null,
            $values->number('closeness'),
            $values->flag('lines'),
            $values->flag('paper'),
            $values->flag('level'),
            array_values(array_filter(preg_split('/[\s,]+/', $values->text('off')) ?: [])),
            array_slice($choices, 0, Inks::MOST),
            $values->number('turn'),
            self::part($values->lengths('part')),
            $values->flag('live'),
            $values->number('corners'),
        );
    }
}
