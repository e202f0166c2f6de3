<?php

declare(strict_types=1);

namespace NeatEdge\Core\Format\Svg;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Blend;
use NeatEdge\Core\Artwork\Gradient;
use NeatEdge\Core\Artwork\GradientKind;
use NeatEdge\Core\Artwork\Paint;
use NeatEdge\Core\Artwork\Picture;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Artwork\SoftLook;
use NeatEdge\Core\Artwork\Spread;
use NeatEdge\Core\Geometry\Box;
use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\FillRule;
use NeatEdge\Core\Geometry\Matrix;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Measure\Colour;
use NeatEdge\Core\Patience\Patience;
use NeatEdge\Core\Stroke\Cap;
use NeatEdge\Core\Stroke\Join;

/** Writes artwork as SVG in real millimetres: one user unit is one mm. */
final class Writer
{
    /** @var array<string, string> definitions by the key of their paint */
    private array $definitions = [];

    private int $clips = 0;

    private int $softs = 0;

    /** @var array<string, string> ids of what makes pieces soft, by the key of its definition */
    private array $softIds = [];

    /** mm round what is drawn: a renderer's dots at its edge are not cut. */
    private const MARGIN = 0.1;

    /** Share of the page round it that what is soft is worked out over at most: what lies there may be seen softly on the page. */
    private const ROUND = 0.25;

    /** @var array{float, float} mm of the page */
    private array $page = [1.0, 1.0];

    /** Digits after the point: a nanometre, so that what is rounded never shows and neighbours round alike. */
    private const DIGITS = 6;

    /** The same for what is smaller than a millimetre. */
    private const DIGITS_OF_SMALL = 9;

    public static function write(Artwork $artwork, string $title = ''): string
    {
        $width = self::number($artwork->width, 8);
        $height = self::number($artwork->height, 8);
        $out = '<?xml version="1.0" encoding="UTF-8"?>'."\n";
        $out .= "<svg xmlns=\"http://www.w3.org/2000/svg\" width=\"{$width}mm\" height=\"{$height}mm\" viewBox=\"0 0 {$width} {$height}\">\n";
        if ($title !== '') {
            $out .= '<title>'.self::text($title)."</title>\n";
        }
        $self = new self;
        $self->page = [$artwork->width, $artwork->height];
        $body = '';
        foreach ($artwork->pieces as $piece) {
            $body .= $self->piece($piece);
        }
        if ($self->definitions !== []) {
            $out .= "<defs>\n".implode('', $self->definitions)."</defs>\n";
        }

        return $out.$body."</svg>\n";
    }

    /** A gradient as an element with this id, in the space that a matrix leads out of mm into. */
    public static function gradient(Gradient $gradient, string $id, ?Matrix $space = null): string
    {
        $names = $gradient->kind === GradientKind::Linear ? ['x1', 'y1', 'x2', 'y2'] : ['cx', 'cy', 'r', 'fx', 'fy', 'fr'];
        $stops = "<{$gradient->kind->value}Gradient id=\"{$id}\" gradientUnits=\"userSpaceOnUse\"";
        foreach ($names as $i => $name) {
            $stops .= " {$name}=\"".self::number($gradient->axis[$i], 8).'"';
        }
        $stops .= self::transform($space === null ? $gradient->matrix : $space->after($gradient->matrix), 'gradientTransform');
        $stops .= $gradient->spread === Spread::Pad ? '>' : " spreadMethod=\"{$gradient->spread->value}\">";
        foreach ($gradient->stops as [$at, $colour, $opacity]) {
            $stops .= '<stop offset="'.self::number($at, 6)."\" stop-color=\"{$colour->hex()}\""
                .($opacity < 1.0 ? ' stop-opacity="'.self::number($opacity).'"' : '').'/>';
        }

        return $stops."</{$gradient->kind->value}Gradient>\n";
    }

