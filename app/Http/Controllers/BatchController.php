<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Ticket;
use App\Models\Batch;
use App\Models\ShopPreset;
use App\Prep\BatchIntake;
use App\Prep\Intake;
use App\Works\Kinds\RunBatch;
use App\Works\Works;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\File;
use Illuminate\Support\Str;
use Illuminate\Validation\Rule;
use Illuminate\Validation\ValidationException;
use NeatEdge\Core\Format\FolderName;
use NeatEdge\Core\Format\Svg\Writer;
use NeatEdge\Core\Process\Plain;
use NeatEdge\Core\Process\Processes;
use NeatEdge\Core\Seen\Small;
use RuntimeException;
use ZipArchive;

/** Many files through one preset: in, watched, opened one by one, out as one ZIP. */
final class BatchController
{
    public function index(): JsonResponse
    {
        return new JsonResponse(Batch::query()->orderByDesc('id')->limit(100)->get()->map(static fn (Batch $batch): array => self::row($batch)));
    }

    public function store(Request $request): JsonResponse
    {
        $fields = $request->validate([
            'title' => ['nullable', 'string', 'max:120'], 'preset' => ['required', 'string', 'max:80'], 'process' => ['nullable', Rule::in(Processes::keys())],
            'width' => ['nullable', 'string', 'max:200'], 'sizes' => ['nullable', 'string', 'max:1000000'],
            'files' => ['required', 'array', 'min:1', 'max:1000'], 'paths' => ['sometimes', 'array', 'max:1000'], 'paths.*' => ['string', 'max:4000'], 'files.*' => ['file', 'max:'.intdiv((int) config('neat-edge.upload_bytes'), 1000)],
        ], ['files.*' => 'Drop drawings or a ZIP of them.', 'files' => 'Drop drawings or a ZIP of them.', 'preset.*' => 'Choose a preset.', 'process.*' => 'Choose how the jobs are made.', 'title.*' => 'The title is longer than 120 letters.', 'width.*' => 'Type a width such as 300mm.', 'sizes.*' => 'The table of sizes is too long.']);
        $preset = ShopPreset::shelf()[$fields['preset']] ?? throw ValidationException::withMessages(['preset' => 'That preset is not on the shelf any more.']);
        $files = [];
        foreach (array_values((array) $request->file('files')) as $i => $file) {
            if ($file instanceof UploadedFile) {
                // A browser sends names without folders: those are told beside.
                $files[] = [$fields['paths'][$i] ?? $file->getClientOriginalName(), $file];
            }
        }
        $batch = BatchIntake::take(
            trim((string) ($fields['title'] ?? '')) ?: $preset->name, $preset, Processes::find((string) ($fields['process'] ?? '')) ?? Processes::find($preset->for[0] ?? '') ?? new Plain,
            (string) ($fields['width'] ?? ''), (string) ($fields['sizes'] ?? ''), $files,
        );
        RunBatch::begin($batch);

        return new JsonResponse(self::whole($batch->refresh()), 201);
    }

    public function show(Batch $batch): JsonResponse
    {
        return new JsonResponse(self::whole($batch));
    }

    /** Goes on with what is not done; a file that failed is tried again. */
    public function again(Request $request, Batch $batch): JsonResponse
    {
        $file = $request->validate(['file' => ['sometimes', 'string', 'max:200']], ['*' => 'Name a file of the batch.'])['file'] ?? null;
        foreach ($batch->rows() as $row) {
            if ($file === null ? $row['state'] === 'failed' : $row['file'] === $file) {
                File::deleteDirectory($batch->folder('out/'.FolderName::of((string) $row['file'])));
            }
        }
        // One whose work is not kept any more is begun with another.
        $batch->work === null ? RunBatch::begin($batch) : Works::goOn($batch->work);

        return $this->show($batch->refresh());
    }

