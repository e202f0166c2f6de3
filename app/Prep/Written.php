<?php

declare(strict_types=1);

namespace App\Prep;

use App\Models\Contents;
use App\Models\ShopJob;
use App\Works\BeingMade;
use App\Works\Kinds\WriteFiles;
use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\Format\Export;
use NeatEdge\Core\Format\LayoutWriter;
use NeatEdge\Core\Geometry\InvalidLength;
use NeatEdge\Core\Geometry\Length;
use NeatEdge\Core\Line\PrepLine;
use NeatEdge\Core\Seen\Seen;
use NeatEdge\Core\Sheet\Make\Order;
use NeatEdge\Pages\Dots;

/** Files as they leave. */
final class Written
{
    /** Where they lie on the disk of contents, each by what it is made of. */
    public const FOLDER = 'files';

    /** Seconds for which one is given again: no longer, for it is soon written anew, and by then perhaps by a newer writer. */
    public const KEPT = 3600;

    /** Seconds for which who fetches a file is held back while it is written. */
    private const WAIT = 120.0;

    /**
     * The bytes of a file, written by a work; only the answer is held back, nothing is computed where it was asked for.
     *
     * @throws Refused|BeingMade
     */
    public static function ready(ShopJob $job, WantedFile $wanted): string
    {
        $wanted->writer($job);
        // It may have been laid out otherwise while who asks was held back.
        $job = $job->fresh() ?? $job;
        $key = $wanted->key($job);
        if (! self::has($key)) {
            $work = WriteFiles::begin($job, $wanted);
            for ($end = microtime(true) + self::WAIT; $work->isOpen() && microtime(true) < $end; $work->refresh()) {
                usleep(50_000);
            }
            if ($work->state === 'failed') {
                throw Refused::because($work->error);
            }
            if (! self::has($key)) {
                throw new BeingMade($work);
            }
        }

        return (string) Contents::disk()->get(self::path($key));
    }

    /** @phpstan-impure */
    public static function has(string $key): bool
    {
        $path = self::path($key);

        return Contents::disk()->exists($path) && Contents::disk()->lastModified($path) > time() - self::KEPT;
    }

    public static function keep(string $key, string $bytes): void
    {
        Contents::write(self::path($key), $bytes);
    }

    private static function path(string $key): string
    {
        return self::FOLDER."/{$key}";
    }

    /**
     * The files of a job at another width.
     *
     * @param  string  $width  as it was typed
     * @return array<string, string> files by name
     *
     * @throws Refused
     */
    public static function atWidth(ShopJob $job, string $width, LayoutWriter $writer, string $format): array
    {
        $mm = self::width($job, $width);
        $bench = ShopJob::snapshot($job->id)->art();
        $art = $bench->atWidth($mm)->with(line: $bench->line);
        $line = PrepLine::of($art->line ?? [], $job->limits(), new DatabaseStepCache);
        $seen = Seen::of($art);
        $values = Made::values($job);
        $under = $job->process->under($line, $seen, $values);
        $order = new Order(
            $line->outcome($seen),
            sprintf('%s %.0f', $job->title, $art->width),
            $job->process->making(),
            $job->limits(),
            $values,
            Made::names(),
            $line->isMirrored(),
            under: $under,
        );

        return Export::files($order->layouts(), $format, $writer, dots: new Dots);
    }

    /** @return float mm @throws Refused */
    public static function width(ShopJob $job, string $width): float
    {
        try {
            return Length::positive($width, $job->unit)->mm;
        } catch (InvalidLength $invalid) {
            throw Refused::because($invalid->getMessage());
        }
    }
}
