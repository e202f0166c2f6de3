<?php

declare(strict_types=1);

namespace NeatEdge\Core\Format\Svg;

use DOMElement;
use NeatEdge\Core\Artwork\Paint;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Artwork\Stroke;
use NeatEdge\Core\Check\Severity;
use NeatEdge\Core\Format\Lines\LineDrawing;
use NeatEdge\Core\Format\Notes;
use NeatEdge\Core\Geometry\Box;
use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\FillRule;
use NeatEdge\Core\Geometry\Matrix;
use NeatEdge\Core\Geometry\Point;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Measure\Colour;
use NeatEdge\Core\Patience\Patience;
use NeatEdge\Core\Seen\StrokeRegion;
use NeatEdge\Core\Type\FontShelf;

/** Walks the elements of a drawing in the order of painting and lays what they show onto the canvas. */
final class Walk
{
    private const CONTAINERS = ['g', 'a', 'svg', 'switch', 'use', 'text', 'image'];

    /** Elements that draw nothing where they stand. */
    private const SILENT = ['defs', 'symbol', 'clipPath', 'mask', 'pattern', 'linearGradient', 'radialGradient', 'marker', 'filter',
        'title',
        'desc',
        'metadata',
        'style',
        'view',
        'cursor',
        'font',
        'font-face',
        'glyph',
        'animate',
        'animateTransform',
        'animateMotion',
        'set',
        'color-profile'];

    private const LEFT_OUT = ['foreignObject' => 'foreign content', 'video' => 'a film', 'audio' => 'sound',
        'canvas' => 'a canvas',
        'iframe' => 'another page',
        'script' => 'a script',
        'tspan' => 'text outside a text element',
        'textPath' => 'text outside a text element'];

    /** Lines of sheets of our own, which say that they are cut. */
    public readonly LineDrawing $cuts;

    public readonly Canvas $canvas;

    private readonly TextReader $text;

    private readonly Paints $paints;

    private readonly ClipShape $clips;

    private int $visited = 0;

    public function __construct(public readonly Definitions $definitions, public readonly Notes $notes, private readonly Limits $limits, FontShelf $shelf)
    {
        $this->canvas = new Canvas($limits, $this->notes);
        $this->cuts = new LineDrawing;
        $this->text = new TextReader($definitions, $shelf, $notes, $limits);
        $this->paints = new Paints($definitions, $notes);
        $this->clips = new ClipShape($definitions, $this->text, $limits);
    }

    /** Draws the children of an element. */
    public function within(DOMElement $parent, Scope $scope): void
    {
        if ($scope->depth > $this->limits->depth) {
            throw SvgRefused::tooDeep($this->limits->depth, $parent->getLineNo());
        }
        for ($child = $parent->firstElementChild; $child !== null; $child = $child->nextElementSibling) {
            Patience::ask(32);
            $this->element($child, $scope);
        }
    }

    /** @return list<Piece> the children of an element, drawn apart from the canvas */
    public function aside(DOMElement $parent, Scope $scope): array
    {
        $mark = $this->canvas->mark();
        $this->within($parent, $scope);

        return $this->canvas->takeSince($mark);
    }

    public static function opacityOf(Style $style): float
    {
        return ColourText::unit($style->get('opacity'), 1.0) ?? 1.0;
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
        if (! self::applies($e)) {
            return;
        }
        $style = $outer->style->of($e, $this->definitions->sheet);
        if ($style->get('display') === 'none') {
            return;
        }
        $scope = $outer->inside($style, TransformList::of($e, $style, $outer->viewport));
        if (isset(self::LEFT_OUT[$name])) {
            $this->notes->leftOut($name, self::LEFT_OUT[$name], $this->placeOf($e, $scope));

            return;
        }
        $opacity = self::opacityOf($style);
        if ($opacity <= 0.0 || $scope->matrix->isSingular()) {
            return;
        }
        $this->masked($e, $scope, $opacity, function (Scope $scope) use ($e, $name, $drawn): void {
            match (true) {
                $drawn => $this->shape($e, $scope),
                $name === 'use' => $this->use($e, $scope),
                $name === 'svg' => $this->nested($e, $scope, $e),
                $name === 'switch' => $this->choose($e, $scope),
                $name === 'text' => $this->letters($e, $scope),
                $name === 'image' => $this->picture($e, $scope),
                default => $this->within($e, $scope),
            };
        });
    }

