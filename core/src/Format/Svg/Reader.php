<?php

declare(strict_types=1);

namespace NeatEdge\Core\Format\Svg;

use DOMElement;
use DOMXPath;
use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Paint;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Artwork\Stroke;
use NeatEdge\Core\Check\Finding;
use NeatEdge\Core\Check\Severity;
use NeatEdge\Core\Geometry\Box;
use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\FillRule;
use NeatEdge\Core\Geometry\Length;
use NeatEdge\Core\Geometry\Matrix;
use NeatEdge\Core\Geometry\Point;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\PlanarMap\Combine;
use NeatEdge\Core\Prepare\OutlineStrokes;
use NeatEdge\Core\Prepare\RemoveHidden;

/**
 * Reads SVG into artwork in millimetres. Whatever is not turned into geometry is left out and named in a finding;
 * nothing outside the file is ever read.
 */
final class Reader
{
    private const CONTAINERS = ['g', 'a', 'svg', 'switch', 'use'];

    /** Elements that draw nothing where they stand. */
    private const SILENT = ['defs', 'symbol', 'clipPath', 'mask', 'pattern', 'linearGradient', 'radialGradient', 'marker', 'filter',
        'title', 'desc', 'metadata', 'style', 'view', 'cursor', 'font', 'font-face', 'glyph', 'animate', 'animateTransform', 'animateMotion', 'set', 'color-profile'];

    private const LEFT_OUT = ['text' => 'text', 'image' => 'a picture', 'foreignObject' => 'foreign content', 'video' => 'a film', 'audio' => 'sound',
        'canvas' => 'a canvas', 'iframe' => 'another page', 'script' => 'a script', 'tspan' => 'text', 'textPath' => 'text'];

    private const MOST_FINDINGS = 300;

    private Definitions $definitions;

    /** @var list<Piece> */
    private array $pieces = [];

    /** @var list<Finding> */
    private array $findings = [];

    private int $visited = 0;

    private int $segments = 0;

    private function __construct(private readonly Limits $limits)
    {
        $this->definitions = new Definitions;
    }

    /** @throws SvgRefused */
    public static function read(string $bytes, ?Limits $limits = null): Drawing
    {
        $self = new self($limits ?? new Limits);

        return $self->drawing(SafeXml::root($bytes, $self->limits));
    }

    private function drawing(DOMElement $root): Drawing
    {
        $this->prepare($root);
        $box = Viewport::viewBox($root);
        $given = new Viewport($box[2] ?? 300.0, $box[3] ?? 150.0);
        // A percentage or nothing at all: the viewBox then gives the size, one unit a pixel.
        $width = str_contains($root->getAttribute('width'), '%') ? null : $given->length($root->getAttribute('width'), 'x');
        $height = str_contains($root->getAttribute('height'), '%') ? null : $given->length($root->getAttribute('height'), 'y');
        if ($box !== null) {
            [$width, $height] = match (true) {
                $width === null && $height === null => [$box[2], $box[3]],
                $width === null => [$height * $box[2] / $box[3], $height],
                $height === null => [$width, $width * $box[3] / $box[2]],
                default => [$width, $height],
            };
        }
        $width ??= $given->width;
        $height ??= $given->height;
        $px = Length::MM_PER['px'];
        if ($width <= 0 || $height <= 0) {
            throw SvgRefused::noSize();
        }
        if (max($width, $height) * $px > $this->limits->size) {
            throw SvgRefused::hugeSize(max($width, $height) * $px, $this->limits->size);
        }
        $fit = $box === null ? Matrix::identity() : Viewport::fit($box, $root->getAttribute('preserveAspectRatio'), 0, 0, $width, $height);
        $matrix = Matrix::scaling($px, $px)->after($fit);
        $style = Style::initial()->of($root, $this->definitions->sheet);
        $scope = new Scope($style, $matrix, $box === null ? new Viewport($width, $height) : $given);
        if ($style->get('display') !== 'none') {
            $this->children($root, $scope);
            $this->fade(0, $this->opacityOf($style));
        }

        return new Drawing(new Artwork($width * $px, $height * $px, $this->pieces), $this->findings);
    }

