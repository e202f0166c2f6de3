<?php

declare(strict_types=1);

namespace NeatEdge\Core\Line;

use NeatEdge\Core\Artwork\LineStep;

/** The order of a line that makes sense: where a step is proposed, and what is said of one that stands where it makes none. */
final class LineOrder
{
    /**
     * @param  list<LineStep>  $line
     * @return int where a step of a kind is proposed
     */
    public static function place(array $line, string $kind): int
    {
        $rank = Steps::about($kind)->rank;
        $at = 0;
        foreach ($line as $i => $step) {
            if (Steps::about($step->kind)->rank <= $rank) {
                $at = $i + 1;
            }
        }

        return $at;
    }

    /**
     * @param  list<LineStep>  $line
     * @return list<array{id: string, says: string}> steps that are on and stand before one that they should come after
     */
    public static function complaints(array $line): array
    {
        $complaints = [];
        foreach ($line as $i => $step) {
            foreach (Steps::about($step->kind)->after as $kind => $reason) {
                foreach (array_slice($line, $i + 1) as $later) {
                    if ($step->on && $later->on && $later->kind === $kind) {
                        $complaints[] = [
                            'id' => $step->id,
                            'says' => sprintf('"%s" stands before "%s". %s', Steps::about($step->kind)->label, Steps::about($kind)->label, $reason),
                        ];
                    }
                }
            }
        }

        return $complaints;
    }
}
