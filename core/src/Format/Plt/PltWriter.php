<?php

declare(strict_types=1);

namespace NeatEdge\Core\Format\Plt;

use Closure;
use NeatEdge\Core\Described\Field;
use NeatEdge\Core\Described\Values;
use NeatEdge\Core\Format\AboutFormat;
use NeatEdge\Core\Format\LayoutWriter;
use NeatEdge\Core\Format\Outlines;
use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Patience\Patience;
use NeatEdge\Core\Sheet\Cut\Steered;
use NeatEdge\Core\Sheet\Layout\Layout;
use NeatEdge\Core\Sheet\Layout\Role;

/** Plotter language for cutters: pens up and down in steps of a fortieth of a millimetre, y upwards. */
final readonly class PltWriter implements LayoutWriter
{
    /** Steps a mm. */
    public const STEPS = 40;

    /** Places in one instruction: machines have small buffers. */
    private const MOST = 40;

    /** The pen of each kind of cut, where every kind has its own. */
    private const PENS = ['kiss' => 1, 'weed' => 2, 'through' => 3, 'line' => 4, 'fill' => 5, 'mark' => 6, 'print' => 7, 'plate' => 8];

    /** @param  float  $blade  mm from the axis to the tip of a drag knife; none when nought */
    private function __construct(
        private float $blade,
        private float $overcut,
        private float $corner,
        private string $origin,
        private bool $pens,
        private bool $lightly,
    ) {
    }

    public static function about(): AboutFormat
    {
        return new AboutFormat('plt', 'PLT (HPGL)', 'plt', 'application/vnd.hp-hpgl', 'Pen up, pen down, each place rounded to 0.025 mm: what vinyl'
            .' cutters read.', false, [
                Field::length('blade', 'Blade offset', 0.0, 0.0, 'from the axis of a drag knife to its tip; 0 where the cutter does it itself'),
                Field::length('overcut', 'Overcut', 0.3, 0.0, 'past the start of a closed cut'),
                new Field('corner', 'Turn the blade from', Field::ANGLE, 15.0, 1.0, 170.0, help: 'at corners sharper than this the blade is turned by itself'),
                Field::choice(
                    'swivel',
                    'Corners',
                    'depth',
                    ['depth' => 'Blade down', 'light' => 'Blade lifted'],
                    'how the blade is turned at corners; lifted is with the least force, where the cutter knows forces',
                ),
                Field::choice('origin', 'Origin', 'corner', ['corner' => 'Lower left', 'middle' => 'Middle']),
                Field::flag('pens', 'Separate tool for kiss cut and through cut', true),
            ]);
    }

    public static function from(Values $values): self
    {
        $v = $values->all();

        return new self((float) $v['blade'], (float) $v['overcut'], (float) $v['corner'], (string) $v['origin'], (bool) $v['pens'], $v['swivel'] === 'light');
    }

    public function loses(Layout $layout): array
    {
        return Outlines::lost($layout, 'PLT');
    }

    public function write(array $layouts, Closure $put): void
    {
        $layout = $layouts[0]->with(layers: Outlines::layers($layouts[0]));
        $put('IN;');
        foreach ($layout->layers as $layer) {
            $lines = Outlines::of($layer);
            if ($lines === []) {
                continue;
            }
            $put(sprintf('SP%d;', $this->pens ? self::PENS[$layer->role->value] : 1));
            if (isset($layer->use['speed'])) {
                // Centimetres a second, as the language has it.
                $put(sprintf('VS%d;', max(1, (int) round((float) $layer->use['speed'] / 10))));
            }
            $passes = max(1, (int) ($layer->use['passes'] ?? 1));
            foreach ($this->steered($lines, $layer->role, $layout) as $line) {
                Patience::ask(32);
                for ($k = 0; $k < $passes; $k++) {
                    $this->line($line, $layout, $put);
                }
            }
        }
        $put("PU0,0;SP0;\n");
    }

    /**
     * @param  list<Contour>  $lines
     * @return list<Steered>
     */
    private function steered(array $lines, Role $role, Layout $layout): array
    {
        // What is no path is an outline of something inked: it is followed as it is.
        $cuts = $role->isPath();

        return Steered::all($lines, $cuts ? $this->blade : 0.0, $cuts ? $this->overcut : 0.0, $layout->height, $this->corner, $this->lightly);
    }

    /** @param  Closure(string): void  $put */
    private function line(Steered $line, Layout $layout, Closure $put): void
    {
        [$ox, $oy] = $this->origin === 'middle' ? [$layout->width / 2, $layout->height / 2] : [0.0, $layout->height];
        $steps = [];
        $last = '';
        $light = false;
        foreach ($line->points as $number => [$x, $y]) {
            $step = sprintf('%d,%d', (int) round(($x - $ox) * self::STEPS), (int) round(($oy - $y) * self::STEPS));
            if ($step === $last) {
                continue;
            }
            if ($last === '') {
                $put("PU{$step};");
            } else {
                $now = isset($line->light[$number]);
                if ($now !== $light || count($steps) >= self::MOST) {
                    $put($steps === [] ? '' : 'PD'.implode(',', $steps).';');
                    $steps = [];
                }
                if ($now !== $light) {
                    $put($now ? 'FS1;' : 'FS;');
                    $light = $now;
                }
                $steps[] = $step;
            }
            $last = $step;
        }
        $put(($steps === [] ? '' : 'PD'.implode(',', $steps).';').($light ? 'FS;' : '')."PU;\n");
    }
}
