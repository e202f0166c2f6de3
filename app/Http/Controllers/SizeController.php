<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Budget;
use App\Models\ShopJob;
use App\Prep\Made;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Check\FindingGroups;
use NeatEdge\Core\Edit\EditRefused;
use NeatEdge\Core\Format\Export;
use NeatEdge\Core\Format\Formats;
use NeatEdge\Core\Geometry\InvalidLength;
use NeatEdge\Core\Geometry\Length;
use NeatEdge\Core\Prepare\PrepLine;
use NeatEdge\Core\Seen\Seen;
use NeatEdge\Core\Sheet\Make\Makings;
use NeatEdge\Core\Sheet\Make\Order;
use NeatEdge\Core\Sheet\Prepared;

/** O9: the same art at other finished sizes, each taken through the line and checked by itself. */
final class SizeController
{
    /** The job at one width: what it comes to there. */
    public function check(Request $request, ShopJob $job): JsonResponse
    {
        $art = self::at($request, $job);
        $prepared = Budget::within('Checking this size', static fn (): Prepared => Prepared::of($art, [], PrepLine::of($art->line ?? [], $job->limits()), $job->limits()));
        $report = $prepared->report();

        return new JsonResponse([
            'width' => round($art->width, 3), 'height' => round($art->height, 3), 'sheets' => count($prepared->sheets), 'verdict' => $report['verdict'],
            'groups' => FindingGroups::of($report['findings']), 'findings' => $report['findings'], 'look' => $report['look_difference'],
        ]);
    }

    /** Its files at that width. */
    public function files(Request $request, ShopJob $job): Response
    {
        $art = self::at($request, $job);
        $format = is_string($request->query('format')) ? $request->query('format') : 'svg';
        $writer = Formats::make($format);
        $files = Budget::within('Writing this size', static function () use ($art, $job, $format, $writer): array {
            $line = PrepLine::of($art->line ?? [], $job->limits());
            $seen = Seen::of($art);
            $values = Made::values($job);
            $layouts = Makings::layouts(new Order($line->outcome($seen), sprintf('%s %.0f', $job->title, $art->width), $job->process, $job->limits(), $values, Made::names(), $line->isMirrored(), under: Makings::under($job->process, $line, $seen, $values)));

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
            throw EditRefused::because($invalid->getMessage());
        }
        $art = ShopJob::snapshot($job->id)->art();

        return $art->atWidth($width)->with(line: $art->line);
    }
}
