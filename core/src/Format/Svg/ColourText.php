<?php

declare(strict_types=1);

namespace NeatEdge\Core\Format\Svg;

use NeatEdge\Core\Measure\Colour;

/**
 * Colours as CSS writes them.
 *
 * @source CSS Color 4: names, hexadecimal, rgb(), hsl()
 */
final class ColourText
{
    private const NAMES = 'aliceblue:f0f8ff antiquewhite:faebd7 aqua:00ffff aquamarine:7fffd4 azure:f0ffff beige:f5f5dc bisque:ffe4c4 black:000000'
        .' blanchedalmond:ffebcd blue:0000ff blueviolet:8a2be2 brown:a52a2a burlywood:deb887 cadetblue:5f9ea0 chartreuse:7fff00 chocolate:d2691e'
        .' coral:ff7f50 cornflowerblue:6495ed cornsilk:fff8dc crimson:dc143c cyan:00ffff darkblue:00008b darkcyan:008b8b darkgoldenrod:b8860b'
        .' darkgray:a9a9a9 darkgreen:006400 darkgrey:a9a9a9 darkkhaki:bdb76b darkmagenta:8b008b darkolivegreen:556b2f darkorange:ff8c00'
        .' darkorchid:9932cc darkred:8b0000 darksalmon:e9967a darkseagreen:8fbc8f darkslateblue:483d8b darkslategray:2f4f4f'
        .' darkslategrey:2f4f4f darkturquoise:00ced1 darkviolet:9400d3 deeppink:ff1493 deepskyblue:00bfff dimgray:696969 dimgrey:696969'
        .' dodgerblue:1e90ff firebrick:b22222 floralwhite:fffaf0 forestgreen:228b22 fuchsia:ff00ff gainsboro:dcdcdc ghostwhite:f8f8ff'
        .' gold:ffd700 goldenrod:daa520 gray:808080 green:008000 greenyellow:adff2f grey:808080 honeydew:f0fff0 hotpink:ff69b4'
        .' indianred:cd5c5c indigo:4b0082 ivory:fffff0 khaki:f0e68c lavender:e6e6fa lavenderblush:fff0f5 lawngreen:7cfc00'
        .' lemonchiffon:fffacd lightblue:add8e6 lightcoral:f08080 lightcyan:e0ffff lightgoldenrodyellow:fafad2'
        .' lightgray:d3d3d3 lightgreen:90ee90 lightgrey:d3d3d3 lightpink:ffb6c1 lightsalmon:ffa07a'
        .' lightseagreen:20b2aa lightskyblue:87cefa lightslategray:778899 lightslategrey:778899'
        .' lightsteelblue:b0c4de lightyellow:ffffe0 lime:00ff00 limegreen:32cd32 linen:faf0e6 magenta:ff00ff'
        .' maroon:800000 mediumaquamarine:66cdaa mediumblue:0000cd mediumorchid:ba55d3 mediumpurple:9370db'
        .' mediumseagreen:3cb371 mediumslateblue:7b68ee mediumspringgreen:00fa9a'
        .' mediumturquoise:48d1cc mediumvioletred:c71585 midnightblue:191970 mintcream:f5fffa'
        .' mistyrose:ffe4e1 moccasin:ffe4b5 navajowhite:ffdead navy:000080 oldlace:fdf5e6'
        .' olive:808000 olivedrab:6b8e23 orange:ffa500 orangered:ff4500 orchid:da70d6'
        .' palegoldenrod:eee8aa palegreen:98fb98 paleturquoise:afeeee'
        .' palevioletred:db7093 papayawhip:ffefd5 peachpuff:ffdab9 peru:cd853f'
        .' pink:ffc0cb plum:dda0dd powderblue:b0e0e6 purple:800080'
        .' rebeccapurple:663399 red:ff0000 rosybrown:bc8f8f'
        .' royalblue:4169e1 saddlebrown:8b4513 salmon:fa8072'
        .' sandybrown:f4a460 seagreen:2e8b57 seashell:fff5ee'
        .' sienna:a0522d silver:c0c0c0 skyblue:87ceeb'
        .' slateblue:6a5acd slategray:708090'
        .' slategrey:708090 snow:fffafa'
        .' springgreen:00ff7f steelblue:4682b4'
        .' tan:d2b48c teal:008080 thistle:d8bfd8 tomato:ff6347 turquoise:40e0d0 violet:ee82ee wheat:f5deb3 white:ffffff whitesmoke:f5f5f5 yellow:ffff00'
        .' yellowgreen:9acd32';

