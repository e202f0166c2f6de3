<?php

declare(strict_types=1);

namespace NeatEdge\Core\Sheet;

use NeatEdge\Core\Check\Finding;
use NeatEdge\Core\Check\FindingGroups;
use NeatEdge\Core\Line\PrepResult;
use NeatEdge\Core\Measure\Limits;

/** What is told of a prepared job, on the page, in report.json and on the command line. */
final class JobReport
{
    /**
     * @param  list<Sheet>  $sheets
     * @param  list<Finding>  $findings
     * @return array{limits: array<string, float>, steps: list<array<string, mixed>>, sheets: list<array<string, mixed>>, findings: list<array<string,
     *     mixed>>, groups: list<array<string, mixed>>, changes: list<string>, look_difference: array<string, float>}
     */
    public static function of(PrepResult $result, array $sheets, array $findings, Limits $limits): array
    {
        $rows = [];
        foreach ($sheets as $i => $sheet) {
            $rows[] = ['file' => $sheet->fileName($i + 1), ...$sheet->toArray()];
        }

        return [
            'limits' => ['line_mm' => $limits->line, 'gap_mm' => $limits->gap, 'island_mm' => $limits->island, 'hole_mm' => $limits->hole],
            'steps' => array_map(static fn (array $stage): array => ['id' => $stage['id'], ...$stage['report']->toArray()], $result->stages),
            'sheets' => $rows,
            'findings' => $found = array_map(static fn (Finding $finding): array => $finding->toArray(), $findings),
            'groups' => FindingGroups::of($found),
            'changes' => $result->told(),
            'look_difference' => $result->look->toArray(),
        ];
    }
}
