<?php

declare(strict_types=1);

namespace NeatEdge\Core\Process;

use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\Line\Preset;

/** The registry of processes. A new one is one class and one line here. */
final class Processes
{
    private const ALL = [CutVinyl::class, HeatTransfer::class, Sticker::class, ScreenPrint::class, Engraving::class, Plain::class];

    /** @return array<string, Process> by key, in the order in which they are offered */
    public static function all(): array
    {
        $all = [];
        foreach (self::ALL as $class) {
            $process = new $class;
            $all[$process->key()] = $process;
        }

        return $all;
    }

    /** @return list<string> */
    public static function keys(): array
    {
        return array_keys(self::all());
    }

    public static function find(string $key): ?Process
    {
        return self::all()[$key] ?? null;
    }

    /** @throws Refused for one that there is not */
    public static function of(string $key): Process
    {
        return self::find($key) ?? throw Refused::because(sprintf('There is no process called "%s".', mb_substr(mb_scrub($key), 0, 40)));
    }

    /** @return array<string, Preset> the presets that ship, by name */
    public static function presets(): array
    {
        $presets = [];
        foreach (self::all() as $process) {
            $preset = $process->preset();
            $presets[$preset->name] = $preset;
        }

        return $presets;
    }
}
