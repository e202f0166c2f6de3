<?php

declare(strict_types=1);

namespace NeatEdge\Core\Format\Png;

use Closure;
use NeatEdge\Core\Artwork\Paint;
use NeatEdge\Core\Described\Field;
use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\Described\Values;
use NeatEdge\Core\Format\AboutFormat;
use NeatEdge\Core\Format\LayoutWriter;
use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Measure\Colour;
use NeatEdge\Core\Sheet\Layout\Layout;
use NeatEdge\Core\Sheet\Layout\Role;

/**
 * Pixels at a set resolution, which the file states (PNG, third edition: pHYs): row by row, each as what of it is covered.
 *
 * @source each row is cut by a few lines; along them stretches are exact, so that an edge is as smooth as it is covered
 */
final class PngWriter implements LayoutWriter
{
    /** Pixels of a side at most. */
    private const LARGEST = 20_000;

    /** mm of a line that only shows where a tool goes. */
    private const LINE = 0.25;

    private function __construct(private readonly float $resolution, private readonly bool $clear)
    {
    }

    public static function about(): AboutFormat
    {
        return new AboutFormat('png', 'PNG', 'png', 'image/png', 'Pixels at a resolution that the file states.', false, [
            Field::number('resolution', 'Pixels an inch', 300.0, 10.0, 2400.0), Field::flag('clear', 'Clear where nothing lies', false),
        ]);
    }

    public static function from(Values $values): self
    {
        $v = $values->all();

        return new self((float) $v['resolution'], (bool) $v['clear']);
    }

    public function loses(Layout $layout): array
    {
        foreach ($layout->layers as $layer) {
            foreach ($layer->areas as $piece) {
                if ($piece->fill?->picture !== null) {
                    return ['Pictures are left out of the PNG.'];
                }
            }
        }

        return [];
    }

    public function write(array $layouts, Closure $put): void
    {
        $layout = $layouts[0];
        $scale = $this->resolution / 25.4;
        [$width, $height] = [max(1, (int) round($layout->width * $scale)), max(1, (int) round($layout->height * $scale))];
        if ($width > self::LARGEST || $height > self::LARGEST) {
            throw Refused::because(sprintf(
                'At %.0f pixels an inch this sheet has %d × %d pixels; at most %d a side are written. Choose a lower resolution.',
                $this->resolution,
                $width,
                $height,
                self::LARGEST,
            ));
        }
        $put("\x89PNG\r\n\x1A\n");
        $put(self::chunk('IHDR', pack('NNCCCCC', $width, $height, 8, $this->clear ? 6 : 2, 0, 0, 0)));
        $a = (int) round($this->resolution / 0.0254);
        $put(self::chunk('pHYs', pack('NNC', $a, $a, 1)));
        $deflate = deflate_init(ZLIB_ENCODING_DEFLATE, ['level' => 6]);
        if ($deflate === false) {
            throw new \RuntimeException('The bytes cannot be deflated.');
        }
        $waiting = '';
        foreach ((new Raster(self::painted($layout), $width, $height, $scale, $this->clear))->rows() as $row) {
            $waiting .= deflate_add($deflate, "\0".$row, ZLIB_NO_FLUSH);
            if (strlen($waiting) > 65_536) {
                $put(self::chunk('IDAT', $waiting));
                $waiting = '';
            }
        }
        $put(self::chunk('IDAT', $waiting.deflate_add($deflate, '', ZLIB_FINISH)));
        $put(self::chunk('IEND', ''));
    }

    /** @return list<array{Shape, Paint}> what is painted, the lowest first */
    private static function painted(Layout $layout): array
    {
        $painted = [];
        $black = new Paint(new Colour(0, 0, 0));
        foreach ($layout->layers as $layer) {
            foreach ($layer->role->isPath() ? [] : $layer->areas as $piece) {
                if ($piece->fill?->picture === null) {
                    $painted[] = [$piece->shape, $layer->role === Role::Print ? ($piece->fill ?? $black) : $black];
                }
            }
            $lines = $layer->role->isPath() ? $layer->lines : [];
            for ($i = 0, $n = count($layer->hatch); $i < $n; $i += 4) {
                $lines[] = Contour::polygon([[$layer->hatch[$i], $layer->hatch[$i + 1]], [$layer->hatch[$i + 2], $layer->hatch[$i + 3]]], false);
            }
            $drawn = [];
            foreach ($lines as $line) {
                array_push($drawn, ...Thread::of($line, self::LINE));
            }
            if ($drawn !== []) {
                // All of a layer at once: where its lines cross they are one.
                $painted[] = [new Shape($drawn), new Paint(Colour::fromHex($layer->colour))];
            }
        }

        return $painted;
    }

    private static function chunk(string $type, string $data): string
    {
        return pack('N', strlen($data)).$type.$data.pack('N', crc32($type.$data));
    }
}
