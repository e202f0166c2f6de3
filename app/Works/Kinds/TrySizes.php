<?php

declare(strict_types=1);

namespace App\Works\Kinds;

use App\Models\ShopJob;
use App\Models\Work;
use App\Prep\DatabaseStepCache;
use App\Works\Hold;
use App\Works\Kind;
use App\Works\Works;
use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Check\FindingGroups;
use NeatEdge\Core\Described\Field;
use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\Described\Values;
use NeatEdge\Core\Geometry\InvalidLength;
use NeatEdge\Core\Geometry\Length;
use NeatEdge\Core\Line\PrepLine;
use NeatEdge\Core\PlanarMap\MapTooLarge;
use NeatEdge\Core\Sheet\Prepared;

/**
 * O9: the same art at other finished sizes, each taken through the line and checked by itself. What came of a size is stored before the next is begun.
 *
 * Its outcome: the job's version, and `rows` in the order in which they were typed, each array{typed: string, width?: float, height?: float, sheets?: int,
 * verdict?: array, groups?: list, error?: string}.
 */
final class TrySizes extends Kind
{
    /** Share of a size that its line is; the rest is its check. */
    private const LINE = 0.75;

    public function key(): string
    {
        return 'sizes';
    }

    public function produces(): bool
    {
        return true;
    }

    public function label(): string
    {
        return 'Check sizes';
    }

    public function queue(): string
    {
        return 'later';
    }

    public function fields(): array
    {
        return [Field::data('widths', 'Widths', 'Type 1 to 40 widths such as 300mm')];
    }

    /** A width that cannot be read is said at once and holds up none of the others. */
    public function ask(ShopJob $job, Values $values): Work
    {
        $typed = array_values((array) $values->data('widths'));
        if ($typed === [] || count($typed) > 40 || array_filter($typed, static fn (mixed $one): bool => ! is_string($one) || mb_strlen($one) > 60) !== []) {
            throw Refused::because('Type 1 to 40 widths such as 300mm.');
        }
        $rows = array_map(static function (string $text) use ($job): array {
            try {
                return ['typed' => $text, 'width' => Length::positive($text, $job->unit)->mm];
            } catch (InvalidLength $invalid) {
                return ['typed' => $text, 'error' => $invalid->getMessage()];
            }
        }, $typed);

        return Works::start(
            $this,
            $job,
            $job->title,
            ['widths' => $typed],
            also: static fn (Work $work) => $work->update(['outcome' => ['version' => $job->version, 'rows' => $rows]]),
        );
    }

    public function replaces(): bool
    {
        return true;
    }

    public function run(Work $work, Hold $hold): ?array
    {
        $job = ShopJob::snapshot((int) $work->shop_job_id);
        $art = $job->art();
        $rows = $work->outcome['rows'] ?? [];
        foreach ($rows as $i => $row) {
            $rows[$i] = self::checked($hold, $job, $art, $row, $i, count($rows));
            $hold->keep(['outcome' => ['version' => $job->version, 'rows' => $rows]]);
        }

        return null;
    }

    protected function brokeOff(): string
    {
        return 'It broke off.';
    }

    protected function kept(Work $work, string $why): string
    {
        return 'It broke off; what is done stands below. Check again for the rest.';
    }

    /**
     * @param  array{typed: string, width?: float}  $row
     * @return array<string, mixed>
     */
    private static function checked(Hold $hold, ShopJob $job, Artwork $art, array $row, int $at, int $of): array
    {
        if (! isset($row['width'])) {
            return $row;
        }
        $sized = $art->atWidth($row['width']);
        $tell = static function (int $done, int $steps, string $doing, float $share) use ($hold, $row, $at, $of): void {
            $hold->tell($at, $of, sprintf('%s: %s', $row['typed'], lcfirst($doing === 'Done' ? 'Check' : $doing)), ($at + self::LINE * $share) / $of);
        };
        try {
            $prepared = Prepared::of($sized, [], PrepLine::of($art->line ?? [], $job->limits(), new DatabaseStepCache), $job->limits(), $tell);
        } catch (MapTooLarge|Refused $refused) {
            return ['typed' => $row['typed'], 'error' => $refused->getMessage()];
        }
        $report = $prepared->report();

        return [
            'typed' => $row['typed'],
            'width' => round($sized->width, 3),
            'height' => round($sized->height, 3),
            'sheets' => count($prepared->sheets),
            'verdict' => $report['verdict'],
            'look' => $report['look_difference'],
            'groups' => array_map(
                static fn (array $group): array => self::group($group, $report['findings'], $job->width_mm / $sized->width),
                FindingGroups::of($report['findings']),
            ),
        ];
    }

    /**
     * A group with the worst of its findings, whose place is told as it lies on the bench.
     *
     * @param  array<string, mixed>  $group
     * @param  list<array<string, mixed>>  $findings
     * @return array<string, mixed>
     */
    private static function group(array $group, array $findings, float $scale): array
    {
        $worst = $findings[$group['findings'][0]];

        return [
            'kind' => $group['kind'],
            'sheet' => $group['sheet'],
            'severity' => $group['severity'],
            'count' => count($group['findings']),
            'least_mm' => $group['least_mm'],
            'message' => $worst['message'],
            'at' => isset($worst['at']) ? array_map(static fn (float|int $mm): float => round($mm * $scale, 3), $worst['at']) : null,
        ];
    }
}
