<?php

declare(strict_types=1);

namespace NeatEdge\Core\Type;

use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\Pen;
use UnexpectedValueException;

/**
 * Outlines of a font whose glyphs are cubic curves: the CFF table of OpenType.
 *
 * @source Adobe Technical Notes 5176 (The Compact Font Format Specification) and 5177 (The Type 2 Charstring Format)
 */
final class CffOutlines
{
    private const MOST_STEPS = 100_000;

    private const DEEPEST = 10;

    /** @var list<string> */
    private array $charStrings;

    /** @var list<string> */
    private array $global;

    /** @var list<list<string>> local subroutines by font dictionary */
    private array $local = [];

    /** @var list<int> font dictionary by glyph, of a CID-keyed font */
    private array $dictionaries = [];

    /** @var list<float> */
    private array $stack = [];

    private int $steps = 0;

    private int $hints = 0;

    private bool $begun = false;

    private float $x = 0.0;

    private float $y = 0.0;

    private Pen $pen;

    /** @param  string  $data  the table */
    public function __construct(private readonly string $data)
    {
        $at = $this->byte(2);
        $this->index($at);
        $top = $this->dictionary($this->index($at)[0] ?? '');
        $this->index($at);
        $this->global = $this->index($at);
        $charStrings = (int) ($top[17][0] ?? 0);
        $this->charStrings = $charStrings > 0 ? $this->index($charStrings) : throw new UnexpectedValueException('There are no glyphs in it.');
        if (isset($top[1236])) {
            $array = (int) $top[1236][0];
            foreach ($this->index($array) as $font) {
                $this->local[] = $this->subroutines($this->dictionary($font));
            }
            $this->dictionaries = $this->select((int) ($top[1237][0] ?? 0));
        } else {
            $this->local[] = $this->subroutines($top);
        }
        $this->pen = new Pen;
    }

    /** @return list<Contour> in font units, y up */
    public function outline(int $glyph): array
    {
        $code = $this->charStrings[$glyph] ?? null;
        if ($code === null) {
            return [];
        }
        $this->pen = new Pen;
        $this->stack = [];
        [$this->steps, $this->hints, $this->begun, $this->x, $this->y] = [0, 0, false, 0.0, 0.0];
        $this->run($code, $this->local[$this->dictionaries[$glyph] ?? 0] ?? [], 0);
        $this->end();

        return $this->pen->contours();
    }

    /**
     * @param  list<string>  $local
     * @return bool whether the glyph has ended
     */
    private function run(string $code, array $local, int $depth): bool
    {
        $length = strlen($code);
        for ($i = 0; $i < $length;) {
            if (++$this->steps > self::MOST_STEPS) {
                throw new UnexpectedValueException('A glyph does not end.');
            }
            $op = ord($code[$i++]);
            if ($op >= 32 || $op === 28) {
                $this->stack[] = self::number($code, $i, $op);
                if (count($this->stack) > 200) {
                    throw new UnexpectedValueException('A glyph has too many numbers.');
                }

                continue;
            }
            if ($op === 10 || $op === 29) {
                $all = $op === 10 ? $local : $this->global;
                $count = count($all);
                $number = (int) array_pop($this->stack) + ($count < 1240 ? 107 : ($count < 33900 ? 1131 : 32768));
                if ($depth >= self::DEEPEST || ! isset($all[$number])) {
                    throw new UnexpectedValueException('A glyph calls what is not there.');
                }
                if ($this->run($all[$number], $local, $depth + 1)) {
                    return true;
                }

                continue;
            }
            if ($op === 11) {
                return false;
            }
            if ($op === 14) {
                return true;
            }
            if ($op === 19 || $op === 20) {
                $this->hints += intdiv(count($this->stack), 2);
                $this->stack = [];
                $i += intdiv($this->hints + 7, 8);

                continue;
            }
            $this->draw($op === 12 ? 1200 + ord($code[$i++] ?? "\0") : $op);
        }

        return false;
    }

    private function draw(int $op): void
    {
        $s = $this->stack;
        $n = count($s);
        $this->stack = [];
        [$x, $y] = [$s[$n - 2] ?? 0.0, $s[$n - 1] ?? 0.0];
        switch ($op) {
            case 1: case 3: case 18: case 23:
                $this->hints += intdiv($n, 2);
                break;
            case 21:
                $this->begin($x, $y);
                break;
            case 22:
                $this->begin($y, 0.0);
                break;
            case 4:
                $this->begin(0.0, $y);
                break;
            case 5:
                $this->lines($s, $n);
                break;
            case 6: case 7:
                $this->steps($s, $op === 6);
                break;
            case 8:
                $this->curves($s, 0, $n);
                break;
            case 24:
                $this->curves($s, 0, $n - 2);
                $this->line($x, $y);
                break;
            case 25:
                $this->lines($s, $n - 6);
                $this->curves($s, max(0, $n - 6), $n);
                break;
            default:
                $this->drawCurved($op, $s);
        }
    }

