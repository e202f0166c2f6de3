<?php

declare(strict_types=1);

namespace NeatEdge\Core\Format\Pdf;

use Closure;
use NeatEdge\Core\Artwork\Blend;
use NeatEdge\Core\Artwork\Paint;
use NeatEdge\Core\Artwork\Picture;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Described\Field;
use NeatEdge\Core\Described\Values;
use NeatEdge\Core\Format\AboutFormat;
use NeatEdge\Core\Format\LayoutWriter;
use NeatEdge\Core\Geometry\Box;
use NeatEdge\Core\Geometry\FillRule;
use NeatEdge\Core\Geometry\Matrix;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Measure\Colour;
use NeatEdge\Core\Patience\Patience;
use NeatEdge\Core\Sheet\Layout\Layer;
use NeatEdge\Core\Sheet\Layout\Layout;
use NeatEdge\Core\Sheet\Layout\Role;

/**
 * Pages at true size with no fonts: inks as separations by the shop's names, overprinting where that is asked for; cut lines as spot colours of their own; full
 * colour with gradients as shadings. A film is black whatever its ink.
 *
 * @source ISO 32000-1: 8.6.6.4 (Separation), 8.6.7 (overprint), 14.11.2 (page boxes)
 */
final class PdfWriter implements LayoutWriter
{
    private const POINTS = 72 / 25.4;

    /** Points of a cut line. */
    private const CUT = 0.25;

    /** @var array<string, string> names of colour spaces, patterns and graphics states, as resources of the page that is written */
    private array $spaces = [];

    /** @var array<string, string> */
    private array $patterns = [];

    /** @var array<string, string> */
    private array $states = [];

    /** @var array<string, array{int, int, int}|null> pictures that were written, by their references */
    private array $pictures = [];

    /** @var array<string, string> those of the page that is written */
    private array $shown = [];

    private function __construct(private readonly string $films, private readonly bool $overprint)
    {
    }

    public static function about(): AboutFormat
    {
        return new AboutFormat('pdf', 'PDF', 'pdf', 'application/pdf', 'Pages at true size: separations, overprint, cut lines as spot colours.', true, [
            Field::choice('films', 'Plates', 'spot', ['spot' => 'By their inks, as separations', 'black' => 'Black, as films']),
            Field::flag('overprint', 'Cut lines overprint', true),
        ], true);
    }

    public static function from(Values $values): self
    {
        $v = $values->all();

        return new self((string) $v['films'], (bool) $v['overprint']);
    }

    public function loses(Layout $layout): array
    {
        $left = 0;
        foreach ($layout->layers as $layer) {
            foreach ($layer->areas as $piece) {
                $picture = $piece->fill?->picture;
                $left += $picture !== null && ($layer->role !== Role::Print || ! PdfPicture::canBeOpened($picture)) ? 1 : 0;
            }
        }

        return $left === 0 ? [] : [$left === 1 ? 'A picture is left out of the PDF: it lies beside the drawing, or cannot be opened.'
            : "{$left} pictures are left out of the PDF: they lie beside the drawing, or cannot be opened."];
    }

    public function write(array $layouts, Closure $put): void
    {
        $file = new PdfFile($put);
        $catalogue = $file->number();
        $info = $file->number();
        $tree = $file->number();
        $pages = [];
        foreach ($this->films === 'black' ? array_merge(...array_map(self::films(...), $layouts)) : $layouts as $layout) {
            $pages[] = $this->page($file, $tree, $layout);
        }
        $file->object(
            $tree,
            '<< /Type /Pages /Kids ['.implode(' ', array_map(static fn (int $n): string => "{$n} 0 R", $pages)).'] /Count '.count($pages).' >>',
        );
        $file->object($info, '<< /Title '.PdfFile::text($layouts[0]->title).' /Creator '.PdfFile::text('Neat Edge').' /Trapped /True >>');
        $file->object($catalogue, "<< /Type /Catalog /Pages {$tree} 0 R >>");
        $file->end($catalogue, $info);
    }

