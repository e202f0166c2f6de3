<?php

declare(strict_types=1);

namespace NeatEdge\Core\Proof\Things;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Blend;
use NeatEdge\Core\Artwork\LayerPart;
use NeatEdge\Core\Geometry\FillRule;
use NeatEdge\Core\Proof\Sketch;
use NeatEdge\Core\Proof\Thing;

/** A shop window seen from the side: 1200 mm by 900 mm of glass, drawn small. */
final class Window implements Thing
{
    private const GLASS = 'M22 30L128 20V112L22 100Z';

    public static function key(): string
    {
        return 'window';
    }

    public static function label(): string
    {
        return 'Shop window';
    }

    public static function says(): string
    {
        return '1200 × 900 mm of glass, seen at an angle.';
    }

    public static function drawn(): Artwork
    {
        $glass = self::GLASS;

        return (new Sketch(150, 130))
            ->layer('Wall', LayerPart::Ground)
            ->shape('Wall', 'M0 0H150V130H0Z', '#a9765a|#8c5a42', [0, 0, 150, 130])
            ->layer('Room', LayerPart::Body)
            ->shape('Room behind', $glass, '#8f9a9c|#dfe6e6', [22, 30, 128, 100])
            ->layer('Glass', LayerPart::Place, ['lies' => 'angle', 'width' => 1200.0, 'height' => 900.0])
            ->shape('Where the film lies', $glass, '#ffffff')
            ->layer('Frame', LayerPart::Piece)
            ->shape('Frame', 'M16 25L134 14V119L16 106ZM22 30V100L128 112V20Z', '#9a9a9a|#ffffff|#b0b0b0', [16, 25, 134, 119], rule: FillRule::Evenodd)
            ->shape('Sill', 'M12 106L138 119V125L12 111Z', '#d0d0d0')
            ->layer('Shade', LayerPart::Shade)
            ->shape('Under the frame', 'M16 22L134 11V26L16 36Z', '#101418', edge: 3.0, opacity: 0.4, blend: Blend::Multiply, within: $glass)
            ->layer('Light', LayerPart::Light)
            ->shape('Reflection', 'M40 14H62L34 122H12Z', '#ffffff', edge: 1.6, opacity: 0.22, blend: Blend::Screen, within: $glass)
            ->shape('Reflection', 'M74 14H82L54 122H46Z', '#ffffff', edge: 1.2, opacity: 0.16, blend: Blend::Screen, within: $glass)
            ->artwork();
    }
}
