<?php

declare(strict_types=1);

namespace NeatEdge\Core\Format\Lines;

use NeatEdge\Core\Artwork\Paint;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Artwork\Recipe;
use NeatEdge\Core\Artwork\Stroke;
use NeatEdge\Core\Check\Severity;
use NeatEdge\Core\Format\Notes;
use NeatEdge\Core\Geometry\Box;
use NeatEdge\Core\Geometry\Chains;
use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\Cubic;
use NeatEdge\Core\Geometry\FillRule;
use NeatEdge\Core\Geometry\Matrix;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Measure\Colour;
use NeatEdge\Core\Measure\Inside;
use NeatEdge\Core\Recipe\Letters\Lettering;
use NeatEdge\Core\Stroke\StrokeStyle;
use NeatEdge\Core\Type\FontShelf;
use NeatEdge\Core\Type\Setting;
use NeatEdge\Core\Type\Typesetter;

/** Pieces of a drawing in lines, as somebody wants them taken: lines are wishes to cut along, or drawn in a width. */
final class TakeLines
{
    /** Colours of layers or pens that state none, in their order. */
    private const COLOURS = ['#1f3a4d', '#a8452f', '#1d5c46', '#b5862b', '#5b4a8a', '#3b6ea5', '#7a4a2b', '#2b2b2b'];

    /** Share of the square of its length under which an outline encloses nothing. */
    private const NOTHING = 1e-7;

    /** How far letters reach below their baseline, in heights of capitals. */
    private const BELOW = 0.3;

    /** @var list<Piece> */
    private array $pieces = [];

    private int $closed = 0;

    private int $open = 0;

    /**
     * @param  bool  $cut  whether lines are cut along; else they are drawn
     * @param  float  $gap  mm within which ends of lines meet
     * @param  float  $width  mm of lines that are drawn
     */
    public function __construct(
        private readonly bool $cut,
        private readonly float $gap,
        private readonly float $width,
        private readonly FontShelf $fonts,
        private readonly Notes $notes,
    ) {
    }

    /**
     * @param  LineDrawing  $drawing  with y downwards, as on a bench
     * @return list<Piece>
     */
    public function pieces(LineDrawing $drawing): array
    {
        $layers = array_values(array_map(
            fn (DrawnLayer $layer): array => [
                'layer' => $layer,
                ...$this->chains($layer),
                'words' => array_values(array_filter(array_map($this->lettering(...), $layer->words))),
            ],
            $drawing->layers,
        ));
        $probes = array_map($this->probes(...), $layers);
        foreach ($layers as $number => ['layer' => $layer, 'closed' => $closed, 'open' => $open, 'words' => $words]) {
            $colour = Colour::fromHex($layer->colour ?? self::COLOURS[$number % count(self::COLOURS)]);
            $round = $this->cut ? self::round($closed, self::others($probes, $number)) : [];
            $once = array_values(array_intersect_key($closed, $round));
            $areas = array_values(array_diff_key($closed, $round));
            if ($once !== []) {
                $this->notes->add(
                    'taken-lines',
                    sprintf(
                        '%s on "%s" %s round other art: %s cut once, along %s, and hides nothing.',
                        count($once) === 1 ? '1 outline' : count($once).' outlines',
                        self::words($layer->name),
                        count($once) === 1 ? 'runs' : 'run',
                        count($once) === 1 ? 'it is' : 'they are',
                        count($once) === 1 ? 'itself' : 'themselves',
                    ),
                    Severity::Note,
                    $once[0]->box()->middle(),
                );
            }
            $this->lay($layer, $colour, $areas, $words);
            foreach ([...$once, ...$open] as $k => $line) {
                $stroke = $this->cut ? Stroke::singleCut(new Paint($colour)) : new Stroke(new Paint($colour), new StrokeStyle($this->width));
                $this->put("{$layer->name} line ".($k + 1), Shape::of($line), null, $stroke);
            }
            $this->closed += count($areas);
            $this->open += count($once) + count($open);
        }

        return $this->pieces;
    }

    /** @return array{int, int} outlines that were closed, and lines that are followed once or drawn open */
    public function counts(): array
    {
        return [$this->closed, $this->open];
    }