    /** @var array<string, string>|null */
    private static ?array $names = null;

    /** @return array{Colour, float}|null colour and opacity */
    public static function parse(string $text): ?array
    {
        $text = strtolower(trim($text));
        if ($text === 'transparent') {
            return [new Colour(0, 0, 0), 0.0];
        }
        if (preg_match('/^#([0-9a-f]{3,4}|[0-9a-f]{6}|[0-9a-f]{8})$/', $text, $found) === 1) {
            return self::hex($found[1]);
        }
        if (preg_match('/^(rgb|hsl)a?\(([^()]*)\)$/', $text, $found) === 1) {
            $parts = preg_split('~[\s,/]+~', trim($found[2]), -1, PREG_SPLIT_NO_EMPTY) ?: [];
            if (count($parts) < 3 || count($parts) > 4) {
                return null;
            }
            $opacity = self::unit($parts[3] ?? '1', 1.0);
            $colour = $found[1] === 'rgb' ? self::rgb($parts) : self::hsl($parts);

            return $colour === null || $opacity === null ? null : [$colour, $opacity];
        }
        if (self::$names === null) {
            self::$names = [];
            foreach (explode(' ', self::NAMES) as $pair) {
                [$name, $hex] = explode(':', $pair);
                self::$names[$name] = $hex;
            }
        }

        return isset(self::$names[$text]) ? self::hex(self::$names[$text]) : null;
    }

    /** A number or a percentage, held between 0 and 1. */
    public static function unit(string $text, float $whole): ?float
    {
        if ($text === '1' && $whole === 1.0) {
            return 1.0;
        }
        if (preg_match('/^\s*([+-]?(?:\d+\.?\d*|\.\d+)(?:e[+-]?\d+)?)(%?)\s*$/i', $text, $found) !== 1) {
            return null;
        }

        return max(0.0, min(1.0, (float) $found[1] / ($found[2] === '%' ? 100.0 : $whole)));
    }

    /** @return array{Colour, float} */
    private static function hex(string $digits): array
    {
        if (strlen($digits) < 6) {
            $digits = implode('', array_map(static fn (string $d): string => $d.$d, str_split($digits)));
        }
        $v = array_map(static fn (string $d): int => (int) hexdec($d), str_split($digits, 2));

        return [new Colour($v[0], $v[1], $v[2]), isset($v[3]) ? $v[3] / 255 : 1.0];
    }

    /** @param  list<string>  $parts */
    private static function rgb(array $parts): ?Colour
    {
        $v = [];
        foreach (array_slice($parts, 0, 3) as $part) {
            $unit = self::unit($part, 255.0);
            if ($unit === null) {
                return null;
            }
            $v[] = (int) round($unit * 255);
        }

        return new Colour($v[0], $v[1], $v[2]);
    }

    /** @param  list<string>  $parts */
    private static function hsl(array $parts): ?Colour
    {
        $s = self::unit($parts[1], 100.0);
        $l = self::unit($parts[2], 100.0);
        if (preg_match('/^[+-]?[\d.]+(deg)?$/', $parts[0]) !== 1 || $s === null || $l === null) {
            return null;
        }
        $h = fmod(fmod((float) $parts[0], 360) + 360, 360) / 30;
        $a = $s * min($l, 1 - $l);
        $channel = static function (int $n) use ($h, $l, $a): int {
            $k = fmod($n + $h, 12);

            return (int) round(255 * ($l - $a * max(-1, min($k - 3, 9 - $k, 1))));
        };

        return new Colour($channel(0), $channel(8), $channel(4));
    }
}
