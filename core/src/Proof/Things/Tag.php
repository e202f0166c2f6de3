<?php

declare(strict_types=1);

namespace NeatEdge\Core\Proof\Things;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Blend;
use NeatEdge\Core\Artwork\LayerPart;
use NeatEdge\Core\Geometry\FillRule;
use NeatEdge\Core\Proof\Sketch;
use NeatEdge\Core\Proof\Thing;

/** An engraved tag of brass, 60 mm by 40 mm, twice its size. */
final class Tag implements Thing
{
    private const PLATE = 'M23 20H127A8 8 0 0 1 135 28V82A8 8 0 0 1 127 90H23A8 8 0 0 1 15 82V28A8 8 0 0 1 23 20Z';

    private const HOLE = 'M27 55A4 4 0 1 0 35 55A4 4 0 1 0 27 55Z';

    public static function key(): string
    {
        return 'tag';
    }

    public static function label(): string
    {
        return 'Brass tag';
    }

    public static function says(): string
    {
        return '60 × 35 mm, with a hole for a ring.';
    }

    public static function drawn(): Artwork
    {
        $plate = self::PLATE;

        return (new Sketch(150, 110))
            ->layer('Bench', LayerPart::Ground)
            ->shape('Bench', 'M0 0H150V110H0Z', '#5d4a38|#3f3226', [0, 0, 150, 110])
            ->shape('Shadow', 'M20 26H136V96H20Z', '#15100a', edge: 3.0, opacity: 0.6, blend: Blend::Multiply)
            ->layer('Plate', LayerPart::Body)
            ->shape('Plate', $plate.self::HOLE, '#b9b9b9|#ffffff|#a8a8a8|#e8e8e8', [15, 20, 135, 90], rule: FillRule::Evenodd)
            ->layer('Face', LayerPart::Place, ['lies' => 'flat', 'width' => 46.0, 'height' => 30.0])
            ->shape('Where it is engraved', 'M39 25H131V85H39Z', '#ffffff')
            ->layer('Shade', LayerPart::Shade)
            ->shape('Edge', 'M15 84H135V94H15Z', '#2a1c08', edge: 2.0, opacity: 0.4, blend: Blend::Multiply, within: $plate)
            ->layer('Light', LayerPart::Light)
            ->shape('Gleam', 'M50 12H72L40 98H18Z', '#ffffff', edge: 4.0, opacity: 0.35, blend: Blend::Screen, within: $plate)
            ->shape('Upper edge', 'M20 20.6H130V22H20Z', '#ffffff', edge: 0.5, opacity: 0.7, blend: Blend::Screen, within: $plate)
            ->artwork();
    }
}
