<?php

declare(strict_types=1);

namespace NeatEdge\Core\Check;

use NeatEdge\Core\Artwork\Artwork;

/** All checks of a job: the one place where a rule is registered. */
final class Inspection
{
    /** @return list<Finding> serious first, then in the order of the rules */
    public static function of(Artwork $source, Artwork $merged, Limits $limits): array
    {
        $rules = [LeastWidth::ofLines($limits->line), LeastWidth::ofGaps($limits->gap), new SeeThrough, new NoFlatColour, new Blended, new NearBlack, new OutsidePage];
        $out = [];
        foreach ($rules as $rule) {
            array_push($out, ...$rule->findings($source, $merged));
        }
        $rank = [Severity::Serious->value => 0, Severity::Warning->value => 1, Severity::Note->value => 2];
        $order = array_keys($out);
        usort($order, static fn (int $a, int $b): int => [$rank[$out[$a]->severity->value], $a] <=> [$rank[$out[$b]->severity->value], $b]);

        return array_map(static fn (int $i): Finding => $out[$i], $order);
    }
}
