<?php

declare(strict_types=1);

namespace NeatEdge\Core\Proof\Things;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Blend;
use NeatEdge\Core\Artwork\LayerPart;
use NeatEdge\Core\Proof\Sketch;
use NeatEdge\Core\Proof\Thing;

/** A paper lantern before the evening, lit from within: 240 mm across, drawn at a third of its size. */
final class Lantern implements Thing
{
    private const PAPER = 'M25 34H105V118H25Z';

    public static function key(): string
    {
        return 'lantern';
    }

    public static function label(): string
    {
        return 'Paper lantern';
    }

    public static function says(): string
    {
        return '240 mm across, lit from within; what is printed goes round it.';
    }

    public static function drawn(): Artwork
    {
        $paper = self::PAPER;

        return (new Sketch(130, 150))
            ->layer('Evening', LayerPart::Ground)
            ->shape('Evening', 'M0 0H130V150H0Z', '#1b2740|#3c4a66|#8a6a55', [0, 0, 0, 150])
            ->layer('Glow', LayerPart::Ground)
            ->shape('Glow', 'M65 10A60 60 0 1 0 65.1 10Z', '#ffcf6b', edge: 14.0, opacity: 0.5, blend: Blend::Screen)
            ->layer('Paper', LayerPart::Body)
            ->shape('Paper', $paper, '#a8a8a8|#ffffff|#ffffff|#a8a8a8', [25, 70, 105, 70])
            ->layer('Print', LayerPart::Place, ['lies' => 'round', 'width' => 700.0, 'height' => 240.0, 'round' => 240.0, 'tall' => 252.0, 'above' => 0.0])
            ->shape('Where it is printed', 'M25 36H105V116H25Z', '#ffffff')
            ->layer('Frame', LayerPart::Piece)
            ->shape('Upper ring', 'M23 30H107V35H23Z', '#555555|#999999|#555555', [23, 30, 107, 30])
            ->shape('Lower ring', 'M23 117H107V122H23Z', '#555555|#999999|#555555', [23, 117, 107, 117])
            ->shape('Handle', 'M40 30C44 12 86 12 90 30L87 30C82 15 48 15 43 30Z', '#666666')
            ->layer('Shade', LayerPart::Shade)
            ->shape('Left side', 'M20 30H34V122H20Z', '#3a1f10', edge: 6.0, opacity: 0.5, blend: Blend::Multiply, within: $paper)
            ->shape('Right side', 'M96 30H110V122H96Z', '#3a1f10', edge: 6.0, opacity: 0.5, blend: Blend::Multiply, within: $paper)
            ->layer('Light', LayerPart::Light)
            ->shape('Flame', 'M65 52A24 32 0 1 0 65.1 52Z', '#ffd27a', edge: 11.0, opacity: 0.5, blend: Blend::Screen, within: $paper)
            ->artwork();
    }
}
