<?php

declare(strict_types=1);

namespace NeatEdge\Devices;

/**
 * A cutter that takes plotter language over a serial-to-network box: steps of a fortieth of a millimetre, y upwards. Its blade trails the head by an offset and
 * swivels as a real one does. It answers the questions of the language: where it is (OA), how it is (OS), what was wrong (OE), how large it is (OH), what
 * it is (OI).
 */
final class Cutter extends Machine
{
    private const STEP = 0.025;

    private float $x = 0.0;

    private float $y = 0.0;

    private bool $down = false;

    private int $pen = 0;

    private int $error = 0;

    private bool $empty = false;

    private float $speed = 200.0;

    /** @var list<array{int, list<array{float, float}>}> pen and places of the tip, mm */
    private array $cuts = [];

    /** @var list<array{float, float, float, float}> ways in the air */
    private array $air = [];

    private float $length = 0.0;

    private float $tipX = 0.0;

    private float $tipY = 0.0;

    private float $heading = 0.0;

    /** Whether it goes with the least force. */
    private bool $light = false;

    protected function work(): bool
    {
        $end = strpos($this->buffer, ';');
        if ($end === false) {
            return false;
        }
        $word = trim(substr($this->buffer, 0, $end));
        $this->buffer = ltrim(substr($this->buffer, $end + 1));
        if ($this->empty && ! in_array(substr($word, 0, 2), ['OA', 'OS', 'OE', 'OI', 'OH'], true)) {
            return true;
        }
        $this->instruct(
            strtoupper(substr($word, 0, 2)),
            array_map(floatval(...), preg_split('/[\s,]+/', trim(substr($word, 2)), -1, PREG_SPLIT_NO_EMPTY) ?: []),
        );
        if ($this->fail === 'empty' && ! $this->failed && $this->deeds >= $this->after) {
            $this->failed = $this->empty = true;
            $this->down = false;
            $this->note('out of material');
        }

        return true;
    }

    protected function forget(): void
    {
        $this->buffer = '';
        if ($this->empty) {
            // Whoever comes next has put new material in.
            $this->empty = false;
            $this->note('material is there again');
        }
    }

    /** @param  list<float>  $v */
    private function instruct(string $word, array $v): void
    {
        match ($word) {
            'IN' => $this->initialise(),
            'SP' => $this->take((int) ($v[0] ?? 0)),
            'FS' => $this->force($v),
            'VS' => $this->speed = 10 * max(1.0, $v[0] ?? 20.0),
            'PU' => $this->move($v, false),
            'PD' => $this->move($v, true),
            'PA' => $this->move($v, $this->down),
            'OA' => $this->answer(sprintf("%d,%d,%d\r", (int) round($this->x), (int) round($this->y), $this->down ? 1 : 0)),
            'OS' => $this->answer(($this->empty ? 48 : ($this->error !== 0 ? 32 : 16))."\r"),
            'OE' => $this->tellError(),
            'OH' => $this->answer(sprintf("0,0,%d,%d\r", (int) ($this->width / self::STEP), (int) ($this->height / self::STEP))),
            'OI' => $this->answer("STAND-IN CUTTER\r"),
            default => $this->error = 1,
        };
    }

    private function tellError(): void
    {
        $this->answer(($this->empty ? 7 : $this->error)."\r");
        $this->error = 0;
    }

    private function initialise(): void
    {
        $this->begin('initialised');
        $this->cuts = $this->air = [];
        $this->length = 0.0;
        $this->down = $this->light = false;
        $this->error = 0;
        [$this->x, $this->y] = [0.0, 0.0];
        [$this->tipX, $this->tipY, $this->heading] = [-$this->blade, 0.0, 0.0];
    }

    private function take(int $pen): void
    {
        $this->rest();
        $this->pen = $pen;
        $this->down = false;
        if ($pen === 0) {
            $this->note('done');
            $this->leave();
        }
    }

    /**
     * With the least force the blade only scratches: what it does so is kept apart.
     *
     * @param  list<float>  $v
     */
    private function force(array $v): void
    {
        $this->light = $v !== [] && $v[0] <= 1;
        if ($this->down) {
            $this->cuts[] = [$this->light ? -1 : $this->pen, [[$this->tipX, $this->tipY]]];
        }
    }

