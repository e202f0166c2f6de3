<?php

declare(strict_types=1);

namespace NeatEdge\Core\Check;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Recipe\Letters\Lettering;

/** C10: letters that do not fit the line that they stand on, and are therefore not there. */
final readonly class LettersCut implements BenchRule
{
    public static function about(): array
    {
        return [new AboutFinding('letters-cut', 'Letters cut off', 'Letters do not fit the line that they stand on and are left out.', drawn: true)];
    }

    public function onBench(Artwork $bench): array
    {
        $findings = [];
        foreach ($bench->pieces as $piece) {
            $base = $piece->recipe?->base;
            if ($base instanceof Lettering && $base->cut > 0 && ! $bench->hides($piece)) {
                $findings[] = new Finding('letters-cut', Severity::Serious, sprintf(
                    '%s of "%s" %s not fit the line that the text stands on and %s left out. Set it smaller, closer, or on a longer line.',
                    $base->cut === 1 ? 'A letter' : "{$base->cut} letters",
                    mb_substr(trim($base->setting->text), 0, 40),
                    $base->cut === 1 ? 'does' : 'do',
                    $base->cut === 1 ? 'is' : 'are',
                ), $piece->box()?->middle(), piece: $piece->id);
            }
        }

        return $findings;
    }
}
