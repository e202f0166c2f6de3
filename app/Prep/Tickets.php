<?php

declare(strict_types=1);

namespace App\Prep;

use App\Models\ShopJob;
use App\Models\StockItem;
use Closure;
use NeatEdge\Core\Check\LimitFields;
use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\Geometry\Length;

/** Changes of a job's ticket. */
final class Tickets
{
    /**
     * @param  array<string, mixed>  $fields  those that change, as they were typed
     * @return Closure(ShopJob): Proposal
     */
    public static function change(ShopJob $job, array $fields): Closure
    {
        $unit = $fields['unit'] ?? $job->unit;
        $width = array_key_exists('width', $fields) ? Length::positive($fields['width'], $unit, $job->width_mm)->mm : null;
        $columns = array_intersect_key($fields, ['title' => 1, 'process' => 1, 'unit' => 1, 'due' => 1]);
        if (array_key_exists('customer', $fields)) {
            $columns['customer'] = trim((string) $fields['customer']);
        }
        foreach (['line' => 'line_limit_mm', 'gap' => 'gap_limit_mm'] as $field => $column) {
            if (array_key_exists($field, $fields)) {
                $columns[$column] = Intake::limit($fields[$field], $unit);
            }
        }
        if (isset($fields['limits'])) {
            $columns['more_limits'] = LimitFields::typed([...$job->more_limits ?? []], $fields['limits'], $unit);
        }
        if (isset($fields['stock'])) {
            $columns['stock'] = self::named($fields['stock'], $job->stock ?? []);
        }
        if ($width !== null) {
            Intake::hold($width, $job->height_mm * $width / $job->width_mm);
        }

        return static function (ShopJob $job) use ($width, $columns): Proposal {
            if ($width !== null && abs($width - $job->width_mm) > 1e-9) {
                $before = $job->art();

                return Proposal::state('Change the size', $before, $before->atWidth($width), $columns);
            }
            $job->fill($columns);

            return Proposal::ticket($columns, $job->isDirty(['process', 'line_limit_mm', 'gap_limit_mm', 'more_limits', 'stock']));
        };
    }

    /**
     * Things of the shop as a ticket keeps them: with all that is known of them now, so that what a job was checked for stays known.
     *
     * @param  array<string, int|string|null>  $ids  by kind; null for none
     * @param  array<string, array{id: int, name: string, values: array<string, float|string|bool>}>  $now
     * @return array<string, array{id: int, name: string, values: array<string, float|string|bool>}>
     */
    private static function named(array $ids, array $now): array
    {
        foreach ($ids as $kind => $id) {
            $item = $id === null ? null : StockItem::query()->where('kind', $kind)->whereKey((int) $id)->first();
            if ($id !== null && $item === null) {
                throw Refused::because('That is not in the shop any more.');
            }
            unset($now[$kind]);
            if ($item !== null) {
                $now[$kind] = ['id' => $item->id, 'name' => $item->name, 'values' => $item->data];
            }
        }
        ksort($now);

        return $now;
    }
}