    /** @param  list<float>  $v */
    private function move(array $v, bool $down): void
    {
        if ($down !== $this->down) {
            $this->rest();
            $this->spend($this->lift);
            $this->down = $down;
            if ($down) {
                // Let down, the tip stands behind the head the way it looked last.
                [$this->tipX, $this->tipY] = [
                    $this->x * self::STEP - $this->blade * cos($this->heading),
                    $this->y * self::STEP - $this->blade * sin($this->heading),
                ];
                $this->cuts[] = [$this->light ? -1 : $this->pen, [[$this->tipX, $this->tipY]]];
            }
        }
        for ($i = 0, $n = count($v) - 1; $i < $n; $i += 2) {
            $this->go($v[$i], $v[$i + 1]);
        }
    }

    private function go(float $x, float $y): void
    {
        if ($x < -1 || $y < -1 || $x * self::STEP > $this->width + 0.03 || $y * self::STEP > $this->height + 0.03) {
            $this->error = 6;
            $this->note(sprintf('refused %.2f, %.2f mm: beyond the bed', $x * self::STEP, $y * self::STEP));

            return;
        }
        $mm = hypot($x - $this->x, $y - $this->y) * self::STEP;
        if ($this->down) {
            $this->length += $mm;
            $this->trail($x * self::STEP, $y * self::STEP);
            $this->along($x * self::STEP - $this->x * self::STEP, $y * self::STEP - $this->y * self::STEP, $this->speed);
        } else {
            $this->air[] = [$this->x * self::STEP, $this->y * self::STEP, $x * self::STEP, $y * self::STEP];
            $this->fly($x * self::STEP - $this->x * self::STEP, $y * self::STEP - $this->y * self::STEP);
        }
        [$this->x, $this->y] = [$x, $y];
    }

    /** The tip is drawn along behind the head, always looking at it. */
    private function trail(float $x, float $y): void
    {
        [$hx, $hy] = [$this->x * self::STEP, $this->y * self::STEP];
        $last = count($this->cuts) - 1;
        $steps = $this->blade <= 0 ? 1 : max(1, (int) ceil(hypot($x - $hx, $y - $hy) / ($this->blade / 8)));
        for ($k = 1; $k <= $steps; $k++) {
            [$ax, $ay] = [$hx + ($x - $hx) * $k / $steps, $hy + ($y - $hy) * $k / $steps];
            $d = hypot($ax - $this->tipX, $ay - $this->tipY);
            if ($this->blade <= 0) {
                [$this->tipX, $this->tipY] = [$ax, $ay];
            } elseif ($d > 1e-9) {
                $this->heading = atan2($ay - $this->tipY, $ax - $this->tipX);
                [$this->tipX, $this->tipY] = [$ax - $this->blade * cos($this->heading), $ay - $this->blade * sin($this->heading)];
            }
            $this->cuts[$last][1][] = [$this->tipX, $this->tipY];
        }
    }

    protected function drawing(): string
    {
        $drawing = self::head($this->width, $this->height).sprintf(
            "<g transform=\"matrix(1 0 0 -1 0 %.2F)\" fill=\"none\" stroke-linejoin=\"round\">\n",
            $this->height,
        );
        foreach ($this->air as [$ax, $ay, $bx, $by]) {
            $drawing .= sprintf("<path d=\"M%.3F %.3FL%.3F %.3F\" stroke=\"#9bb\" stroke-width=\".15\" stroke-dasharray=\"1 1\"/>\n", $ax, $ay, $bx, $by);
        }
        foreach ($this->cuts as [$pen, $places]) {
            $drawing .= '<path data-pen="'.($pen < 0 ? 'light' : $pen).'" d="M'.implode(
                'L',
                array_map(static fn (array $p): string => sprintf('%.4F %.4F', $p[0], $p[1]), $places),
            ).'" stroke="'.($pen < 0 ? '#ccc' : ['#222', '#1d5c46', '#3b6ea5', '#4f9a2c', '#a0522d', '#5b4a8a'][$pen] ?? '#222')."\" stroke-width=\".25\"/>\n";
        }

        return $drawing."</g></svg>\n";
    }

    protected function numbers(): array
    {
        return [
            'machine' => 'cutter',
            'cut_mm' => round($this->length, 3),
            'air_mm' => round(array_sum(array_map(static fn (array $a): float => hypot($a[2] - $a[0], $a[3] - $a[1]), $this->air)), 3),
            'cuts' => count($this->cuts),
        ];
    }
}
