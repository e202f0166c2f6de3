<?php

declare(strict_types=1);

namespace NeatEdge\Core\Proof\Things;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Blend;
use NeatEdge\Core\Artwork\LayerPart;
use NeatEdge\Core\Geometry\FillRule;
use NeatEdge\Core\Proof\Sketch;
use NeatEdge\Core\Proof\Thing;

/** An enamel mug, 82 mm across and 80 mm high, looked down on a little. */
final class Mug implements Thing
{
    private const BODY = 'M24 24A41 7 0 0 0 106 24V103A41 7 0 0 1 24 103Z';

    public static function key(): string
    {
        return 'mug';
    }

    public static function label(): string
    {
        return 'Enamel mug';
    }

    public static function says(): string
    {
        return '82 mm across, 80 mm high; turned, it shows what is printed farther round.';
    }

    public static function drawn(): Artwork
    {
        $body = self::BODY;

        return (new Sketch(150, 130))
            ->layer('Table', LayerPart::Ground)
            ->shape('Table', 'M0 0H150V130H0Z', '#f3ead8|#d9cbb0', [0, 20, 0, 130])
            ->layer('Shadow', LayerPart::Ground)
            ->shape('Shadow', 'M26 108A44 8 0 1 0 118 108A44 8 0 1 0 26 108Z', '#5a4a33', edge: 4.0, opacity: 0.55, blend: Blend::Multiply)
            ->layer('Handle', LayerPart::Piece)
            ->shape(
                'Handle',
                'M104 40C128 36 138 48 138 62C138 78 122 88 104 90L104 82C116 80 129 74 129 62C129 50 120 45 104 49Z',
                '#ffffff|#c4c4c4|#f0f0f0',
                [104, 40, 138, 90],
            )
            ->layer('Inside', LayerPart::Piece)
            ->shape('Inside', 'M24 24A41 7 0 1 0 106 24A41 7 0 1 0 24 24Z', '#d8d8d8|#ffffff', [24, 24, 106, 24])
            ->layer('Body', LayerPart::Body)
            ->shape('Body', $body, '#c9c9c9|#f4f4f4|#ffffff|#f1f1f1|#bdbdbd', [24, 60, 106, 60])
            ->layer('Print', LayerPart::Place, ['lies' => 'round', 'width' => 200.0, 'height' => 70.0, 'round' => 82.0, 'tall' => 80.0, 'above' => 9.8])
            ->shape('Where it is printed', 'M24 27A41 7 0 0 0 106 27V100A41 7 0 0 1 24 100Z', '#ffffff')
            ->layer('Rim', LayerPart::Piece)
            ->shape(
                'Rim',
                'M22.8 24A42.2 7.6 0 1 0 107.2 24A42.2 7.6 0 1 0 22.8 24ZM25 23.6A40 6.2 0 1 0 105 23.6A40 6.2 0 1 0 25 23.6Z',
                '#8a8a8a|#ffffff|#8a8a8a',
                [24, 24, 106, 24],
                rule: FillRule::Evenodd,
            )
            ->layer('Shade', LayerPart::Shade)
            ->shape('Side away from the light', 'M86 10H112V116H86Z', '#3b3326', edge: 7.0, opacity: 0.42, blend: Blend::Multiply, within: $body)
            ->shape('Near side', 'M18 10H28V116H18Z', '#3b3326', edge: 4.0, opacity: 0.3, blend: Blend::Multiply, within: $body)
            ->shape('Foot', 'M20 101A45 8 0 0 0 110 101V118H20Z', '#3b3326', edge: 3.0, opacity: 0.35, blend: Blend::Multiply, within: $body)
            ->shape(
                'Under the rim',
                'M20 24A45 8 0 0 0 110 24V28A45 8 0 0 1 20 28Z',
                '#3b3326',
                edge: 1.6,
                opacity: 0.45,
                blend: Blend::Multiply,
                within: $body,
            )
            ->layer('Light', LayerPart::Light)
            ->shape('Main light', 'M40 36C46 38 48 38 52 38V92C47 94 44 93 40 92Z', '#ffffff', edge: 4.0, opacity: 0.55, blend: Blend::Screen, within: $body)
            ->shape('Side light', 'M98 40L101 39V88L98 89Z', '#ffffff', edge: 1.4, opacity: 0.5, blend: Blend::Screen, within: $body)
            ->shape('Rim light', 'M30 29.4A41 7 0 0 0 64 31.4L64 32.2A41 7.4 0 0 1 30 30.4Z', '#ffffff', edge: 0.5, opacity: 0.8, blend: Blend::Screen)
            ->shape('Reflection', 'M44 44L47 44.4V70L44 69.6Z', '#ffffff', edge: 0.9, opacity: 0.75, blend: Blend::Screen)
            ->artwork();
    }
}
