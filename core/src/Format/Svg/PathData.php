<?php

declare(strict_types=1);

namespace NeatEdge\Core\Format\Svg;

use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\Pen;

/**
 * The d attribute.
 *
 * @source SVG 2, 9.3; on an error what came before it is drawn (9.5.4)
 */
final class PathData
{
    private const PARAMETERS = ['M' => 2, 'L' => 2, 'H' => 1, 'V' => 1, 'C' => 6, 'S' => 4, 'Q' => 4, 'T' => 2, 'Z' => 0];

    /**
     * @param  int  $most  segments that are taken
     * @return array{list<Contour>, int|null} what it draws, and where it stopped being readable
     *
     * @throws SvgRefused when it has more
     */
    public static function parse(string $text, int $most = PHP_INT_MAX): array
    {
        $count = 0;
        $in = new Scanner($text);
        $pen = new Pen;
        $command = $in->command();
        if ($command === null || ! in_array($command, ['M', 'm'], true)) {
            return [[], $in->isAtEnd() ? null : 0];
        }
        $error = null;
        [$handleX, $handleY, $kind] = [0.0, 0.0, ''];
        $fresh = true;
        while (true) {
            $upper = strtoupper($command);
            $before = $in->position();
            if (++$count > $most) {
                throw SvgRefused::tooManySegments($most);
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

        return [$pen->contours(), $error];
    }
}
