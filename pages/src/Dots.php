<?php

declare(strict_types=1);

namespace NeatEdge\Pages;

use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\Format\MakesDots;
use Symfony\Component\Process\Exception\ExceptionInterface;
use Symfony\Component\Process\Process;

/**
 * Pictures in dots, made of our own SVG by librsvg's command in a process of its own: it takes no more time and memory than it may, and reads no other file.
 */
final class Dots implements MakesDots
{
    private const SECONDS = 20;

    private const KILOBYTES = 2_000_000;

    public function png(string $svg, int $width): string
    {
        return $this->made($svg, ['--width', (string) $width]);
    }

    /**
     * @param  int  $side  dots of its longer side
     * @return string PNG
     *
     * @throws Refused
     */
    public function within(string $svg, int $side): string
    {
        return $this->made($svg, ['--width', (string) $side, '--height', (string) $side]);
    }

    /**
     * @param  list<string>  $size
     * @return string PNG
     *
     * @throws Refused
     */
    private function made(string $svg, array $size): string
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
        if ($process->getExitCode() === 127) {
            throw Refused::because('Pictures are made by the program "rsvg-convert", which is not installed on this machine.');
        }
        $png = $process->getOutput();
        if (! $process->isSuccessful() || ! str_starts_with($png, "\x89PNG")) {
            throw Refused::because('The picture cannot be made.');
        }

        return $png;
    }
}