    private function prepare(DOMElement $root): void
    {
        $path = new DOMXPath($root->ownerDocument ?? throw SvgRefused::empty());
        $this->definitions->collect($path);
        foreach ($path->query('//*[local-name()="style"]') ?: [] as $element) {
            $type = $element instanceof DOMElement ? $element->getAttribute('type') : '';
            if ($element instanceof DOMElement && ($type === '' || $type === 'text/css')) {
                foreach ($this->definitions->sheet->add($element->textContent) as $left) {
                    $this->note('style', "Left out {$left}.", Severity::Note);
                }
            }
        }
        if (($path->query('//@*[starts-with(local-name(), "on")]') ?: null)?->length > 0) {
            $this->note('script', 'Left out event handlers: nothing in a drawing is run.', Severity::Note);
        }
        if (($path->query('//processing-instruction("xml-stylesheet")') ?: null)?->length > 0) {
            $this->note('external-reference', 'Left out a style sheet outside the file: nothing outside it is read.', Severity::Warning);
        }
    }

    private function children(DOMElement $parent, Scope $scope): void
    {
        if ($scope->depth > $this->limits->depth) {
            throw SvgRefused::tooDeep($this->limits->depth, $parent->getLineNo());
        }
        foreach ($parent->childNodes as $child) {
            if ($child instanceof DOMElement) {
                $this->element($child, $scope);
            }
        }
    }

    private function element(DOMElement $e, Scope $outer): void
    {
        $name = (string) $e->localName;
        if (++$this->visited > 4 * $this->limits->pieces) {
            throw SvgRefused::tooMany($this->limits->pieces);
        }
        if (in_array($name, self::SILENT, true) || ! in_array($e->namespaceURI, ['http://www.w3.org/2000/svg', null], true)) {
            return;
        }
        $drawn = in_array($name, BasicShape::NAMES, true);
        if (! $drawn && ! in_array($name, self::CONTAINERS, true) && ! isset(self::LEFT_OUT[$name])) {
            return;
        }
        $style = $outer->style->of($e, $this->definitions->sheet);
        if ($style->get('display') === 'none') {
            return;
        }
        $transform = $style->get('transform') !== '' && $style->get('transform') !== 'none' ? $style->get('transform') : $e->getAttribute('transform');
        $scope = $outer->inside($style, $transform === '' ? Matrix::identity() : TransformList::parse($transform));
        $opacity = $this->opacityOf($style);
        if (isset(self::LEFT_OUT[$name])) {
            $this->leaveOut($e, $scope, $name, self::LEFT_OUT[$name]);

            return;
        }
        if ($opacity <= 0.0 || $scope->matrix->isSingular()) {
            return;
        }
        foreach (['mask' => 'a mask', 'filter' => 'a filter'] as $property => $words) {
            if (Definitions::reference($style->get($property)) !== null) {
                $this->leaveOut($e, $scope, $property, "what is under {$words}");

                return;
            }
        }
        if (! in_array($style->get('mix-blend-mode'), ['', 'normal'], true)) {
            $this->note('blend', 'A blend mode is taken as plain painting.', Severity::Warning, $this->placeOf($e, $scope));
        }
        $clip = Definitions::reference($style->get('clip-path'));
        if ($clip !== null && $this->definitions->get($clip)?->localName === 'clipPath') {
            $shape = ClipShape::of($this->definitions, $clip, $e, $scope);
            if ($shape === null) {
                $this->leaveOut($e, $scope, 'clip-path', 'what is clipped in a way that is not taken');

                return;
            }
            $scope = $scope->clippedBy($shape);
        }
        $first = count($this->pieces);
        match (true) {
            $drawn => $this->draw($e, $scope),
            $name === 'use' => $this->use($e, $scope),
            $name === 'svg' => $this->nested($e, $scope, $e),
            $name === 'switch' => $this->choose($e, $scope),
            default => $this->children($e, $scope),
        };
        $this->fade($first, $opacity);
    }

