<?php

declare(strict_types=1);

namespace NeatEdge\Core\Check;

use NeatEdge\Core\Patience\Patience;

/**
 * What a person said of findings: looked at, or accepted with a reason. A finding has no name that lasts; it is the one of before when it is of the same kind,
 * on the same sheet, at the same place of the page, and no worse.
 *
 * @phpstan-type Row array<string, mixed>
 * @phpstan-type Judgement array{kind: string, sheet: string|null, at: array{float, float}|null, share: float|null, accepted: string|null, by?: string}
 */
final class Judgements
{
    /** Kinds of findings of which more is worse, as it is of no width. */
    private const LESS_IS_BETTER = ['larger-than-bed', 'outside-page', 'open-line'];

    /** How far a place may have moved, as a share of the page's width. */
    private const NEAR = 0.004;

    /** How much narrower it may be, against its limit, than when it was judged. */
    private const WORSE = 0.95;

    /**
     * @param  Row  $finding  as Finding::toArray() gives it
     * @param  float  $width  mm of the page
     * @param  string|null  $accepted  the reason; null for what was only looked at
     * @param  string|null  $by  who said so, where that is known
     * @return Judgement places as shares of the page's width, so that they hold at any size
     */
    public static function of(array $finding, float $width, ?string $accepted, ?string $by = null): array
    {
        $at = $finding['at'] ?? null;

        return [
            'kind' => (string) $finding['kind'],
            'sheet' => isset($finding['sheet']) ? (string) $finding['sheet'] : null,
            'at' => is_array($at) ? [$at[0] / $width, $at[1] / $width] : null,
            'share' => self::share($finding),
            'accepted' => $accepted,
            ...($by === null ? [] : ['by' => $by]),
        ];
    }

    /**
     * @param  list<Row>  $findings
     * @param  list<Judgement>  $judgements
     * @param  float  $width  mm of the page
     * @return list<Row> with "seen", and "accepted" with the reason and "acceptedBy" with who, where somebody said so
     */
    public static function on(array $findings, array $judgements, float $width): array
    {
        $cells = [];
        foreach ($judgements as $n => $judgement) {
            $cells[self::cells($judgement['kind'], $judgement['sheet'], $judgement['at'], 0)[0]][] = $n;
        }
        foreach ($findings as $i => $finding) {
            Patience::ask(8);
            $near = [];
            foreach (self::cells((string) $finding['kind'], $finding['sheet'] ?? null, self::place($finding, $width), 1) as $cell) {
                array_push($near, ...($cells[$cell] ?? []));
            }
            // What was said last counts.
            rsort($near);
            foreach ($near as $n) {
                if (self::isSame($judgements[$n], $finding, $width)) {
                    $findings[$i]['seen'] = true;
                    if ($judgements[$n]['accepted'] !== null) {
                        $findings[$i]['accepted'] = $judgements[$n]['accepted'];
                        $findings[$i] += isset($judgements[$n]['by']) ? ['acceptedBy' => $judgements[$n]['by']] : [];
                    }
                    break;
                }
            }
        }

        return $findings;
    }

    /**
     * @param  list<Judgement>  $judgements
     * @param  list<Row>  $findings
     * @return list<Judgement> without those that are of one of the findings
     */
    public static function without(array $judgements, array $findings, float $width): array
    {
        $cells = [];
        foreach ($findings as $finding) {
            foreach (self::cells((string) $finding['kind'], $finding['sheet'] ?? null, self::place($finding, $width), 1) as $cell) {
                $cells[$cell][] = $finding;
            }
        }

        return array_values(array_filter($judgements, static function (array $judgement) use ($cells, $width): bool {
            foreach ($cells[self::cells($judgement['kind'], $judgement['sheet'], $judgement['at'], 0)[0]] ?? [] as $finding) {
                if (self::isSame($judgement, $finding, $width)) {
                    return false;
                }
            }

            return true;
        }));
    }

    /**
     * Where the same kind on the same sheet near a place is kept, so that a thousand findings are not compared with a thousand judgements each.
     *
     * @param  array{float, float}|null  $at  shares of the page's width
     * @param  int  $round  how many cells round its own
     * @return non-empty-list<string> its own first when there is no other
     */
    private static function cells(string $kind, mixed $sheet, ?array $at, int $round): array
    {
        $name = $kind.'|'.(is_scalar($sheet) ? $sheet : '');
        if ($at === null) {
            return [$name];
        }
        $own = [];
        for ($x = -$round; $x <= $round; $x++) {
            for ($y = -$round; $y <= $round; $y++) {
                $own[] = $name.'|'.((int) floor($at[0] / self::NEAR) + $x).'|'.((int) floor($at[1] / self::NEAR) + $y);
            }
        }

        return $own === [] ? [$name] : $own;
    }

    /**
     * @param  Row  $finding
     * @return array{float, float}|null shares of the page's width
     */
    private static function place(array $finding, float $width): ?array
    {
        $at = $finding['at'] ?? null;

        return is_array($at) ? [$at[0] / $width, $at[1] / $width] : null;
    }

    /**
     * @param  Judgement  $judgement  of the same kind and sheet
     * @param  Row  $finding
     */
    private static function isSame(array $judgement, array $finding, float $width): bool
    {
        $at = $finding['at'] ?? null;
        if (($at === null) !== ($judgement['at'] === null)) {
            return false;
        }
        if (is_array($at) && $judgement['at'] !== null && hypot($at[0] / $width - $judgement['at'][0], $at[1] / $width - $judgement['at'][1]) > self::NEAR) {
            return false;
        }
        $share = self::share($finding);

        return $share === null || $judgement['share'] === null || $share >= self::WORSE * $judgement['share'];
    }

    /** @param  Row  $finding */
    private static function share(array $finding): ?float
    {
        $limit = (float) ($finding['limit_mm'] ?? 0.0);
        if (in_array($finding['kind'] ?? '', self::LESS_IS_BETTER, true)) {
            return isset($finding['width_mm']) && $finding['width_mm'] > 0 ? $limit / (float) $finding['width_mm'] : null;
        }

        return isset($finding['width_mm']) && $limit > 0 ? (float) $finding['width_mm'] / $limit : null;
    }
}
