<?php

declare(strict_types=1);

namespace App\Prep;

use NeatEdge\Core\Described\Refused;
use Symfony\Component\Process\Exception\ExceptionInterface;
use Symfony\Component\Process\Process;

/**
 * Pictures in dots, made of our own SVG by librsvg's command in a process of its own: it takes no more time and memory than it may, and reads no other file.
 */
final class Pixels
{
    private const SECONDS = 20;

    private const KILOBYTES = 2_000_000;

    /** Dots a side that are made at most. */
    public const MOST = 8000;

    /** A small picture is as wide and as high as this at most: twice what a card of the page shows, for screens of fine dots. */
    private const SMALL = 160;

    /**
     * A picture for a card: a few kilobytes, whatever lies on the sheet, where its SVG may have a megabyte.
     *
     * @param  string  $svg  as a writer of ours gave it
     * @return string WebP
     *
     * @throws Refused
     */
    public static function small(string $svg): string
    {
        $image = imagecreatefromstring(self::made($svg, ['--width', (string) self::SMALL, '--height', (string) self::SMALL]));
        if ($image === false) {
            throw Refused::because('The picture cannot be made.');
        }
        imagesavealpha($image, true);
        ob_start();
        imagewebp($image, null, 85);

        return (string) ob_get_clean();
    }

    /**
     * @param  string  $svg  as a writer of ours gave it
     * @param  int  $width  dots across; the height follows
     * @return string PNG
     *
     * @throws Refused
     */
    public static function png(string $svg, int $width): string
    {
        return self::made($svg, ['--width', (string) $width]);
    }

    /**
     * @param  list<string>  $size
     * @return string PNG
     *
     * @throws Refused
     */
    private static function made(string $svg, array $size): string
    {
        $process = new Process([
            'sh', '-c', sprintf('ulimit -v %d -t %d; exec "$@"', self::KILOBYTES, self::SECONDS), 'sh',
            'rsvg-convert', '--format', 'png', ...$size, '--keep-aspect-ratio', '--unlimited',
        ], timeout: self::SECONDS, input: $svg);
        try {
            $process->run();
        } catch (ExceptionInterface) {
            throw Refused::because('The picture takes too long to be made; make it smaller.');
        }
        $png = $process->getOutput();
        if (! $process->isSuccessful() || ! str_starts_with($png, "\x89PNG")) {
            throw Refused::because('The picture cannot be made.');
        }

        return $png;
    }
}
