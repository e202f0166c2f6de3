<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Description\Answers;
use App\Http\Pictures;
use App\Http\Requests\EarlierRequest;
use App\Http\Resources\ProblemResource;
use App\Http\Zips;
use App\Models\Preparation;
use App\Models\ShopJob;
use App\Prep\Gate;
use App\Prep\Verdicts;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Str;
use NeatEdge\Core\Format\Svg\Writer;
use NeatEdge\Core\Sheet\Sheet;

/** Colours of a job as they lie on the page. */
final class SheetController
{
    /** One of them as a file. */
    #[Answers(type: 'image/svg+xml'), Answers(ProblemResource::class, 409)]
    public function show(EarlierRequest $request, Preparation $preparation, int $number): Response
    {
        self::hold($preparation, $request->wantsEarlier());
        $sheet = self::sheet($preparation, $number);

        return Pictures::svg($sheet->artwork(), $sheet->fileName($number));
    }

    /** One of them as a picture. */
    #[Answers(type: 'image/svg+xml')]
    public function picture(Preparation $preparation, int $number): Response
    {
        return Pictures::svg(self::sheet($preparation, $number)->artwork());
    }

    /** One of them for its card. */
    #[Answers(type: 'image/webp'), Answers(status: 304)]
    public function small(Request $request, Preparation $preparation, int $number): Response
    {
        $art = $preparation->stage_keys[count($preparation->stage_keys ?? []) - 1] ?? abort(404);

        return Pictures::small($request, "sheet {$art} {$number}", static fn (): string => Writer::write(self::sheet($preparation, $number)->artwork()));
    }

    /** All sheets and the report in one ZIP. */
    #[Answers(type: 'application/zip'), Answers(ProblemResource::class, 409)]
    public function all(EarlierRequest $request, Preparation $preparation): Response
    {
        $job = self::hold($preparation, $request->wantsEarlier());
        $sheets = $preparation->sheets();
        if ($sheets === []) {
            abort(404);
        }
        $files = [];
        foreach ($sheets as $i => $sheet) {
            $files[$sheet->fileName($i + 1)] = Writer::write($sheet->artwork());
        }
        $report = [...$preparation->result ?? [], 'verdict' => Verdicts::of($preparation, $job)?->toArray(), 'left_out' => $job->leftOut()];
        $files['report.json'] = json_encode($report, JSON_THROW_ON_ERROR | JSON_PRETTY_PRINT | JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE);

        return Zips::of($files, Str::slug($job->title) ?: 'sheets');
    }

    /** What was prepared may be earlier than the job where that is asked for; what is not ready leaves only where somebody let it. */
    private static function hold(Preparation $preparation, bool $earlier): ShopJob
    {
        $job = $preparation->job()->firstOrFail();
        Gate::leave($job, $preparation, $earlier);

        return $job;
    }

    private static function sheet(Preparation $preparation, int $number): Sheet
    {
        return $preparation->sheets()[$number - 1] ?? abort(404);
    }
}
