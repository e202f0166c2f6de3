<?php

declare(strict_types=1);

namespace NeatEdge\Core\Format\Dxf;

use NeatEdge\Core\Format\Lines\Words;
use NeatEdge\Core\Geometry\Matrix;

/** Letters of a drawing in exchange format: single lines, and blocks of them with their formatting taken off. */
final readonly class Letters
{
    private const ALIGN = ['start', 'middle', 'end', 'start', 'middle', 'start'];

    /** @param  array<string, Entity>  $styles  by name in small letters */
    public function __construct(private array $styles)
    {
    }

    /** Of TEXT, ATTRIB and ATTDEF; null where there are none. */
    public function line(Entity $e, string $text): ?Words
    {
        $text = self::plain($text);
        $height = $e->number(40);
        if (trim($text) === '' || $height <= 0) {
            return null;
        }
        $across = (int) $e->number(72);
        // An attribute says where it stands in another code than a text does.
        $up = (int) $e->number($e->type === 'TEXT' ? 73 : 74);
        $second = ($across !== 0 || $up !== 0) && $e->has(11);
        $spans = in_array($across, [3, 5], true) && $e->has(11);
        [$x, $y] = $second && ! $spans ? [$e->number(11), $e->number(21)] : [$e->number(10), $e->number(20)];
        $turn = $e->number(50);
        $fit = null;
        if ($spans) {
            [$dx, $dy] = [$e->number(11) - $x, $e->number(21) - $y];
            $fit = hypot($dx, $dy) > 0 ? hypot($dx, $dy) : null;
            $turn = $fit === null ? $turn : rad2deg(atan2($dy, $dx));
        }
        $flags = (int) $e->number(71);
        $own = new Matrix(
            max(0.01, abs($e->number(41, 1.0))) * (($flags & 2) === 2 ? -1 : 1),
            0.0,
            tan(deg2rad(max(-80.0, min(80.0, $e->number(51))))),
            ($flags & 4) === 4 ? -1.0 : 1.0,
            0.0,
            0.0,
        );
        $matrix = Matrix::translation($x, $y)->after(Matrix::rotation($turn))->after($own);
        [$family, $bold, $italic] = $this->font($e->text(7));

        return new Words(
            $text, $height, $matrix, $family, $bold, $italic, self::ALIGN[$across] ?? 'start',
            $across === 4 ? 'middle' : (['base', 'bottom', 'middle', 'top'][$up] ?? 'base'),
            fit: $fit,
        );
    }

    /** Of MTEXT; null where there are none. */
    public function block(Entity $e): ?Words
    {
        $text = '';
        foreach ($e->pairs as [$code, $value]) {
            $text .= $code === 3 || $code === 1 ? $value : '';
        }
        [$family, $bold, $italic] = $this->font($e->text(7));
        if (preg_match('/\\\\[fF]([^|;\\\\]+)((?:\|[a-z]\d+)*)/', $text, $found) === 1) {
            [$family, $bold, $italic] = [self::family($found[1]), str_contains($found[2], 'b1'), str_contains($found[2], 'i1')];
        }
        $text = self::unformatted($text);
        $height = $e->number(40);
        if (trim($text) === '' || $height <= 0) {
            return null;
        }
        $at = max(1, min(9, (int) $e->number(71, 1.0))) - 1;
        $turn = $e->has(11) ? rad2deg(atan2($e->number(21), $e->number(11))) : $e->number(50);

        return new Words(
            $text, $height, Matrix::translation($e->number(10), $e->number(20))->after(Matrix::rotation($turn)), $family, $bold, $italic,
            ['start', 'middle', 'end'][$at % 3], ['top', 'middle', 'bottom'][intdiv($at, 3)], 5 / 3 * max(0.25, min(4.0, $e->number(44, 1.0))),
            wrap: $e->number(41) > 0 ? $e->number(41) : null,
        );
    }

    /** @return array{string, bool, bool} family, bold, italic */
    private function font(string $style): array
    {
        $file = ($this->styles[strtolower($style)] ?? null)?->text(3) ?? '';
        $name = preg_replace('/\.(ttf|otf|shx|ttc)$/i', '', $file) ?? '';

        // Letters of strokes, which only a drawing program has, become plain ones.
        return $name === '' || preg_match('/\.shx$|^txt$/i', $file) === 1 || ! str_contains($file, '.') ? ['sans-serif', false, false] : [
            self::family($name),
            preg_match('/bd$|bold/i', $name) === 1,
            preg_match('/(?<!bd)i$|italic|oblique/i', $name) === 1,
        ];
    }

    private static function family(string $name): string
    {
        return trim(mb_substr(mb_scrub($name), 0, 60));
    }

    /** Marks for characters that a keyboard has not. */
    private static function plain(string $text): string
    {
        $text = str_ireplace(['%%d', '%%c', '%%p', '%%%', '%%u', '%%o', '%%k'], ['°', 'Ø', '±', '%', '', '', ''], $text);
        $text = preg_replace_callback('/\\\\U\+([0-9A-F]{4})/i', static fn (array $m): string => mb_chr((int) hexdec($m[1])) ?: '', $text) ?? $text;

        return preg_replace('/\^[IJM]/', ' ', $text) ?? $text;
    }

    private static function unformatted(string $text): string
    {
        $text = str_replace(['\\\\', '\\{', '\\}'], ["\x01", "\x02", "\x03"], $text);
        $text = preg_replace('/\\\\P|\^J/', "\n", $text) ?? $text;
        $text = str_replace('\\~', "\u{A0}", $text);
        // A fraction over a line is told along the line.
        $text = preg_replace('/\\\\S([^;^\/#]*)[\^\/#]([^;]*);/', '$1/$2', $text) ?? $text;
        $text = preg_replace('/\\\\[ACcFfHhQTWp][^;\\\\{}]*;/', '', $text) ?? $text;
        $text = preg_replace('/\\\\[LlOoKkNX]/', '', $text) ?? $text;
        $text = str_replace(['{', '}'], '', $text);

        return self::plain(str_replace(["\x01", "\x02", "\x03"], ['\\', '{', '}'], $text));
    }
}
