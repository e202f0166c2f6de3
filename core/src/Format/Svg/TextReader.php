<?php

declare(strict_types=1);

namespace NeatEdge\Core\Format\Svg;

use DOMElement;
use NeatEdge\Core\Check\Severity;
use NeatEdge\Core\Format\Notes;
use NeatEdge\Core\Geometry\Box;
use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\Matrix;
use NeatEdge\Core\Geometry\Point;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Type\Font;
use NeatEdge\Core\Type\FontShelf;

/**
 * Text as outlines: each character's glyph, set left to right along the line or along a path.
 *
 * @source SVG 2, 11.5 (text layout algorithm), without shaping, ligatures and vertical lines
 */
final class TextReader
{
    /** Letters of these scripts join or change places, which needs a shaper. */
    private const SHAPED = '/[\x{0590}-\x{08FF}\x{0900}-\x{0DFF}\x{0E00}-\x{0FFF}\x{1000}-\x{109F}\x{1780}-\x{17FF}\x{FB1D}-\x{FDFF}\x{FE70}-\x{FEFF}]/u';

    public function __construct(
        private readonly Definitions $definitions,
        private readonly FontShelf $shelf,
        private readonly Notes $notes,
        private readonly Limits $limits,
    ) {
    }

    /** @return list<TextRun> */
    public function runs(DOMElement $text, Scope $scope): array
    {
        $collector = new TextCollector($this->definitions, $this->notes, $this->limits);
        $collector->collect($text, $scope);
        $characters = $collector->characters;
        if ($characters === []) {
            return [];
        }
        $at = $scope->matrix->apply($characters[0]->x ?? 0.0, $characters[0]->y ?? 0.0);
        $this->nameWhatIsNotTaken($characters, $at);
        $fonts = array_map(fn (TextCharacter $textCharacter): Font => $this->fontOf($textCharacter, $at), $characters);
        $advances = $this->advances($characters, $fonts);
        $this->fit($collector->lengths, $characters, $advances);

        $placed = $this->placed($collector, $fonts, $advances);
        $this->nameWhatIsCut($placed, $characters, $at);

        return $this->outlined($placed, $characters, $fonts, $advances);
    }

    /**
     * Letters that run over the end of their line are not drawn, by the standard; whoever cuts them must know.
     *
     * @param  array<int, Matrix>  $placed
     * @param  list<TextCharacter>  $characters
     */
    private function nameWhatIsCut(array $placed, array $characters, Point $at): void
    {
        $cut = [];
        foreach ($characters as $i => $character) {
            if (! isset($placed[$i]) && trim($character->text) !== '') {
                $cut[] = $character->text;
            }
        }
        if ($cut !== []) {
            $text = implode('', array_map(static fn (TextCharacter $textCharacter): string => $textCharacter->text, $characters));
            $first = reset($placed);
            $this->notes->add('letters-cut', sprintf(
                '%s of "%s" %s not fit the line that the text stands on and %s left out: "%s".',
                count($cut) === 1 ? 'A letter' : count($cut).' letters',
                mb_substr(trim($text), 0, 40),
                count($cut) === 1 ? 'does' : 'do', count($cut) === 1 ? 'is' : 'are', mb_substr(implode('', $cut), 0, 20),
            ), Severity::Serious, $first === false ? $at : $characters[0]->scope->matrix->apply($first->e, $first->f));
        }
    }

    /** @param  non-empty-list<TextCharacter>  $characters */
    private function nameWhatIsNotTaken(array $characters, Point $at): void
    {
        $text = implode('', array_map(static fn (TextCharacter $textCharacter): string => $textCharacter->text, $characters));
        if (preg_match(self::SHAPED, $text) === 1) {
            $this->notes->add('text', 'A text is in a script whose letters join; they are set one by one.', Severity::Serious, $at);
        }
        if (preg_match('/^(tb|vertical)/', $characters[0]->scope->style->get('writing-mode')) === 1) {
            $this->notes->add('text', 'A vertical text is set level.', Severity::Serious, $at);
        }
    }

    private function fontOf(TextCharacter $one, Point $at): Font
    {
        $style = $one->scope->style;
        $families = array_values(array_filter(array_map(
            static fn (string $name): string => trim($name, " \t\n\"'"),
            explode(',', $style->get('font-family')),
        )));
        $weight = $style->get('font-weight');
        $bold = $weight === 'bold' || (int) $weight >= 600;
        $italic = preg_match('/italic|oblique/', $style->get('font-style')) === 1;
        [$font, $missing] = $this->shelf->find($families, $bold, $italic);
        if ($missing !== null) {
            $this->notes->once(
                'missing-font',
                sprintf('The font "%s" is not at hand; "%s" takes its place, and its letters differ.', mb_substr($missing, 0, 60), $font->family),
                Severity::Serious,
                $at,
                mb_substr($missing, 0, 60),
            );
        }
        $code = mb_ord($one->text);
        if (! $font->has($code) && trim($one->text) !== '') {
            foreach ([['sans-serif'], ['serif']] as $other) {
                [$spare] = $this->shelf->find($other, $bold, $italic);
                if ($spare->has($code)) {
                    $this->notes->once(
                        'missing-font',
                        sprintf('The font "%s" has no "%s"; "%s" takes its place there.', $font->family, $one->text, $spare->family),
                        Severity::Warning,
                        $at,
                    );

                    return $spare;
                }
            }
            $this->notes->once(
                'missing-glyph',
                sprintf('No font at hand has the character "%s" (U+%04X); a box stands for it.', $one->text, $code),
                Severity::Serious,
                $at,
            );
        }

        return $font;
    }

