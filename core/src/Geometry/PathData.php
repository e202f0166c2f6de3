<?php

declare(strict_types=1);

namespace NeatEdge\Core\Geometry;

use NeatEdge\Core\Patience\Patience;

/**
 * The d attribute.
 *
 * @source SVG 2, 9.3; on an error what came before it is drawn (9.5.4)
 */
final class PathData
{
    private const PARAMETERS = ['M' => 2, 'L' => 2, 'H' => 1, 'V' => 1, 'C' => 6, 'S' => 4, 'Q' => 4, 'T' => 2, 'Z' => 0];

    /**
     * The same for data of moves, lines and cubics without fault, as programs write most: the numbers of a command are
     * taken at once.
     *
     * @return list<Contour>|null null for data that must be read with more care
     */
    private static function plain(string $text, int $most): ?array
    {
        if (preg_match('/[^MLHVCZmlhvcz0-9.+\-, \t\r\n]/', $text) === 1) {
            return null;
        }
        preg_match_all('/[A-Za-z]|[+-]?(?:\d+\.?\d*|\.\d+)/', $text, $found);
        $tokens = $found[0];
        // Nothing but separators may lie between them.
        if (implode('', $tokens) !== str_replace([' ', ',', "\t", "\r", "\n"], '', $text) || ! in_array($tokens[0] ?? '', ['M', 'm'], true)) {
            return null;
        }
        $out = [];
        $c = [];
        $x = $y = 0.0;
        $tokens[] = 'M';
        $letters = self::PARAMETERS + ['m' => 2, 'l' => 2, 'h' => 1, 'v' => 1, 'c' => 6, 'z' => 0];
        $last = count($tokens) - 1;
        if ($last > $most) {
            return null;
        }
        for ($i = 0; $i < $last; $i = $k) {
            Patience::ask(4);
            $command = $tokens[$i];
            $k = $i + 1;
            if ($command === 'Z' || $command === 'z') {
                $n = count($c);
                if ($n === 0 || ! isset($letters[$tokens[$k]])) {
                    return null;
                }
                if ($n === 2) {
                    array_push($c, $x, $y, $x, $y, $x, $y);
                } elseif ($x !== $c[0] || $y !== $c[1]) {
                    array_push($c, $x, $y, $c[0], $c[1], $c[0], $c[1]);
                }
                $out[] = new Contour($c, true);
                [$x, $y] = [$c[0], $c[1]];
                $c = [$x, $y];

                continue;
            }
            $takes = match ($command) {
                'C', 'c' => 6,
                'H', 'h', 'V', 'v' => 1,
                default => 2,
            };
            if (isset($letters[$tokens[$k]]) || ($c === [] && $command !== 'M' && $command !== 'm')) {
                return null;
            }
            $relative = $command > 'Z';
            for (; ! isset($letters[$tokens[$k]]); $k += $takes) {
                if ($takes > 1 && isset($letters[$tokens[$k + $takes - 1] ?? 'M'])) {
                    return null;
                }
                $ox = $relative ? $x : 0.0;
                $oy = $relative ? $y : 0.0;
                $bx = $x;
                $by = $y;
                switch ($command) {
                    case 'C':
                    case 'c':
                        $x = $ox + (float) $tokens[$k + 4];
                        $y = $oy + (float) $tokens[$k + 5];
                        $c[] = $ox + (float) $tokens[$k];
                        $c[] = $oy + (float) $tokens[$k + 1];
                        $c[] = $ox + (float) $tokens[$k + 2];
                        $c[] = $oy + (float) $tokens[$k + 3];
                        $c[] = $x;
                        $c[] = $y;

                        continue 2;
                    case 'H':
                    case 'h':
                        $x = $ox + (float) $tokens[$k];
                        break;
                    case 'V':
                    case 'v':
                        $y = $oy + (float) $tokens[$k];
                        break;
                    default:
                        $x = $ox + (float) $tokens[$k];
                        $y = $oy + (float) $tokens[$k + 1];
                        if ($k === $i + 1 && ($command === 'M' || $command === 'm')) {
                            if (count($c) > 2) {
                                $out[] = new Contour($c, false);
                            }
                            $c = [$x, $y];

                            continue 2;
                        }
                }
                $c[] = $bx;
                $c[] = $by;
                $c[] = $x;
                $c[] = $y;
                $c[] = $x;
                $c[] = $y;
            }
        }
        if (count($c) > 2) {
            $out[] = new Contour($c, false);
        }

        return $out;
    }

