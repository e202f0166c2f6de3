<?php

declare(strict_types=1);

namespace NeatEdge\Core\Check;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Line\PrepResult;
use NeatEdge\Core\Measure\Limits;
use NeatEdge\Core\PlanarMap\SharedMap;
use NeatEdge\Core\Seen\SingleCuts;

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
        $findings = [];
        foreach (self::benchRules($limits) as $rule) {
            array_push($findings, ...$rule->onBench($bench));
        }
        $painted = [SingleCuts::apart($source)[0], SingleCuts::apart($merged)[0]];
        SharedMap::during(static function () use (&$findings, $source, $merged, $painted, $limits): void {
            foreach (self::rules($limits) as $rule) {
                array_push($findings, ...($rule instanceof SeesCuts ? $rule->findings($source, $merged) : $rule->findings(...$painted)));
            }
        });

        return self::sorted($findings);
    }

    /**
     * All that is found of a job that went through its line: of what goes out, and of what the line did.
     *
     * @return list<Finding> see of()
     */
    public static function ofResult(Artwork $bench, Artwork $source, PrepResult $result, Limits $limits): array
    {
        $findings = self::of($bench, $source, $result->judged(), $limits);
        foreach (self::resultRules($limits) as $rule) {
            array_push($findings, ...$rule->onResult($result));
        }

        return self::sorted($findings);
    }

    /**
     * @param  list<Finding>  $out
     * @return list<Finding> serious first, then in the order of the rules
     */
    private static function sorted(array $out): array
    {
        $rank = [Severity::Serious->value => 0, Severity::Warning->value => 1, Severity::Note->value => 2];
        $order = array_keys($out);
        usort($order, static fn (int $a, int $b): int => [$rank[$out[$a]->severity->value], $a] <=> [$rank[$out[$b]->severity->value], $b]);

        return array_map(static fn (int $i): Finding => $out[$i], $order);
    }

    /** @return array{findings: int, serious: int} how many there are: what a step of preparation is told by */
    public static function tally(Artwork $bench, Artwork $source, Artwork $merged, Limits $limits): array
    {
        $found = self::of($bench, $source, $merged, $limits);

        return [
            'findings' => count($found),
            'serious' => count(array_filter($found, static fn (Finding $finding): bool => $finding->severity === Severity::Serious)),
        ];
    }

    /** @return array<string, AboutFinding> by kind: everything that can be found */
    public static function catalogue(): array
    {
        $findings = [];
        foreach ([...self::benchRules(new Limits(0.0, 0.0)), ...self::rules(new Limits(0.0, 0.0)), ...self::resultRules(new Limits(0.0, 0.0))] as $rule) {
            foreach ($rule::about() as $about) {
                $findings[$about->kind] = $about;
            }
        }

        return $findings;
    }

    /** @return list<BenchRule> */
    private static function benchRules(Limits $limits): array
    {
        return [new LettersCut, new SmallLetters($limits)];
    }

    /** @return list<ResultRule> */
    private static function resultRules(Limits $limits): array
    {
        return [new LookChanged($limits), new MadeSolid($limits), new HandWork];
    }

    /** @return list<Rule> what is asked of art that goes out; a limit of nought switches its check off */
    public static function rules(Limits $limits): array
    {
        return [
            new LeastWidth($limits), new Islands($limits), new LinesLeft, new CutOnce($limits), new Overlapping, new OutsidePage,
            new LargerThanBed($limits), new SeeThrough($limits), new NoFlatColour($limits), new SoftEdge($limits), new Blended, new NearBlack,
            new ColourCount($limits), new CrowdedNodes,
        ];
    }
}
