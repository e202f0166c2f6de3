<?php

declare(strict_types=1);

namespace NeatEdge\Core\Format;

use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\Described\Values;
use NeatEdge\Core\Format\Dxf\DxfWriter;
use NeatEdge\Core\Format\GCode\GCodeWriter;
use NeatEdge\Core\Format\Pdf\PdfWriter;
use NeatEdge\Core\Format\Plt\PltWriter;
use NeatEdge\Core\Format\Png\PngWriter;
use NeatEdge\Core\Format\Svg\SheetWriter;
use NeatEdge\Core\Sheet\Layout\Layout;

/** The registry of formats that files leave in. A new one is one class and one line here. */
final class Formats
{
    /** @var list<class-string<LayoutWriter>> */
    private const ALL = [SheetWriter::class, PdfWriter::class, DxfWriter::class, PltWriter::class, GCodeWriter::class, PngWriter::class];

    /** @return array<string, AboutFormat> by key */
    public static function catalogue(): array
    {
        $formats = [];
        foreach (self::ALL as $class) {
            $about = $class::about();
            $formats[$about->key] = $about;
        }

        return $formats;
    }

    public static function about(string $key): AboutFormat
    {
        return self::catalogue()[$key] ?? throw Refused::because('There is no such format.');
    }

    /**
     * @param  array<mixed>  $values  as they were typed
     *
     * @throws Refused
     */
    public static function make(string $key, array $values = [], string $unit = 'mm'): LayoutWriter
    {
        foreach (self::ALL as $class) {
            if ($class::about()->key === $key) {
                return $class::from(Values::read($class::about()->fields, $values, $unit));
            }
        }
        throw Refused::because('There is no such format.');
    }

    /**
     * @param  non-empty-list<Layout>  $layouts  the bytes at once
     * @param  MakesDots|null  $dots  who makes pictures of what is soft, for formats that take it so
     */
    public static function bytes(LayoutWriter $writer, array $layouts, ?MakesDots $dots = null): string
    {
        if ($dots !== null && $writer::about()->inDots) {
            $layouts = array_map(static fn (Layout $layout): Layout => InDots::layout($layout, $dots), $layouts);
        }
        $bytes = '';
        $writer->write($layouts, static function (string $part) use (&$bytes): void {
            $bytes .= $part;
        });

        return $bytes;
    }
}
