<?php

declare(strict_types=1);

namespace NeatEdge\Core\Proof\Things;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Blend;
use NeatEdge\Core\Artwork\LayerPart;
use NeatEdge\Core\Proof\Sketch;
use NeatEdge\Core\Proof\Thing;

/** Three mugs on a quay wall before the evening river: each with art and colours of its own, turned as one likes. The stone takes a colour like any body. */
final class Quay implements Thing
{
    private const GLITTER = 'M120 80H182L176 83H126ZM112 88H192L186 91.5H118ZM128 98H178L172 101H133Z';

    public static function key(): string
    {
        return 'quay';
    }

    public static function label(): string
    {
        return 'Three mugs on the quay';
    }

    public static function says(): string
    {
        return 'A wall by the evening river; each mug is turned by itself.';
    }

    public static function drawn(): Artwork
    {
        $sketch = (new Sketch(300, 170))
            ->layer('Evening', LayerPart::Ground)
            ->shape('Sky', 'M0 0H300V78H0Z', '#2b3a5c|#8d6f7a|#e6a66a', [0, 0, 0, 78])
            ->shape('Far bank', 'M0 66C40 58 70 64 110 60C160 55 210 66 300 58V80H0Z', '#2a2f45')
            ->shape('River', 'M0 76H300V120H0Z', '#c98f66|#55627d|#27334d', [0, 76, 0, 120])
            ->shape('Glitter', self::GLITTER, '#ffdfa6', edge: 1.4, opacity: 0.55, blend: Blend::Screen)
            ->layer('Stone', LayerPart::Body)
            ->shape('Wall', 'M0 112H300V170H0Z', '#d8d8d8|#a4a4a4', [0, 112, 0, 170]);
        foreach ([[0, 96], [100, 92], [196, 104]] as $i => [$left, $wide]) {
            $right = $left + $wide - 2;
            $sketch->shape("Stone {$i}", "M{$left} 114H{$right}V138H{$left}Z", '#f0f0f0|#bcbcbc', [$left, 114, $left, 138], opacity: 0.8);
        }
        $sketch->shape('Joint', 'M-4 138.6H304V140H-4Z', '#6f6f6f', edge: 0.4)
            ->layer('Evening on the stone', LayerPart::Shade)
            ->shape('Dusk', 'M-30 140H330V200H-30Z', '#1d2236', edge: 8.0, opacity: 0.45, blend: Blend::Multiply);
        foreach (['Left mug' => 2, 'Middle mug' => 98, 'Right mug' => 194] as $name => $x) {
            $sketch->thing(Mug::drawn(), $name, 0.72, (float) $x, 52.0, 'Table');
        }

        return $sketch->artwork();
    }
}
