<?php

declare(strict_types=1);

namespace NeatEdge\Core\Line;

use NeatEdge\Core\Artwork\LineStep;

/** L3: a line with a name, to be used again. */
final readonly class Preset
{
    /**
     * @param  string  $name  unique on its shelf
     * @param  int  $version  grows with every change
     * @param  list<string>  $for  processes that it is meant for, such as cut-vinyl; any when there is none
     * @param  list<LineStep>  $steps
     */
    public function __construct(public string $name, public int $version, public string $note, public array $for, public array $steps)
    {
    }

    /**
     * @return list<array{what: string, step: string, here: string, there: string}> what is not the same in another: a step that only one has, a value, a
     *     switch, the order
     */
    public function differences(self $other): array
    {
        $differences = [];
        $theirs = [];
        foreach ($other->steps as $step) {
            $theirs[$step->kind][] = $step;
        }
        foreach ($this->steps as $step) {
            $same = array_shift($theirs[$step->kind]);
            $label = Steps::about($step->kind)->label;
            if ($same === null) {
                $differences[] = ['what' => 'step', 'step' => $label, 'here' => 'has it', 'there' => ''];

                continue;
            }
            if ($step->on !== $same->on) {
                $differences[] = ['what' => 'switch', 'step' => $label, 'here' => $step->on ? 'on' : 'off', 'there' => $same->on ? 'on' : 'off'];
            }
            [$a, $b] = [Steps::of($step)->values(), Steps::of($same)->values()];
            foreach ($a as $name => $value) {
                if ($value !== ($b[$name] ?? null)) {
                    $differences[] = ['what' => $name, 'step' => $label, 'here' => self::word($value), 'there' => self::word($b[$name] ?? '')];
                }
            }
        }
        foreach ($theirs as $kind => $rest) {
            foreach ($rest as $_) {
                $differences[] = ['what' => 'step', 'step' => Steps::about((string) $kind)->label, 'here' => '', 'there' => 'has it'];
            }
        }
        $order = static fn (self $preset): array => array_map(static fn (LineStep $step): string => $step->kind, $preset->steps);
        if ($differences === [] && $order($this) !== $order($other)) {
            $differences[] = ['what' => 'order', 'step' => '', 'here' => implode(', ', $order($this)), 'there' => implode(', ', $order($other))];
        }

        return $differences;
    }

    /**
     * A key by which it is known whether a line is still as it was taken from a preset: ids do not count.
     *
     * @param  list<LineStep>  $line
     */
    public static function key(array $line): string
    {
        return hash(
            'xxh64',
            json_encode(array_map(static fn (LineStep $step): array => [$step->kind, Steps::of($step)->values(), $step->on], $line), JSON_THROW_ON_ERROR),
        );
    }

    private static function word(mixed $value): string
    {
        return is_bool($value) ? ($value ? 'yes' : 'no') : (is_scalar($value) ? (string) $value : '');
    }
}
