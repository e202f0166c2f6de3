<?php

declare(strict_types=1);

namespace NeatEdge\Core\Format\GCode;

use Closure;
use NeatEdge\Core\Described\Field;
use NeatEdge\Core\Described\Values;
use NeatEdge\Core\Format\AboutFormat;
use NeatEdge\Core\Format\LayoutWriter;
use NeatEdge\Core\Format\Outlines;
use NeatEdge\Core\Geometry\Arc;
use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\Cubic;
use NeatEdge\Core\Geometry\Polyline;
use NeatEdge\Core\Patience\Patience;
use NeatEdge\Core\Sheet\Cut\Moves;
use NeatEdge\Core\Sheet\Layout\Layer;
use NeatEdge\Core\Sheet\Layout\Layout;

/**
 * Numerical control for lasers and spindles (ISO 6983): millimetres, absolute, y upwards, arcs as arcs. Areas are filled before outlines are followed; between
 * lines the head is off.
 */
final readonly class GCodeWriter implements LayoutWriter
{
    /** mm that arcs and chords leave curves by. */
    private const FLAT = 0.01;

    /** @param  array<string, float>  $machine  travel, gather, lift: see MachineTime */
    private function __construct(
        private bool $spindle,
        private float $power,
        private float $speed,
        private int $passes,
        private float $depth,
        private float $safe,
        private array $machine,
    ) {
    }

    public static function about(): AboutFormat
    {
        return new AboutFormat('gcode', 'G-code', 'gcode', 'text/x-gcode', 'For lasers and spindles: fills first, then lines.', false, [
            Field::choice('head', 'Head', 'laser', ['laser' => 'Laser', 'spindle' => 'Spindle']),
            Field::number('power', 'Power', 40.0, 0.0, 100.0),
            Field::number('speed', 'Speed, mm/s', 30.0, 0.1, 2000.0),
            Field::count('passes', 'Passes', 1, 1, 100),
            Field::length('depth', 'Depth a pass', 0.1, 0.0, 'of a spindle'), Field::length('safe', 'Safe height', 2.0, 0.1, 'at which a spindle travels'),
            Field::number('travel', 'Travel speed, mm/s', 400.0, 1.0, 5000.0), Field::number('gather', 'Gathers speed by, mm/s²', 2000.0, 1.0, 1e5),
            Field::number('lift', 'Up or down, seconds, of a spindle', 0.0, 0.0, 10.0),
        ]);
    }

    public static function from(Values $values): self
    {
        $v = $values->all();

        return new self(
            $v['head'] === 'spindle',
            (float) $v['power'],
            (float) $v['speed'],
            (int) $v['passes'],
            (float) $v['depth'],
            (float) $v['safe'],
            ['travel' => (float) $v['travel'], 'gather' => (float) $v['gather'], 'lift' => (float) $v['lift']],
        );
    }

    public function loses(Layout $layout): array
    {
        return Outlines::lost($layout, 'G-code');
    }

    public function write(array $layouts, Closure $put): void
    {
        $layout = $layouts[0]->with(layers: Outlines::layers($layouts[0]));
        $this->heading($layout, $put);
        $put("G21 G90 G17\nM5\n".($this->spindle ? sprintf("G0 Z%s\nM3 S%d\n", self::number($this->safe), (int) round(10 * $this->power)) : ''));
        foreach ($layout->layers as $layer) {
            $put('('.self::comment("{$layer->role->label()}: {$layer->name}").")\n");
            $passes = (int) ($layer->use['passes'] ?? $this->passes);
            for ($pass = 1; $pass <= $passes; $pass++) {
                $this->hatch($layer, $layout, $pass, $put);
                foreach ($layer->role->isPath() ? $layer->lines : Outlines::of($layer) as $line) {
                    Patience::ask(64);
                    $this->line($line, $layer, $layout, $pass, $put);
                }
            }
        }
        $put("M5\n".($this->spindle ? 'G0 Z'.self::number($this->safe)."\n" : '')."G0 X0 Y0\nM2\n");
    }

    /** @param  Closure(string): void  $put */
    private function heading(Layout $layout, Closure $put): void
    {
        $box = $layout->box();
        $used = array_map(fn (Layer $layer): Layer => $layer->using(['speed' => $this->speed, 'passes' => $this->passes, ...$layer->use]), $layout->layers);
        $seconds = Moves::of($layout->with(layers: $used), [...$this->machine, 'kind' => 'engraver'])['seconds'];
        $put('('.self::comment($layout->title).")\n");
        $put(sprintf(
            "(Material: %s, sheet %.1f x %.1f mm)\n",
            self::comment($layout->material === '' ? 'as chosen' : $layout->material),
            $layout->width,
            $layout->height,
        ));
        $put($box === null ? "(Nothing to make)\n" : sprintf(
            "(Art %.2f x %.2f mm from X%.2f Y%.2f)\n",
            $box->width(),
            $box->height(),
            $box->left,
            $layout->height - $box->bottom,
        ));
        $put(sprintf("(About %d min %02d s, %.0f mm of lines)\n", intdiv((int) round($seconds), 60), (int) round($seconds) % 60, $layout->length()));
    }

    private function feed(Layer $layer): string
    {
        return self::number(60 * (float) ($layer->use['speed'] ?? $this->speed), 1);
    }

    private function on(Layer $layer, int $pass): string
    {
        return $this->spindle
            ? 'G1 Z'.self::number(-$pass * (float) ($layer->use['depth'] ?? $this->depth)).' F'.self::number(20 * $this->speed, 1)."\n"
            : sprintf("M3 S%d\n", (int) round(10 * (float) ($layer->use['power'] ?? $this->power)));
    }

    private function off(): string
    {
        return $this->spindle ? 'G0 Z'.self::number($this->safe)."\n" : "M5\n";
    }

    /** @param  Closure(string): void  $put */
    private function hatch(Layer $layer, Layout $layout, int $pass, Closure $put): void
    {
        $over = (float) ($layer->use['overscan'] ?? 0.0);
        $h = $layer->hatch;
        for ($i = 0, $n = count($h); $i < $n; $i += 4) {
            Patience::ask(8);
            [$ax, $ay, $bx, $by] = [$h[$i], $layout->height - $h[$i + 1], $h[$i + 2], $layout->height - $h[$i + 3]];
            $length = max(1e-9, hypot($bx - $ax, $by - $ay));
            [$ux, $uy] = [$over * ($bx - $ax) / $length, $over * ($by - $ay) / $length];
            $put('G0 '.self::place($ax - $ux, $ay - $uy)."\n");
            if ($over > 0) {
                // Up to speed before the head is on, and down from it after it is off.
                $put('G1 '.self::place($ax, $ay).' F'.$this->feed($layer)."\n");
            }
            $put($this->on($layer, $pass).'G1 '.self::place($bx, $by).' F'.$this->feed($layer)."\n".$this->off());
            if ($over > 0) {
                $put('G1 '.self::place($bx + $ux, $by + $uy)."\n");
            }
        }
    }

    /** @param  Closure(string): void  $put */
    private function line(Contour $line, Layer $layer, Layout $layout, int $pass, Closure $put): void
    {
        $h = $layout->height;
        $put('G0 '.self::place($line->coords[0], $h - $line->coords[1])."\n".$this->on($layer, $pass));
        $feed = ' F'.$this->feed($layer);
        foreach ($line->closed ? $line->closedSegments() : $line->segments() as $s) {
            $arc = Arc::of($s, self::FLAT);
            if ($arc !== null && abs($arc->sweep) * $arc->radius > 0.05) {
                // Clockwise on the bench is so for the machine too: both look at it from above, whichever way y is counted.
                $put(($arc->sweep > 0 ? 'G2 '
                    : 'G3 ').self::place($s[6], $h - $s[7]).' I'.self::number($arc->x - $s[0]).' J'.self::number($s[1] - $arc->y).$feed."\n");
            } else {
                for ($k = 1, $n = Polyline::chords($s, self::FLAT); $k <= $n; $k++) {
                    [$x, $y] = Cubic::placeOn($s, $k / $n);
                    $put('G1 '.self::place($x, $h - $y).$feed."\n");
                    $feed = '';
                }
            }
            $feed = '';
        }
        $put($this->off());
    }

    private static function place(float $x, float $y): string
    {
        return 'X'.self::number($x).' Y'.self::number($y);
    }

    private static function number(float $value, int $digits = 4): string
    {
        $text = number_format($value, $digits, '.', '');
        $text = str_contains($text, '.') ? rtrim(rtrim($text, '0'), '.') : $text;

        return $text === '-0' ? '0' : $text;
    }

    private static function comment(string $text): string
    {
        return trim(preg_replace('/[^\x20-\x7E]|[()]/', '', (string) iconv('UTF-8', 'ASCII//TRANSLIT//IGNORE', mb_scrub($text))) ?? '');
    }
}
