<?php

declare(strict_types=1);

namespace NeatEdge\Core\Check;

use NeatEdge\Core\Artwork\Artwork;

/** All checks of a job: the one place where a rule is registered. */
final class Inspection
{
    /**
     * @param  Artwork  $bench  as it lies there, still adjustable
     * @param  Artwork  $source  what is seen of it
     * @param  Artwork  $merged  what goes out
     * @return list<Finding> serious first, then in the order of the rules
     */
    public static function of(Artwork $bench, Artwork $source, Artwork $merged, Limits $limits): array
    {
        $out = [];
        foreach ([new LettersCut] as $rule) {
            array_push($out, ...$rule->onBench($bench));
        }
        foreach (self::rules($limits) as $rule) {
            array_push($out, ...$rule->findings($source, $merged));
        }
        $rank = [Severity::Serious->value => 0, Severity::Warning->value => 1, Severity::Note->value => 2];
        $order = array_keys($out);
        usort($order, static fn (int $a, int $b): int => [$rank[$out[$a]->severity->value], $a] <=> [$rank[$out[$b]->severity->value], $b]);

        return array_map(static fn (int $i): Finding => $out[$i], $order);
    }

    /** @return list<Rule> a limit of nought switches its check off */
    private static function rules(Limits $limits): array
    {
        return [
            new LeastWidth($limits), new OutsidePage, new SeeThrough, new NoFlatColour, new Blended, new NearBlack,
        ];
    }
}