    /**
     * @param  list<TextCharacter>  $characters
     * @param  list<Font>  $fonts
     * @return list<float> user units from each character to the next
     */
    private function advances(array $characters, array $fonts): array
    {
        $advances = [];
        foreach ($characters as $i => $character) {
            $size = $character->scope->fontSize();
            $font = $fonts[$i];
            $glyph = $font->glyph(mb_ord($character->text));
            // Marks that stand on the letter before them take no room.
            $advance = preg_match('/^\p{Mn}$/u', $character->text) === 1 ? 0.0 : $font->advance($glyph) * $size;
            $next = $characters[$i + 1] ?? null;
            if ($next !== null && $fonts[$i + 1] === $font && $next->x === null && $next->y === null && $next->scope->fontSize() === $size) {
                $advance += $font->kern($glyph, $font->glyph(mb_ord($next->text))) * $size;
            }
            $advance += $character->scope->viewport->length($character->scope->style->get('letter-spacing'), 'x', $size) ?? 0.0;
            if ($character->text === ' ' || $character->text === "\u{A0}") {
                $advance += $character->scope->viewport->length($character->scope->style->get('word-spacing'), 'x', $size) ?? 0.0;
            }
            $advances[] = $advance;
        }

        return $advances;
    }

    /**
     * Stretches what was given a textLength.
     *
     * @param  list<array{int, int, float, bool}>  $lengths
     * @param  list<TextCharacter>  $characters
     * @param  list<float>  $advances
     */
    private function fit(array $lengths, array $characters, array $advances): void
    {
        foreach ($lengths as [$from, $to, $length, $glyphs]) {
            $to = min($to, count($characters));
            $natural = 0.0;
            for ($i = $from; $i < $to; $i++) {
                $natural += $advances[$i] + ($i > $from ? $characters[$i]->dx : 0.0);
            }
            if ($natural <= 0 || $to <= $from) {
                continue;
            }
            for ($i = $from; $i < $to; $i++) {
                if ($glyphs) {
                    $characters[$i]->wide = $length / $natural;
                } elseif ($i < $to - 1) {
                    $characters[$i]->stretch = ($length - $natural) / ($to - 1 - $from);
                }
            }
        }
    }

    /**
     * @param  list<Font>  $fonts
     * @param  list<float>  $advances
     * @return array<int, Matrix> by character, from ems at its origin to user units; those beyond the end of their line are left out
     */
    private function placed(TextCollector $collector, array $fonts, array $advances): array
    {
        $places = [];
        [$x, $y, $start] = [0.0, 0.0, 0];
        $characters = $collector->characters;
        $placed = [];
        $path = null;
        foreach ($characters as $i => $character) {
            if ($character->path !== $path) {
                // Text on a line of its own begins at that line's start; what follows it goes on where it ended.
                if ($character->path !== null) {
                    $placed = self::aligned($placed, $characters, $start, $i, $x);
                    $start = $i;
                    $x = $collector->lines[$character->path][1];
                    $y = 0.0;
                } elseif ($path !== null) {
                    $placed = self::aligned($placed, $characters, $start, $i, $x);
                    $start = $i;
                    $end = $collector->lines[$path][0]->at(min($x, $collector->lines[$path][0]->length));
                    [$x, $y] = $end === null ? [$x, $y] : [$end[0], $end[1]];
                }
                $path = $character->path;
            } elseif ($i > 0 && ($character->x !== null || $character->y !== null)) {
                $placed = self::aligned($placed, $characters, $start, $i, $x);
                $start = $i;
            }
            if ($path === null) {
                $x = $character->x ?? $x;
                $y = $character->y ?? $y;
            }
            $x += $character->dx;
            $y += $character->dy;
            $placed[] = [$x, $y];
            $x += $advances[$i] * $character->wide + $character->stretch;
        }
        $placed = self::aligned($placed, $characters, $start, count($characters), $x);
        foreach ($characters as $i => $character) {
            $size = $character->scope->fontSize();
            [$x, $y] = $placed[$i];
            $y += $this->lowered($character, $fonts[$i]) * $size - $this->raised($character, $size);
            $matrix = Matrix::rotation($character->rotate)->after(Matrix::scaling($size * $character->wide, $size));
            if ($character->path === null) {
                $places[$i] = Matrix::translation($x, $y)->after($matrix);

                continue;
            }
            // A glyph stands with its middle on the line.
            $half = $fonts[$i]->advance($fonts[$i]->glyph(mb_ord($character->text))) * $size * $character->wide / 2;
            $stop = $collector->lines[$character->path][0]->at($x + $half);
            if ($stop !== null) {
                [$px, $py, $dx, $dy] = $stop;
                $places[$i] = (new Matrix($dx, $dy, -$dy, $dx, $px, $py))->after(Matrix::translation(-$half, $y))->after($matrix);
            }
        }

        return $places;
    }

