<?php

declare(strict_types=1);

namespace NeatEdge\Console;

use NeatEdge\Core\Check\Process;
use NeatEdge\Core\Format\Json\PresetJson;
use NeatEdge\Core\Prepare\Preset;
use NeatEdge\Core\Prepare\Presets;

/** A preset as it is named on the command line: one that ships, by its name or by its process, or a file. */
final class PresetOption
{
    public static function read(string $text): Preset
    {
        $shipped = Presets::shipped();
        if (isset($shipped[$text])) {
            return $shipped[$text];
        }
        if (Process::tryFrom($text) !== null) {
            return Presets::for($text);
        }
        $bytes = str_ends_with($text, '.json') && is_file($text) ? @file_get_contents($text, length: 2_000_000) : false;
        if ($bytes === false) {
            throw str_ends_with($text, '.json') ? BadCall::noFile($text) : BadCall::choice('--preset', $text, [...array_keys($shipped), 'a process', 'a file that ends in .json']);
        }

        return PresetJson::decode($bytes, array_column(Process::cases(), 'value'));
    }
}
