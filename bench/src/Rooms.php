<?php

declare(strict_types=1);

namespace NeatEdge\Bench;

/** The rooms of the core as they are in the code: what each is for, by the line at its head, and which others its files name. */
final class Rooms
{
    public const FILE = 'docs/rooms.md';

    public static function text(): string
    {
        $root = dirname(__DIR__, 2).'/core/src';
        $rows = $lines = [];
        foreach (self::rooms($root) as $room => $says) {
            $knows = self::knows($root, $room);
            foreach ($knows as $other => $names) {
                $lines[] = "    {$room} --> {$other}";
            }
            $rows[] = sprintf('| [%s](../core/src/%1$s) | %s | %s |', $room, $says, implode(', ', array_keys($knows)) ?: 'nothing');
        }

        return "# The rooms of the core\n\nMade by `php bench/rooms.php` from the code; a test compares. What a room may know is held by"
            ." `tests/Architecture/RoomsTest.php`.\n\n"
            ."| room | what it is | knows |\n| --- | --- | --- |\n".implode("\n", $rows)."\n\n```mermaid\nflowchart BT\n".implode("\n", $lines)."\n```\n";
    }

    /** @return array<string, string> what each room is, by its name, as the README at its head says */
    private static function rooms(string $root): array
    {
        $rooms = [];
        foreach (glob("{$root}/*", GLOB_ONLYDIR) ?: [] as $folder) {
            $rooms[basename($folder)] = trim((string) @file_get_contents("{$folder}/README"));
        }

        return $rooms;
    }

    /** @return array<string, int> how many names of others its files use, by room */
    private static function knows(string $root, string $room): array
    {
        $known = [];
        foreach (new \RecursiveIteratorIterator(new \RecursiveDirectoryIterator("{$root}/{$room}", \RecursiveDirectoryIterator::SKIP_DOTS)) as $file) {
            if ($file instanceof \SplFileInfo && $file->getExtension() === 'php') {
                preg_match_all('/^use NeatEdge\\\\Core\\\\(\w+)\\\\/m', (string) file_get_contents($file->getPathname()), $found);
                foreach ($found[1] as $other) {
                    if ($other !== $room) {
                        $known[$other] = ($known[$other] ?? 0) + 1;
                    }
                }
            }
        }
        ksort($known);

        return $known;
    }
}
