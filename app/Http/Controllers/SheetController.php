<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\Preparation;
use Illuminate\Http\Response;
use Illuminate\Support\Str;
use NeatEdge\Core\Format\Svg\Writer;
use NeatEdge\Core\Sheet\Sheet;
use RuntimeException;
use ZipArchive;

final class SheetController
{
    public function one(Preparation $preparation, int $number): Response
    {
        $sheet = self::sheet($preparation, $number);

        return Pictures::svg($sheet->artwork(), $sheet->fileName($number));
    }

    public function picture(Preparation $preparation, int $number): Response
    {
        return Pictures::svg(self::sheet($preparation, $number)->artwork());
    }

    /** All sheets and the report in one ZIP. */
    public function all(Preparation $preparation): Response
    {
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
            $zip->addFromString('report.json', json_encode($preparation->result, JSON_THROW_ON_ERROR | JSON_PRETTY_PRINT | JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE));
            $zip->close();
            $bytes = (string) file_get_contents($path);
        } finally {
            @unlink($path);
        }
        $name = Str::slug($preparation->job()->firstOrFail()->title) ?: 'sheets';

        return new Response($bytes, 200, ['Content-Type' => 'application/zip', 'Content-Disposition' => "attachment; filename=\"{$name}.zip\""]);
    }

    private static function sheet(Preparation $preparation, int $number): Sheet
    {
        return $preparation->sheets()[$number - 1] ?? abort(404);
    }
}
