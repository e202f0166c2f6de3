<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Budget;
use App\Jobs\RunSizes;
use App\Models\ShopJob;
use App\Models\SizeRun;
use App\Prep\DatabaseStepCache;
use App\Prep\Gate;
use App\Prep\Made;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\Format\Export;
use NeatEdge\Core\Format\Formats;
use NeatEdge\Core\Geometry\InvalidLength;
use NeatEdge\Core\Geometry\Length;
use NeatEdge\Core\Prepare\PrepLine;
use NeatEdge\Core\Seen\Seen;
use NeatEdge\Core\Sheet\Make\Order;

/** O9: the same art at other finished sizes, each taken through the line and checked by itself. */
final class SizeController
{
    /** What was asked for last, and what came of it so far. */
    public function index(ShopJob $job): JsonResponse
    {
        return new JsonResponse(['run' => SizeRun::query()->where('shop_job_id', $job->id)->latest('id')->first()?->row()]);
    }

    /** A table of widths, worked off one after the other; a width that cannot be read is said at once and holds up none of the others. */
    public function store(Request $request, ShopJob $job): JsonResponse
    {
        $typed = $request->validate(['widths' => ['required', 'array', 'min:1', 'max:40'], 'widths.*' => ['string', 'max:60']], ['*' => 'Type 1 to 40 widths such as 300mm.'])['widths'];
        $rows = array_map(static function (string $text) use ($job): array {
            try {
                return ['typed' => $text, 'width' => Length::positive($text, $job->unit)->mm];
            } catch (InvalidLength $invalid) {
                return ['typed' => $text, 'error' => $invalid->getMessage()];
            }
        }, array_values($typed));
        SizeRun::query()->where('shop_job_id', $job->id)->whereIn('status', ['waiting', 'running'])->update(['stop_requested' => true]);
        SizeRun::query()->where('shop_job_id', $job->id)->where('status', 'waiting')->update(['status' => 'stopped']);
        $run = SizeRun::query()->create(['shop_job_id' => $job->id, 'version' => $job->version, 'status' => 'waiting', 'rows' => $rows]);
        RunSizes::dispatch($run->id);

        return new JsonResponse($run->refresh()->row(), 202);
    }

    public function show(SizeRun $run): JsonResponse
    {
        return new JsonResponse($run->row());
    }

    /** What is done stays. */
    public function stop(SizeRun $run): JsonResponse
    {
        $run->update(['stop_requested' => true]);
        SizeRun::query()->whereKey($run->id)->where('status', 'waiting')->update(['status' => 'stopped']);

        return new JsonResponse($run->refresh()->row());
    }

    /** Its files at that width. */
    public function files(Request $request, ShopJob $job): Response
    {
        Gate::pass($job);
        $art = self::at($request, $job);
        $format = is_string($request->query('format')) ? $request->query('format') : 'svg';
        $writer = Formats::make($format);
        $files = Budget::within('Writing this size', static function () use ($art, $job, $format, $writer): array {
            $line = PrepLine::of($art->line ?? [], $job->limits(), new DatabaseStepCache);
            $seen = Seen::of($art);
            $values = Made::values($job);
            $layouts = (new Order($line->outcome($seen), sprintf('%s %.0f', $job->title, $art->width), $job->process->making(), $job->limits(), $values, Made::names(), $line->isMirrored(), under: $job->process->under($line, $seen, $values)))->layouts();

            return Export::files($layouts, $format, $writer);
        });

        return ExportController::zip($files, sprintf('size-%.0f', $art->width));
    }

    private static function at(Request $request, ShopJob $job): Artwork
    {
        $text = $request->input('width');
        try {
            $width = Length::positive(is_string($text) ? $text : '', $job->unit)->mm;
        } catch (InvalidLength $invalid) {
            throw Refused::because($invalid->getMessage());
        }
        $art = ShopJob::snapshot($job->id)->art();

        return $art->atWidth($width)->with(line: $art->line);
    }
}
