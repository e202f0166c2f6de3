<?php

declare(strict_types=1);

namespace NeatEdge\Core\Proof\Things;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Blend;
use NeatEdge\Core\Artwork\LayerPart;
use NeatEdge\Core\Geometry\Box;
use NeatEdge\Core\Proof\Sketch;
use NeatEdge\Core\Proof\Thing;

/** A steward's tabard, hanging, with folds; drawn at a quarter of its size. */
final class Tabard implements Thing
{
    private const BODY = 'M44 14C52 20 78 20 86 14L112 22C110 40 110 52 112 66L114 150C96 156 34 156 16 150L18 66C20 52 20 40 18 22Z';

    public static function key(): string
    {
        return 'tabard';
    }

    public static function label(): string
    {
        return 'Tabard';
    }

    public static function says(): string
    {
        return 'Cloth with folds, printed on the breast, 280 mm across.';
    }

    public static function drawn(): Artwork
    {
        $body = self::BODY;

        return (new Sketch(130, 170))
            ->layer('Wall', LayerPart::Ground)
            ->shape('Wall', 'M0 0H130V170H0Z', '#efe6d3|#d6c9ae', [0, 0, 130, 170])
            ->shape('Shadow', 'M24 26L116 30L120 156L22 160Z', '#4d4130', edge: 5.0, opacity: 0.45, blend: Blend::Multiply)
            ->layer('Cloth', LayerPart::Body)
            ->shape('Cloth', $body, '#f2f2f2|#ffffff|#dedede', [16, 30, 114, 140])
            ->layer('Binding', LayerPart::Piece)
            ->shape('Neck', 'M44 14C52 20 78 20 86 14L88.4 14.8C80 23.4 50 23.4 41.6 14.8Z', '#bdbdbd')
            ->shape('Hem', 'M16.1 146.4C34 152.4 96 152.4 113.9 146.4L114 150C96 156 34 156 16 150Z', '#bdbdbd')
            ->layer('Breast', LayerPart::Place, ['lies' => 'wrapped', 'width' => 280.0, 'height' => 360.0])
            // Between two folds cloth comes forward, in a fold it goes back: there less of it is seen, and what is printed sinks.
            ->net('Where it is printed', new Box(30.0, 34.0, 100.0, 124.0), [
                [[30.0, 34.0], [41.9, 34.8], [58.3, 33.5], [72.9, 34.0], [86.0, 34.6], [100.0, 33.6]],
                [[30.4, 64.0], [41.7, 65.0], [58.0, 63.4], [72.6, 63.8], [86.5, 64.8], [99.8, 63.4]],
                [[29.8, 94.0], [40.9, 94.8], [57.4, 93.3], [71.8, 94.4], [87.4, 95.0], [100.1, 93.3]],
                [[30.0, 123.6], [41.4, 124.7], [58.0, 123.2], [71.4, 124.6], [87.0, 124.8], [100.0, 123.3]],
            ])
            ->layer('Folds', LayerPart::Shade)
            ->shape('Fold', 'M38 40C44 70 34 110 40 152L33 151C29 112 37 72 33 40Z', '#2b2418', edge: 3.0, opacity: 0.38, blend: Blend::Multiply, within: $body)
            ->shape('Fold', 'M84 60C78 90 88 118 84 154L92 153C95 118 86 92 90 58Z', '#2b2418', edge: 3.4, opacity: 0.34, blend: Blend::Multiply, within: $body)
            ->shape(
                'Fold',
                'M60 96C64 116 58 134 62 154L66 154C63 134 68 116 65 96Z',
                '#2b2418',
                edge: 2.4,
                opacity: 0.25,
                blend: Blend::Multiply,
                within: $body,
            )
            ->shape('Side', 'M104 10H122V164H104Z', '#2b2418', edge: 6.0, opacity: 0.4, blend: Blend::Multiply, within: $body)
            ->layer('Light', LayerPart::Light)
            ->shape('Light', 'M46 34C54 66 46 108 52 150L57 150C52 108 60 66 54 34Z', '#ffffff', edge: 3.4, opacity: 0.34, blend: Blend::Screen, within: $body)
            ->shape(
                'Light',
                'M98 40C95 74 102 112 99 150L103 150C105 112 99 74 101 40Z',
                '#ffffff',
                edge: 2.4,
                opacity: 0.28,
                blend: Blend::Screen,
                within: $body,
            )
            ->artwork();
    }
}
