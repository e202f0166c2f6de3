<?php

declare(strict_types=1);

namespace NeatEdge\Core\Line;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\LineStep;
use NeatEdge\Core\Described\Field;
use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\Described\Values;
use NeatEdge\Core\Edit\About;
use NeatEdge\Core\Edit\Edit;

/** L1: what an artist does to the line: insert, take out, move, copy and switch steps, change their values, use the line of a preset. */
final readonly class ChangeLine implements Edit
{
    private const MOST = 60;

    private const LABELS = [
        'line-insert' => ['Insert a step', 'A step of the line, where it is proposed or where it is said.'],
        'line-remove' => ['Take out a step', 'Out of the line.'],
        'line-move' => ['Move a step', 'To another place in the line.'],
        'line-copy' => ['Copy a step', 'The same once more, right after it.'],
        'line-switch' => ['Switch a step', 'On or off.'],
        'line-set' => ['Change a step', 'Its values.'],
        'line-cure' => [
            'Cure by a step',
            'A step of the line as a remedy: one of its kind that is off is switched on with these values, else one is put where it is proposed.',
        ],
        'line-use' => ['Use a line', 'Another line in place of this, as a preset has it.'],
    ];

    /** @param  array<mixed>  $typed */
    private function __construct(
        private string $kind,
        private string $step,
        private string $what,
        private array $typed,
        private ?int $at,
        private bool $on,
        private mixed $steps,
        private Values $values,
    ) {
    }

    public static function about(string $kind): About
    {
        [$label, $says] = self::LABELS[$kind];
        $id = Field::words('step', 'Step');
        $fields = match ($kind) {
            'line-insert' => [Field::words('what', 'Kind of step'), Field::data('values', 'Values'), Field::count('at', 'Place', -1, -1, self::MOST)],
            'line-cure' => [Field::words('what', 'Kind of step'), Field::data('values', 'Values')],
            'line-move' => [$id, Field::count('at', 'Place', 0, 0, self::MOST)],
            'line-switch' => [$id, Field::flag('on', 'On', true)],
            'line-set' => [$id, Field::data('values', 'Values')],
            'line-use' => [Field::data('steps', 'Steps')],
            default => [$id],
        };

        return new About($label, $says, $fields, 0);
    }

    public static function from(Values $values): self
    {
        $kind = $values->kind;
        $insert = in_array($kind, ['line-insert', 'line-cure'], true);
        $at = ($insert || $kind === 'line-move') && $values->has('at') ? $values->count('at') : -1;

        return new self(
            $kind,
            $insert || $kind === 'line-use' ? '' : $values->text('step'),
            $insert ? $values->text('what') : '',
            $insert || $kind === 'line-set' ? $values->map('values') : [],
            $at < 0 ? null : $at,
            $kind !== 'line-switch' || $values->flag('on'), $kind === 'line-use' ? $values->data('steps') : null, $values,
        );
    }

    public function label(): string
    {
        return self::LABELS[$this->kind][0];
    }

    public function apply(Artwork $artwork): Artwork
    {
        $line = $artwork->line ?? Presets::plain();
        if ($this->kind === 'line-use') {
            return $artwork->with(line: $this->used());
        }
        if ($this->kind === 'line-cure') {
            foreach ($line as $at => $step) {
                if ($step->kind === $this->what && ! $step->on) {
                    $line[$at] = $step->with(values: $this->typed($step->kind, $step->values), on: true);

                    return $artwork->with(line: $line);
                }
            }
        }
        if ($this->kind === 'line-insert' || $this->kind === 'line-cure') {
            if (count($line) >= self::MOST) {
                throw Refused::because(sprintf('A line takes at most %d steps.', self::MOST));
            }
            array_splice(
                $line,
                $this->at ?? LineOrder::place($line, $this->what),
                0,
                [new LineStep($this->free($line), $this->what, $this->typed($this->what))],
            );

            return $artwork->with(line: $line);
        }
        $at = null;
        foreach ($line as $i => $step) {
            $at = $step->id === $this->step ? $i : $at;
        }
        if ($at === null) {
            throw Refused::because('That step is not in the line any more.');
        }
        $step = $line[$at];
        if ($this->kind === 'line-move') {
            array_splice($line, $at, 1);
            array_splice($line, $this->at ?? 0, 0, [$step]);
        } elseif ($this->kind === 'line-copy') {
            array_splice($line, $at + 1, 0, [$step->with(id: $this->free($line))]);
        } elseif ($this->kind === 'line-remove') {
            array_splice($line, $at, 1);
        } else {
            $line[$at] = $this->kind === 'line-switch' ? $step->with(on: $this->on) : $step->with(values: $this->typed($step->kind, $step->values));
        }

        return $artwork->with(line: array_values($line));
    }

    /**
     * The values as they are stored: those that were typed, parsed, over those of before.
     *
     * @param  array<string, mixed>  $before
     * @return array<string, mixed>
     */
    private function typed(string $kind, array $before = []): array
    {
        $made = Steps::make($kind, [...$before, ...$this->typed], $this->values->unit, $this->values->fonts)->values();

        return array_intersect_key($made, [...$before, ...$this->typed]);
    }

    /** @return list<LineStep> */
    private function used(): array
    {
        if (! is_array($this->steps) || count($this->steps) > self::MOST) {
            throw Refused::because(sprintf('A line is a list of at most %d steps.', self::MOST));
        }
        $steps = [];
        foreach (array_values($this->steps) as $i => $row) {
            $kind = is_array($row) ? ($row['kind'] ?? null) : null;
            $values = is_array($row) ? ($row['values'] ?? []) : null;
            if (! is_string($kind) || ! is_array($values)) {
                throw Refused::because(sprintf('Step %d of the line cannot be read.', $i + 1));
            }
            $steps[] = new LineStep('s'.($i + 1), $kind, array_intersect_key(Steps::make($kind, $values)->values(), $values), (bool) ($row['on'] ?? true));
        }

        return $steps;
    }

    /** @param  list<LineStep>  $line */
    private function free(array $line): string
    {
        $taken = array_map(static fn (LineStep $step): string => $step->id, $line);
        for ($k = 1; in_array("s{$k}", $taken, true); $k++);

        return "s{$k}";
    }
}