    /**
     * Draws an element and takes away what its clip and its mask hide, then makes it as see-through as it says.
     *
     * @param  \Closure(Scope): void  $draw
     */
    private function masked(DOMElement $e, Scope $scope, float $opacity, \Closure $draw): void
    {
        $clip = $this->referred($e, $scope, 'clip-path', 'clipPath');
        $mask = $this->referred($e, $scope, 'mask', 'mask');
        $shape = in_array($e->localName, BasicShape::NAMES, true);
        $late = $clip !== null && ClipShape::needsBox($clip) && ! $shape;
        if ($clip !== null && ! $late) {
            $scope = $scope->clippedBy($this->clips->of($clip, $scope, $shape ? $this->boxOf($e, $scope) : null));
        }
        $mark = $this->canvas->mark();
        $looks = new Looks($this->canvas, $this->notes, $this->definitions, fn (): ?Point => $this->placeOf($e, $scope));
        $layers = $looks->filter($scope);
        $inner = $layers === null ? $scope : $scope->whole();
        $draw($mask === null ? $inner : $inner->using('mask '.$mask->getAttribute('id')));
        if ($layers !== null) {
            $looks->apply($layers, $mark, $scope);
        }
        $looks->blend($scope, $mark);
        if (! $late && $mask === null) {
            $this->canvas->fade($mark, $opacity);

            return;
        }
        if ($this->canvas->mark() === $mark) {
            return;
        }
        $box = $shape ? $this->boxOf($e, $scope) : $this->canvas->boxSince($mark, $scope->matrix);
        if ($late && $clip !== null) {
            $this->canvas->clip($mark, $this->clips->of($clip, $scope, $box));
        }
        if ($mask !== null && ! (new Masks($this))->apply($mask, $scope->using('mask '.$mask->getAttribute('id')), $mark, $box)) {
            $this->notes->add('mask', 'A mask of very many pieces is not taken: what it is on is drawn whole.', Severity::Serious, $this->placeOf($e, $scope));
        }
        $this->canvas->fade($mark, $opacity);
    }

    /** What a property refers to, if it is of the right kind and not being drawn already. */
    private function referred(DOMElement $e, Scope $scope, string $property, string $kind): ?DOMElement
    {
        $text = $scope->style->get($property);
        $id = Definitions::reference($text);
        if ($id === null) {
            if (! in_array($text, ['', 'none'], true)) {
                str_starts_with($text, 'url(')
                    ? $this->notes->outside('a '.strtolower($kind), $this->placeOf($e, $scope))
                    : $this->notes->add(
                        $property,
                        sprintf('"%s: %s" is not taken: what it is on is drawn whole.', $property, mb_substr($text, 0, 30)),
                        Severity::Serious,
                        $this->placeOf($e, $scope),
                    );
            }

            return null;
        }
        $target = $this->definitions->get($id);
        if ($target === null || $target->localName !== $kind || in_array("mask {$id}", $scope->uses, true)) {
            return null;
        }

        return $target;
    }

    /**
     * Whether an element is shown at all: no extension of the language is known here, and English is understood. What SVG 1.1 called features says nothing
     * any more.
     *
     * @source SVG 2, 5.8 (conditional processing)
     */
    private static function applies(DOMElement $e): bool
    {
        return ! $e->hasAttribute('requiredExtensions')
            && (! $e->hasAttribute('systemLanguage') || preg_match('/(^|,)\s*en(-|\s*(,|$))/i', $e->getAttribute('systemLanguage')) === 1);
    }