    /**
     * Lines that lie once, their ends joined.
     *
     * @return array{closed: list<Contour>, open: list<Contour>}
     */
    private function chains(DrawnLayer $layer): array
    {
        $borders = array_merge(...array_map(static fn (Shape $area): array => $area->contours, $layer->areas));
        [$lines, $gone, $at] = OnceEach::of($layer->lines, $borders);
        $closed = $open = [];
        foreach (Chains::joined($lines, $this->gap) as $line) {
            if ($line->closed && abs($line->area()) < self::NOTHING * $line->roughLength() ** 2) {
                // There and back along one way: one line, not an outline of no area.
                $parts = array_map(static fn (array $s): Contour => Contour::ofSegments([$s], false), $line->closedSegments());
                [$parts, $more] = OnceEach::of($parts);
                $gone += $more;
                array_push($open, ...Chains::joined($parts, OnceEach::SAME));

                continue;
            }
            $line->closed ? $closed[] = $line : $open[] = $line;
        }
        if ($gone > OnceEach::SAME) {
            $this->notes->add(
                'taken-lines',
                sprintf('%.1f mm of lines on "%s" lay over others of that layer: each is taken once.', $gone, self::words($layer->name)),
                Severity::Note,
                $at,
            );
        }

        return ['closed' => $closed, 'open' => $open];
    }

    /**
     * Places of what would be hidden if an outline round it were an area.
     *
     * @param  array{layer: DrawnLayer, closed: list<Contour>, open: list<Contour>, words: list<Piece>}  $row
     * @return array{lines: list<array{float, float}>, own: list<array{float, float}>} of its outlines, and of what is no outline
     */
    private function probes(array $row): array
    {
        $middle = static fn (Contour $line): array => Cubic::placeOn($line->segment(intdiv($line->segmentCount(), 2)), 0.5);
        $at = static fn (Box $box): array => [$box->middle()->x, $box->middle()->y];
        $own = array_map(static fn (DrawnLine $line): array => $middle($line->line), $row['layer']->wide);
        foreach ([...array_map(static fn (Piece $piece): Shape => $piece->shape, $row['words']), ...$row['layer']->areas] as $shape) {
            foreach ($shape->contours === [] ? [] : [$shape->contours[0]] as $contour) {
                $own[] = $middle($contour);
            }
        }

        return ['lines' => array_map($middle, [...$row['closed'], ...$row['open']]), 'own' => $own];
    }

    /**
     * @param  list<array{lines: list<array{float, float}>, own: list<array{float, float}>}>  $probes  by layer
     * @return list<array{float, float}> of all but the outlines of one layer
     */
    private static function others(array $probes, int $layer): array
    {
        $others = [];
        foreach ($probes as $number => $row) {
            array_push($others, ...$row['own'], ...($number === $layer ? [] : $row['lines']));
        }

        return $others;
    }

    /**
     * Outlines round places that are not theirs: as areas they would hide what lies there.
     *
     * @param  list<Contour>  $closed
     * @param  list<array{float, float}>  $places
     * @return array<int, true> by number
     */
    private static function round(array $closed, array $places): array
    {
        if ($closed === [] || $places === []) {
            return [];
        }
        $all = new Inside(new Shape($closed, FillRule::Evenodd));
        $own = [];
        $round = [];
        foreach ($places as [$x, $y]) {
            if (! $all->holds($x, $y)) {
                continue;
            }
            foreach ($closed as $i => $line) {
                $box = $line->box();
                if (! isset($round[$i]) && $x >= $box->left
                    && $x <= $box->right
                    && $y >= $box->top
                    && $y <= $box->bottom
                    && ($own[$i] ??= new Inside(Shape::of($line)))->holds($x, $y)) {
                    $round[$i] = true;
                }
            }
        }

        return $round;
    }

