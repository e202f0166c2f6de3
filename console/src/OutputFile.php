<?php

declare(strict_types=1);

namespace NeatEdge\Console;

/** Files that appear whole or not at all: all are written beside their places first, then moved there. */
final class OutputFile
{
    /** @var array<string, string> temporary path => place */
    private static array $pending = [];

    /** @param  array<string, string>  $contents by path; "-" is standard output */
    public static function write(array $contents): void
    {
        foreach ($contents as $path => $text) {
            if ($path === '-') {
                continue;
            }
            // A device or a pipe is written to; a file moved there would take its place.
            if (file_exists((string) $path) && ! is_file((string) $path) && ! is_dir((string) $path)) {
                if (@file_put_contents((string) $path, $text) === false) {
                    throw BadCall::cannotWrite((string) $path);
                }

                continue;
            }
            $temporary = @tempnam(dirname((string) $path), '.neat-edge-');
            if ($temporary === false || realpath(dirname($temporary)) !== realpath(dirname((string) $path))) {
                if ($temporary !== false) {
                    @unlink($temporary);
                }
                self::abandon();
                throw BadCall::cannotWrite((string) $path);
            }
            self::$pending[$temporary] = (string) $path;
            if (is_dir((string) $path) || @file_put_contents($temporary, $text) !== strlen($text)) {
                self::abandon();
                throw BadCall::cannotWrite((string) $path);
            }
        }
        foreach (self::$pending as $temporary => $path) {
            @chmod($temporary, 0644);
            if (! @rename($temporary, $path)) {
                self::abandon();
                throw BadCall::cannotWrite($path);
            }
            unset(self::$pending[$temporary]);
        }
        if (isset($contents['-'])) {
            fwrite(STDOUT, $contents['-']);
        }
    }

    public static function abandon(): void
    {
        foreach (array_keys(self::$pending) as $temporary) {
            @unlink($temporary);
        }
        self::$pending = [];
    }
}
