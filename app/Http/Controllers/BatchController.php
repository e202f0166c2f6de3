<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Description\Answers;
use App\Http\Requests\BatchAgainRequest;
use App\Http\Requests\BatchRequest;
use App\Http\Requests\OpenBatchFileRequest;
use App\Http\Resources\BatchResource;
use App\Http\Resources\JobResource;
use App\Http\Resources\ListedBatchResource;
use App\Http\Zips;
use App\Models\Batch;
use App\Models\ShopPreset;
use App\Prep\BatchIntake;
use App\Prep\Intake;
use App\Works\Kinds\RunBatch;
use App\Works\Works;
use Illuminate\Http\Resources\Json\AnonymousResourceCollection;
use Illuminate\Http\Response;
use Illuminate\Support\Str;
use Illuminate\Validation\ValidationException;
use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\Format\Svg\Writer;
use NeatEdge\Core\Process\Plain;
use NeatEdge\Core\Process\Processes;
use NeatEdge\Core\Seen\Small;

/** Many files through one preset: in, watched, opened one by one, out as one ZIP. */
final class BatchController
{
    private const PAGE = 100;

    /** Batches, the latest first. */
    #[Answers([ListedBatchResource::class], paged: true)]
    public function index(): AnonymousResourceCollection
    {
        return ListedBatchResource::collection(Batch::query()->orderByDesc('id')->simplePaginate(self::PAGE));
    }

    /** Takes files in and begins. */
    #[Answers(BatchResource::class, 201)]
    public function store(BatchRequest $request): BatchResource
    {
        $fields = $request->validated();
        $preset = ShopPreset::shelf()[$fields['preset']] ?? throw ValidationException::withMessages(['preset' => 'That preset is not on the shelf any more.']);
        $batch = BatchIntake::take(
            trim((string) ($fields['title'] ?? '')) ?: $preset->name,
            $preset,
            Processes::find((string) ($fields['process'] ?? '')) ?? Processes::find($preset->for[0] ?? '') ?? new Plain,
            (string) ($fields['width'] ?? ''),
            (string) ($fields['sizes'] ?? ''),
            $request->sent(),
        );
        RunBatch::begin($batch);

        return (new BatchResource($batch->refresh()))->status(201);
    }

    /** A batch with its files. */
    #[Answers(BatchResource::class)]
    public function show(Batch $batch): BatchResource
    {
        return new BatchResource($batch);
    }

    /** Goes on with what is not done; a file that failed is tried again. */
    #[Answers(BatchResource::class)]
    public function again(BatchAgainRequest $request, Batch $batch): BatchResource
    {
        $file = $request->validated('file');
        if ($batch->files()->names('in') === []) {
            throw Refused::because('The files of this batch are not here any more; bring them again.');
        }
        $batch->undo(array_column(array_filter(
            $batch->rows(),
            static fn (array $row): bool => $file === null ? $row['state'] === 'failed' : $row['file'] === $file,
        ), 'file'));
        // One whose work is not kept any more is begun with another.
        $batch->work === null ? RunBatch::begin($batch) : Works::goOn($batch->work);

        return new BatchResource($batch->refresh());
    }

    /** One of its files as a job, with the line of the preset. */
    #[Answers(JobResource::class, 201)]
    public function open(OpenBatchFileRequest $request, Batch $batch): JobResource
    {
        $row = $batch->row($request->validated('file')) ?? abort(404);
        $preset = ShopPreset::shelf()[$batch->preset] ?? null;
        $job = Intake::take(
            mb_substr(pathinfo((string) $row['file'], PATHINFO_FILENAME), 0, 120),
            Processes::of($batch->process),
            isset($row['width_mm']) ? (float) $row['width_mm'] : null,
            (string) $row['file'],
            $batch->files()->read('in/'.$row['file']),
            line: $preset?->steps,
            taking: ['page' => '1'],
        );
        if ($preset !== null) {
            $job->update(['preset' => ['name' => $preset->name, 'version' => $preset->version, 'line' => '']]);
        }

        return (new JobResource($job))->status(201);
    }

    /** A small picture of what came in. */
    #[Answers(type: 'image/svg+xml')]
    public function picture(Batch $batch, string $file): Response
    {
        $row = $batch->row($file) ?? abort(404);
        $drawing = Intake::read($batch->files()->read('in/'.$row['file']), (string) $row['file'])->drawing;

        return new Response(Writer::write(Small::of($drawing->artwork)), 200, ['Content-Type' => 'image/svg+xml', 'Cache-Control' => 'private, max-age=86400']);
    }

    /** All that came out, in one ZIP. */
    #[Answers(type: 'application/zip')]
    public function zip(Batch $batch): Response
    {
        $files = ['summary.json' => json_encode($batch->rows(), JSON_THROW_ON_ERROR | JSON_PRETTY_PRINT | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES)];
        if ($batch->files()->has('out/summary.csv')) {
            $files['summary.csv'] = $batch->files()->read('out/summary.csv');
        }

        return Zips::of($files, Str::slug($batch->title) ?: 'batch', $batch->made());
    }

    /** Throws a batch away that is not at work, with its files. */
    #[Answers(status: 204)]
    public function destroy(Batch $batch): Response
    {
        if ($batch->work?->isOpen() === true) {
            throw Refused::because('Stop the batch first.');
        }
        $batch->files()->remove();
        $batch->delete();

        return response()->noContent();
    }
}
