<?php

declare(strict_types=1);

namespace NeatEdge\Core\Format\Lines;

use NeatEdge\Core\Described\Field;
use NeatEdge\Core\Geometry\Chains;

/** How a drawing in lines can be taken, with what the file itself makes likely. */
final class LineProposal
{
    /** mm within which ends of lines meet, the least first. */
    private const GAPS = [0.01, 0.05, 0.1, 0.25, 0.5];

    /** mm from which on a width that a line is given is meant to be drawn, not to be told apart on a screen. */
    private const MEANT = 0.35;

    /** mm that lines are drawn wide where no width is told. */
    private const USUAL = 0.5;

    /** @return list<Field> of every drawing in lines */
    public static function of(LineDrawing $drawing): array
    {
        $wide = array_filter($drawing->weights, static fn (string|int $width): bool => (float) $width >= self::MEANT, ARRAY_FILTER_USE_KEY);
        arsort($wide);
        $drawn = array_sum($wide) > array_sum($drawing->weights) / 2;
        [$gap, $help] = self::gap($drawing);

        return [
            Field::choice(
                'lines',
                'Lines are',
                $drawn ? 'drawn' : 'cut',
                ['cut' => 'Cut along', 'drawn' => 'Drawn in a width'],
                'closed ones become outlines, open ones are cut once',
            ),
            Field::length('gap', 'Ends meet within', $gap, 0.0, $help),
            Field::length('width', 'Width where they are drawn', $wide === [] ? self::USUAL : (float) array_key_first($wide), 0.01),
        ];
    }

    /** @return list<Field> of a file that leaves open what its numbers are, or holds what is not drawn */
    public static function ofFile(LineDrawing $drawing): array
    {
        return [
            ...($drawing->statesUnit ? [] : [self::unit()]),
            Field::flag('asleep', 'Also take what is not drawn', false, $drawing->asleep === [] ? 'the file has nothing of that kind' : self::asleep($drawing)),
        ];
    }

    /** @return list<Field> what can be said of any file before it is read */
    public static function asked(): array
    {
        return [self::unit(), Field::flag('asleep', 'Also take what is not drawn', false)];
    }

    private static function unit(): Field
    {
        return Field::choice(
            'unit',
            'Its numbers are',
            'mm',
            ['mm' => 'Millimetres', 'cm' => 'Centimetres', 'in' => 'Inches', 'pt' => 'Points'],
            'the file does not say',
        );
    }

    /** How many things lie where they are not drawn, in words. */
    public static function asleep(LineDrawing $drawing): string
    {
        return implode(
            ', ',
            array_map(
                static fn (string $why, int $count): string => ($count === 1 ? '1 thing ' : "{$count} things ").$why,
                array_keys($drawing->asleep),
                $drawing->asleep,
            ),
        );
    }

    /** @return array{float, string} the least gap at which as many lines are closed as at any, and what comes of it */
    private static function gap(LineDrawing $drawing): array
    {
        $open = [];
        foreach (self::GAPS as $gap) {
            $count = $ends = 0;
            foreach ($drawing->layers as $layer) {
                foreach (Chains::joined($layer->lines, $gap) as $line) {
                    $line->closed ? $count++ : $ends++;
                }
            }
            $open[] = [$ends, $count, $gap];
        }
        [$ends] = min($open);
        foreach ($open as [$stay, , $gap]) {
            if ($stay === $ends) {
                return [
                    $gap,
                    sprintf(
                        'the least gap at which most lines close; %s stay open',
                        $stay === 1 ? '1 line would' : ($stay === 0 ? 'none would' : "{$stay} lines would"),
                    ),
                ];
            }
        }

        return [self::GAPS[0], ''];
    }
}