    /**
     * Makes the pieces drawn since the first one see-through together: what they cover of each other stays covered,
     * so that within the group only what is seen is left before the opacity is taken.
     */
    private function fade(int $first, float $opacity): void
    {
        $group = array_slice($this->pieces, $first);
        if ($opacity >= 1.0 || $group === []) {
            return;
        }
        if (count($group) > 1 || ($group[0]->fill !== null && $group[0]->stroke !== null)) {
            $box = Box::around(...array_values(array_filter(array_map(static fn (Piece $piece): ?Box => $piece->box(), $group))));
            $group = (new RemoveHidden)->apply(new Artwork(max(1e-9, $box?->width() ?? 1.0), max(1e-9, $box?->height() ?? 1.0), $group))->pieces;
        }
        $faded = static fn (?Paint $paint): ?Paint => $paint === null ? null : new Paint($paint->colour, $paint->opacity * $opacity);
        array_splice($this->pieces, $first);
        foreach ($group as $piece) {
            $stroke = $piece->stroke;
            $this->add(
                $piece->shape,
                $faded($piece->fill),
                $stroke === null ? null : new Stroke($faded($stroke->paint) ?? $stroke->paint, $stroke->style, $stroke->pen),
                $piece->name,
            );
        }
    }

    private function choose(DOMElement $e, Scope $scope): void
    {
        foreach ($e->childNodes as $child) {
            if (! $child instanceof DOMElement || $child->getAttribute('requiredExtensions') !== '') {
                continue;
            }
            $language = $child->getAttribute('systemLanguage');
            if ($child->hasAttribute('systemLanguage') && preg_match('/(^|,)\s*en(-|\s*(,|$))/i', $language) !== 1) {
                continue;
            }
            if (in_array($child->localName, [...BasicShape::NAMES, ...self::CONTAINERS, ...array_keys(self::LEFT_OUT)], true)) {
                $this->element($child, $scope);

                return;
            }
        }
    }

    private function use(DOMElement $e, Scope $scope): void
    {
        $href = Definitions::href($e);
        if (! str_starts_with($href, '#')) {
            if ($href !== '') {
                $this->note('external-reference', 'Left out a piece that lies outside the file: nothing outside it is read.', Severity::Warning, $this->placeOf($e, $scope));
            }

            return;
        }
        $id = rawurldecode(substr($href, 1));
        $target = $this->definitions->get($id);
        if ($target === null) {
            $this->note('missing-reference', sprintf('Left out a copy of "%s", which is not in the file.', mb_substr($id, 0, 40)), Severity::Warning, $this->placeOf($e, $scope));

            return;
        }
        for ($up = $e; $up instanceof DOMElement; $up = $up->parentNode) {
            if ($up === $target) {
                throw SvgRefused::usesItself($id, $e->getLineNo());
            }
        }
        if (in_array($id, $scope->uses, true)) {
            throw SvgRefused::usesItself($id, $e->getLineNo());
        }
        $font = $scope->fontSize();
        $move = Matrix::translation($scope->viewport->attribute($e, 'x', 'x', 0.0, $font), $scope->viewport->attribute($e, 'y', 'y', 0.0, $font));
        $scope = $scope->showing($scope->viewport, $move)->using($id);
        if ($target->localName === 'symbol' || $target->localName === 'svg') {
            $style = $scope->style->of($target, $this->definitions->sheet);
            if ($style->get('display') !== 'none') {
                $transform = $target->getAttribute('transform');
                $first = count($this->pieces);
                $this->nested($target, $scope->inside($style, $transform === '' ? Matrix::identity() : TransformList::parse($transform)), $e);
                $this->fade($first, $this->opacityOf($style));
            }
        } else {
            $this->element($target, $scope);
        }
    }

