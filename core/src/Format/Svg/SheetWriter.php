<?php

declare(strict_types=1);

namespace NeatEdge\Core\Format\Svg;

use Closure;
use NeatEdge\Core\Described\Values;
use NeatEdge\Core\Format\AboutFormat;
use NeatEdge\Core\Format\LayoutWriter;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Patience\Patience;
use NeatEdge\Core\Sheet\Layout\Layer;
use NeatEdge\Core\Sheet\Layout\Layout;

/** A sheet or plate as SVG in millimetres, one group a layer. */
final readonly class SheetWriter implements LayoutWriter
{
    /** mm of a line that only shows where a tool goes. */
    private const LINE = 0.1;

    public static function about(): AboutFormat
    {
        return new AboutFormat('svg', 'SVG', 'svg', 'image/svg+xml', 'Curves in true millimetres, one group a layer.');
    }

    public static function from(Values $values): self
    {
        return new self;
    }

    public function loses(Layout $layout): array
    {
        return [];
    }

    public function write(array $layouts, Closure $put): void
    {
        $layout = $layouts[0];
        [$width, $height] = [Writer::number($layout->width, 4), Writer::number($layout->height, 4)];
        $put('<?xml version="1.0" encoding="UTF-8"?>'."\n");
        $put("<svg xmlns=\"http://www.w3.org/2000/svg\" width=\"{$width}mm\" height=\"{$height}mm\" viewBox=\"0 0 {$width} {$height}\">\n");
        $put('<title>'.self::text($layout->title)."</title>\n");
        foreach ($layout->layers as $i => $layer) {
            $id = 'layer-'.($i + 1).'-'.$layer->role->value;
            $put("<g id=\"{$id}\" data-name=\"".self::text($layer->name).'"'
                .($layer->role->isPath() ? ' fill="none" stroke="'.$layer->colour.'" stroke-width="'.self::LINE.'" data-cut="along"' : '').">\n<title>"
                    .self::text($layer->name)."</title>\n");
            $layer->role->isPath() ? self::lines($layer, $put) : $put(Embedded::areas($layer->areas, $layout->width, $layout->height, $id));
            $put("</g>\n");
        }
        $put("</svg>\n");
    }

    /** @param  Closure(string): void  $put */
    private static function lines(Layer $layer, Closure $put): void
    {
        if ($layer->hatch !== []) {
            $d = '';
            for ($i = 0, $n = count($layer->hatch); $i < $n; $i += 4) {
                $d .= sprintf('M%s %sL%s %s', ...array_map(static fn (float $v): string => Writer::number($v, 4), array_slice($layer->hatch, $i, 4)));
            }
            $put("<path d=\"{$d}\"/>\n");
        }
        foreach ($layer->lines as $line) {
            Patience::ask(16);
            $put('<path d="'.Writer::path(Shape::of($line))."\"/>\n");
        }
    }

    private static function text(string $text): string
    {
        return htmlspecialchars(preg_replace('/[\x00-\x08\x0B\x0C\x0E-\x1F]/', '', mb_scrub($text)) ?? '', ENT_QUOTES | ENT_XML1 | ENT_SUBSTITUTE, 'UTF-8');
    }
}
