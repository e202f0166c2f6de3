<?php

declare(strict_types=1);

namespace NeatEdge\Core\Trace;

/**
 * Which of two colours that meet crosswise, corner to corner, hangs together there: the one that the four dots have more of.
 *
 * @source G. Nielson, B. Hamann, "The asymptotic decider", 1991
 */
final readonly class Diagonal
{
    /** Dots above left and below right hang together. */
    public const FALLING = 1;

    /** Dots below left and above right hang together. */
    public const RISING = 2;

    /** @param  list<Ink>  $inks */
    public function __construct(private Scan $scan, private array $inks)
    {
    }

    /**
     * @param  int  $nw  colour of the dot above left, as the others
     * @param  int  $i  the number of that dot
     * @return int 0 where none hangs together across
     */
    public function linked(int $nw, int $ne, int $sw, int $se, int $i): int
    {
        $falling = $nw === $se && $nw !== $ne && $nw !== $sw;
        $rising = $ne === $sw && $ne !== $nw && $ne !== $se;
        if (! $falling || ! $rising) {
            return $falling ? self::FALLING : ($rising ? self::RISING : 0);
        }
        $a = $this->inks[$nw]->colour;
        $b = $this->inks[$ne]->colour;
        [$er, $eg, $eb] = [$b->red - $a->red, $b->green - $a->green, $b->blue - $a->blue];
        $sum = 0.0;
        foreach ([$i, $i + 1, $i + $this->scan->width, $i + $this->scan->width + 1] as $k) {
            $dot = $this->scan->dots[$k];
            $sum += (($dot >> 16 & 255) - $a->red) * $er + (($dot >> 8 & 255) - $a->green) * $eg + (($dot & 255) - $a->blue) * $eb;
        }

        return $sum <= 2 * ($er * $er + $eg * $eg + $eb * $eb) ? self::FALLING : self::RISING;
    }
}
