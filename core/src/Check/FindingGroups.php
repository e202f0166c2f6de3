<?php

declare(strict_types=1);

namespace NeatEdge\Core\Check;

/**
 * Findings of one kind on one sheet, so that a thousand are worked off like ten.
 *
 * @phpstan-type Row array<string, mixed>
 * @phpstan-type Group array{kind: string, sheet: string|null, severity: string, findings: list<int>, minor: int, seen: int, accepted: int,
 *     least_mm: float|null, typical_mm: float|null, length_mm: float|null}
 */
final class FindingGroups
{
    private const RANK = ['serious' => 0, 'warning' => 1, 'note' => 2];

    /**
     * @param  list<Row>  $rows  as Finding::toArray() gives them, with what was judged of them (see Judgements)
     * @return list<Group> the serious first, then the larger; in each the numbers of its findings, the narrowest first and the small ones last, and how
     *     many are
     *                     small, seen and accepted; lengths in mm
     */
    public static function of(array $rows): array
    {
        $groups = [];
        foreach ($rows as $i => $row) {
            $groups[$row['kind'].'|'.($row['sheet'] ?? '')][] = $i;
        }
        $order = static fn (int $i): array => [$rows[$i]['minor'] ?? false, self::RANK[$rows[$i]['severity']], $rows[$i]['width_mm'] ?? 0.0, $i];
        $sorted = [];
        foreach ($groups as $list) {
            usort($list, static fn (int $a, int $b): int => $order($a) <=> $order($b));
            $own = array_map(static fn (int $i): array => $rows[$i], $list);
            $widths = array_values(array_filter(
                array_map(static fn (array $row): ?float => $row['typical_mm'] ?? $row['width_mm'] ?? null, $own),
                is_float(...),
            ));
            sort($widths);
            $lengths = array_column($own, 'length_mm');
            $sorted[] = [
                'kind' => $own[0]['kind'],
                'sheet' => $own[0]['sheet'] ?? null,
                'severity' => $own[0]['severity'],
                'findings' => $list,
                'minor' => count(array_filter(array_column($own, 'minor'))),
                'seen' => count(array_filter(array_column($own, 'seen'))),
                'accepted' => count(array_column($own, 'accepted')),
                'least_mm' => array_column($own, 'width_mm') === [] ? null : (float) min(array_column($own, 'width_mm')),
                'typical_mm' => $widths === [] ? null : $widths[intdiv(count($widths), 2)],
                'length_mm' => $lengths === [] ? null : round(array_sum($lengths), 4),
            ];
        }
        usort(
            $sorted,
            static fn (array $a, array $b): int => [
                self::RANK[$a['severity']],
                -count($a['findings']),
            ] <=> [self::RANK[$b['severity']], -count($b['findings'])],
        );

        return $sorted;
    }
}
