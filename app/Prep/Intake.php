<?php

declare(strict_types=1);

namespace App\Prep;

use App\Models\BenchPiece;
use App\Models\Revision;
use App\Models\ShopJob;
use App\Models\ShopSetting;
use App\Models\Source;
use App\Works\Budget;
use Illuminate\Support\Facades\DB;
use Illuminate\Validation\ValidationException;
use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\LineStep;
use NeatEdge\Core\Check\Finding;
use NeatEdge\Core\Format\Arrived;
use NeatEdge\Core\Format\Incoming;
use NeatEdge\Core\Format\Json\PieceJson;
use NeatEdge\Core\Format\Json\StoredForm;
use NeatEdge\Core\Format\Json\StoredFormRefused;
use NeatEdge\Core\Format\Svg\Drawing;
use NeatEdge\Core\Format\Svg\Limits;
use NeatEdge\Core\Format\Svg\SvgRefused;
use NeatEdge\Core\Geometry\Length;
use NeatEdge\Core\Process\Process;
use NeatEdge\Pages\PageReader;

/** Takes a customer's file in as a new job: all of it is stored, or nothing. */
final class Intake
{
    /**
     * @param  float|null  $width  finished width in mm; as the file states when null
     * @param  bool  $ofArt  whether the finished width is that of the art, whose box is then the page, and not of the page that the file states
     * @param  list<LineStep>|null  $line  by which it is prepared; the plain one when null
     * @param  array<mixed>  $taking  how a file that can be taken in several ways is taken, by name
     *
     * @throws SvgRefused
     * @throws ValidationException
     */
    public static function take(
        string $title, Process $process, ?float $width, string $fileName, string $svg, bool $demo = false, bool $ofArt = false, ?array $line = null,
        array $taking = [],
    ): ShopJob {
        $arrived = self::read($svg, $fileName, $taking);
        if ($arrived->pages > 1 && ! isset($taking['page'])) {
            throw ValidationException::withMessages(['taking.page' => sprintf('The file has %d pages; choose one.', $arrived->pages)]);
        }
        // Of a file that a browser does not draw, what was understood of it is kept as the customer's picture.
        $svg = $arrived->svg;
        $drawing = $arrived->drawing;
        $drawing = $ofArt ? $drawing->framedByArt() : $drawing;
        if ($width === null && ! $drawing->statesSize) {
            throw ValidationException::withMessages(['width' => sprintf(
                'The file states no size; type the finished width. At 96 units an inch its %s would be %.2f mm wide.',
                $ofArt ? 'art' : 'page',
                $drawing->artwork->width,
            )]);
        }
        $drawing = $drawing->atWidth($width);
        $artwork = $line === null ? $drawing->artwork : $drawing->artwork->with(line: $line, apart: $drawing->artwork->apart);
        self::hold($artwork->width, $artwork->height);

        return DB::transaction(static function () use ($title, $process, $fileName, $svg, $demo, $artwork, $drawing): ShopJob {
            $job = ShopJob::query()->create([
                'title' => $title,
                'process' => $process,
                'width_mm' => $artwork->width,
                'height_mm' => $artwork->height,
                'intake_width_mm' => $artwork->width,
                'unit' => ShopSetting::values()['unit'],
                'file_frame' => [$drawing->file->left, $drawing->file->top, $drawing->file->width(), $drawing->file->height()],
                'is_demo' => $demo,
                'source_name' => mb_substr(mb_scrub($fileName), 0, 200),
                'notices' => array_map(static fn (Finding $finding): array => $finding->toArray(), $drawing->findings),
                'revision' => 1,
            ]);
            $view = $drawing->viewBox;
            Source::query()->create([
                'shop_job_id' => $job->id,
                'svg' => $svg,
                'view_box' => $view === null ? null : [$view->left, $view->top, $view->width(), $view->height()],
            ]);
            Revision::query()->create(['shop_job_id' => $job->id, 'number' => 1, 'label' => 'As it came in']);
            BenchPiece::layAll($job, $artwork);
            $job->save();

            return $job->refresh();
        });
    }

