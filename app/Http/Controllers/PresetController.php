<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Description\Answers;
use App\Http\Requests\ComparePresetsRequest;
use App\Http\Requests\ImportPresetRequest;
use App\Http\Requests\KeepPresetRequest;
use App\Http\Requests\UsePresetRequest;
use App\Http\Resources\ChangedStateResource;
use App\Http\Resources\PresetDifferencesResource;
use App\Http\Resources\PresetResource;
use App\Models\ShopJob;
use App\Models\ShopPreset;
use App\Prep\History;
use App\Prep\Proposal;
use Illuminate\Http\Resources\Json\AnonymousResourceCollection;
use Illuminate\Http\Response;
use Illuminate\Support\Str;
use Illuminate\Validation\ValidationException;
use NeatEdge\Core\Artwork\LineStep;
use NeatEdge\Core\Format\Json\PresetJson;
use NeatEdge\Core\Line\Preset;
use NeatEdge\Core\Process\Processes;

/** Presets, ours and the shop's. */
final class PresetController
{
    /** All of them. */
    #[Answers([PresetResource::class])]
    public function index(): AnonymousResourceCollection
    {
        return PresetResource::collection(array_values(ShopPreset::shelf()));
    }

    /** Keeps the line of a job under a name. */
    #[Answers(PresetResource::class, 201)]
    public function store(KeepPresetRequest $request, ShopJob $job): PresetResource
    {
        $fields = $request->validated();
        $line = $job->art()->line ?? [];
        $kept = ShopPreset::keep(new Preset(trim($fields['name']), 1, trim((string) ($fields['note'] ?? '')), array_values($fields['for'] ?? []), $line));
        $job->update(['preset' => ['name' => $kept->name, 'version' => $kept->version, 'line' => Preset::key($line)]]);

        return (new PresetResource($kept))->status(201);
    }

    /** Takes a preset from a file. */
    #[Answers(PresetResource::class, 201)]
    public function import(ImportPresetRequest $request): PresetResource
    {
        $preset = PresetJson::decode((string) $request->sent()->get(), Processes::keys());
        if (isset(Processes::presets()[$preset->name])) {
            throw ValidationException::withMessages(['file' => sprintf('"%s" is built in; give the preset another name.', $preset->name)]);
        }

        return (new PresetResource(ShopPreset::keep($preset)))->status(201);
    }

    /** A preset as a file. */
    #[Answers(type: 'application/json')]
    public function export(string $name): Response
    {
        $preset = ShopPreset::shelf()[$name] ?? abort(404);

        return new Response(
            PresetJson::encode($preset),
            200,
            ['Content-Type' => 'application/json', 'Content-Disposition' => 'attachment; filename="'.(Str::slug($name) ?: 'preset').'.json"'],
        );
    }

    /** Takes a preset of the shop from the shelf. */
    #[Answers(status: 204)]
    public function destroy(string $name): Response
    {
        abort_if(ShopPreset::query()->where('name', $name)->delete() === 0, 404);

        return response()->noContent();
    }

    /** In what two presets differ. */
    #[Answers(PresetDifferencesResource::class)]
    public function compare(ComparePresetsRequest $request): PresetDifferencesResource
    {
        $shelf = ShopPreset::shelf();
        [$one, $other] = [$shelf[$request->validated('one')] ?? abort(404), $shelf[$request->validated('other')] ?? abort(404)];

        return new PresetDifferencesResource($one->differences($other));
    }

    /** The line of a preset for a job: an edit like others, and the job says which it was. */
    #[Answers(ChangedStateResource::class)]
    public function use(UsePresetRequest $request, ShopJob $job): ChangedStateResource
    {
        $preset = ShopPreset::shelf()[$request->validated('preset')]
            ?? throw ValidationException::withMessages(['preset' => 'That preset is not on the shelf any more.']);

        return new ChangedStateResource(History::change($job, $request->asker(), static function (ShopJob $job) use ($preset): Proposal {
            $before = $job->art();
            $line = array_map(static fn (LineStep $step, int $i): LineStep => $step->with(id: 's'.($i + 1)), $preset->steps, array_keys($preset->steps));
            $came = ['name' => $preset->name, 'version' => $preset->version, 'line' => Preset::key($line)];

            return Proposal::state(
                sprintf('Use "%s"', mb_substr($preset->name, 0, 60)),
                $before,
                $before->with(line: $line, apart: $before->apart),
                ['preset' => $came],
            );
        }));
    }
}
