<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\ShopJob;
use App\Models\ShopPreset;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Str;
use Illuminate\Validation\Rule;
use Illuminate\Validation\ValidationException;
use NeatEdge\Core\Artwork\LineStep;
use NeatEdge\Core\Format\Json\PresetJson;
use NeatEdge\Core\Prepare\Preset;
use NeatEdge\Core\Prepare\Steps;
use NeatEdge\Core\Process\Processes;

/** L3: presets, ours and the shop's. */
final class PresetController
{
    public function index(): JsonResponse
    {
        return new JsonResponse(array_map(self::row(...), array_values(ShopPreset::shelf())));
    }

    /** The line of a job under a name. */
    public function store(Request $request, ShopJob $job): JsonResponse
    {
        $fields = $request->validate([
            'name' => ['required', 'string', 'max:80', Rule::notIn(array_keys(Processes::presets()))],
            'note' => ['sometimes', 'nullable', 'string', 'max:500'],
            'for' => ['sometimes', 'array'],
            'for.*' => [Rule::in(Processes::keys())],
        ], ['name.not_in' => 'That preset ships with the application; choose another name.', 'name.*' => 'A preset needs a name of at most 80 letters.', 'note.*' => 'The note has more than 500 letters.', '*' => 'Choose processes from the list.']);
        $line = $job->art()->line ?? [];
        $kept = ShopPreset::keep(new Preset(trim($fields['name']), 1, trim((string) ($fields['note'] ?? '')), array_values($fields['for'] ?? []), $line));
        $job->update(['preset' => ['name' => $kept->name, 'version' => $kept->version, 'line' => Preset::key($line)]]);

        return new JsonResponse(self::row($kept), 201);
    }

    /** A preset from a file. */
    public function import(Request $request): JsonResponse
    {
        $request->validate(['file' => ['required', 'file', 'max:1000']], ['file.*' => 'Choose a preset file of at most 1 MB.']);
        $file = $request->file('file');
        $preset = PresetJson::decode($file instanceof UploadedFile ? (string) $file->get() : '', Processes::keys());
        if (isset(Processes::presets()[$preset->name])) {
            throw ValidationException::withMessages(['file' => sprintf('"%s" ships with the application; give the preset another name.', $preset->name)]);
        }

        return new JsonResponse(self::row(ShopPreset::keep($preset)), 201);
    }

    public function export(string $name): Response
    {
        $preset = ShopPreset::shelf()[$name] ?? abort(404);

        return new Response(PresetJson::encode($preset), 200, ['Content-Type' => 'application/json', 'Content-Disposition' => 'attachment; filename="'.(Str::slug($name) ?: 'preset').'.json"']);
    }

    public function destroy(string $name): JsonResponse
    {
        abort_if(ShopPreset::query()->where('name', $name)->delete() === 0, 404);

        return new JsonResponse(null, 204);
    }

    public function compare(Request $request): JsonResponse
    {
        $shelf = ShopPreset::shelf();
        [$one, $other] = array_map(static fn (mixed $name): Preset => $shelf[is_string($name) ? $name : ''] ?? abort(404), [$request->query('one'), $request->query('other')]);

        return new JsonResponse($one->differences($other));
    }

    /** The line of a preset for a job: an edit like others, and the job says which it was. */
    public function use(Request $request, ShopJob $job): JsonResponse
    {
        $name = $request->input('preset');
        $preset = ShopPreset::shelf()[is_string($name) ? $name : ''] ?? throw ValidationException::withMessages(['preset' => 'That preset is not on the shelf any more.']);

        return History::change($job, EditController::version($request), static function (ShopJob $job) use ($preset): Proposal {
            $before = $job->art();
            $line = array_map(static fn (LineStep $step, int $i): LineStep => $step->with(id: 's'.($i + 1)), $preset->steps, array_keys($preset->steps));

            return Proposal::state(sprintf('Use "%s"', mb_substr($preset->name, 0, 60)), $before, $before->with(line: $line, apart: $before->apart), ['preset' => ['name' => $preset->name, 'version' => $preset->version, 'line' => Preset::key($line)]]);
        });
    }

    /** @return array<string, mixed> */
    private static function row(Preset $preset): array
    {
        return [
            'name' => $preset->name, 'version' => $preset->version, 'note' => $preset->note, 'for' => $preset->for, 'ships' => isset(Processes::presets()[$preset->name]),
            'steps' => array_map(static fn (LineStep $step): array => ['kind' => $step->kind, 'label' => Steps::about($step->kind)->label, 'on' => $step->on], $preset->steps),
        ];
    }
}