    /**
     * Reads a customer's file within the time that a request has.
     *
     * @param  array<mixed>  $taking  see Incoming
     *
     * @throws SvgRefused
     * @throws ValidationException when it draws nothing, or nothing that can be kept
     */
    public static function read(string $bytes, string $name = '', array $taking = []): Arrived
    {
        $arrived = Budget::within(
            'Reading this file',
            static fn (): Arrived => Incoming::read($bytes, $name, $taking, self::limits(), ShopFonts::shelf(), new PageReader),
        );
        $drawing = $arrived->drawing;
        if ($drawing->artwork->pieces === [] && array_filter(
            $drawing->findings,
            static fn (Finding $finding): bool => $finding->kind !== Drawing::NO_SIZE,
        ) === []) {
            throw ValidationException::withMessages(['file' => 'The file draws nothing: it has no shapes and no lines.']);
        }
        try {
            foreach ($drawing->artwork->pieces as $piece) {
                StoredForm::hold(PieceJson::of($piece));
            }
            StoredForm::holdIds($drawing->artwork);
        } catch (StoredFormRefused $refused) {
            throw ValidationException::withMessages(['file' => $refused->getMessage()]);
        }

        return $arrived;
    }

    /** An empty bench to draw on. */
    public static function blank(string $title, Process $process, Length $width, Length $height): ShopJob
    {
        self::hold($width->mm, $height->mm);

        return self::drawn($title === '' ? 'Drawn on the bench' : $title, $process, new Artwork($width->mm, $height->mm, []), 'An empty bench');
    }

    /** A job that begins with what was drawn on a bench. */
    public static function drawn(string $title, Process $process, Artwork $artwork, string $label, string $sourceName = '', bool $demo = false): ShopJob
    {
        return DB::transaction(static function () use ($title, $process, $artwork, $label, $sourceName, $demo): ShopJob {
            $job = ShopJob::query()->create([
                'title' => $title,
                'process' => $process,
                'width_mm' => $artwork->width,
                'height_mm' => $artwork->height,
                'intake_width_mm' => $artwork->width,
                'unit' => ShopSetting::values()['unit'],
                'is_demo' => $demo,
                'source_name' => $sourceName,
                'notices' => [],
                'revision' => 1,
            ]);
            Source::query()->create(['shop_job_id' => $job->id, 'svg' => '']);
            Revision::query()->create(['shop_job_id' => $job->id, 'number' => 1, 'label' => $label]);
            BenchPiece::layAll($job, $artwork);
            $job->save();

            // With what the database gave it.
            return $job->refresh();
        });
    }

    /** @throws ValidationException when a side is longer than is taken */
    public static function hold(float $width, float $height): void
    {
        $longest = (float) config('neat-edge.longest_side_mm');
        if (max($width, $height) > $longest) {
            throw ValidationException::withMessages(['width' => sprintf(
                'At that size the art is %.1f m long; at most %.0f m are taken.',
                max($width, $height) / 1000,
                $longest / 1000,
            )]);
        }
    }

    public static function limits(): Limits
    {
        preg_match_all('/(\S+?)=(\S+)/', (string) config('neat-edge.limits'), $found);

        return (new Limits(bytes: (int) config('neat-edge.upload_bytes')))->with(array_combine($found[1], $found[2]));
    }

    /**
     * How a file is to be taken, without what nobody said.
     *
     * @param  array<string, string|null>  $taking
     * @return array<string, string>
     */
    public static function said(array $taking): array
    {
        return array_filter($taking, static fn (?string $text): bool => $text !== null && $text !== '');
    }

    /** What an artist typed as a finished width, in mm; null for nothing. */
    public static function width(?string $text): ?float
    {
        return $text === null || trim($text) === '' ? null : Length::positive($text)->mm;
    }

    /** What an artist typed as a limit, in mm: nought switches its check off; nothing at all means the usual one. */
    public static function limit(?string $text, string $unit): ?float
    {
        return $text === null || trim($text) === '' ? null : Length::limit($text, $unit)->mm;
    }
}
