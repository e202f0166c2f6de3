<?php

declare(strict_types=1);

namespace NeatEdge\Core\Format\Svg;

use DOMElement;
use DOMText;
use NeatEdge\Core\Check\Severity;
use NeatEdge\Core\Format\Notes;
use NeatEdge\Core\Geometry\Matrix;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Type\LineAlong;

/**
 * The characters of a text element in order, white space collapsed, each with the positions that its elements give it.
 *
 * @source SVG 2, 11.4 and 11.8 (addressable characters; x, y, dx, dy and rotate of ancestors)
 */
final class TextCollector
{
    private const MOST = 20_000;

    private const POSITIONS = ['x' => 'x', 'y' => 'y', 'dx' => 'x', 'dy' => 'y', 'rotate' => ''];

    /** @var list<TextCharacter> */
    public array $characters = [];

    /** @var list<array{LineAlong, float}> lines that text stands on, and where it starts on them */
    public array $lines = [];

    /** @var list<array{int, int, float, bool}> from, to (not counted), length in user units, whether glyphs are stretched */
    public array $lengths = [];

    private bool $space = true;

    public function __construct(private readonly Definitions $definitions, private readonly Notes $notes, private readonly Limits $limits)
    {
    }

    public function collect(DOMElement $text, Scope $scope): void
    {
        $this->element($text, $scope, [], null);
        while ($this->characters !== [] && $this->characters[count($this->characters) - 1]->text === ' ' && ! self::preserves($text, $scope->style)) {
            array_pop($this->characters);
        }
    }

    /** @param  list<array{int, array<string, list<float>>}>  $positions  of the elements around: first character and lists */
    private function element(DOMElement $e, Scope $scope, array $positions, ?int $path): void
    {
        $first = count($this->characters);
        $own = [];
        foreach (self::POSITIONS as $name => $direction) {
            if ($e->hasAttribute($name) && $e->localName !== 'textPath') {
                foreach (preg_split('/[\s,]+/', $e->getAttribute($name), -1, PREG_SPLIT_NO_EMPTY) ?: [] as $part) {
                    $own[$name][] = $scope->viewport->length($part, $direction, $scope->fontSize()) ?? 0.0;
                }
            }
        }
        if ($own !== []) {
            $positions[] = [$first, $own];
        }
        $preserves = self::preserves($e, $scope->style);
        foreach ($e->childNodes as $child) {
            if ($child instanceof DOMText) {
                $this->text($child->data, $scope, $positions, $path, $preserves);
            } elseif ($child instanceof DOMElement && in_array($child->localName, ['tspan', 'a', 'textPath', 'tref', 'altGlyph'], true)) {
                $style = $scope->style->of($child, $this->definitions->sheet);
                if ($style->get('display') === 'none' || $scope->depth > $this->limits->depth) {
                    continue;
                }
                $inner = $scope->inside($style, Matrix::identity());
                $line = $child->localName === 'textPath' ? $this->line($child, $inner) : $path;
                if ($child->localName !== 'textPath' || $line !== null) {
                    $this->element($child, $inner, $positions, $line);
                }
            }
        }
        $length = $scope->viewport->length($e->getAttribute('textLength'), 'x', $scope->fontSize());
        if ($length !== null && $length > 0 && count($this->characters) > $first) {
            $this->lengths[] = [$first, count($this->characters), $length, $e->getAttribute('lengthAdjust') === 'spacingAndGlyphs'];
        }
    }

    /** @param  list<array{int, array<string, list<float>>}>  $positions */
    private function text(string $text, Scope $scope, array $positions, ?int $path, bool $preserves): void
    {
        $text = str_replace(["\r\n", "\n", "\r", "\t"], $preserves ? ' ' : [' ', ' ', ' ', ' '], $text);
        $text = match ($scope->style->get('text-transform')) {
            'uppercase' => mb_strtoupper($text),
            'lowercase' => mb_strtolower($text),
            'capitalize' => mb_convert_case($text, MB_CASE_TITLE_SIMPLE),
            default => $text,
        };
        foreach (mb_str_split($text) as $character) {
            if ($character === ' ' && ! $preserves && $this->space) {
                continue;
            }
            $this->space = $character === ' ';
            if (count($this->characters) >= self::MOST) {
                $this->notes->once('text', sprintf('A text is longer than %d characters; the rest of it is left out.', self::MOST), Severity::Serious);

                return;
            }
            $this->characters[] = $one = new TextCharacter($character, $scope, $path);
            $number = count($this->characters) - 1;
            foreach ($positions as [$first, $lists]) {
                $i = $number - $first;
                $one->x = $lists['x'][$i] ?? $one->x;
                $one->y = $lists['y'][$i] ?? $one->y;
                $one->dx = $lists['dx'][$i] ?? $one->dx;
                $one->dy = $lists['dy'][$i] ?? $one->dy;
                if (isset($lists['rotate'])) {
                    $one->rotate = $lists['rotate'][min($i, count($lists['rotate']) - 1)];
                }
            }
        }
    }

    /** The number of the line that a textPath stands on; null where it has none, and shows nothing. */
    private function line(DOMElement $e, Scope $scope): ?int
    {
        $id = ltrim(Definitions::href($e), '#');
        $target = $this->definitions->get(rawurldecode($id));
        if ($e->hasAttribute('path')) {
            $contours = PathAttribute::parse($e->getAttribute('path'), $this->limits->segments)[0];
        } elseif ($target !== null && in_array($target->localName, BasicShape::NAMES, true)) {
            $matrix = TransformList::of($target, $this->definitions->styleOf($target), $scope->viewport);
            $contours = (new Shape(BasicShape::contours(
                $target,
                $scope->viewport,
                $scope->fontSize(),
                $this->limits->segments,
            )[0]))->transformed($matrix)->contours;
        } else {
            $this->notes->add('text', sprintf('Left out text along "%s", which is no line in the file.', mb_substr($id, 0, 40)), Severity::Serious);

            return null;
        }
        if ($e->getAttribute('side') === 'right') {
            $contours = array_map(static fn ($contour) => $contour->reversed(), array_reverse($contours));
        }
        $line = new LineAlong($contours);
        $whole = (float) $target?->getAttribute('pathLength');
        $start = (new Viewport($line->length, $line->length))->length($e->getAttribute('startOffset'), 'x', $scope->fontSize()) ?? 0.0;
        if ($whole > 0 && ! str_contains($e->getAttribute('startOffset'), '%')) {
            $start *= $line->length / $whole;
        }
        $this->lines[] = [$line, $start];

        return count($this->lines) - 1;
    }

    private static function preserves(DOMElement $e, Style $style): bool
    {
        if (in_array($style->get('white-space'), ['pre', 'pre-wrap', 'break-spaces'], true)) {
            return true;
        }
        for ($up = $e; $up instanceof DOMElement; $up = $up->parentNode) {
            if ($up->hasAttribute('xml:space')) {
                return $up->getAttribute('xml:space') === 'preserve';
            }
        }

        return false;
    }
}
