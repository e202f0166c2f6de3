<?php

declare(strict_types=1);

namespace NeatEdge\Console;

use NeatEdge\Core\Format\Json\PresetJson;
use NeatEdge\Core\Line\Preset;
use NeatEdge\Core\Process\Processes;

/** A preset as it is named on the command line: one that ships, by its name or by its process, or a file. */
final class PresetOption
{
    public static function read(string $text): Preset
    {
        $shipped = Processes::presets();
        if (isset($shipped[$text])) {
            return $shipped[$text];
        }
        if (Processes::find($text) !== null) {
            return Processes::of($text)->preset();
        }
        $bytes = str_ends_with($text, '.json') && is_file($text) ? @file_get_contents($text, length: 2_000_000) : false;
        if ($bytes === false) {
            throw str_ends_with($text, '.json') ? BadCall::noFile($text) : BadCall::choice(
                '--preset',
                $text,
                [...array_keys($shipped), 'a process', 'a file that ends in .json'],
            );
        }

        return PresetJson::decode($bytes, Processes::keys());
    }
}
