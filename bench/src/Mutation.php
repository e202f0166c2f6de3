<?php

declare(strict_types=1);

namespace NeatEdge\Bench;

use Random\Engine\Mt19937;
use Random\Randomizer;

/** Real files, spoilt: the same seed spoils the same file in the same way. */
final class Mutation
{
    private const TOKENS = [
        '1e308', '-1e308', 'NaN', 'Infinity', '0', '-0', '1e-320', '99999999999999999999', '%', '""', '<', '>', '&', '&#0;', '&bogus;', ']]>', '<!--',
        '<!DOCTYPE svg [<!ENTITY a "aaaa"><!ENTITY b "&a;&a;&a;&a;">]>', 'url(#a)', 'href="#a"', 'xlink:href="file:///etc/passwd"', '<use href="#a"/>',
        'A1 1 0 0 1', 'matrix(0 0 0 0 0 0)', 'scale(1e9)', 'rotate(', 'transform="scale(1e-9)"', 'stroke-dasharray="1e-9"', 'stroke-width="1e9"',
        'viewBox="0 0 0 0"', 'style="fill:url(#a)"', 'clip-path="url(#a)"', 'mask="url(#a)"', "\0", "\xff\xfe", 'é',
    ];

    private const VALUES = [
        '1e308', 'NaN', '0', '-1', '%', '1e-320', 'url(#a)', '#a', 'inherit', 'none', 'M', 'A1 1 0 0 1 5 5', 'z z m', 'rotate(', 'scale(0)',
        'matrix(1e9 0 0 1e9 0 0)', ';;', 'currentColor', '50%', '1e9em', '!important',
    ];

    /** @var list<string> */
    private array $files;

    /** @param  list<string>  $files */
    public function __construct(array $files)
    {
        $this->files = $files;
    }

    public function of(int $seed): string
    {
        $random = new Randomizer(new Mt19937($seed));
        $text = $this->files[$random->getInt(0, count($this->files) - 1)];
        for ($k = $random->getInt(1, 6); $k > 0; $k--) {
            // Most of what is spoilt at random is no XML any more: three of four are spoilt inside their values.
            $text = $seed % 4 === 0 ? $this->spoilt($text, $random) : $this->bent($text, $random);
        }

        return $text;
    }

    /** Still XML: other numbers, names, elements, and values cut, doubled and mixed. */
    private function bent(string $text, Randomizer $random): string
    {
        switch ($random->getInt(0, 4)) {
            case 0:
                return (string) preg_replace_callback(
                    '/(?<=[\s",(-])\d+(\.\d+)?/',
                    static fn (array $m): string => $random->getInt(0, 25) === 0 ? self::number($random) : $m[0],
                    $text,
                );
            case 1:
                return (string) preg_replace_callback(
                    '/#[\w-]+|\bid="[\w-]+"/',
                    static fn (array $m): string => $random->getInt(0, 2) === 0 ? ($m[0][0] === '#' ? '#a' : 'id="a"') : $m[0],
                    $text,
                );
            case 2:
                $names = [
                    'path', 'g', 'circle', 'rect', 'use', 'clipPath', 'mask', 'pattern', 'defs', 'text', 'tspan', 'marker', 'symbol', 'switch', 'a',
                    'style', 'image', 'linearGradient', 'foreignObject',
                ];
                $from = $names[$random->getInt(0, 5)];
                $to = $names[$random->getInt(0, count($names) - 1)];

                return (string) preg_replace("/<(\\/?){$from}\\b/", "<\\1{$to}", $text);
            case 3:
                return (string) preg_replace_callback('/(\s[\w:-]+=")([^"]*)"/', static function (array $m) use ($random): string {
                    if ($random->getInt(0, 15) > 0 || str_starts_with($m[1], ' xmlns')) {
                        return $m[0];
                    }
                    $at = $random->getInt(0, strlen($m[2]));
                    $token = self::VALUES[$random->getInt(0, count(self::VALUES) - 1)];

                    return $m[1].match ($random->getInt(0, 3)) {
                        0 => substr($m[2], 0, $at),
                        1 => $m[2].' '.substr($m[2], $at),
                        2 => substr($m[2], 0, $at).$token.substr($m[2], $at),
                        default => $token,
                    }.'"';
                }, $text);
            default:
                $attribute = [
                    'stroke="#000"', 'stroke-width="1e9"', 'stroke-dasharray="1e-9"', 'clip-path="url(#a)"', 'mask="url(#a)"', 'fill="url(#a)"',
                    'marker-mid="url(#a)"', 'transform="scale(1e9)"', 'opacity=".5"', 'display="none"', 'fill-rule="evenodd"',
                    'stroke-linejoin="round"', 'vector-effect="non-scaling-stroke"', 'paint-order="stroke"', 'font-size="1e6"', 'id="a"',
                ][$random->getInt(0, 15)];
                $name = strtok($attribute, '=');

                return (string) preg_replace_callback(
                    '/<(path|g|circle|rect|use|svg)\b((?:[^">]|"[^"]*")*)/',
                    static fn (array $m): string => $random->getInt(0, 6) === 0 && ! str_contains($m[2], " {$name}=") ? "<{$m[1]} {$attribute}{$m[2]}" : $m[0],
                    $text,
                );
        }
    }