    private function choose(DOMElement $e, Scope $scope): void
    {
        foreach ($e->childNodes as $child) {
            if (! $child instanceof DOMElement || ! self::applies($child)) {
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
                $this->notes->outside('a piece', $this->placeOf($e, $scope));
            }

            return;
        }
        $id = rawurldecode(substr($href, 1));
        $target = $this->definitions->get($id);
        if ($target === null) {
            $this->notes->add(
                'missing-reference',
                sprintf('Left out a copy of "%s", which is not in the file.', mb_substr($id, 0, 40)),
                Severity::Warning,
                $this->placeOf($e, $scope),
            );

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
                $inner = $scope->inside($style, TransformList::of($target, $style, $scope->viewport));
                $this->masked($target, $inner, self::opacityOf($style), fn (Scope $own) => $this->nested($target, $own, $e));
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
            $scope = $scope->clippedBy(Shape::of(Contour::rectangle($x, $y, $width, $height)->transformed($scope->matrix)));
        }
        $box = Viewport::viewBox($e);
        $fit = $box === null ? Matrix::translation($x, $y) : Viewport::fit($box, $e->getAttribute('preserveAspectRatio'), $x, $y, $width, $height);
        $this->within($e, $scope->showing(new Viewport($box[2] ?? $width, $box[3] ?? $height), $fit));
    }

    private function shape(DOMElement $e, Scope $scope): void
    {
        if (in_array($scope->style->get('visibility'), ['hidden', 'collapse'], true)) {
            return;
        }
        [$contours, $whole, $parted] = BasicShape::contours($e, $scope->viewport, $scope->fontSize(), $this->limits->segments);
        if (! $whole) {
            $this->notes->add(
                'path-data',
                'A path could be read only in part; what comes before the error is drawn.',
                Severity::Warning,
                $this->placeOf($e, $scope),
            );
        }
        if ($contours === []) {
            return;
        }
        $rule = $scope->style->get('fill-rule') === 'evenodd' ? FillRule::Evenodd : FillRule::Nonzero;
        $shape = new Shape($contours, $rule);
        $markers = in_array($e->localName, ['path', 'line', 'polyline', 'polygon'], true)
            ? fn () => (new Markers($this))->draw($scope, $contours, $parted) : null;
        $this->painted($e, $scope, $shape, null, $markers);
    }

    private function letters(DOMElement $e, Scope $scope): void
    {
        foreach ($this->text->runs($e, $scope) as $run) {
            if ($run->contours !== []) {
                $this->painted($e, $run->scope, new Shape($run->contours), $run->box, null);
            }
        }
    }

    private function picture(DOMElement $e, Scope $scope): void
    {
        if (in_array($scope->style->get('visibility'), ['hidden', 'collapse'], true)) {
            return;
        }
        $frame = PictureFrame::of($e, $scope, $this->notes);
        if ($frame !== null) {
            $this->canvas->addWithin($scope->clips, Shape::of($frame[0])->transformed($scope->matrix), $frame[1], null, ElementName::of($e));
        }
    }

    /**
     * Paints a shape's fill, stroke and markers in the order that it asks for.
     *
     * @param  Shape  $shape  in user units
     * @param  Box|null  $box  what paint in box units is measured by; the shape's own when null
     * @param  (\Closure(): void)|null  $markers
     */
    private function painted(DOMElement $e, Scope $scope, Shape $shape, ?Box $box, ?\Closure $markers): void
    {
        foreach ($shape->contours as $contour) {
            $this->canvas->count($contour->segmentCount());
        }
        $drawn = $shape->transformed($scope->matrix);
        $fill = $this->paints->of($scope, 'fill', $shape, $box);
        $line = $this->paints->of($scope, 'stroke', $shape, $box);
        $name = ElementName::of($e);
        if ($fill === null && $line instanceof Paint && $line->isFlatColour() && CutLines::of($e) !== null) {
            $this->cut($e, $scope, $drawn, $line);

            return;
        }
        $stroke = $line === null ? null : StrokeAttributes::stroke($line instanceof Paint ? $line : new Paint(new Colour(0, 0, 0)), $scope);
        $order = self::order($scope->style->get('paint-order'));
        $whole = ! $fill instanceof DOMElement && ! $line instanceof DOMElement;
        $together = array_search('fill', $order, true) < array_search('stroke', $order, true) && ($markers === null || $order[1] !== 'markers');
        if ($whole && $together) {
            // One piece bears both, as the artist drew it.
            $markers !== null && $order[0] === 'markers' && $markers();
            $this->canvas->addWithin($scope->clips, $drawn, $fill, $stroke, $name);
            $markers !== null && $order[2] === 'markers' && $markers();

            return;
        }
        $this->inOrder($scope, $order, $drawn, $fill, $line, $stroke, $box ?? $shape->box(), $name, $markers);
    }

