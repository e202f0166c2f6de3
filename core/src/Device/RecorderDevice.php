<?php

declare(strict_types=1);

namespace NeatEdge\Core\Device;

use Closure;

/** A film recorder that takes a whole PDF and tells each plate that it exposed (docs/machines.md). After a break it is asked how many it has, and exposes the rest. */
final class RecorderDevice implements Device
{
    public static function about(): AboutDevice
    {
        return new AboutDevice('recorder', 'Film recorder', 'Takes a PDF and exposes it plate by plate.', 'pdf', 450.0, 600.0);
    }

    public static function parts(string $bytes): int
    {
        return max(1, preg_match_all('/\/Type \/Page\b(?!s)/', $bytes));
    }

    public static function traced(string $bytes, int $done): array
    {
        return [];
    }

    public static function send(string $bytes, string $name, Line $line, int $done, Closure $kept): void
    {
        $word = substr(trim(preg_replace('/[^\w.-]+/', '-', $name) ?? '', '-'), 0, 80) ?: 'film';
        $parts = self::parts($bytes);
        if ($done > 0) {
            $line->say("have {$word}\n");
            $answer = $line->answer();
            $done = preg_match('/^have (\d+)$/D', $answer, $m) === 1 ? (int) $m[1] : throw self::fault($answer);
            $kept(min($done, $parts));
        }
        if ($done >= $parts) {
            return;
        }
        $line->say(sprintf("film %d %d %s\n", strlen($bytes), $done, $word).$bytes);
        for (; ;) {
            $answer = $line->answer();
            if (preg_match('/^exposed (\d+)$/D', $answer, $m) === 1) {
                $kept(min($parts, (int) $m[1]));
            } elseif ($answer === 'finished') {
                return;
            } elseif (preg_match('/^taken \d+$/D', $answer) !== 1) {
                throw self::fault($answer);
            }
        }
    }

    private static function fault(string $answer): MachineRefused
    {
        return match (true) {
            trim($answer) === 'busy' => MachineRefused::busy(),
            str_starts_with($answer, 'refused no film') => MachineRefused::because('The film recorder is out of film. Put film in and go on: the plates that are done are known.'),
            str_starts_with($answer, 'refused') => MachineRefused::because('The film recorder refused it: '.mb_substr(preg_replace('/[^\x20-\x7E]/', '?', substr($answer, 8)) ?? '', 0, 120).'.'),
            default => MachineRefused::rubbish($answer),
        };
    }
}
