<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Description\Answers;
use App\Http\Requests\FilesRequest;
use App\Http\Requests\SizeRequest;
use App\Http\Resources\BeingMadeResource;
use App\Http\Resources\ProblemResource;
use App\Http\Zips;
use App\Models\ShopJob;
use App\Prep\Gate;
use App\Prep\JobSheets;
use App\Prep\Made;
use App\Prep\WantedFile;
use App\Prep\Written;
use App\Works\Budget;
use Illuminate\Http\Response;
use NeatEdge\Core\Format\Formats;

/** Files for machines and people. */
final class FileController
{
    /** All sheets or plates in one ZIP with a list of what they are. */
    #[Answers(type: 'application/zip'), Answers(BeingMadeResource::class, 202), Answers(ProblemResource::class, 409)]
    public function all(FilesRequest $request, ShopJob $job): Response
    {
        Gate::leave($job, Made::prepared($job), $request->wantsEarlier());
        $format = $request->validated('format', 'pdf');
        $layouts = Made::ready($job, true);
        $bytes = Written::ready($job, new WantedFile($format, self::values($request, $job), onePlate: $request->validated('plates') === 'one'));
        $name = preg_replace('/-\d+-.*$/', '', $layouts[0]->name ?? 'job').'-'.$format;

        return Zips::sent($bytes, (string) $name);
    }

    /** One sheet or plate. */
    #[Answers(type: 'application/octet-stream'), Answers(BeingMadeResource::class, 202), Answers(ProblemResource::class, 409)]
    public function show(FilesRequest $request, ShopJob $job, int $number, string $format): Response
    {
        Gate::leave($job, Made::prepared($job), $request->wantsEarlier());
        $layout = Made::ready($job, true)[$number] ?? abort(404);
        $about = Formats::about($format);
        $bytes = Written::ready($job, new WantedFile($format, self::values($request, $job), $number));

        return new Response(
            $bytes,
            200,
            [
                'Content-Type' => $about->type,
                'Content-Disposition' => "attachment; filename=\"{$layout->name}.{$about->extension}\"",
                'X-Content-Type-Options' => 'nosniff',
            ],
        );
    }

    /** The job sheet, to be printed. */
    #[Answers(type: 'application/pdf')]
    public function jobSheet(ShopJob $job): Response
    {
        $bytes = Budget::within('Writing the job sheet', static fn (): string => Formats::bytes(Formats::make('pdf'), JobSheets::of($job)));

        return new Response(
            $bytes,
            200,
            ['Content-Type' => 'application/pdf', 'Content-Disposition' => 'inline; filename="job-sheet.pdf"', 'X-Content-Type-Options' => 'nosniff'],
        );
    }

    /** The files of the job at another width. */
    #[Answers(type: 'application/zip'), Answers(BeingMadeResource::class, 202), Answers(ProblemResource::class, 409)]
    public function size(SizeRequest $request, ShopJob $job): Response
    {
        Gate::pass($job);
        $width = $request->validated('width');

        return Zips::sent(
            Written::ready($job, new WantedFile($request->validated('format', 'svg'), width: $width)),
            sprintf('size-%.0f', Written::width($job, $width)),
        );
    }

    /** @return array<string, mixed> what was chosen for the format, as it was typed */
    private static function values(FilesRequest $request, ShopJob $job): array
    {
        // How its machine moves is known of it; the rest is as the page has it.
        $moves = array_intersect_key(Made::described($job, Made::machine($job)), array_flip(['travel', 'gather', 'lift']));

        return [...$moves, ...array_map(static fn (mixed $one): mixed => $one === 'false' ? '' : $one, (array) $request->query('values', []))];
    }
}
