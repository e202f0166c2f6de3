<?php

declare(strict_types=1);

namespace NeatEdge\Core\Format\Svg;

use NeatEdge\Core\Artwork\Paint;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Measure\Colour;
use NeatEdge\Core\Sheet\Layout\Layout;
use NeatEdge\Core\Sheet\Layout\Role;

/** Layouts as people look at them: what is made in its colour on its material, with the lines that tools go along; plates in ink on cloth, one or several. */
final class LayoutPicture
{
    /** @param  bool  $lines  whether lines of tools are drawn too */
    public static function of(Layout $layout, bool $lines = true): string
    {
        $out = self::head($layout->width, $layout->height, $layout->ground);
        foreach ($layout->layers as $i => $layer) {
            $out .= $layer->areas === [] ? '' : self::areas(
                $layout,
                $layer->areas,
                "p{$i}",
                $layer->role === Role::Mark ? ($layout->ground === '#ffffff' ? '#000000' : '#8b9498') : null,
            );
            $paths = '';
            foreach ($lines ? $layer->lines : [] as $line) {
                $paths .= Writer::path(Shape::of($line));
            }
            [$wide, $dashes] = $layer->role->stroke();
            $out .= $paths === '' ? '' : sprintf(
                "<path d=\"%s\" fill=\"none\" stroke=\"%s\" stroke-width=\"%s\"%s vector-effect=\"non-scaling-stroke\"/>\n",
                $paths,
                $layer->role->colour(),
                Writer::number($wide, 1),
                $dashes === '' ? '' : " stroke-dasharray=\"{$dashes}\"",
            );
        }

        return $out."</svg>\n";
    }

    /**
     * Some plates over each other, in their order, each as well as its ink covers.
     *
     * @param  list<Layout>  $plates  at least one
     * @param  list<int>  $on  numbers of those that are shown
     * @param  array<string, float>  $cover  of inks, 0 to 1, by #rrggbb
     */
    public static function mixed(array $plates, array $on, array $cover): string
    {
        $layers = self::head($plates[0]->width, $plates[0]->height, $plates[0]->ground);
        foreach ($on as $number) {
            foreach ($plates[$number]->layers ?? [] as $i => $layer) {
                if ($layer->role === Role::Plate) {
                    $opacity = Writer::number($cover[$layer->colour] ?? 0.95, 3);
                    $layers .= "<g opacity=\"{$opacity}\"".($layer->overprints ? ' style="mix-blend-mode:multiply"' : '').'>'.self::areas(
                        $plates[0],
                        $layer->areas,
                        "m{$number}-{$i}",
                        $layer->colour,
                    ).'</g>';
                }
            }
        }

        return $layers."</svg>\n";
    }

    private static function head(float $width, float $height, string $ground): string
    {
        [$w, $h] = [Writer::number($width, 4), Writer::number($height, 4)];

        return "<svg xmlns=\"http://www.w3.org/2000/svg\" width=\"{$w}mm\" height=\"{$h}mm\" viewBox=\"0 0 {$w} {$h}\">"
            ."<rect width=\"{$w}\" height=\"{$h}\" fill=\"{$ground}\"/>\n";
    }

    /** @param  list<Piece>  $areas */
    private static function areas(Layout $layout, array $areas, string $id, ?string $colour): string
    {
        if ($colour !== null) {
            $paint = new Paint(Colour::fromHex($colour));
            $areas = array_map(static fn (Piece $piece): Piece => $piece->with(fill: $paint), $areas);
        }

        return Embedded::areas($areas, $layout->width, $layout->height, $id);
    }
}