    /** One of its files as a job, with the line of the preset. */
    public function open(Request $request, Batch $batch): JsonResponse
    {
        $row = self::find($batch, is_string($request->input('file')) ? $request->input('file') : '');
        $preset = ShopPreset::shelf()[$batch->preset] ?? null;
        $width = isset($row['width_mm']) ? (float) $row['width_mm'] : null;
        $job = Intake::take(
            mb_substr(pathinfo((string) $row['file'], PATHINFO_FILENAME), 0, 120), Processes::of($batch->process), $width, (string) $row['file'],
            (string) file_get_contents($batch->folder('in/'.$row['file'])), line: $preset?->steps, taking: ['page' => '1'],
        );
        if ($preset !== null) {
            $job->update(['preset' => ['name' => $preset->name, 'version' => $preset->version, 'line' => '']]);
        }

        return new JsonResponse(Ticket::of($job), 201);
    }

    /** A small picture of what came in. */
    public function picture(Batch $batch, string $file): Response
    {
        $row = self::find($batch, $file);
        $drawing = Intake::read((string) file_get_contents($batch->folder('in/'.$row['file'])), (string) $row['file'])->drawing;

        return new Response(Writer::write(Small::of($drawing->artwork)), 200, ['Content-Type' => 'image/svg+xml', 'Cache-Control' => 'private, max-age=86400']);
    }

    public function zip(Batch $batch): Response
    {
        $path = (string) tempnam(sys_get_temp_dir(), 'neat-edge-');
        try {
            $zip = new ZipArchive;
            if ($zip->open($path, ZipArchive::OVERWRITE) !== true) {
                throw new RuntimeException('The ZIP cannot be made.');
            }
            foreach ($batch->rows() as $row) {
                foreach (glob($batch->folder('out/'.FolderName::of((string) $row['file'])).'/*') ?: [] as $file) {
                    if (basename($file) !== 'row.json') {
                        $zip->addFile($file, FolderName::of((string) $row['file']).'/'.basename($file));
                    }
                }
            }
            $zip->addFromString('summary.json', json_encode($batch->rows(), JSON_THROW_ON_ERROR | JSON_PRETTY_PRINT | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES));
            if (is_file($batch->folder('out/summary.csv'))) {
                $zip->addFile($batch->folder('out/summary.csv'), 'summary.csv');
            }
            $zip->close();
            $bytes = (string) file_get_contents($path);
        } finally {
            @unlink($path);
        }

        return new Response($bytes, 200, ['Content-Type' => 'application/zip', 'Content-Disposition' => 'attachment; filename="'.(Str::slug($batch->title) ?: 'batch').'.zip"']);
    }

    public function destroy(Batch $batch): JsonResponse
    {
        abort_if($batch->work?->isOpen() === true, 409, 'Stop the batch first.');
        File::deleteDirectory($batch->folder());
        $batch->delete();

        return new JsonResponse(null, 204);
    }

    /** @return array<string, mixed> */
    private static function find(Batch $batch, string $file): array
    {
        foreach ($batch->rows() as $row) {
            if ($row['file'] === $file) {
                return $row;
            }
        }
        abort(404);
    }

    /** @return array<string, mixed> */
    private static function row(Batch $batch): array
    {
        return [
            'id' => $batch->id, 'title' => $batch->title, 'work' => $batch->work?->row(), 'process' => $batch->process, 'processLabel' => Processes::of($batch->process)->label(), 'preset' => $batch->preset, 'width' => $batch->width,
            'files' => $batch->files, 'notTaken' => $batch->not_taken ?? [], 'made' => $batch->created_at?->toIso8601String(),
        ];
    }

    /** @return array<string, mixed> */
    private static function whole(Batch $batch): array
    {
        $rows = array_map(static fn (array $row): array => array_diff_key($row, ['key' => 1]), $batch->rows());

        return [...self::row($batch), 'rows' => $rows, 'done' => count(array_filter($rows, static fn (array $row): bool => $row['state'] !== 'waiting'))];
    }
}
