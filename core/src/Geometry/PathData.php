<?php

declare(strict_types=1);

namespace NeatEdge\Core\Geometry;

/**
 * The d attribute.
 *
 * @source SVG 2, 9.3; on an error what came before it is drawn (9.5.4)
 */
final class PathData
{
    /** How many numbers each command takes. */
    private const PARAMETERS = ['M' => 2, 'L' => 2, 'H' => 1, 'V' => 1, 'C' => 6, 'S' => 4, 'Q' => 4, 'T' => 2, 'Z' => 0];

    private Pen $pen;

    /** The command before, as a letter of its kind: what a smooth curve goes on from. */
    private string $kind = '';

    /** The handle that a smooth curve mirrors. */
    private float $handleX = 0.0;

    private float $handleY = 0.0;

    private function __construct(private readonly Scanner $in)
    {
        $this->pen = new Pen;
    }

    /**
     * @param  int  $most  segments that are taken
     * @return array{list<Contour>, int|null, list<list<int>>} what it draws, where it stopped being readable, and the nodes inside arcs
     *
     * @throws PathTooLong when it has more
     */
    public static function parse(string $text, int $most = PHP_INT_MAX): array
    {
        $quick = PlainPath::read($text, $most);
        if ($quick !== null) {
            return [$quick, null, []];
        }
        $self = new self(new Scanner($text));
        $error = $self->read($most);

        return [$self->pen->contours(), $error, $self->pen->partedArcs()];
    }

    /** @return int|null where it stopped being readable */
    private function read(int $most): ?int
    {
        $command = $this->in->command();
        if ($command === null || strtoupper($command) !== 'M') {
            return $this->in->isAtEnd() ? null : 0;
        }
        $fresh = true;
        for ($count = 1; ; $count++) {
            $upper = strtoupper($command);
            $before = $this->in->position();
            if ($count > $most) {
                throw PathTooLong::segments($most);
            }
            if (! ($upper === 'A' ? $this->arc($command === 'a') : $this->segment($upper, $command !== $upper, $fresh))) {
                return $before;
            }
            $next = $this->in->command();
            $fresh = true;
            if ($next !== null) {
                $command = $next;
            } elseif ($this->in->isAtEnd()) {
                return null;
            } elseif ($upper === 'Z') {
                return $this->in->position();
            } elseif ($upper === 'M') {
                // More parameters repeat the command; those after a move draw lines.
                $command = $command === 'm' ? 'l' : 'L';
            } else {
                $fresh = false;
            }
        }
    }

    /** @return bool whether it could be read */
    private function arc(bool $relative): bool
    {
        $radii = $this->in->numbers(3);
        $large = $radii === null ? null : $this->in->flag();
        $sweep = $large === null ? null : $this->in->flag();
        $end = $sweep === null ? null : $this->in->numbers(2);
        if ($radii === null || $large === null || $sweep === null || $end === null) {
            return false;
        }
        [$px, $py] = $relative ? $this->pen->position() : [0.0, 0.0];
        $this->pen->arcTo($radii[0], $radii[1], $radii[2], $large, $sweep, $end[0] + $px, $end[1] + $py);
        $this->kind = 'A';

        return true;
    }

    /** @return bool whether it could be read */
    private function segment(string $upper, bool $relative, bool $fresh): bool
    {
        $n = isset(self::PARAMETERS[$upper]) ? $this->in->numbers(self::PARAMETERS[$upper]) : null;
        if ($n === null) {
            return false;
        }
        if ($relative) {
            [$px, $py] = $this->pen->position();
            foreach ($n as $i => $value) {
                $n[$i] = $value + ($upper === 'V' || $i % 2 === 1 ? $py : $px);
            }
        }
        $this->draw($upper, $n, $fresh);
        $this->kind = ['S' => 'C', 'T' => 'Q'][$upper] ?? $upper;

        return true;
    }

    /** @param  list<float>  $n  where it goes, on the page */
    private function draw(string $upper, array $n, bool $fresh): void
    {
        $pen = $this->pen;
        [$px, $py] = $pen->position();
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
                [$this->handleX, $this->handleY] = [$n[2], $n[3]];
                break;
            case 'S':
                [$x, $y] = $this->mirrored('C', $px, $py);
                $pen->cubicTo($x, $y, $n[0], $n[1], $n[2], $n[3]);
                [$this->handleX, $this->handleY] = [$n[0], $n[1]];
                break;
            case 'Q':
                $pen->quadTo($n[0], $n[1], $n[2], $n[3]);
                [$this->handleX, $this->handleY] = [$n[0], $n[1]];
                break;
            case 'T':
                [$this->handleX, $this->handleY] = $this->mirrored('Q', $px, $py);
                $pen->quadTo($this->handleX, $this->handleY, $n[0], $n[1]);
                break;
            default:
                $pen->close();
        }
    }

    /** @return array{float, float} the handle before, on the other side of the pen; the pen itself after anything but a curve of that kind */
    private function mirrored(string $kind, float $px, float $py): array
    {
        return $this->kind === $kind ? [2 * $px - $this->handleX, 2 * $py - $this->handleY] : [$px, $py];
    }
}