    /** A nested viewport: an inner svg, or a symbol where it is used. */
    private function nested(DOMElement $e, Scope $scope, DOMElement $sizes): void
    {
        $outer = $scope->viewport;
        $inner = $sizes === $e;
        $x = $e->localName === 'svg' ? $outer->attribute($e, 'x', 'x', 0.0) : 0.0;
        $y = $e->localName === 'svg' ? $outer->attribute($e, 'y', 'y', 0.0) : 0.0;
        $width = $outer->attribute($e, 'width', 'x', $outer->width);
        $height = $outer->attribute($e, 'height', 'y', $outer->height);
        if (! $inner) {
            $width = $outer->attribute($sizes, 'width', 'x', $width);
            $height = $outer->attribute($sizes, 'height', 'y', $height);
        }
        if ($width <= 0 || $height <= 0) {
            return;
        }
        if (in_array($scope->style->get('overflow'), ['', 'hidden', 'scroll'], true)) {
            $clip = Shape::of(Contour::rectangle($x, $y, $width, $height)->transformed($scope->matrix));
            $scope = $scope->clippedBy($clip);
        }
        $box = Viewport::viewBox($e);
        $fit = $box === null ? Matrix::translation($x, $y) : Viewport::fit($box, $e->getAttribute('preserveAspectRatio'), $x, $y, $width, $height);
        $this->children($e, $scope->showing(new Viewport($box[2] ?? $width, $box[3] ?? $height), $fit));
    }

    private function draw(DOMElement $e, Scope $scope): void
    {
        $style = $scope->style;
        if (in_array($style->get('visibility'), ['hidden', 'collapse'], true)) {
            return;
        }
        [$contours, $whole] = BasicShape::contours($e, $scope->viewport, $scope->fontSize(), $this->limits->segments);
        if (! $whole) {
            $this->note('path-data', 'A path could be read only in part; what comes before the error is drawn.', Severity::Warning, $this->placeOf($e, $scope));
        }
        if ($contours === []) {
            return;
        }
        $fill = $this->paint($e, $scope, 'fill');
        $line = $this->paint($e, $scope, 'stroke');
        $stroke = $line === null ? null : StrokeAttributes::stroke($line, $scope);
        foreach (['marker', 'marker-start', 'marker-mid', 'marker-end'] as $property) {
            if (Definitions::reference($style->get($property)) !== null) {
                $this->leaveOut($e, $scope, 'marker', 'the markers of a line');
                break;
            }
        }
        if ($fill === null && $stroke === null) {
            return;
        }
        $rule = $style->get('fill-rule') === 'evenodd' ? FillRule::Evenodd : FillRule::Nonzero;
        $shape = (new Shape($contours, $rule))->transformed($scope->matrix);
        foreach ($contours as $contour) {
            $this->segments += $contour->segmentCount();
        }
        if ($this->segments > $this->limits->segments) {
            throw SvgRefused::tooManySegments($this->limits->segments);
        }
        $this->keep($e, $shape, $fill, $stroke, $scope->clips);
    }

    /** @param  list<Shape>  $clips */
    private function keep(DOMElement $e, Shape $shape, ?Paint $fill, ?Stroke $stroke, array $clips): void
    {
        $name = mb_substr($e->getAttribute('id'), 0, 120);
        $clips = self::needed($clips, $shape, $stroke);
        if ($clips === []) {
            $this->add($shape, $fill, $stroke, $name);

            return;
        }
        if ($fill !== null) {
            $this->add(Combine::keepOverlap([$shape, ...$clips]), $fill, null, $name);
        }
        if ($stroke !== null) {
            $line = OutlineStrokes::outline($shape, $stroke);
            $this->add(Combine::keepOverlap([$line, ...$clips]), $stroke->paint, null, $name);
        }
    }

    /**
     * @param  list<Shape>  $clips
     * @return list<Shape> those that are not plain boxes round the whole piece
     */
    private static function needed(array $clips, Shape $shape, ?Stroke $stroke): array
    {
        if ($clips === []) {
            return [];
        }
        $box = $shape->box();
        if ($box === null) {
            return [];
        }
        $reach = $stroke === null ? 0.0 : $stroke->style->width * ($stroke->pen?->greatestScale() ?? 1.0) * max(1.0, $stroke->style->miterLimit);
        $box = new Box($box->left - $reach, $box->top - $reach, $box->right + $reach, $box->bottom + $reach);

        return array_values(array_filter($clips, static function (Shape $clip) use ($box): bool {
            $around = $clip->box();
            $upright = $around !== null && count($clip->contours) === 1 && $clip->contours[0]->segmentCount() === 4
                && abs($clip->area() - $around->width() * $around->height()) < 1e-9 * $clip->area();

            return ! ($upright && $around->contains($box));
        }));
    }