    /**
     * @param  list<string>  $order  fill, stroke and markers
     * @param  (\Closure(): void)|null  $markers
     */
    private function inOrder(
        Scope $scope,
        array $order,
        Shape $drawn,
        Paint|DOMElement|null $fill,
        Paint|DOMElement|null $line,
        ?Stroke $stroke,
        ?Box $box,
        string $name,
        ?\Closure $markers,
    ): void {
        foreach ($order as $part) {
            match ($part) {
                'markers' => $markers !== null && $markers(),
                'fill' => $fill instanceof DOMElement
                    ? $this->patterned($fill, $scope, $drawn, $box, 'fill', $name)
                    : $this->flat($scope, $drawn, $fill, null, $name),
                default => $line instanceof DOMElement && $stroke !== null
                    ? $this->patterned($line, $scope, StrokeRegion::of($drawn, $stroke), $box, 'stroke', $name)
                    : $this->flat($scope, $drawn, null, $stroke, $name),
            };
        }
    }

    private function flat(Scope $scope, Shape $drawn, ?Paint $fill, ?Stroke $stroke, string $name): void
    {
        if ($fill !== null || $stroke !== null) {
            $this->canvas->addWithin($scope->clips, $drawn, $fill, $stroke, $name);
        }
    }

    /** In files of our own a line says that it is cut: once, or as the outline of what it encloses. */
    private function cut(DOMElement $e, Scope $scope, Shape $drawn, Paint $line): void
    {
        CutLines::of($e) === CutLines::ONCE
            ? $this->canvas->addWithin($scope->clips, $drawn, null, Stroke::singleCut($line), ElementName::of($e))
            : array_push($this->cuts->layer(CutLines::layer($e), $line->colour->hex())->lines, ...$drawn->contours);
    }

    private function patterned(DOMElement $pattern, Scope $scope, Shape $target, ?Box $box, string $property, string $name): void
    {
        $key = 'pattern '.$pattern->getAttribute('id');
        if (in_array($key, $scope->uses, true)) {
            return;
        }
        $opacity = ColourText::unit($scope->style->get("{$property}-opacity"), 1.0) ?? 1.0;
        if (! (new Patterns($this))->fill($pattern, $scope->using($key), $target, $box, $opacity, $name)) {
            $this->notes->leftOut('pattern', sprintf('a pattern of more than %d tiles or too much detail', Patterns::MOST_TILES), $target->box()?->middle());
        }
    }

    /** @return list<string> the parts in the order of painting */
    private static function order(string $text): array
    {
        if ($text === '' || $text === 'normal') {
            return ['fill', 'stroke', 'markers'];
        }
        $first = array_values(array_intersect(preg_split('/\s+/', strtolower($text), -1, PREG_SPLIT_NO_EMPTY) ?: [], ['fill', 'stroke', 'markers']));

        return array_values(array_unique([...$first, 'fill', 'stroke', 'markers']));
    }

    private function boxOf(DOMElement $e, Scope $scope): ?Box
    {
        return (new Shape(BasicShape::contours($e, $scope->viewport, $scope->fontSize(), $this->limits->segments)[0]))->box();
    }

    private function placeOf(DOMElement $e, Scope $scope): ?Point
    {
        if (in_array($e->localName, BasicShape::NAMES, true)) {
            $box = (new Shape(BasicShape::contours($e, $scope->viewport, 16.0)[0]))->transformed($scope->matrix)->box();

            return $box?->middle();
        }
        if ($e->hasAttribute('x') || $e->hasAttribute('y')) {
            return $scope->matrix->apply($scope->viewport->attribute($e, 'x', 'x', 0.0), $scope->viewport->attribute($e, 'y', 'y', 0.0));
        }
        foreach ($e->getElementsByTagName('*') as $inner) {
            if (in_array($inner->localName, [...BasicShape::NAMES, 'text', 'image'], true)) {
                // Near enough for a group: the first thing in it.
                return $this->placeOf($inner, $scope);
            }
        }

        return null;
    }
}