    public static function path(Shape $shape): string
    {
        $path = '';
        foreach ($shape->contours as $contour) {
            Patience::ask(32);
            $c = $contour->coords;
            [$x, $y] = [self::number($c[0]), self::number($c[1])];
            $path .= "M{$x} {$y}";
            $last = count($c) - 2;
            [$startX, $startY] = [$x, $y];
            for ($i = 0; $i < $last; $i += 6) {
                $ex = self::number($c[$i + 6]);
                $ey = self::number($c[$i + 7]);
                if ($c[$i + 2] === $c[$i] && $c[$i + 3] === $c[$i + 1] && $c[$i + 4] === $c[$i + 6] && $c[$i + 5] === $c[$i + 7]) {
                    $closes = $contour->closed && $i + 6 === $last && $ex === $startX && $ey === $startY;
                    // Closing draws the last line; a lone point keeps its line of no length for the caps.
                    $path .= $closes && $last > 6 ? '' : ($ey === $y && $ex !== $x ? "H{$ex}" : ($ex === $x && $ey !== $y ? "V{$ey}" : "L{$ex} {$ey}"));
                } else {
                    $path .= 'C'.self::number($c[$i + 2]).' '.self::number($c[$i + 3]).' '.self::number($c[$i + 4]).' '.self::number($c[$i + 5])." {$ex} {$ey}";
                }
                [$x, $y] = [$ex, $ey];
            }
            if ($contour->closed) {
                $path .= 'Z';
            }
        }

        return $path;
    }

    /** A piece with all that makes it soft, and how it is laid over what lies below. */
    private function piece(Piece $piece): string
    {
        $soft = $piece->fill?->soft;
        if ($soft !== null) {
            $seen = $piece->fill->opacity;
            // What a step left of it to be seen: its drawing itself is whole.
            $own = $this->clipPath($piece->shape);
            $drawn = implode('', array_map(fn (Piece $one): string => $this->hard($one, ''), $soft->pieces));
            $opacity = $seen < 1.0 ? ' opacity="'.self::number($seen).'"' : '';
            $room = self::room($soft->pieces, $soft->look->edge);
            $out = '<g id="'.self::text($piece->id)."\" clip-path=\"url(#{$own})\"{$opacity}>".$this->softened($drawn, $soft->look, $room)."</g>\n";
        } else {
            $out = $piece->soft === null ? $this->hard($piece, $piece->id)
                : '<g id="'.self::text($piece->id).'">'.$this->lookOf($piece)."</g>\n";
        }

        return $piece->blend === Blend::Normal ? $out : "<g style=\"mix-blend-mode:{$piece->blend->value}\">{$out}</g>\n";
    }

    private function lookOf(Piece $piece): string
    {
        $look = $piece->soft ?? new SoftLook;

        return $this->softened($this->hard($piece, ''), $look, self::room([$piece], $look->edge));
    }

    /**
     * What was drawn, blurred, faded and seen through its clips: a group round it for each.
     *
     * @param  Box|null  $room  all that is seen of it: readers work out dots for all of it
     */
    private function softened(string $drawn, SoftLook $look, ?Box $room): string
    {
        $region = $this->region($room);
        if ($look->edge > 0.0) {
            $drawn = "<g filter=\"url(#{$this->blur($look->edge, $region)})\">\n{$drawn}</g>";
        }
        if ($look->fade !== null) {
            $light = new Gradient(
                $look->fade->kind,
                $look->fade->axis,
                array_map(static fn (array $stop): array => [$stop[0], new Colour(255, 255, 255), $stop[2]], $look->fade->stops),
                $look->fade->matrix,
                $look->fade->spread,
            );
            $all = Shape::of(Contour::rectangle(...$this->around()));
            $drawn = "<g mask=\"url(#{$this->mask($this->hard(new Piece('', $all, Paint::gradient($light)), ''), $region)})\">\n{$drawn}</g>";
        }
        foreach ($look->clips as $clip) {
            $inside = implode('', array_map(fn (Piece $piece): string => $piece->soft === null ? $this->hard($piece, '')
                : $this->lookOf($piece)."\n", $clip));
            $drawn = "<g mask=\"url(#{$this->mask($inside, $region)})\">\n{$drawn}</g>";
        }

        return $drawn;
    }

