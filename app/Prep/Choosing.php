<?php

declare(strict_types=1);

namespace App\Prep;

use App\Models\ShopJob;
use App\Models\StockItem;
use App\Models\Work;
use App\Works\Kinds\Lay;
use NeatEdge\Core\Described\Field;
use NeatEdge\Core\Described\Refused;

/** How a job is to be laid out, as somebody chooses. */
final class Choosing
{
    /**
     * @param  array<string, mixed>|null  $typed  values of its way of making, as they were typed; null where none is
     * @param  array<string, int|null>  $materials  numbers of materials by colour; null for the usual one
     * @param  list<array{job: int|string, copies: int|string}>|null  $along  other jobs that are laid with it; null where they stay
     * @return Work by which it is laid out; only what can be laid out is stored
     *
     * @throws Refused
     */
    public static function lay(ShopJob $job, ?array $typed, array $materials, ?array $along): Work
    {
        // What is still being laid out is chosen too.
        $pending = Lay::pending($job);
        $from = [$job->making ?? [], ...($pending === null ? [] : [$pending])];
        $making = $pending ?? $job->making ?? [];
        $job = Made::with($job, $making);
        $label = 'Lay it out';
        if ($typed !== null) {
            // Kept as they are understood, so that a length that was typed once with a unit stays that length.
            $before = Made::values($job);
            $now = $job->process->values([...$before, ...$typed], $job->unit);
            // What was never typed stays with the ticket and what the shop has.
            $making['values'] = array_intersect_key($now, [...$making['values'] ?? [], ...$typed]);
            $making['placements'] = $now == $before ? ($making['placements'] ?? []) : [];
            $label = self::told($job, array_keys($typed));
        }
        foreach ($materials as $hex => $id) {
            if ($id !== null && StockItem::query()->where('kind', 'material')->whereKey($id)->doesntExist()) {
                throw Refused::because('That material is not in the shop any more.');
            }
            $making['materials'][$hex] = $id;
            $making['materials'] = array_filter($making['materials'], static fn (?int $one): bool => $one !== null);
            $making['placements'] = [];
            $label = $typed !== null ? $label : 'Choose a material';
        }
        if ($along !== null) {
            $making['along'] = self::along($job, $along);
            $making['placements'] = [];
            $label = 'Lay other jobs with it';
        }
        $work = Lay::begin($job, $making, $label, $from);

        return $work->state === 'failed' ? throw Refused::because($work->error) : $work;
    }

    /**
     * @param  list<array{job: int|string, copies: int|string}>  $along
     * @return list<array{job: int, copies: int}>
     */
    private static function along(ShopJob $job, array $along): array
    {
        $chosen = array_map(static fn (array $one): array => ['job' => (int) $one['job'], 'copies' => (int) $one['copies']], $along);
        $unknown = array_diff(array_column($chosen, 'job'), array_column(Made::others($job), 'id'));
        // One that is gone since it was chosen may stay: the sheets say so.
        if (array_diff($unknown, array_column($job->making['along'] ?? [], 'job')) !== []) {
            throw Refused::because('Only another job that is made in the same way can be laid with it.');
        }

        return $chosen;
    }

    /**
     * What the history calls a change of some choices.
     *
     * @param  list<int|string>  $names
     */
    private static function told(ShopJob $job, array $names): string
    {
        $labels = array_values(array_map(
            static fn (Field $field): string => $field->label,
            array_filter($job->process->fields(), static fn (Field $field): bool => in_array($field->name, $names, true)),
        ));

        return match (count($labels)) {
            0 => 'Lay it out',
            1 => "Lay it out: {$labels[0]}",
            default => sprintf('Lay it out: %d choices', count($labels)),
        };
    }
}
