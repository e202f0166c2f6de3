<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Description\Answers;
use App\Http\Resources\CatalogueResource;
use App\Http\Resources\ChoicesResource;
use App\Prep\ShopFonts;
use NeatEdge\Core\Check\AboutFinding;
use NeatEdge\Core\Check\Inspection;
use NeatEdge\Core\Check\LimitFields;
use NeatEdge\Core\Check\Remedies;
use NeatEdge\Core\Check\Remedy;
use NeatEdge\Core\Described\Field;
use NeatEdge\Core\Edit\About;
use NeatEdge\Core\Edit\Layers\LayerAsPart;
use NeatEdge\Core\Edit\Soft\SoftRoom;
use NeatEdge\Core\Format\Incoming;
use NeatEdge\Core\Line\Edits;
use NeatEdge\Core\Line\Steps;
use NeatEdge\Core\Prepare\AboutStep;
use NeatEdge\Core\Process\Process;
use NeatEdge\Core\Process\Processes;
use NeatEdge\Core\Recipe\Basic\ShapeKind;
use NeatEdge\Core\Recipe\Repeat\StepAndRepeat;
use NeatEdge\Core\Stroke\WidthStops;
use NeatEdge\Core\Trace\Options;

/** What there is to choose from, in the core's own words. */
final class ChoiceController
{
    /** Processes, steps, findings with their remedies, limits, shapes, fonts. */
    #[Answers(ChoicesResource::class)]
    public function index(): ChoicesResource
    {
        $told = static fn (array $fields): array => array_map(static fn (Field $field): array => $field->toArray(), array_values($fields));

        return new ChoicesResource([
            'processes' => array_map(static fn (Process $process): array => [
                'value' => $process->key(),
                'label' => $process->label(),
                'says' => $process->says(),
                'line' => $process->limits()->line,
                'gap' => $process->limits()->gap,
            ], array_values(Processes::all())),
            'endings' => array_keys(Incoming::ENDINGS),
            'steps' => array_map(static fn (AboutStep $about): array => $about->toArray(), array_values(Steps::catalogue())),
            'findings' => array_map(static fn (AboutFinding $about): array => [
                ...$about->toArray(),
                'remedies' => array_map(static fn (Remedy $remedy): array => $remedy->toArray(), Remedies::of($about->kind)),
            ], array_values(Inspection::catalogue())),
            'limits' => $told(LimitFields::all()),
            'shapes' => array_map(
                static fn (ShapeKind $kind): array => ['kind' => $kind->value, 'label' => $kind->label(), 'fields' => $told($kind->fields())],
                ShapeKind::cases(),
            ),
            'repeat' => $told(StepAndRepeat::fields()),
            'soft' => array_map(
                static fn (string $class, string $kind): array => ['kind' => $kind, 'fields' => $told($class::about($kind)->fields)],
                $formed = [...SoftRoom::edits(), 'layer-part' => LayerAsPart::class],
                array_keys($formed),
            ),
            'trace' => $told(array_filter(Options::fields(), static fn (Field $field): bool => $field->type !== Field::DATA)),
            'profiles' => array_map(static fn (array $profile): array => ['label' => $profile[0], 'stops' => $profile[1]], WidthStops::profiles()),
            'trashDays' => (int) config('neat-edge.trash_days'),
            'families' => ShopFonts::shelf()->families(),
        ]);
    }

    /** Every kind of edit as it describes itself. */
    #[Answers(CatalogueResource::class)]
    public function catalogue(): CatalogueResource
    {
        return new CatalogueResource(array_map(static fn (About $about): array => $about->toArray(), Edits::catalogue()));
    }
}
