<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\ShopJob;
use App\Models\StockItem;
use App\Prep\Approvals;
use Illuminate\Http\Request;
use NeatEdge\Core\Format\Json\ArtworkJson;
use NeatEdge\Core\Line\Preset;

/**
 * A job with its ticket. Lengths are mm throughout.
 *
 * @phpstan-import-type ApprovalStandingRow from ApprovalsResource
 *
 * @phpstan-type JobRow array{
 *     id: int,
 *     title: string,
 *     customer: string,
 *     // Where it stands with its customer.
 *     customerSays: ApprovalStandingRow,
 *     // The day it is wanted.
 *     due: string|null,
 *     process: string,
 *     processLabel: string,
 *     // In which its files usually leave.
 *     format: string,
 *     // Whether each colour is a sheet of its own material.
 *     sheetsByColour: bool,
 *     width: float,
 *     height: float,
 *     limits: LimitsRow,
 *     // Those of the others that were typed, by name.
 *     moreLimits: array<string, float>,
 *     // What of the shop its ticket names, by kind, and whether the shop has it otherwise now.
 *     stock: array<string, array{id: int, name: string, changed: bool}>,
 *     // The preset that its line came from.
 *     preset: array{name: string, called: string, version: int, changed: bool}|null,
 *     ownLimits: array{line: float|null, gap: float|null},
 *     demo: bool,
 *     sourceName: string,
 *     // Where the page of the customer's file lies on the bench: left, top, width, height; null where there is none.
 *     file: array{float, float, float, float}|null,
 *     version: int,
 *     unit: UnitRow,
 *     updated: string|null,
 * }
 * @phpstan-type UnitRow 'mm'|'cm'|'in'|'pt'|'px'
 * @phpstan-type LimitsRow array{line: float, gap: float, island: float, hole: float, colours: float, bedWidth: float, bedHeight: float, letter: float, ...}
 */
final class JobResource extends Resource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        return self::row($this->resource);
    }

    /** @return array<string, mixed> */
    public static function row(ShopJob $job): array
    {
        $came = $job->preset;

        return [
            'id' => $job->id,
            'title' => $job->title,
            'customer' => $job->customer,
            'customerSays' => Approvals::standing($job),
            'due' => $job->due,
            'process' => $job->process->key(),
            'processLabel' => $job->process->label(),
            'format' => $job->process->format(),
            'sheetsByColour' => $job->process->sheetsByColour(),
            'width' => $job->width_mm,
            'height' => $job->height_mm,
            'limits' => get_object_vars($job->limits()),
            'moreLimits' => (object) ($job->more_limits ?? []),
            'stock' => (object) self::stock($job),
            'preset' => $came === null ? null : [
                'name' => $came['name'], 'called' => PresetResource::called($came['name']), 'version' => $came['version'],
                'changed' => self::line($job) !== $came['line'],
            ],
            'ownLimits' => ['line' => $job->line_limit_mm, 'gap' => $job->gap_limit_mm],
            'demo' => $job->is_demo,
            'sourceName' => $job->source_name,
            'file' => $job->fileFrame(),
            'version' => $job->version,
            'unit' => $job->unit,
            'updated' => $job->updated_at?->toIso8601String(),
        ];
    }

    /** A key of its line as it is now. */
    private static function line(ShopJob $job): string
    {
        return Preset::key(ArtworkJson::line(ArtworkJson::data((string) $job->bench)['line'] ?? []));
    }

    /** @return array<string, array{id: int, name: string, changed: bool}> what its ticket names, by kind, and whether the shop has it otherwise now */
    private static function stock(ShopJob $job): array
    {
        $items = $job->stock ?? [];
        $now = $items === [] ? collect() : StockItem::query()->whereKey(array_column($items, 'id'))->get()->keyBy('id');

        return array_map(static function (array $one) use ($now): array {
            $item = $now->get($one['id']);

            return ['id' => $one['id'], 'name' => $one['name'], 'changed' => $item?->data != $one['values'] || $item?->name !== $one['name']];
        }, $items);
    }
}