    /**
     * Black films lie a plate on a page each: all on one would be one black film of all inks.
     *
     * @return non-empty-list<Layout>
     */
    private static function films(Layout $layout): array
    {
        $names = array_values(array_unique(array_map(
            static fn (Layer $layer): string => $layer->name,
            array_filter($layout->layers, static fn (Layer $layer): bool => $layer->role === Role::Plate),
        )));
        if (count($names) < 2) {
            return [$layout];
        }

        return array_map(
            static fn (string $name): Layout => $layout->with(layers: array_values(array_filter(
                $layout->layers,
                static fn (Layer $layer): bool => $layer->role !== Role::Plate || $layer->name === $name,
            ))),
            $names,
        );
    }

    private function page(PdfFile $file, int $tree, Layout $layout): int
    {
        $this->spaces = $this->patterns = $this->states = $this->shown = [];
        foreach ($layout->layers as $layer) {
            foreach ($layer->role === Role::Print ? $layer->areas : [] as $piece) {
                $picture = $piece->fill?->picture;
                if ($picture !== null && ! array_key_exists($picture->reference, $this->pictures)) {
                    $this->pictures[$picture->reference] = PdfPicture::written($file, $picture);
                }
            }
        }
        $page = $file->number();
        $content = $file->number();
        $file->stream($content, function (Closure $put) use ($layout): void {
            $put(sprintf(
                "q %s 0 0 %s 0 %s cm\n",
                PdfFile::real(self::POINTS, 9),
                PdfFile::real(-self::POINTS, 9),
                PdfFile::real($layout->height * self::POINTS),
            ));
            foreach ($layout->layers as $layer) {
                $layer->role->isPath() ? $this->lines($layer, $put) : $this->areas($layer, $layout, $put);
            }
            $this->words($layout, $put);
            $put("Q\n");
        });
        $trim = $layout->trim ?? new Box(0.0, 0.0, $layout->width, $layout->height);
        $bleed = new Box(
            max(0.0, $trim->left - $layout->bleed),
            max(0.0, $trim->top - $layout->bleed),
            min($layout->width, $trim->right + $layout->bleed),
            min($layout->height, $trim->bottom + $layout->bleed),
        );
        $media = new Box(0.0, 0.0, $layout->width, $layout->height);
        $resources = $layout->words === [] ? '' : '/Font << /F1 << /Type /Font /Subtype /Type1 /BaseFont /Helvetica /Encoding /WinAnsiEncoding >> >> ';
        foreach (['XObject' => $this->shown, 'ColorSpace' => $this->spaces, 'Pattern' => $this->patterns, 'ExtGState' => $this->states] as $kind => $entries) {
            if ($entries !== []) {
                $resources .= "/{$kind} << ".implode(
                    ' ',
                    array_map(static fn (string $name, string $body): string => "/{$name} {$body}", array_keys($entries), $entries),
                ).' >> ';
            }
        }
        $file->object(
            $page,
            "<< /Type /Page /Parent {$tree} 0 R /MediaBox ".self::box($media, $layout).' /CropBox '.self::box($media, $layout).' /BleedBox '
                .self::box($bleed, $layout).' /TrimBox '.self::box($trim, $layout)." /Contents {$content} 0 R /Resources << {$resources}>> >>",
        );

        return $page;
    }

    private static function box(Box $box, Layout $layout): string
    {
        return '['.implode(
            ' ',
            array_map(
                static fn (float $mm): string => PdfFile::real($mm * self::POINTS),
                [$box->left, $layout->height - $box->bottom, $box->right, $layout->height - $box->top],
            ),
        ).']';
    }

