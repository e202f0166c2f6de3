<?php

declare(strict_types=1);

namespace NeatEdge\Core\Sheet;

use Closure;
use NeatEdge\Core\Artwork\Paint;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\Matrix;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Measure\Colour;
use NeatEdge\Core\Sheet\Layout\Layer;
use NeatEdge\Core\Sheet\Layout\Layout;
use NeatEdge\Core\Sheet\Layout\Role;
use NeatEdge\Core\Type\FontShelf;
use NeatEdge\Core\Type\Setting;
use NeatEdge\Core\Type\Typesetter;

/**
 * O8: a job on paper: pictures of its sheets with what they are made of, sizes, times and costs, and what was accepted. Letters are outlines, so that it
 * prints alike everywhere, with the words beneath for who searches.
 */
final class JobSheet
{
    private const EDGE = 15.0;

    /** mm of a row with its picture. */
    private const ROW = 36.0;

    /** @var non-empty-list<list<Piece>> */
    private array $pages = [[]];

    /** @var array<int, list<array{float, float, float, string}>> see Layout */
    private array $words = [];

    private float $y = self::EDGE;

    /**
     * @param  array{float, float}  $paper  width and height, mm
     * @param  Closure(string): string  $said  what a sentence is in the language of who reads it
     */
    private function __construct(
        private readonly FontShelf $fonts,
        private readonly string $currency,
        private readonly array $paper,
        private readonly Closure $said,
    ) {
    }

    /**
     * @param  array<string, string>  $ticket  what is said of the job, by its name; both as they are printed
     * @param  non-empty-list<array{layout: Layout, seconds: float, cut_mm: float, material_cost: float|null, machine_cost: float|null}>  $rows  in the
     *     order of making
     * @param  list<string>  $accepted
     * @param  string  $currency  that the shop reckons in
     * @param  array{float, float}  $paper  width and height, mm
     * @param  (Closure(string): string)|null  $said  what a sentence is in the language of who reads it; English without
     * @return non-empty-list<Layout>
     */
    public static function pages(
        string $title,
        array $ticket,
        array $rows,
        array $accepted,
        string $currency = '',
        array $paper = [210.0, 297.0],
        ?Closure $said = null,
    ): array {
        $self = new self(FontShelf::shipped(), $currency, $paper, $said ?? static fn (string $text): string => $text);
        $self->letters($title, self::EDGE, 7.0, true);
        $self->y += 4.0;
        foreach ($ticket as $name => $value) {
            $self->letters($name, self::EDGE, 3.4, true, 0.0);
            $self->letters($value, self::EDGE + 32.0, 3.4);
        }
        $self->y += 3.0;
        foreach ($rows as $number => $row) {
            $self->row($number + 1, $row);
        }
        $sum = static fn (string $what): float => (float) array_sum(array_column($rows, $what));
        $self->room(16.0);
        $self->rule();
        $self->text(
            sprintf('All: %s at the machine, %.2f m along lines. %s', self::time($sum('seconds')), $sum('cut_mm') / 1000, $self->costs($rows)),
            self::EDGE,
            3.4,
            true,
        );
        if ($accepted !== []) {
            $self->y += 3.0;
            $self->text('Accepted as it is', self::EDGE, 4.2, true);
            foreach ($accepted as $line) {
                $self->text($line, self::EDGE, 3.1);
            }
        }

        return array_map(
            static fn (array $pieces, int $number): Layout => new Layout(
                'job-sheet-'.($number + 1),
                "{$title}: job sheet",
                $self->paper[0],
                $self->paper[1],
                [new Layer(Role::Print, 'Job sheet', '#000000', $pieces)],
                words: $self->words[$number] ?? [],
            ),
            $self->pages,
            array_keys($self->pages),
        );
    }

    /**
     * Only what has a price is added up; what has none is said, for a sum without it is none.
     *
     * @param  non-empty-list<array{layout: Layout, seconds: float, cut_mm: float, material_cost: float|null, machine_cost: float|null}>  $rows
     */
    private function costs(array $rows): string
    {
        $parts = $sum = [];
        $without = 0;
        foreach (['material_cost' => 'Material', 'machine_cost' => 'machine'] as $what => $label) {
            $priced = array_filter(array_column($rows, $what), is_float(...));
            $without += count($rows) - count($priced);
            if ($priced !== []) {
                $parts[] = "{$label} ".$this->money((float) array_sum($priced));
                $sum = [...$sum, ...$priced];
            }
        }

        return implode(', ', [...$parts, ...($sum === [] ? ['Nothing has a price'] : ['together '.$this->money((float) array_sum($sum))])])
            .($without === 0 || $sum === [] ? '.' : sprintf('; without %d that %s no price.', $without, $without === 1 ? 'has' : 'have'));
    }

    private function money(?float $amount): string
    {
        return $amount === null ? 'without a price' : trim(sprintf('%.2f %s', $amount, $this->currency));
    }

