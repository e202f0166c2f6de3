<?php

declare(strict_types=1);

namespace NeatEdge\Core\Geometry;

use NeatEdge\Core\Patience\Patience;

/**
 * Path data of moves, lines and cubics without fault, as programs write most: the numbers of a command are taken at once. What is otherwise is read with
 * more care, see PathData.
 */
final class PlainPath
{
    /** How many numbers each command takes. */
    private const TAKES = ['M' => 2, 'm' => 2, 'L' => 2, 'l' => 2, 'H' => 1, 'h' => 1, 'V' => 1, 'v' => 1, 'C' => 6, 'c' => 6, 'Z' => 0, 'z' => 0];

    /** @var list<Contour> */
    private array $out = [];

    /** @var list<float> of the contour that is being drawn */
    private array $c = [];

    private float $x = 0.0;

    private float $y = 0.0;

    /** @param  list<string>  $tokens  commands and numbers, and a command at the end that is not drawn */
    private function __construct(private readonly array $tokens)
    {
    }

    /**
     * @param  int  $most  segments that are taken
     * @return list<Contour>|null null for data that must be read with more care
     */
    public static function read(string $text, int $most): ?array
    {
        $tokens = self::tokens($text);

        return $tokens === null || count($tokens) > $most ? null : (new self([...$tokens, 'M']))->drawn();
    }

    /** @return list<string>|null */
    private static function tokens(string $text): ?array
    {
        if (preg_match('/[^MLHVCZmlhvcz0-9.+\-, \t\r\n]/', $text) === 1) {
            return null;
        }
        preg_match_all('/[A-Za-z]|[+-]?(?:\d+\.?\d*|\.\d+)/', $text, $found);
        // Nothing but separators may lie between them.
        $whole = implode('', $found[0]) === str_replace([' ', ',', "\t", "\r", "\n"], '', $text);

        return $whole && in_array($found[0][0] ?? '', ['M', 'm'], true) ? $found[0] : null;
    }

    /** @return list<Contour>|null */
    private function drawn(): ?array
    {
        $last = count($this->tokens) - 1;
        for ($i = 0; $i < $last; $i = $k) {
            Patience::ask(4);
            $command = $this->tokens[$i];
            $takes = self::TAKES[$command];
            $k = $i + 1;
            if ($takes === 0) {
                if (! $this->close($this->tokens[$k])) {
                    return null;
                }

                continue;
            }
            if (isset(self::TAKES[$this->tokens[$k]]) || ($this->c === [] && $command !== 'M' && $command !== 'm')) {
                return null;
            }
            for (; ! isset(self::TAKES[$this->tokens[$k]]); $k += $takes) {
                if ($takes > 1 && isset(self::TAKES[$this->tokens[$k + $takes - 1] ?? 'M'])) {
                    return null;
                }
                $takes === 6 ? $this->curve($k, $command === 'c') : $this->line($k, $command, $k === $i + 1);
            }
        }
        if (count($this->c) > 2) {
            $this->out[] = new Contour($this->c, false);
        }

        return $this->out;
    }

    /** @param  string  $next  what comes after it */
    private function close(string $next): bool
    {
        $n = count($this->c);
        if ($n === 0 || ! isset(self::TAKES[$next])) {
            return false;
        }
        [$x, $y] = [$this->c[0], $this->c[1]];
        if ($n === 2 || $this->x !== $x || $this->y !== $y) {
            array_push($this->c, $this->x, $this->y, $x, $y, $x, $y);
        }
        $this->out[] = new Contour($this->c, true);
        [$this->x, $this->y] = [$x, $y];
        $this->c = [$x, $y];

        return true;
    }

    private function curve(int $k, bool $relative): void
    {
        $t = $this->tokens;
        $ox = $relative ? $this->x : 0.0;
        $oy = $relative ? $this->y : 0.0;
        $this->x = $ox + (float) $t[$k + 4];
        $this->y = $oy + (float) $t[$k + 5];
        $this->c[] = $ox + (float) $t[$k];
        $this->c[] = $oy + (float) $t[$k + 1];
        $this->c[] = $ox + (float) $t[$k + 2];
        $this->c[] = $oy + (float) $t[$k + 3];
        $this->c[] = $this->x;
        $this->c[] = $this->y;
    }

    /** @param  bool  $first  whether they are the first numbers of their command: after a move, more of them draw lines */
    private function line(int $k, string $command, bool $first): void
    {
        $x = $bx = $this->x;
        $y = $by = $this->y;
        $relative = $command > 'Z';
        if ($command === 'V' || $command === 'v') {
            $y = ($relative ? $by : 0.0) + (float) $this->tokens[$k];
        } else {
            $x = ($relative ? $bx : 0.0) + (float) $this->tokens[$k];
            if ($command !== 'H' && $command !== 'h') {
                $y = ($relative ? $by : 0.0) + (float) $this->tokens[$k + 1];
            }
        }
        $this->x = $x;
        $this->y = $y;
        if ($first && ($command === 'M' || $command === 'm')) {
            if (count($this->c) > 2) {
                $this->out[] = new Contour($this->c, false);
            }
            $this->c = [$x, $y];

            return;
        }
        $this->c[] = $bx;
        $this->c[] = $by;
        $this->c[] = $x;
        $this->c[] = $y;
        $this->c[] = $x;
        $this->c[] = $y;
    }
}