    /** @param  Closure(string): void  $put */
    private function lines(Layer $layer, Closure $put): void
    {
        $space = $this->space($layer->name, Colour::fromHex($layer->colour));
        $put("q /{$this->state('/OP '.($this->overprint ? 'true /op true /OPM 1' : 'false'))} gs /{$space} CS 1 SCN "
            .PdfFile::real(self::CUT / self::POINTS)." w 1 j\n");
        for ($i = 0, $n = count($layer->hatch); $i < $n; $i += 4) {
            Patience::ask(16);
            $put(sprintf("%s %s m %s %s l S\n", ...array_map(static fn (float $v): string => PdfFile::real($v), array_slice($layer->hatch, $i, 4))));
        }
        foreach ($layer->lines as $line) {
            $put(self::path(Shape::of($line))."S\n");
        }
        $put("Q\n");
    }

    /** @param  Closure(string): void  $put */
    private function areas(Layer $layer, Layout $layout, Closure $put): void
    {
        // A plate holds just what its ink prints, and what makes way for others has made way already: on one page none may knock out another.
        $put('q /'.$this->state('/OP '.($layer->overprints || $layer->role !== Role::Print ? 'true /op true /OPM 1' : 'false /op false'))." gs\n");
        if ($layer->role === Role::Plate) {
            $put($this->films === 'black' ? "0 g\n" : "/{$this->space($layer->name, Colour::fromHex($layer->colour))} cs 1 scn\n");
        } elseif ($layer->role === Role::Mark) {
            // On every plate alike.
            $put($this->films === 'black' ? "0 g\n" : "/{$this->space('All', new Colour(0, 0, 0))} cs 1 scn\n");
        }
        foreach ($layer->areas as $piece) {
            if ($piece->shape->isEmpty()) {
                continue;
            }
            $blended = $layer->role === Role::Print && $piece->blend !== Blend::Normal;
            // Blends have the same names in both standards but for their first letter.
            $put($blended ? 'q /'.$this->state('/BM /'.ucfirst($piece->blend->value))." gs\n" : '');
            $this->area($piece, $layer, $layout, $put);
            $put($blended ? "Q\n" : '');
        }
        $put("Q\n");
    }

    /** @param  Closure(string): void  $put */
    private function area(Piece $piece, Layer $layer, Layout $layout, Closure $put): void
    {
        if ($piece->fill?->picture !== null) {
            $put($layer->role === Role::Print ? $this->picture($piece, $piece->fill->picture, $piece->fill->opacity) : '');

            return;
        }
        if ($layer->role === Role::Print) {
            $put($this->paint($piece->fill ?? new Paint(new Colour(0, 0, 0)), $layout));
        }
        $put(self::path($piece->shape).($piece->shape->rule === FillRule::Evenodd ? "f*\n" : "f\n"));
    }

    /**
     * Letters that are not drawn, where their outlines are: a reader finds and copies them. Plates, sheets and pages for machines have none.
     *
     * @param  Closure(string): void  $put
     */
    private function words(Layout $layout, Closure $put): void
    {
        foreach ($layout->words as [$x, $y, $size, $text]) {
            $bytes = (string) iconv('UTF-8', 'CP1252//TRANSLIT//IGNORE', mb_scrub($text));
            $put(sprintf(
                "BT 3 Tr /F1 1 Tf %s 0 0 -%s %s %s Tm (%s) Tj ET\n",
                PdfFile::real($size),
                PdfFile::real($size),
                PdfFile::real($x),
                PdfFile::real($y),
                addcslashes($bytes, '()\\'),
            ));
        }
    }

