<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Ticket;
use App\Models\Preparation;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Str;
use NeatEdge\Core\Edit\EditRefused;
use NeatEdge\Core\Format\Svg\Writer;
use NeatEdge\Core\Sheet\Sheet;
use RuntimeException;
use ZipArchive;

final class SheetController
{
    public function one(Request $request, Preparation $preparation, int $number): Response
    {
        self::holdStale($request, $preparation);
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
        self::holdStale($request, $preparation);
        $sheets = $preparation->sheets();
        if ($sheets === []) {
            abort(404);
        }
        $path = (string) tempnam(sys_get_temp_dir(), 'neat-edge-');
        try {
            $zip = new ZipArchive;
            if ($zip->open($path, ZipArchive::OVERWRITE) !== true) {
                throw new RuntimeException('The ZIP cannot be made.');
            }
            foreach ($sheets as $i => $sheet) {
                $zip->addFromString($sheet->fileName($i + 1), Writer::write($sheet->artwork()));
            }
            $job = $preparation->job()->firstOrFail();
            $zip->addFromString('report.json', json_encode([...$preparation->result ?? [], 'verdict' => Ticket::verdict($preparation, $job)?->toArray(), 'left_out' => $job->leftOut()], JSON_THROW_ON_ERROR | JSON_PRETTY_PRINT | JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE));
            $zip->close();
            $bytes = (string) file_get_contents($path);
        } finally {
            @unlink($path);
        }
        $name = Str::slug($preparation->job()->firstOrFail()->title) ?: 'sheets';

        return new Response($bytes, 200, ['Content-Type' => 'application/zip', 'Content-Disposition' => "attachment; filename=\"{$name}.zip\""]);
    }

    /** Sheets of an earlier state go out only to who says that they are wanted all the same. */
    private static function holdStale(Request $request, Preparation $preparation): void
    {
        if ($preparation->version !== $preparation->job()->firstOrFail()->version && $request->query('earlier') !== '1') {
            throw EditRefused::because('The job was changed since these sheets were made. Prepare it again, or ask for the earlier state by name.');
        }
    }

    private static function sheet(Preparation $preparation, int $number): Sheet
    {
        return $preparation->sheets()[$number - 1] ?? abort(404);
    }
}
