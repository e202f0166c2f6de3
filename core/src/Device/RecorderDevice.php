<?php

declare(strict_types=1);

namespace NeatEdge\Core\Device;

use Closure;

/**
 * A film recorder that takes a whole PDF and tells each plate that it exposed (docs/machines.md). After a break it is asked how many it has, and exposes
 * the rest.
 */
final class RecorderDevice implements Device
{
    /** Answers that tell of nothing new before the line is given up. */
    private const IDLE = 16;

    public static function about(): AboutDevice
    {
        return new AboutDevice(
            'recorder',
            'Film recorder',
            'Takes a PDF and exposes it plate by plate.',
            'pdf',
            450.0,
            600.0,
            false,
            ['bedWidth' => 450.0, 'bedHeight' => 600.0],
        );
    }

    public static function takes(string $bytes): bool
    {
        return str_starts_with($bytes, '%PDF-');
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
        // It is asked at every beginning, also where nothing was told to be done: a plate may have been exposed whose answer was lost.
        if ($parts > 0) {
            $line->say("have {$word}\n");
            $answer = $line->answer();
            $has = preg_match('/^have (\d+)$/D', $answer, $m) === 1 ? (int) $m[1] : throw self::fault($answer);
            if ($has < $done) {
                // It was told that more were exposed than it knows of: nobody but a person can tell which films lie there.
                throw MachineRefused::because(sprintf(
                    'The film recorder knows of %d plates, and %d were told to be exposed. Look which films lie there; cancel this and send anew what is'
                        .' missing.',
                    $has,
                    $done,
                ));
            }
            $done = $has;
            if ($done > 0) {
                $kept(min($done, $parts));
            }
        }
        if ($done >= $parts) {
            return;
        }
        $line->say(sprintf("film %d %d %s\n", strlen($bytes), $done, $word).$bytes);
        for ($idle = 0; ;) {
            $answer = $line->answer();
            // An answer for each plate that is taken; what tells more often of nothing new is let go.
            if (++$idle > self::IDLE + $parts) {
                throw LineLost::endless();
            }
            if (preg_match('/^exposed (\d+)$/D', $answer, $m) === 1 && (int) $m[1] > $done) {
                [$idle, $done] = [0, (int) $m[1]];
                $kept(min($parts, (int) $m[1]));
            } elseif ($answer === 'finished') {
                return;
            } elseif (preg_match('/^(?:taken|exposed) \d+$/D', $answer) !== 1) {
                throw self::fault($answer);
            }
        }
    }

    private static function fault(string $answer): MachineRefused
    {
        return match (true) {
            trim($answer) === 'busy' => MachineRefused::busy(),
            str_starts_with($answer, 'refused no film') => MachineRefused::because('The film recorder is out of film. Put film in and go on: the plates'
                .' that are done are known.'),
            str_starts_with($answer, 'refused') => MachineRefused::because('The film recorder refused it: '.mb_substr(
                preg_replace('/[^\x20-\x7E]/', '?', substr($answer, 8)) ?? '',
                0,
                120,
            ).'.'),
            default => MachineRefused::rubbish($answer),
        };
    }
}
