<?php

declare(strict_types=1);

namespace NeatEdge\Core\Format;

use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Patience\Progress;
use NeatEdge\Core\Sheet\Cut\Moves;
use NeatEdge\Core\Sheet\Layout\Layer;
use NeatEdge\Core\Sheet\Layout\Layout;
use NeatEdge\Core\Sheet\Layout\Role;
use NeatEdge\Core\Sheet\Make\ScreenPlates;

/** Layouts as files with the names of the job, and a list of what they are. */
final class Export
{
    /**
     * @param  list<Layout>  $layouts
     * @param  MakesDots|null  $dots  who makes pictures of what is soft; where nobody does it is as its outline
     * @param  bool  $together  whether all plates go into one file, where the format can say that
     * @return array<string, string> bytes by file name
     */
    public static function files(array $layouts, string $format, LayoutWriter $writer, bool $together = false, ?MakesDots $dots = null): array
    {
        $about = Formats::about($format);
        if ($layouts !== [] && $together && self::arePlates($layouts)) {
            $layouts = [ScreenPlates::together($layouts)];
        } elseif ($layouts !== [] && $together && $about->several) {
            $name = preg_replace('/-\d+-.*$/', '', $layouts[0]->name) ?? 'sheets';

            return ["{$name}.{$about->extension}" => Formats::bytes($writer, $layouts, $dots)];
        }
        $files = [];
        foreach ($layouts as $i => $layout) {
            Progress::tell($i, count($layouts), $layout->title);
            $files["{$layout->name}.{$about->extension}"] = Formats::bytes($writer, [$layout], $dots);
        }

        return $files;
    }

    /** @param  non-empty-list<Layout>  $layouts */
    private static function arePlates(array $layouts): bool
    {
        return array_filter($layouts[0]->layers, static fn (Layer $layer): bool => $layer->role === Role::Plate) !== [];
    }

    /**
     * @param  list<Layout>  $layouts
     * @param  array<string, string>  $files  see files()
     * @return array<string, mixed> sizes in mm, areas in mm², and what each file is to be known by
     */
    public static function manifest(string $job, array $layouts, array $files, string $format, LayoutWriter $writer): array
    {
        $rows = [];
        foreach ($files as $name => $bytes) {
            $rows[] = ['file' => $name, 'bytes' => strlen($bytes), 'sha256' => hash('sha256', $bytes)];
        }

        return [
            'job' => $job,
            'format' => $format,
            'files' => $rows,
            'sheets' => array_map(
                static fn (Layout $layout): array => [
                    ...self::row($layout, $writer),
                    ...($layout->paths() === [] ? [] : ['seconds' => Moves::of(
                        $layout,
                        $format === 'gcode' ? ['kind' => 'engraver', 'lift' => 0.0] : [],
                    )['seconds']]),
                ],
                $layouts,
            ),
        ];
    }

    /** @return array<string, mixed> */
    public static function row(Layout $layout, ?LayoutWriter $writer = null): array
    {
        $box = $layout->artBox();

        return [
            'name' => $layout->name,
            'title' => $layout->title,
            'material' => $layout->material,
            'width_mm' => round($layout->width, 3),
            'height_mm' => round($layout->height, 3),
            'art_width_mm' => round($box?->width() ?? 0.0, 3),
            'art_height_mm' => round($box?->height() ?? 0.0, 3),
            'length_mm' => round($layout->length(), 2),
            'used' => $layout->used === null ? null : round($layout->used, 4),
            'says' => $layout->says,
            'warns' => $layout->warns,
            'loses' => $writer?->loses($layout) ?? [],
            'layers' => array_map(static fn (Layer $layer): array => [
                'role' => $layer->role->value,
                'name' => $layer->name,
                'colour' => $layer->colour,
                // How its lines are drawn: their colour, width in px and dashes.
                'stroke' => [$layer->role->colour(), ...$layer->role->stroke()],
                'label' => $layer->role->label(),
                'lines' => count($layer->lines),
                'length_mm' => round($layer->length(), 2),
                'area_mm2' => round($layer->area(), 2),
                'parts' => array_sum(array_map(static fn (Piece $piece): int => count($piece->shape->contours), $layer->areas)),
                'overprints' => $layer->overprints,
            ], $layout->layers),
        ];
    }
}
