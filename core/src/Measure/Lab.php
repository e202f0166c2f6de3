<?php

declare(strict_types=1);

namespace NeatEdge\Core\Measure;

/** A colour as it is seen, and how far two of them are apart. */
final readonly class Lab
{
    /** Reference white D65, 2° observer. */
    private const WHITE = [0.95047, 1.0, 1.08883];

    public function __construct(public float $l, public float $a, public float $b)
    {
    }

    /**
     * @param  int  $red  0 to 255, as the others
     *
     * @source IEC 61966-2-1 (sRGB); CIE 15 (L*a*b*)
     */
    public static function ofSrgb(int $red, int $green, int $blue): self
    {
        $linear = array_map(static function (int $channel): float {
            $c = $channel / 255;

            return $c <= 0.04045 ? $c / 12.92 : (($c + 0.055) / 1.055) ** 2.4;
        }, [$red, $green, $blue]);
        [$r, $g, $b] = $linear;
        $xyz = [
            0.4124564 * $r + 0.3575761 * $g + 0.1804375 * $b,
            0.2126729 * $r + 0.7151522 * $g + 0.0721750 * $b,
            0.0193339 * $r + 0.1191920 * $g + 0.9503041 * $b,
        ];
        [$x, $y, $z] = array_map(static function (float $value, float $white): float {
            $t = $value / $white;

            return $t > (6 / 29) ** 3 ? $t ** (1 / 3) : $t / (3 * (6 / 29) ** 2) + 4 / 29;
        }, $xyz, self::WHITE);

        return new self(116 * $y - 16, 500 * ($x - $y), 200 * ($y - $z));
    }

    public function chroma(): float
    {
        return hypot($this->a, $this->b);
    }

    /**
     * How far two colours are apart; 1 is about what can just be told.
     *
     * @source G. Sharma, W. Wu, E. N. Dalal, "The CIEDE2000 color-difference formula", 2005
     */
    public function distanceTo(self $other): float
    {
        [$hue1, $hue2, $chroma1, $chroma2] = $this->hues($other);
        $dL = $other->l - $this->l;
        $dC = $chroma2 - $chroma1;
        $dh = $chroma1 * $chroma2 == 0.0 ? 0.0 : $hue2 - $hue1;
        $dh -= $dh > 180 ? 360 : ($dh < -180 ? -360 : 0);
        $dH = 2 * sqrt($chroma1 * $chroma2) * sin(deg2rad($dh / 2));
        $l = ($this->l + $other->l) / 2;
        $c = ($chroma1 + $chroma2) / 2;
        $h = $hue1 + $hue2;
        if ($chroma1 * $chroma2 != 0.0) {
            $h = abs($hue1 - $hue2) <= 180 ? $h / 2 : ($h < 360 ? ($h + 360) / 2 : ($h - 360) / 2);
        }
        $t = 1 - 0.17 * cos(deg2rad($h - 30)) + 0.24 * cos(deg2rad(2 * $h)) + 0.32 * cos(deg2rad(3 * $h + 6)) - 0.20 * cos(deg2rad(4 * $h - 63));
        $sl = 1 + 0.015 * ($l - 50) ** 2 / sqrt(20 + ($l - 50) ** 2);
        $sc = 1 + 0.045 * $c;
        $sh = 1 + 0.015 * $c * $t;
        $turn = -sin(deg2rad(2 * 30 * exp(-((($h - 275) / 25) ** 2)))) * 2 * sqrt($c ** 7 / ($c ** 7 + 25 ** 7));

        return sqrt(($dL / $sl) ** 2 + ($dC / $sc) ** 2 + ($dH / $sh) ** 2 + $turn * ($dC / $sc) * ($dH / $sh));
    }

    /** @return array{float, float, float, float} hues in degrees and chromas of both, with a* stretched where it is grey */
    private function hues(self $other): array
    {
        $mean = ($this->chroma() + $other->chroma()) / 2;
        $g = 0.5 * (1 - sqrt($mean ** 7 / ($mean ** 7 + 25 ** 7)));
        $a1 = (1 + $g) * $this->a;
        $a2 = (1 + $g) * $other->a;
        $hue = static fn (float $a, float $b): float => $a == 0.0 && $b == 0.0 ? 0.0 : fmod(rad2deg(atan2($b, $a)) + 360, 360);

        return [$hue($a1, $this->b), $hue($a2, $other->b), hypot($a1, $this->b), hypot($a2, $other->b)];
    }
}