    /** @param  list<float>  $s */
    private function drawCurved(int $op, array $s): void
    {
        match ($op) {
            26, 27 => $this->alike($s, $op === 26),
            30, 31 => $this->inTurns($s, $op === 31),
            1234 => $this->flex($s, [0, null, 1, 2, 3, null, 4, null, 5, '-2', 6, null]),
            1235 => $this->flex($s, [0, 1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11]),
            1236 => $this->flex($s, [0, 1, 2, 3, 4, null, 5, null, 6, 7, 8, 'back']),
            1237 => $this->flexOne($s),
            default => throw new UnexpectedValueException('A glyph is drawn in a way that is not known.'),
        };
    }

    /**
     * Lines that go level and upright in turns.
     *
     * @param  list<float>  $s
     */
    private function steps(array $s, bool $level): void
    {
        foreach ($s as $i => $length) {
            $level === ($i % 2 === 0) ? $this->line($length, 0.0) : $this->line(0.0, $length);
        }
    }

    /**
     * Curves that all begin and end upright, or all level.
     *
     * @param  list<float>  $s
     */
    private function alike(array $s, bool $upright): void
    {
        $n = count($s);
        $extra = $n % 4 === 1 ? $s[0] : 0.0;
        for ($i = $n % 4; $i + 3 < $n; $i += 4) {
            $upright
                ? $this->curve($extra, $s[$i], $s[$i + 1], $s[$i + 2], 0.0, $s[$i + 3])
                : $this->curve($s[$i], $extra, $s[$i + 1], $s[$i + 2], $s[$i + 3], 0.0);
            $extra = 0.0;
        }
    }

    /**
     * Curves that begin level and end upright, and the other way round in turns.
     *
     * @param  list<float>  $s
     */
    private function inTurns(array $s, bool $level): void
    {
        $n = count($s);
        for ($i = 0; $i + 3 < $n; $i += 4) {
            $last = $n - $i === 5 ? $s[$i + 4] : 0.0;
            $level
                ? $this->curve($s[$i], 0.0, $s[$i + 1], $s[$i + 2], $last, $s[$i + 3])
                : $this->curve(0.0, $s[$i], $s[$i + 1], $s[$i + 2], $s[$i + 3], $last);
            $level = ! $level;
        }
    }

    /**
     * Two curves; where a value is not given it is nothing, or leads back to the height from which it began.
     *
     * @param  list<float>  $s
     * @param  list<int|string|null>  $from  for both curves: numbers of the operands; "-2" repeats the second height backwards, "back" all heights so far
     */
    private function flex(array $s, array $from): void
    {
        $v = [];
        foreach ($from as $k => $one) {
            $v[$k] = match (true) {
                is_int($one) => $s[$one] ?? 0.0,
                $one === '-2' => -($s[2] ?? 0.0),
                $one === 'back' => -(($v[1] ?? 0.0) + ($v[3] ?? 0.0) + ($v[5] ?? 0.0) + ($v[7] ?? 0.0) + ($v[9] ?? 0.0)),
                default => 0.0,
            };
        }
        $this->curve($v[0], $v[1], $v[2], $v[3], $v[4], $v[5]);
        $this->curve($v[6], $v[7], $v[8], $v[9], $v[10], $v[11]);
    }

    /** @param  list<float>  $s */
    private function flexOne(array $s): void
    {
        $s = array_pad($s, 11, 0.0);
        $dx = $s[0] + $s[2] + $s[4] + $s[6] + $s[8];
        $dy = $s[1] + $s[3] + $s[5] + $s[7] + $s[9];
        [$lastX, $lastY] = abs($dx) > abs($dy) ? [$s[10], -$dy] : [-$dx, $s[10]];
        $this->curve($s[0], $s[1], $s[2], $s[3], $s[4], $s[5]);
        $this->curve($s[6], $s[7], $s[8], $s[9], $lastX, $lastY);
    }

    private function begin(float $dx, float $dy): void
    {
        $this->end();
        $this->begun = true;
        $this->x += $dx;
        $this->y += $dy;
        $this->pen->moveTo($this->x, $this->y);
    }

    private function end(): void
    {
        if ($this->begun) {
            $this->pen->close();
        }
    }

    /** @param  list<float>  $s */
    private function lines(array $s, int $to): void
    {
        for ($i = 0; $i + 1 < $to; $i += 2) {
            $this->line($s[$i], $s[$i + 1]);
        }
    }

    private function line(float $dx, float $dy): void
    {
        $this->held();
        $this->x += $dx;
        $this->y += $dy;
        $this->pen->lineTo($this->x, $this->y);
    }

    /** @param  list<float>  $s */
    private function curves(array $s, int $from, int $to): void
    {
        for ($i = $from; $i + 5 < $to; $i += 6) {
            $this->curve($s[$i], $s[$i + 1], $s[$i + 2], $s[$i + 3], $s[$i + 4], $s[$i + 5]);
        }
    }

