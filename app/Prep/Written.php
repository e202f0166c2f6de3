<?php

declare(strict_types=1);

namespace App\Prep;

use App\Models\ShopJob;
use App\Works\Budget;
use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\Format\Export;
use NeatEdge\Core\Format\Formats;
use NeatEdge\Core\Geometry\InvalidLength;
use NeatEdge\Core\Geometry\Length;
use NeatEdge\Core\Line\PrepLine;
use NeatEdge\Core\Seen\Seen;
use NeatEdge\Core\Sheet\Layout\Layout;
use NeatEdge\Core\Sheet\Make\Order;

/** Files as they leave. */
final class Written
{
    /**
     * @param  array<string, mixed>  $values  what was chosen for the format, as it was typed
     * @return string its bytes
     */
    public static function sheet(Layout $layout, string $format, array $values, string $unit = 'mm'): string
    {
        $writer = Formats::make($format, $values, $unit);

        return Budget::within('Writing the file', static fn (): string => Formats::bytes($writer, [$layout]));
    }

    /**
     * The files of a job at another width.
     *
     * @param  string  $width  as it was typed
     * @return array{array<string, string>, float} files by name, and the width in mm
     *
     * @throws Refused
     */
    public static function atWidth(ShopJob $job, string $width, string $format): array
    {
        try {
            $mm = Length::positive($width, $job->unit)->mm;
        } catch (InvalidLength $invalid) {
            throw Refused::because($invalid->getMessage());
        }
        $bench = ShopJob::snapshot($job->id)->art();
        $art = $bench->atWidth($mm)->with(line: $bench->line);
        $writer = Formats::make($format);
        $files = Budget::within('Writing this size', static function () use ($art, $job, $format, $writer): array {
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

            return Export::files($order->layouts(), $format, $writer);
        });

        return [$files, $art->width];
    }
}
