<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Description\Answers;
use App\Http\Requests\FilesChosenRequest;
use App\Http\Requests\LayRequest;
use App\Http\Resources\BeingMadeResource;
use App\Http\Resources\HistoryResource;
use App\Http\Resources\MakingResource;
use App\Http\Resources\WorkResource;
use App\Models\ShopJob;
use App\Prep\Choosing;
use App\Prep\Made;
use App\Works\BeingMade;
use Illuminate\Http\Response;
use NeatEdge\Core\Described\Field;
use NeatEdge\Core\Format\AboutFormat;
use NeatEdge\Core\Format\Export;
use NeatEdge\Core\Format\Formats;
use NeatEdge\Core\Sheet\Layout\Layout;

/** How a job is laid out. */
final class MakingController
{
    /** Choices, sheets and plates; the work by which they are made while they are not there. */
    #[Answers(MakingResource::class), Answers(BeingMadeResource::class, 202)]
    public function show(ShopJob $job): MakingResource|BeingMadeResource
    {
        try {
            $layouts = Made::ready($job);
        } catch (BeingMade $being) {
            return (new BeingMadeResource(['work' => WorkResource::row($being->work), 'history' => HistoryResource::row($job)]))->status(202);
        }

        return self::made($job, $layouts);
    }

    /** Choices and materials; where copies lie is worked out anew when one of them changes that. */
    #[Answers(MakingResource::class), Answers(BeingMadeResource::class, 202)]
    public function update(LayRequest $request, ShopJob $job): MakingResource|BeingMadeResource
    {
        $asked = $request->validated();
        // What is checked by the description of the process is taken as it was sent.
        $work = Choosing::lay(
            $job,
            isset($asked['values']) ? (array) $request->input('values') : null,
            (array) ($asked['materials'] ?? []),
            isset($asked['along']) ? array_values($asked['along']) : null,
        );

        return $work->isOpen() ? throw new BeingMade($work) : $this->show(ShopJob::query()->findOrFail($job->id));
    }

    /** How its files are written, kept for the next time; nothing of the job changes by it. */
    #[Answers(status: 204)]
    public function files(FilesChosenRequest $request, ShopJob $job): Response
    {
        $job->timestamps = false;
        $job->update(['files' => $request->chosen()]);

        return response()->noContent();
    }

    /** @param  list<Layout>  $layouts */
    private static function made(ShopJob $job, array $layouts): MakingResource
    {
        return new MakingResource([
            'fields' => array_map(static fn (Field $field): array => $field->toArray(), $job->process->fields()),
            'values' => (object) Made::values($job),
            'materials' => (object) ($job->making['materials'] ?? []),
            'layouts' => array_map(static fn (Layout $layout): array => Export::row($layout), $layouts),
            'formats' => array_values(array_map(static fn (AboutFormat $about): array => $about->toArray(), Formats::catalogue())),
            'files' => $job->files === null ? null : [...$job->files, 'values' => (object) $job->files['values']],
            'nested' => ($job->making['placements'] ?? []) !== [],
            'stale' => Made::isStale($job),
            'along' => $job->making['along'] ?? [],
            'others' => Made::others($job),
            'history' => HistoryResource::row($job),
        ]);
    }
}