    private function curve(float $dxa, float $dya, float $dxb, float $dyb, float $dxc, float $dyc): void
    {
        $this->held();
        [$ax, $ay] = [$this->x + $dxa, $this->y + $dya];
        [$bx, $by] = [$ax + $dxb, $ay + $dyb];
        [$this->x, $this->y] = [$bx + $dxc, $by + $dyc];
        $this->pen->cubicTo($ax, $ay, $bx, $by, $this->x, $this->y);
    }

    private function held(): void
    {
        if (! $this->begun) {
            throw new UnexpectedValueException('A glyph draws before it has begun.');
        }
    }

    private static function number(string $code, int &$i, int $op): float
    {
        $byte = static fn (int $at): int => ord($code[$at] ?? "\0");
        if ($op === 28) {
            $value = ($byte($i) << 8) | $byte($i + 1);
            $i += 2;

            return (float) ($value >= 0x8000 ? $value - 0x10000 : $value);
        }
        if ($op < 247) {
            return (float) ($op - 139);
        }
        if ($op < 255) {
            $next = $byte($i++);

            return (float) ($op < 251 ? ($op - 247) * 256 + $next + 108 : -($op - 251) * 256 - $next - 108);
        }
        $value = ($byte($i) << 24) | ($byte($i + 1) << 16) | ($byte($i + 2) << 8) | $byte($i + 3);
        $i += 4;

        return ($value >= 0x80000000 ? $value - 0x100000000 : $value) / 65536;
    }

    private function byte(int $at): int
    {
        return ord($this->data[$at] ?? throw new UnexpectedValueException('The outlines are cut off.'));
    }

    private function wide(int $at, int $bytes): int
    {
        $value = 0;
        for ($k = 0; $k < $bytes; $k++) {
            $value = ($value << 8) | $this->byte($at + $k);
        }

        return $value;
    }

    /** @return list<string> and $at behind it */
    private function index(int &$at): array
    {
        $count = $this->wide($at, 2);
        $at += 2;
        if ($count === 0) {
            return [];
        }
        $width = $this->byte($at++);
        if ($width < 1 || $width > 4) {
            throw new UnexpectedValueException('A list is damaged.');
        }
        $base = $at + ($count + 1) * $width - 1;
        $entries = [];
        $from = $this->wide($at, $width);
        for ($i = 1; $i <= $count; $i++) {
            $to = $this->wide($at + $i * $width, $width);
            if ($to < $from || $base + $to > strlen($this->data)) {
                throw new UnexpectedValueException('A list is damaged.');
            }
            $entries[] = substr($this->data, $base + $from, $to - $from);
            $from = $to;
        }
        $at = $base + $from;

        return $entries;
    }

    /** @return array<int, list<float>> operands by operator; two-byte ones from 1200 on */
    private function dictionary(string $text): array
    {
        $known = $operands = [];
        for ($i = 0, $n = strlen($text); $i < $n;) {
            $b = ord($text[$i++]);
            if ($b <= 21) {
                $known[$b === 12 ? 1200 + ord($text[$i++] ?? "\0") : $b] = $operands;
                $operands = [];
            } elseif ($b === 30) {
                $real = '';
                do {
                    $pair = ord($text[$i++] ?? "\xff");
                    foreach ([$pair >> 4, $pair & 15] as $nibble) {
                        $real .= ['0', '1', '2', '3', '4', '5', '6', '7', '8', '9', '.', 'E', 'E-', '', '-', ''][$nibble];
                    }
                } while (($pair & 15) !== 15 && $i < $n);
                $operands[] = (float) $real;
            } elseif ($b === 29) {
                $value = (int) (unpack('N', str_pad(substr($text, $i, 4), 4, "\0"))[1] ?? 0);
                $operands[] = (float) ($value >= 0x80000000 ? $value - 0x100000000 : $value);
                $i += 4;
            } elseif ($b !== 255) {
                $operands[] = self::number($text, $i, $b);
            }
        }

        return $known;
    }

    /**
     * @param  array<int, list<float>>  $dictionary
     * @return list<string>
     */
    private function subroutines(array $dictionary): array
    {
        [$size, $offset] = [(int) ($dictionary[18][0] ?? 0), (int) ($dictionary[18][1] ?? 0)];
        $private = $this->dictionary(substr($this->data, $offset, $size));
        $at = $offset + (int) ($private[19][0] ?? 0);

        return isset($private[19][0]) ? $this->index($at) : [];
    }

    /** @return list<int> */
    private function select(int $at): array
    {
        $count = count($this->charStrings);
        $glyphs = [];
        if ($this->byte($at) === 0) {
            for ($i = 0; $i < $count; $i++) {
                $glyphs[] = $this->byte($at + 1 + $i);
            }

            return $glyphs;
        }
        $ranges = $this->wide($at + 1, 2);
        for ($i = 0; $i < $ranges; $i++) {
            $next = $this->wide($at + 6 + 3 * $i, 2);
            while (count($glyphs) < min($next, $count)) {
                $glyphs[] = $this->byte($at + 5 + 3 * $i);
            }
        }

        return $glyphs;
    }
}
