<?php

declare(strict_types=1);

namespace App\Drawn;

use NeatEdge\Core\Artwork\LineStep;
use NeatEdge\Core\Line\LineOrder;
use NeatEdge\Core\Line\Steps;

/** A line of preparation as the page draws it. */
final class PageLine
{
    /**
     * @param  list<LineStep>  $line
     * @return list<array<string, mixed>> with all values, and what is wrong with where a step stands
     */
    public static function of(array $line): array
    {
        $says = array_column(LineOrder::complaints($line), 'says', 'id');

        return array_map(static fn (LineStep $step): array => [
            'id' => $step->id, 'kind' => $step->kind, 'label' => Steps::about($step->kind)->label, 'on' => $step->on,
            'values' => (object) Steps::of($step)->values(), 'says' => $says[$step->id] ?? null,
        ], $line);
    }
}