    /**
     * @param  int  $most  segments that are taken
     * @return array{list<Contour>, int|null, list<list<int>>} what it draws, where it stopped being readable, and the nodes inside arcs
     *
     * @throws PathTooLong when it has more
     */
    public static function parse(string $text, int $most = PHP_INT_MAX): array
    {
        $quick = self::plain($text, $most);
        if ($quick !== null) {
            return [$quick, null, []];
        }
        $count = 0;
        $in = new Scanner($text);
        $pen = new Pen;
        $command = $in->command();
        if ($command === null || ! in_array($command, ['M', 'm'], true)) {
            return [[], $in->isAtEnd() ? null : 0, []];
        }
        $error = null;
        [$handleX, $handleY, $kind] = [0.0, 0.0, ''];
        $fresh = true;
        while (true) {
            $upper = strtoupper($command);
            $before = $in->position();
            if (++$count > $most) {
                throw PathTooLong::segments($most);
            }
            if ($upper === 'A') {
                $radii = $in->numbers(3);
                $large = $radii === null ? null : $in->flag();
                $sweep = $large === null ? null : $in->flag();
                $end = $sweep === null ? null : $in->numbers(2);
                if ($radii === null || $large === null || $sweep === null || $end === null) {
                    $error = $before;
                    break;
                }
                [$px, $py] = $pen->position();
                [$x, $y] = $command === 'a' ? [$end[0] + $px, $end[1] + $py] : $end;
                $pen->arcTo($radii[0], $radii[1], $radii[2], $large, $sweep, $x, $y);
                $kind = 'A';
            } elseif (! isset(self::PARAMETERS[$upper])) {
                $error = $before;
                break;
            } else {
                $n = $in->numbers(self::PARAMETERS[$upper]);
                if ($n === null) {
                    $error = $before;
                    break;
                }
                [$px, $py] = $pen->position();
                if ($command !== $upper) {
                    foreach ($n as $i => $value) {
                        $n[$i] = $value + ($upper === 'V' || $i % 2 === 1 ? $py : $px);
                    }
                }
                switch ($upper) {
                    case 'M':
                        $fresh ? $pen->moveTo($n[0], $n[1]) : $pen->lineTo($n[0], $n[1]);
                        break;
                    case 'L':
                        $pen->lineTo($n[0], $n[1]);
                        break;
                    case 'H':
                        $pen->lineTo($n[0], $py);
                        break;
                    case 'V':
                        $pen->lineTo($px, $n[0]);
                        break;
                    case 'C':
                        $pen->cubicTo($n[0], $n[1], $n[2], $n[3], $n[4], $n[5]);
                        [$handleX, $handleY] = [$n[2], $n[3]];
                        break;
                    case 'S':
                        [$x, $y] = $kind === 'C' ? [2 * $px - $handleX, 2 * $py - $handleY] : [$px, $py];
                        $pen->cubicTo($x, $y, $n[0], $n[1], $n[2], $n[3]);
                        [$handleX, $handleY] = [$n[0], $n[1]];
                        break;
                    case 'Q':
                        $pen->quadTo($n[0], $n[1], $n[2], $n[3]);
                        [$handleX, $handleY] = [$n[0], $n[1]];
                        break;
                    case 'T':
                        [$handleX, $handleY] = $kind === 'Q' ? [2 * $px - $handleX, 2 * $py - $handleY] : [$px, $py];
                        $pen->quadTo($handleX, $handleY, $n[0], $n[1]);
                        break;
                    default:
                        $pen->close();
                }
                $kind = ['S' => 'C', 'T' => 'Q'][$upper] ?? $upper;
            }
            $next = $in->command();
            if ($next !== null) {
                $command = $next;
                $fresh = true;

                continue;
            }
            if ($in->isAtEnd()) {
                break;
            }
            if ($upper === 'Z') {
                $error = $in->position();
                break;
            }
            // More parameters repeat the command; those after a move draw lines.
            $fresh = $upper !== 'M';
            if ($upper === 'M') {
                $command = $command === 'm' ? 'l' : 'L';
                $fresh = true;
            }
        }

        return [$pen->contours(), $error, $pen->partedArcs()];
    }
}