    /**
     * Moves the characters between two absolute places as their anchor says.
     *
     * @param  list<array{float, float}>  $placed
     * @param  list<TextCharacter>  $characters
     * @return list<array{float, float}>
     */
    private static function aligned(array $placed, array $characters, int $from, int $to, float $end): array
    {
        if ($to <= $from) {
            return $placed;
        }
        $first = $characters[$from]->scope->style;
        $share = ['middle' => 0.5, 'end' => 1.0][$first->get('text-anchor')] ?? 0.0;
        if ($first->get('direction') === 'rtl') {
            $share = 1.0 - $share;
        }
        $move = $share * ($end - $placed[$from][0]);
        for ($i = $from; $i < $to; $i++) {
            $placed[$i] = [$placed[$i][0] - $move, $placed[$i][1]];
        }

        return array_values($placed);
    }

    /** In ems: how far the letters' own baseline lies below the line that the style aligns. */
    private function lowered(TextCharacter $one, Font $font): float
    {
        $style = $one->scope->style;
        $baseline = $style->get('alignment-baseline');
        if (in_array($baseline, ['', 'auto', 'baseline'], true)) {
            $baseline = $style->get('dominant-baseline');
        }

        return match ($baseline) {
            'middle' => $font->xHeight / 2,
            'central' => ($font->ascent - $font->descent) / 2,
            'mathematical' => $font->ascent / 2,
            'hanging' => 0.8 * $font->ascent,
            'text-before-edge', 'text-top', 'before-edge' => $font->ascent,
            'text-after-edge', 'text-bottom', 'after-edge', 'ideographic' => -$font->descent,
            default => 0.0,
        };
    }

    /** In user units. */
    private function raised(TextCharacter $one, float $size): float
    {
        $shift = $one->scope->style->get('baseline-shift');

        return match ($shift) {
            'super' => 0.4 * $size,
            'sub' => -0.2 * $size,
            default => (new Viewport($size, $size))->length($shift, 'x', $size) ?? 0.0,
        };
    }

    /**
     * @param  array<int, Matrix>  $places
     * @param  list<TextCharacter>  $characters
     * @param  list<Font>  $fonts
     * @param  list<float>  $advances
     * @return list<TextRun>
     */
    private function outlined(array $places, array $characters, array $fonts, array $advances): array
    {
        $scopes = [];
        $outlines = [];
        $boxes = [];
        $last = null;
        foreach ($places as $i => $matrix) {
            $one = $characters[$i];
            $font = $fonts[$i];
            $wide = max(1e-6, $advances[$i] / max(1e-9, $one->scope->fontSize()));
            $cell = (new Shape([Contour::rectangle(0.0, -$font->ascent, $wide, $font->ascent + $font->descent)]))->transformed($matrix);
            $boxes[] = $cell->box();
            if (in_array($one->scope->style->get('visibility'), ['hidden', 'collapse'], true)) {
                continue;
            }
            if ($one->scope !== $last) {
                $scopes[] = $last = $one->scope;
                $outlines[] = [];
            }
            $glyph = $font->outline($font->glyph(mb_ord($one->text)));
            $bars = self::bars($one, $font, $one->wide > 0 ? $wide + $one->stretch / max(1e-9, $one->scope->fontSize()) / $one->wide : $wide);
            // Lines wind like the letters, or they would cut holes where they cross.
            $turn = array_sum(array_map(static fn (Contour $contour): float => $contour->area(), $glyph)) < 0 ? -1 : 1;
            $bars = array_map(static fn (Contour $bar): Contour => $bar->area() * $turn < 0 ? $bar->reversed() : $bar, $bars);
            $contours = (new Shape([...$glyph, ...$bars]))->transformed($matrix)->contours;
            array_push($outlines[count($outlines) - 1], ...$contours);
        }
        $box = Box::around(...array_values(array_filter($boxes)));

        $runs = [];
        foreach ($scopes as $i => $scope) {
            $runs[] = new TextRun($outlines[$i], $scope, $box);
        }

        return $runs;
    }

    /** @return list<Contour> lines under, through and over a character, in ems */
    private static function bars(TextCharacter $one, Font $font, float $wide): array
    {
        $words = preg_split('/\s+/', $one->scope->style->get('text-decoration'), -1, PREG_SPLIT_NO_EMPTY) ?: [];
        $bars = [];
        $thick = $font->lineThickness;
        foreach (['underline' => $font->underline, 'line-through' => -0.55 * $font->xHeight, 'overline' => -$font->ascent] as $word => $y) {
            if (in_array($word, $words, true)) {
                $bars[] = Contour::rectangle(0.0, $y - $thick / 2, $wide, $thick);
            }
        }

        return $bars;
    }
}