    /** @param  array{layout: Layout, seconds: float, cut_mm: float, material_cost: float|null, machine_cost: float|null}  $row */
    private function row(int $number, array $row): void
    {
        $this->room(self::ROW + 4.0);
        $this->rule();
        $layout = $row['layout'];
        $top = $this->y;
        $this->picture($layout, self::EDGE, $top, 48.0, self::ROW - 4.0);
        $left = self::EDGE + 54.0;
        $this->text("{$number}. {$layout->title}", $left, 3.8, true);
        $box = $layout->artBox();
        $parts = array_sum(array_map(static fn (Layer $layer): int => $layer->role->isPath() ? count($layer->lines) : 0, $layout->layers));
        $this->text(
            sprintf(
                '%s, sheet %.0f x %.0f mm, art %.1f x %.1f mm',
                $layout->material === '' ? 'Material as chosen' : $layout->material,
                $layout->width,
                $layout->height,
                $box?->width() ?? 0.0,
                $box?->height() ?? 0.0,
            ),
            $left,
            3.1,
        );
        $area = array_sum(array_map(static fn (Layer $layer): float => $layer->area(), $layout->layers)) / 100;
        $this->text(
            $row['cut_mm'] > 0 ? sprintf(
                '%d lines, %.2f m along them, %s; %.1f cm² stay%s',
                $parts,
                $row['cut_mm'] / 1000,
                self::time($row['seconds']),
                $area,
                $layout->used === null ? '' : sprintf(', %.0f %% of the material', 100 * $layout->used),
            ) : sprintf('%.1f cm² inked', $area),
            $left,
            3.1,
        );
        $this->text(sprintf('Material %s, machine %s', $this->money($row['material_cost']), $this->money($row['machine_cost'])), $left, 3.1);
        foreach (array_slice([...$layout->warns, ...$layout->says], 0, 5) as $says) {
            $this->text($says, $left, 3.1);
        }
        $this->y = max($this->y, $top + self::ROW) + 2.0;
    }

    /** A sheet made small: what is made in its colours, and the lines where there is nothing else. */
    private function picture(Layout $layout, float $x, float $y, float $width, float $height): void
    {
        $box = $layout->box();
        if ($box === null) {
            return;
        }
        $scale = min($width / max(1e-6, $box->width()), $height / max(1e-6, $box->height()));
        $matrix = Matrix::translation($x, $y)->after(Matrix::scaling($scale, $scale))->after(Matrix::translation(-$box->left, -$box->top));
        // Light colours lie on slate, or nobody would see them on paper.
        $light = array_filter(
            $layout->layers,
            static fn (Layer $layer): bool => $layer->areas !== [] && Colour::fromHex($layer->colour)->lab()->l > 85,
        ) !== [] && $layout->layers[0]->role !== Role::Print;
        $ground = $layout->ground !== '#ffffff' ? $layout->ground : ($light ? '#5f6d6a' : '#f3efe4');
        $this->add(new Piece(
            'ground',
            Shape::of(Contour::rectangle($x - 1, $y - 1, $box->width() * $scale + 2, $box->height() * $scale + 2)),
            new Paint(Colour::fromHex($ground)),
        ));
        foreach ($layout->layers as $layer) {
            foreach ($layer->areas as $piece) {
                $this->add($piece->transformed($matrix));
            }
        }
    }

    /** What the shop says, in the language of who reads it. */
    private function text(string $text, float $x, float $size, bool $bold = false, float $down = 1.5): void
    {
        $this->letters(($this->said)($text), $x, $size, $bold, $down);
    }

    /** A line of letters, or as many as it takes. */
    private function letters(string $text, float $x, float $size, bool $bold = false, float $down = 1.5): void
    {
        $room = $this->paper[0] - self::EDGE - $x;
        $shape = $this->set($text, $size, $bold);
        $wide = $shape->box()->right ?? 0.0;
        $lines = $wide <= $room ? [$text] : explode("\n", wordwrap($text, max(8, (int) floor(mb_strlen($text) * $room / $wide) - 2), "\n", true));
        foreach ($lines as $number => $line) {
            $this->room($size * 1.5);
            $shape = count($lines) === 1 ? $shape : $this->set($line, $size, $bold);
            if (! $shape->isEmpty()) {
                $this->words[count($this->pages) - 1][] = [$x, $this->y + $size, $size, $line];
                $this->add(new Piece('text', $shape->transformed(Matrix::translation($x, $this->y + $size)), new Paint(new Colour(38, 35, 29))));
            }
            $this->y += $number < count($lines) - 1 ? $size * 1.3 : $size * $down;
        }
    }

    private function set(string $text, float $size, bool $bold): Shape
    {
        return Typesetter::shape(new Setting(mb_substr($text, 0, 600), FontShelf::shippedFamilies()[0], $bold, false, $size), $this->fonts);
    }

    private function rule(): void
    {
        $this->add(new Piece(
            'rule',
            Shape::of(Contour::rectangle(self::EDGE, $this->y, $this->paper[0] - 2 * self::EDGE, 0.2)),
            new Paint(new Colour(160, 150, 130)),
        ));
        $this->y += 3.0;
    }

    /** On the next page where there is no room for so many mm. */
    private function room(float $high): void
    {
        if ($this->y + $high > $this->paper[1] - self::EDGE) {
            $this->pages[] = [];
            $this->y = self::EDGE;
        }
    }

    private function add(Piece $piece): void
    {
        $this->pages[count($this->pages) - 1][] = $piece;
    }

    private static function time(float $seconds): string
    {
        return $seconds >= 60 ? sprintf(
            '%d min %02d s',
            intdiv((int) round($seconds), 60),
            (int) round($seconds) % 60,
        ) : sprintf('%d s', (int) round($seconds));
    }
}