    /**
     * @param  list<Contour>  $areas
     * @param  list<Piece>  $words
     */
    private function lay(DrawnLayer $layer, Colour $colour, array $areas, array $words): void
    {
        foreach ($layer->areas as $area) {
            $this->put($layer->name, $area, new Paint($colour), null);
        }
        if ($areas !== []) {
            $this->cut
                ? $this->put($layer->name, new Shape($areas, FillRule::Evenodd), new Paint($colour), null)
                : array_map(
                    fn (Contour $line) => $this->put($layer->name, Shape::of($line), null, new Stroke(new Paint($colour), new StrokeStyle($this->width))),
                    $areas,
                );
        }
        foreach ($layer->wide as $line) {
            $this->put($layer->name, Shape::of($line->line), null, new Stroke(new Paint($colour), new StrokeStyle($line->width), stops: $line->stops));
        }
        foreach ($words as $piece) {
            $this->pieces[] = $piece->with(id: 'p'.(count($this->pieces) + 1), fill: new Paint($colour));
        }
    }

    private function put(string $name, Shape $shape, ?Paint $fill, ?Stroke $stroke): void
    {
        $this->pieces[] = new Piece('p'.(count($this->pieces) + 1), $shape, $fill, $stroke, mb_substr($name, 0, 120));
    }

    /** Letters that stay letters; null where none of them leaves a mark. */
    private function lettering(Words $words): ?Piece
    {
        [$font, $missing] = $this->fonts->find([$words->family], $words->bold, $words->italic);
        $matrix = $words->matrix->after(Matrix::scaling(1.0, -1.0));
        $scale = max(1e-9, $matrix->meanScale());
        // As large as on the bench, so that what is typed there is in mm.
        $size = $words->height * $scale / $font->capHeight();
        $setting = new Setting(
            $words->text,
            $font->family,
            $words->bold,
            $words->italic,
            $size,
            0.0,
            $words->leading * $words->height * $scale / $size,
            $words->align,
        );
        $setting = $words->wrap === null ? $setting : $setting->with(text: $this->wrapped($setting, $words->wrap * $scale));
        $shape = Typesetter::shape($setting, $this->fonts);
        $box = $shape->box();
        if ($box === null || $box->width() <= 0) {
            return null;
        }
        $at = $matrix->apply(0.0, 0.0);
        if ($missing !== null && ! in_array(strtolower($words->family), ['sans-serif', 'monospace', 'serif'], true)) {
            $this->notes->once(
                'missing-font',
                sprintf('The font "%s" is not at hand; "%s" takes its place, and its letters differ.', self::words($words->family), $font->family),
                Severity::Serious,
                $at,
                self::words($words->family),
            );
        }
        $stretch = $words->fit === null ? 1.0 : $words->fit * $scale / $box->width();
        $matrix = $matrix->after(Matrix::scaling($stretch / $scale, 1.0 / $scale))->after(Matrix::translation(
            0.0,
            -self::lift($words, substr_count($setting->text, "\n")) * $words->height * $scale,
        ));
        $recipe = new Recipe(Lettering::set($setting, null, $this->fonts), $matrix);

        return new Piece('words', $recipe->shape(), null, null, mb_substr(trim((string) preg_replace('/\s+/u', ' ', $words->text)), 0, 40), $recipe);
    }

    /** How far the baseline of the first line runs above the origin, in heights of capitals. */
    private static function lift(Words $words, int $more): float
    {
        $block = 1.0 + $more * $words->leading;

        return match ($words->stand) {
            'top' => -1.0,
            'middle' => $block / 2 - 1.0,
            'bottom' => $block - 1.0 + self::BELOW,
            default => 0.0,
        };
    }

    /** The text in lines no longer than is given, mm, broken between words. */
    private function wrapped(Setting $setting, float $width): string
    {
        $wrapped = [];
        foreach (preg_split('/\R/u', mb_scrub($setting->text)) ?: [] as $line) {
            $now = '';
            foreach (explode(' ', $line) as $word) {
                $next = $now === '' ? $word : "{$now} {$word}";
                $box = Typesetter::shape($setting->with(text: $next), $this->fonts)->box();
                if ($now !== '' && $box !== null && $box->width() > $width) {
                    $wrapped[] = $now;
                    $next = $word;
                }
                $now = $next;
            }
            $wrapped[] = $now;
        }

        return implode("\n", $wrapped);
    }

    private static function words(string $text): string
    {
        return mb_substr(mb_scrub($text), 0, 60);
    }
}
