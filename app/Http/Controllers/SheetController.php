<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Ticket;
use App\Models\Preparation;
use App\Prep\Gate;
use App\Prep\Made;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Str;
use NeatEdge\Core\Format\Svg\Writer;
use NeatEdge\Core\Sheet\Sheet;

final class SheetController
{
    public function one(Request $request, Preparation $preparation, int $number): Response
    {
        Made::holdStale($preparation, $request->query('earlier') === '1');
        Gate::pass($preparation->job()->firstOrFail(), $preparation, $request->query('earlier') === '1');
        $sheet = self::sheet($preparation, $number);

        return Pictures::svg($sheet->artwork(), $sheet->fileName($number));
    }

    public function picture(Preparation $preparation, int $number): Response
    {
        return Pictures::svg(self::sheet($preparation, $number)->artwork());
    }

    /** All sheets and the report in one ZIP. */
    public function all(Request $request, Preparation $preparation): Response
    {
        Made::holdStale($preparation, $request->query('earlier') === '1');
        Gate::pass($preparation->job()->firstOrFail(), $preparation, $request->query('earlier') === '1');
        $sheets = $preparation->sheets();
        if ($sheets === []) {
            abort(404);
        }
        $files = [];
        foreach ($sheets as $i => $sheet) {
            $files[$sheet->fileName($i + 1)] = Writer::write($sheet->artwork());
        }
        $job = $preparation->job()->firstOrFail();
        $files['report.json'] = json_encode([...$preparation->result ?? [], 'verdict' => Ticket::verdict($preparation, $job)?->toArray(), 'left_out' => $job->leftOut()], JSON_THROW_ON_ERROR | JSON_PRETTY_PRINT | JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE);

        return ExportController::zip($files, Str::slug($job->title) ?: 'sheets');
    }

    private static function sheet(Preparation $preparation, int $number): Sheet
    {
        return $preparation->sheets()[$number - 1] ?? abort(404);
    }
}