    private function spoilt(string $text, Randomizer $random): string
    {
        $length = strlen($text);
        if ($length < 8) {
            return $text.'<svg>';
        }
        $at = $random->getInt(0, $length - 1);
        switch ($random->getInt(0, 9)) {
            case 0:
                return substr($text, 0, $at);
            case 1:
                return substr($text, 0, $at).substr($text, min($length, $at + $random->getInt(1, 60)));
            case 2:
                $piece = substr($text, $at, $random->getInt(1, 200));

                return substr($text, 0, $at).str_repeat($piece, $random->getInt(2, 20)).substr($text, $at);
            case 3:
                $text[$at] = chr($random->getInt(0, 255));

                return $text;
            case 4:
                $from = $random->getInt(0, $length - 1);

                return substr($text, 0, $at).substr($text, $from, $random->getInt(1, 300)).substr($text, $at);
            case 5:
                return (string) preg_replace_callback(
                    '/\d+(\.\d+)?/',
                    static fn (array $m): string => $random->getInt(0, 30) === 0 ? self::number($random) : $m[0],
                    $text,
                );
            case 6:
                // Names that refer to one another, and to themselves.
                return (string) preg_replace_callback(
                    '/#[\w-]+|id="[\w-]+"/',
                    static fn (array $m): string => $random->getInt(0, 3) === 0 ? ($m[0][0] === '#' ? '#a' : 'id="a"') : $m[0],
                    $text,
                );
            case 7:
                $tags = '/<(\/?)(path|g|circle|rect|use|clipPath|mask|linearGradient|defs|text)\b/';

                return (string) preg_replace_callback($tags, static fn (array $m): string => $random->getInt(0, 5) === 0
                    ? "<{$m[1]}".[
                        'path', 'g', 'circle', 'rect', 'use', 'clipPath', 'mask', 'pattern', 'defs', 'text', 'marker', 'symbol', 'svg',
                    ][$random->getInt(0, 12)] : $m[0],
                    $text);
            case 8:
                $space = strpos($text, ' ', $at);

                return $space === false ? $text : substr($text, 0, $space).' '.self::TOKENS[$random->getInt(0, count(self::TOKENS) - 1)].substr($text, $space);
            default:
                return substr($text, 0, $at).self::TOKENS[$random->getInt(0, count(self::TOKENS) - 1)].substr($text, $at);
        }
    }

    private static function number(Randomizer $random): string
    {
        return ['0', '-1', '1e6', '1e30', '1e-30', '-99999', '0.0000001', '1e400', '1000000', '.', '-'][$random->getInt(0, 10)];
    }
}