    /** A Gaussian as an element; the same for the same deviation and room. */
    private function blur(float $edge, string $region): string
    {
        $deviation = self::number($edge);
        $key = "blur {$deviation}{$region}";
        if (! isset($this->definitions[$key])) {
            $id = 'soft-'.(++$this->softs);
            $this->softIds[$key] = $id;
            $this->definitions[$key] = "<filter id=\"{$id}\" filterUnits=\"userSpaceOnUse\"{$region} color-interpolation-filters=\"sRGB\">"
                ."<feGaussianBlur stdDeviation=\"{$deviation}\"/></filter>\n";
        }

        return $this->softIds[$key];
    }

    private function mask(string $inside, string $region): string
    {
        $key = 'mask '.hash('xxh128', $inside.$region);
        if (! isset($this->definitions[$key])) {
            $id = 'soft-'.(++$this->softs);
            $this->softIds[$key] = $id;
            $this->definitions[$key] = "<mask id=\"{$id}\" maskUnits=\"userSpaceOnUse\"{$region}>\n{$inside}</mask>\n";
        }

        return $this->softIds[$key];
    }

    /** @param  Box|null  $room  of what is drawn; what lies off the page and round it is left out */
    private function region(?Box $room): string
    {
        [$left, $top, $width, $height] = $this->around();
        if ($room !== null) {
            $right = min($left + $width, $room->right);
            $bottom = min($top + $height, $room->bottom);
            [$left, $top] = [max($left, $room->left), max($top, $room->top)];
            [$width, $height] = [max(0.001, $right - $left), max(0.001, $bottom - $top)];
        }

        return sprintf(' x="%s" y="%s" width="%s" height="%s"', ...array_map(self::number(...), [$left, $top, $width, $height]));
    }

    /**
     * As far as pieces are seen when they are blurred, with their lines.
     *
     * @param  iterable<Piece>  $pieces
     * @param  float  $edge  deviation of the blur over all of them, mm
     */
    private static function room(iterable $pieces, float $edge): ?Box
    {
        $boxes = [];
        foreach ($pieces as $piece) {
            // Four deviations: nothing is told from bare there in eight bits.
            $boxes[] = $piece->box()?->grown(self::MARGIN + ($piece->stroke?->reach() ?? 0.0) + 4 * $edge);
        }
        $boxes = array_values(array_filter($boxes));

        return $boxes === [] ? null : Box::around(...$boxes);
    }

    /** @return array{float, float, float, float} left, top, width and height of the page with what lies round it, mm */
    private function around(): array
    {
        [$width, $height] = $this->page;

        return [-self::ROUND * $width, -self::ROUND * $height, (1 + 2 * self::ROUND) * $width, (1 + 2 * self::ROUND) * $height];
    }

    private function clipPath(Shape $shape): string
    {
        $id = 'frame-'.(++$this->clips);
        $rule = $shape->rule === FillRule::Evenodd ? ' clip-rule="evenodd"' : '';
        $this->definitions[$id] = "<clipPath id=\"{$id}\"><path d=\"".self::path($shape)."\"{$rule}/></clipPath>\n";

        return $id;
    }

