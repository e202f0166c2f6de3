<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Budget;
use App\Models\ShopJob;
use App\Prep\DatabaseStepCache;
use App\Prep\Gate;
use App\Prep\JobSheets;
use App\Prep\Made;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\Format\AboutFormat;
use NeatEdge\Core\Format\Export;
use NeatEdge\Core\Format\Formats;
use NeatEdge\Core\Geometry\InvalidLength;
use NeatEdge\Core\Geometry\Length;
use NeatEdge\Core\Prepare\PrepLine;
use NeatEdge\Core\Seen\Seen;
use NeatEdge\Core\Sheet\Layout\Layout;
use NeatEdge\Core\Sheet\Make\Order;
use RuntimeException;
use ZipArchive;

/** O6, O8: files for machines and people. */
final class ExportController
{
    /** All sheets or plates in one ZIP with a list of what they are. */
    public function all(Request $request, ShopJob $job): Response
    {
        self::hold($request, $job);
        $format = is_string($request->query('format')) ? $request->query('format') : 'pdf';
        $writer = Formats::make($format, self::values($request, $job), $job->unit);
        $layouts = Made::ready($job, true);
        $files = Budget::within('Writing the files', static fn (): array => Export::files($layouts, $format, $writer, $request->query('plates') === 'one'));
        $manifest = Export::manifest($job->title, $layouts, $files, $format, $writer);
        $files['manifest.json'] = json_encode($manifest, JSON_THROW_ON_ERROR | JSON_PRETTY_PRINT | JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE)."\n";
        $name = preg_replace('/-\d+-.*$/', '', $layouts[0]->name ?? 'job').'-'.$format;

        return self::zip($files, (string) $name);
    }

    /** One sheet or plate. */
    public function one(Request $request, ShopJob $job, int $number, string $format): Response
    {
        self::hold($request, $job);
        $layout = Made::ready($job, true)[$number] ?? abort(404);
        [$bytes, $about] = self::written($layout, $format, self::values($request, $job), $job->unit);

        return new Response($bytes, 200, ['Content-Type' => $about->type, 'Content-Disposition' => "attachment; filename=\"{$layout->name}.{$about->extension}\"", 'X-Content-Type-Options' => 'nosniff']);
    }

    /** What was prepared may be earlier than the job where that is asked for; what is not ready leaves only where somebody let it. */
    private static function hold(Request $request, ShopJob $job): void
    {
        $preparation = Made::prepared($job);
        Made::holdStale($preparation, $request->query('earlier') === '1');
        Gate::pass($job, $preparation, $request->query('earlier') === '1');
    }

    public function jobSheet(ShopJob $job): Response
    {
        $bytes = Budget::within('Writing the job sheet', static fn (): string => Formats::bytes(Formats::make('pdf'), JobSheets::of($job)));

        return new Response($bytes, 200, ['Content-Type' => 'application/pdf', 'Content-Disposition' => 'inline; filename="job-sheet.pdf"', 'X-Content-Type-Options' => 'nosniff']);
    }

    /**
     * @param  array<string, mixed>  $values
     * @return array{string, AboutFormat}
     */
    public static function written(Layout $layout, string $format, array $values, string $unit = 'mm'): array
    {
        $about = Formats::about($format);
        $writer = Formats::make($format, $values, $unit);

        return [Budget::within('Writing the file', static fn (): string => Formats::bytes($writer, [$layout])), $about];
    }

    /** @return array<string, mixed> what was chosen for the format, as it was typed */
    private static function values(Request $request, ShopJob $job): array
    {
        $values = $request->query('values');

        // How its machine moves is known of it; the rest is as the page has it.
        $moves = array_intersect_key(Made::described($job, Made::machine($job)), array_flip(['travel', 'gather', 'lift']));

        return [...$moves, ...(is_array($values) ? array_map(static fn (mixed $one): mixed => $one === 'false' ? '' : $one, $values) : [])];
    }

    /** @param  array<string, string>  $files */
    public static function zip(array $files, string $name): Response
    {
        $path = (string) tempnam(sys_get_temp_dir(), 'neat-edge-');
        try {
            $zip = new ZipArchive;
            if ($zip->open($path, ZipArchive::OVERWRITE) !== true) {
                throw new RuntimeException('The ZIP cannot be made.');
            }
            foreach ($files as $file => $bytes) {
                $zip->addFromString($file, $bytes);
            }
            $zip->close();
            $bytes = (string) file_get_contents($path);
        } finally {
            @unlink($path);
        }

        return new Response($bytes, 200, ['Content-Type' => 'application/zip', 'Content-Disposition' => "attachment; filename=\"{$name}.zip\""]);
    }

    /** O9: the files of the job at another width. */
    public function size(Request $request, ShopJob $job): Response
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

        return self::zip($files, sprintf('size-%.0f', $art->width));
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
