<?php

declare(strict_types=1);

namespace NeatEdge\Core\Check;

/**
 * What a person said of findings: looked at, or accepted with a reason. A finding has no name that lasts; it is the one of before when it is of the same kind,
 * on the same sheet, at the same place of the page, and no worse.
 *
 * @phpstan-type Row array<string, mixed>
 * @phpstan-type Judgement array{kind: string, sheet: string|null, at: array{float, float}|null, share: float|null, accepted: string|null}
 */
final class Judgements
{
    /** How far a place may have moved, as a share of the page's width. */
    private const NEAR = 0.004;

    /** How much narrower it may be, against its limit, than when it was judged. */
    private const WORSE = 0.95;

    /**
     * @param  Row  $finding  as Finding::toArray() gives it
     * @param  float  $width  mm of the page
     * @param  string|null  $accepted  the reason; null for what was only looked at
     * @return Judgement places as shares of the page's width, so that they hold at any size
     */
    public static function of(array $finding, float $width, ?string $accepted): array
    {
        $at = $finding['at'] ?? null;

        return [
            'kind' => (string) $finding['kind'],
            'sheet' => isset($finding['sheet']) ? (string) $finding['sheet'] : null,
            'at' => is_array($at) ? [$at[0] / $width, $at[1] / $width] : null,
            'share' => self::share($finding),
            'accepted' => $accepted,
        ];
    }

    /**
     * @param  list<Row>  $findings
     * @param  list<Judgement>  $judgements
     * @param  float  $width  mm of the page
     * @return list<Row> with "seen", and "accepted" with the reason, where somebody said so
     */
    public static function on(array $findings, array $judgements, float $width): array
    {
        $byKind = [];
        foreach ($judgements as $judgement) {
            $byKind["{$judgement['kind']}|{$judgement['sheet']}"][] = $judgement;
        }
        foreach ($findings as $i => $finding) {
            foreach (array_reverse($byKind["{$finding['kind']}|".($finding['sheet'] ?? '')] ?? []) as $judgement) {
                if (self::isSame($judgement, $finding, $width)) {
                    $findings[$i]['seen'] = true;
                    if ($judgement['accepted'] !== null) {
                        $findings[$i]['accepted'] = $judgement['accepted'];
                    }
                    break;
                }
            }
        }

        return $findings;
    }

    /**
     * @param  list<Judgement>  $judgements
     * @param  Row  $finding
     * @return list<Judgement> without those that are of a finding
     */
    public static function without(array $judgements, array $finding, float $width): array
    {
        return array_values(array_filter($judgements, static fn (array $judgement): bool => $judgement['kind'] !== $finding['kind'] || $judgement['sheet'] !== ($finding['sheet'] ?? null) || ! self::isSame($judgement, $finding, $width)));
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

        return isset($finding['width_mm']) && $limit > 0 ? (float) $finding['width_mm'] / $limit : null;
    }
}
