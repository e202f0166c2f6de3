<?php

declare(strict_types=1);

namespace NeatEdge\Core\Check;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Line\PrepLine;
use NeatEdge\Core\Line\Steps;
use NeatEdge\Core\Measure\Limits;
use NeatEdge\Core\Prepare\Applied;
use NeatEdge\Core\Prepare\Cure\Cured;
use NeatEdge\Core\Prepare\Cure\Target;
use NeatEdge\Core\Prepare\Cure\ToLimits;
use NeatEdge\Core\Prepare\TellsDeeds;
use NeatEdge\Core\Prepare\UnderLimits;
use NeatEdge\Core\Seen\Seen;
use NeatEdge\Core\Seen\SingleCuts;

/**
 * Cures all findings of some kinds, in an order that makes sense, and says what was done and what had to be left.
 *
 * @phpstan-import-type Deed from Cured
 */
final class Remedying
{
    private const WIDTHS = [Target::POINT, Target::LINE, Target::GAP];

    /**
     * @param  list<string>  $kinds  of findings; those that have no remedy are left
     */
    public static function of(Artwork $artwork, array $kinds, Limits $limits): Cured
    {
        $flat = PrepLine::usual()->only(['outline-strokes', 'remove-hidden', 'merge-by-colour'])->run(Seen::of($artwork))->artwork();
        $before = self::found($artwork, $flat, $limits);
        // Cures are made on what is painted; what is cut once is laid on it again at the end.
        [$flat, $cuts] = SingleCuts::apart($flat);
        $cured = new Cured($flat);
        $measured = false;
        foreach (array_keys(Remedies::all()) as $kind) {
            if (! in_array($kind, $kinds, true) || ! isset($before[$kind])) {
                continue;
            }
            $widths = array_values(array_intersect(self::WIDTHS, $kinds));
            if (in_array($kind, self::WIDTHS, true)) {
                // Lines, points and gaps lie beside each other: all in one go, at the first of them.
                $cured = $measured ? $cured : $cured->then(ToLimits::cured($cured->artwork, $limits, $widths));
                $measured = true;

                continue;
            }
            $cured = $cured->then(self::cured($kind, $cured->artwork, $artwork, $limits, $before[$kind]));
        }
        foreach (array_diff($kinds, array_keys(Remedies::all())) as $kind) {
            $cured = $cured->then(new Cured(
                $cured->artwork,
                [],
                array_map(static fn (Finding $finding): array => self::deed($finding, 'only a person can help here'), $before[$kind] ?? []),
            ));
        }

        return $cured->on(SingleCuts::laidOn($cured->artwork, $cuts));
    }

    /** @param  list<Finding>  $findings */
    private static function cured(string $kind, Artwork $flat, Artwork $source, Limits $limits, array $findings): Cured
    {
        $remedy = Remedies::of($kind)[0];
        $step = Steps::make($remedy->step, $remedy->values);
        $step = $step instanceof UnderLimits ? $step->under($limits) : $step;
        if ($step instanceof TellsDeeds) {
            return Applied::cure($step, $flat);
        }
        $after = Applied::step($step, $flat);
        $left = self::found($after, $after, $limits)[$kind] ?? [];
        $done = array_slice($findings, 0, max(0, count($findings) - count($left)));

        return new Cured(
            $after,
            array_map(static fn (Finding $finding): array => self::deed($finding, lcfirst($remedy->label)), $done),
            array_map(static fn (Finding $finding): array => self::deed($finding, 'it is still so afterwards'), $left),
        );
    }

    /** @return Deed */
    private static function deed(Finding $finding, string $how): array
    {
        return [
            'kind' => $finding->kind,
            'at' => $finding->at === null ? null : [$finding->at->x, $finding->at->y],
            'measured' => $finding->measured,
            'how' => $how,
        ];
    }

    /** @return array<string, non-empty-list<Finding>> by kind */
    private static function found(Artwork $source, Artwork $flat, Limits $limits): array
    {
        $found = [];
        foreach (Inspection::of($source, Seen::of($source), $flat, $limits) as $finding) {
            $found[$finding->kind][] = $finding;
        }

        return $found;
    }
}