    /** A picture within its shape, as its frame fits it; nothing for one that cannot be opened, which is told. */
    private function picture(Piece $piece, Picture $picture, float $opacity): string
    {
        $written = $this->pictures[$picture->reference] ?? null;
        if ($written === null) {
            return '';
        }
        [$number, $wide, $high] = $written;
        $name = "I{$number}";
        $this->shown[$name] = "{$number} 0 R";
        [$sx, $sy] = [$picture->width / $wide, $picture->height / $high];
        if ($picture->fit !== 'none') {
            $sx = $sy = str_contains($picture->fit, 'slice') ? max($sx, $sy) : min($sx, $sy);
        }
        $share = static fn (string $axis): float => match (true) {
            str_contains($picture->fit, "{$axis}Min") => 0.0,
            str_contains($picture->fit, "{$axis}Max") => 1.0,
            default => 0.5,
        };
        $x = $picture->fit === 'none' ? 0.0 : $share('x') * ($picture->width - $wide * $sx);
        $y = $picture->fit === 'none' ? 0.0 : $share('Y') * ($picture->height - $high * $sy);
        // A picture of this format has its unit square the other way up.
        $m = $picture->matrix->after(new Matrix($wide * $sx, 0.0, 0.0, -$high * $sy, $x, $y + $high * $sy));
        $numbers = implode(' ', array_map(static fn (float $v): string => PdfFile::real($v, 9), [$m->a, $m->b, $m->c, $m->d, $m->e, $m->f]));

        return "q /{$this->state('/ca '.PdfFile::real($opacity, 4))} gs ".self::path($piece->shape)
            .($piece->shape->rule === FillRule::Evenodd ? 'W* n ' : 'W n ')."{$numbers} cm /{$name} Do Q\n";
    }

    /** The operators that choose a paint. */
    private function paint(Paint $paint, Layout $layout): string
    {
        $faded = "/{$this->state('/ca '.PdfFile::real($paint->gradient === null ? $paint->opacity : 1.0, 4))} gs ";
        if ($paint->gradient === null) {
            return $faded.Shading::rgb($paint->colour)." rg\n";
        }
        $body = Shading::pattern($paint->gradient, [self::POINTS, 0.0, 0.0, -self::POINTS, 0.0, $layout->height * self::POINTS]);
        $name = array_search($body, $this->patterns, true);
        if (! is_string($name)) {
            $name = 'P'.(count($this->patterns) + 1);
            $this->patterns[$name] = $body;
        }

        return "{$faded}/Pattern cs /{$name} scn\n";
    }

    /** A separation by its name; its tint goes from paper to its colour on screens that know no inks. */
    private function space(string $ink, Colour $colour): string
    {
        $body = '[/Separation '.PdfFile::name($ink).' /DeviceRGB << /FunctionType 2 /Domain [0 1] /C0 [1 1 1] /C1 ['.Shading::rgb($colour).'] /N 1 >>]';
        $name = array_search($body, $this->spaces, true);
        if (! is_string($name)) {
            $name = 'S'.(count($this->spaces) + 1);
            $this->spaces[$name] = $body;
        }

        return $name;
    }

    private function state(string $entries): string
    {
        $body = "<< {$entries} >>";
        $name = array_search($body, $this->states, true);
        if (! is_string($name)) {
            $name = 'G'.(count($this->states) + 1);
            $this->states[$name] = $body;
        }

        return $name;
    }

    /** Curves as they are. */
    private static function path(Shape $shape): string
    {
        $path = '';
        foreach ($shape->contours as $contour) {
            Patience::ask(64);
            $c = $contour->coords;
            $path .= PdfFile::real($c[0]).' '.PdfFile::real($c[1])." m\n";
            for ($i = 0, $n = count($c) - 2; $i < $n; $i += 6) {
                $end = PdfFile::real($c[$i + 6]).' '.PdfFile::real($c[$i + 7]);
                $line = $c[$i + 2] === $c[$i] && $c[$i + 3] === $c[$i + 1] && $c[$i + 4] === $c[$i + 6] && $c[$i + 5] === $c[$i + 7];
                $path .= $line ? "{$end} l\n"
                    : PdfFile::real($c[$i + 2]).' '.PdfFile::real($c[$i + 3]).' '.PdfFile::real($c[$i + 4]).' '.PdfFile::real($c[$i + 5])." {$end} c\n";
            }
            $path .= $contour->closed ? "h\n" : '';
        }

        return $path;
    }
}