    /** A piece as it is drawn, without what makes it soft. @param  string  $id  none where it is part of something else */
    private function hard(Piece $piece, string $id): string
    {
        if ($piece->fill?->picture !== null) {
            return $this->picture($piece, $piece->fill->picture, $piece->fill->opacity, $id);
        }
        $shape = $piece->shape;
        $stroke = $piece->stroke;
        $transform = '';
        $space = null;
        if ($stroke?->pen !== null) {
            $space = $stroke->pen->inverse();
            $shape = $shape->transformed($space);
            $transform = self::transform($stroke->pen, 'transform');
        }
        $out = '<path'.($id === '' ? '' : ' id="'.self::text($id).'"').' d="'.self::path($shape).'"';
        $out .= $piece->fill === null ? ' fill="none"' : $this->paint('fill', $piece->fill, $space);
        if ($piece->fill !== null && $shape->rule === FillRule::Evenodd) {
            $out .= ' fill-rule="evenodd"';
        }
        if ($stroke !== null) {
            $style = $stroke->style;
            $out .= $this->paint('stroke', $stroke->paint, $space).' stroke-width="'.self::number($style->width, 8).'"';
            $out .= $stroke->cut ? ' data-cut="once"' : '';
            $out .= $style->cap === Cap::Butt ? '' : " stroke-linecap=\"{$style->cap->value}\"";
            $out .= $style->join === Join::Miter ? '' : " stroke-linejoin=\"{$style->join->value}\"";
            $out .= $style->miterLimit === 4.0 ? '' : ' stroke-miterlimit="'.self::number($style->miterLimit).'"';
            if ($style->dashes !== []) {
                $out .= ' stroke-dasharray="'.implode(' ', array_map(self::number(...), $style->dashes)).'"';
                $out .= $style->dashOffset === 0.0 ? '' : ' stroke-dashoffset="'.self::number($style->dashOffset).'"';
            }
        }

        return $out.$transform."/>\n";
    }

    private function paint(string $attribute, Paint $paint, ?Matrix $space): string
    {
        if ($paint->gradient === null) {
            return " {$attribute}=\"{$paint->colour->hex()}\"".($paint->isOpaque() ? '' : " {$attribute}-opacity=\"".self::number($paint->opacity).'"');
        }
        $key = $paint->key().($space === null ? '' : self::transform($space, ''));
        if (! isset($this->definitions[$key])) {
            $this->definitions[$key] = self::gradient($paint->gradient, 'gradient-'.(count($this->definitions) + 1), $space);
        }
        $id = 'gradient-'.(1 + (int) array_search($key, array_keys($this->definitions), true));

        return " {$attribute}=\"url(#{$id})\"";
    }

    private function picture(Piece $piece, Picture $picture, float $opacity, string $name): string
    {
        $id = $this->clipPath($piece->shape);

        $named = $name === '' ? '' : ' id="'.self::text($name).'"';
        $faded = $opacity < 1.0 ? ' opacity="'.self::number($opacity).'"' : '';

        return "<g{$named} clip-path=\"url(#{$id})\"{$faded}>".'<image href="'
            .self::text($picture->reference).'" width="'.self::number($picture->width, 8).'" height="'.self::number($picture->height, 8)
            .'" preserveAspectRatio="'.self::text($picture->fit).'"'.self::transform($picture->matrix, 'transform')."/></g>\n";
    }

    private static function transform(Matrix $m, string $attribute): string
    {
        return $m->isIdentity() ? '' : sprintf(
            ' %s="matrix(%s)"',
            $attribute,
            implode(' ', array_map(static fn (float $v): string => self::number($v, 9), [$m->a, $m->b, $m->c, $m->d, $m->e, $m->f])),
        );
    }

    public static function number(float $value, int $digits = self::DIGITS): string
    {
        $text = number_format($value, $digits === self::DIGITS && $value < 1.0 && $value > -1.0 ? self::DIGITS_OF_SMALL : $digits, '.', '');
        if (str_contains($text, '.')) {
            $text = rtrim(rtrim($text, '0'), '.');
        }

        return $text === '-0' ? '0' : $text;
    }

    private static function text(string $text): string
    {
        // Control characters have no place in XML, not even escaped.
        return htmlspecialchars(preg_replace('/[\x00-\x08\x0B\x0C\x0E-\x1F]/', '', mb_scrub($text)) ?? '', ENT_QUOTES | ENT_XML1 | ENT_SUBSTITUTE, 'UTF-8');
    }
}