    private function add(Shape $shape, ?Paint $fill, ?Stroke $stroke, string $name): void
    {
        if ($shape->isEmpty()) {
            return;
        }
        if (count($this->pieces) >= $this->limits->pieces) {
            throw SvgRefused::tooMany($this->limits->pieces);
        }
        $this->pieces[] = new Piece('p'.(count($this->pieces) + 1), $shape, $fill, $stroke, $name);
    }

    private function paint(DOMElement $e, Scope $scope, string $property): ?Paint
    {
        $text = $scope->style->get($property);
        $opacity = ColourText::unit($scope->style->get("{$property}-opacity"), 1.0) ?? 1.0;
        if (preg_match('/^url\(\s*["\']?([^"\')]*)["\']?\s*\)\s*(.*)$/is', $text, $found) === 1) {
            $target = str_starts_with($found[1], '#') ? $this->definitions->get(rawurldecode(substr($found[1], 1))) : null;
            $kind = $target?->localName;
            if ($kind === 'linearGradient' || $kind === 'radialGradient') {
                $this->leaveOut($e, $scope, 'gradient', "a {$property} with a gradient");

                return null;
            }
            if ($kind === 'pattern') {
                $this->leaveOut($e, $scope, 'pattern', "a {$property} with a pattern");

                return null;
            }
            if (! str_starts_with($found[1], '#')) {
                $this->note('external-reference', 'Left out a paint that lies outside the file: nothing outside it is read.', Severity::Warning, $this->placeOf($e, $scope));
            }
            $text = trim($found[2]);
        }
        if ($text === '' || $text === 'none' || $opacity <= 0.0) {
            return null;
        }
        if (strcasecmp($text, 'currentcolor') === 0) {
            $text = $scope->style->get('color');
        }
        $colour = ColourText::parse($text);
        if ($colour === null) {
            // What cannot be read is as if it had not been written (CSS): fill is black, stroke is none.
            $colour = $property === 'fill' ? ColourText::parse('black') : null;
            $this->note('colour', sprintf('The colour "%s" cannot be read.', mb_substr($text, 0, 30)), Severity::Warning, $this->placeOf($e, $scope));
        }
        if ($colour === null || $colour[1] * $opacity <= 0.0) {
            return null;
        }

        return new Paint($colour[0], $colour[1] * $opacity);
    }

    private function opacityOf(Style $style): float
    {
        return ColourText::unit($style->get('opacity'), 1.0) ?? 1.0;
    }

    private function leaveOut(DOMElement $e, Scope $scope, string $kind, string $what): void
    {
        $this->note($kind, 'Left out '.$what.': it is not turned into outlines.', $kind === 'script' ? Severity::Note : Severity::Serious, $this->placeOf($e, $scope));
    }

    private function placeOf(DOMElement $e, Scope $scope): ?Point
    {
        if (in_array($e->localName, BasicShape::NAMES, true)) {
            $box = (new Shape(BasicShape::contours($e, $scope->viewport, 16.0)[0]))->transformed($scope->matrix)->box();

            return $box === null ? null : new Point(($box->left + $box->right) / 2, ($box->top + $box->bottom) / 2);
        }
        if ($e->hasAttribute('x') || $e->hasAttribute('y')) {
            return $scope->matrix->apply($scope->viewport->attribute($e, 'x', 'x', 0.0), $scope->viewport->attribute($e, 'y', 'y', 0.0));
        }

        return null;
    }

    private function note(string $kind, string $message, Severity $severity, ?Point $at = null): void
    {
        if (count($this->findings) < self::MOST_FINDINGS) {
            $this->findings[] = new Finding($kind, $severity, $message, $at);
        }
    }
}
