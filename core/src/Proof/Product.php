<?php

declare(strict_types=1);

namespace NeatEdge\Core\Proof;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Gradient;
use NeatEdge\Core\Artwork\Layer;
use NeatEdge\Core\Artwork\LayerPart;
use NeatEdge\Core\Artwork\Paint;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Measure\Colour;
use NeatEdge\Core\Seen\Seen;

/**
 * F1, F3: a thing that art is shown on: an artwork whose layers have a part to play. Bodies and parts are drawn in greys and coloured by multiplying; art lies
 * in its places, under shade and light, so that it stands in the light of the thing.
 */
final readonly class Product
{
    /** @param  list<Place>  $places */
    private function __construct(private Artwork $artwork, public array $places)
    {
    }

    /** @return self|null null for what has no place for art */
    public static function of(Artwork $artwork): ?self
    {
        $places = [];
        foreach ($artwork->layers as $layer) {
            if ($layer->part !== LayerPart::Place->value) {
                continue;
            }
            $own = array_filter($artwork->pieces, static fn (Piece $piece): bool => $piece->place->layer === $layer->id && $piece->box() !== null);
            $filled = array_filter($own, static fn (Piece $piece): bool => $piece->fill !== null);
            if ($filled !== []) {
                $area = $filled[array_key_first($filled)];
                $seams = array_map(static fn (Piece $piece): Shape => $piece->shape, array_values(array_diff_key($own, $filled)));
                $places[] = Place::of($layer->id, $layer->name, $area->shape, $layer->place, $area->recipe, $seams);
            }
        }

        return $places === [] ? null : new self($artwork, $places);
    }

    /** @return array{float, float} mm of the picture, across and down */
    public function size(): array
    {
        return [$this->artwork->width, $this->artwork->height];
    }

    /** @return list<Layer> those that can be given a colour */
    public function coloured(): array
    {
        return array_values(array_filter($this->artwork->layers, static fn (Layer $layer): bool => LayerPart::tryFrom($layer->part)?->isColoured() ?? false));
    }

    /**
     * One art in every place.
     *
     * @param  array<string, mixed>  $typed  values of Laid::fields(); what is left out is as it is there
     * @return array<string, Laid> by id of the place's layer
     */
    public function everywhere(Artwork $art, array $typed = []): array
    {
        $laid = [];
        foreach ($this->places as $place) {
            $laid[$place->layer] = Laid::of($art, $place, $typed);
        }

        return $laid;
    }

    /** The colour a layer is drawn in: that of its largest filled piece; white where nothing is filled. */
    public function drawnColour(string $layer): Colour
    {
        [$largest, $colour] = [0.0, new Colour(255, 255, 255)];
        foreach ($this->artwork->pieces as $piece) {
            if ($piece->place->layer === $layer && $piece->fill !== null && ($area = $piece->shape->area()) > $largest) {
                [$largest, $colour] = [$area, $piece->fill->colour];
            }
        }

        return $colour;
    }

    /**
     * The picture: the thing in its colours, art in its places, and its light.
     *
     * @param  array<string, Colour>  $colours  by id of the layer; what is not there is as it is drawn
     * @param  array<string, Laid>  $arts  by id of the place's layer
     * @param  bool  $lights  whether shade and light are shown
     */
    public function shown(array $colours, array $arts, bool $lights = true): Artwork
    {
        $parts = $placed = [];
        foreach ($this->artwork->layers as $layer) {
            $parts[$layer->id] = LayerPart::tryFrom($layer->part);
        }
        foreach ($this->places as $place) {
            $placed[$place->layer] = $place;
        }
        $under = $above = [];
        $done = [];
        foreach ($this->artwork->pieces as $piece) {
            $layer = $piece->place->layer;
            $part = $parts[$layer] ?? null;
            if ($this->artwork->hides($piece)) {
                continue;
            }
            if ($part === LayerPart::Place) {
                if (! isset($done[$layer]) && isset($placed[$layer], $arts[$layer])) {
                    array_push($under, ...(new Bent($placed[$layer], $arts[$layer]->turn))->art($arts[$layer]));
                }
                $done[$layer] = true;

                continue;
            }
            if ($part === LayerPart::Shade || $part === LayerPart::Light) {
                $lights && $above[] = $piece;

                continue;
            }
            $under[] = isset($colours[$layer]) && $part?->isColoured() === true ? self::inColour($piece, $colours[$layer]) : $piece;
        }
        $pieces = [];
        foreach ([...$under, ...$above] as $i => $piece) {
            $pieces[] = $piece->with(id: "s{$i}", recipe: null, place: new \NeatEdge\Core\Artwork\Place);
        }

        return Seen::of(new Artwork($this->artwork->width, $this->artwork->height, $pieces));
    }

    /** Greys times a colour: white becomes it, black stays. */
    private static function inColour(Piece $piece, Colour $colour): Piece
    {
        $times = static fn (Colour $grey): Colour => new Colour(
            intdiv($grey->red * $colour->red + 127, 255),
            intdiv($grey->green * $colour->green + 127, 255),
            intdiv($grey->blue * $colour->blue + 127, 255),
        );
        $paint = static fn (?Paint $paint): ?Paint => $paint === null || $paint->picture !== null ? $paint : ($paint->gradient === null
            ? new Paint($times($paint->colour), $paint->opacity)
            : Paint::gradient(new Gradient(
                $paint->gradient->kind,
                $paint->gradient->axis,
                array_map(static fn (array $stop): array => [$stop[0], $times($stop[1]), $stop[2]], $paint->gradient->stops),
                $paint->gradient->matrix,
                $paint->gradient->spread,
            )));

        return $piece->with(fill: $paint($piece->fill), stroke: $piece->stroke?->with(paint: $paint($piece->stroke->paint) ?? $piece->stroke->paint));
    }

    /**
     * What does not fit, place by place.
     *
     * @param  array<string, Laid>  $arts
     * @return list<string>
     */
    public function says(array $arts): array
    {
        $says = [];
        foreach ($this->places as $place) {
            $laid = $arts[$place->layer] ?? null;
            if ($laid !== null) {
                array_push($says, ...$place->says($laid));
            }
        }

        return $says;
    }
}
