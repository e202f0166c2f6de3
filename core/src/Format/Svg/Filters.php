<?php

declare(strict_types=1);

namespace NeatEdge\Core\Format\Svg;

use DOMElement;
use NeatEdge\Core\Measure\Colour;

/**
 * Filters that are soft edges and shadows: what a filter gives is followed as layers of what it is on, each moved, blurred, in a colour of its own and as
 * see-through as it says. Whatever gives anything else is not taken.
 *
 * @source Filter Effects 1, 9 (filter primitives), 14.1 (shorthand functions)
 *
 * @phpstan-type Taken array{dx: float, dy: float, edge: float}
 * @phpstan-type Filtered array{dx: float, dy: float, edge: float, colour: Colour|null, opacity: float, less: list<Taken>}
 */
final class Filters
{
    private const MOST = 40;

    private const LAYERS = 12;

    /** @var array<string, list<Filtered>> what primitives gave, by their names */
    private array $results = [];

    /** @var list<Filtered> */
    private array $last;

    /** Whether soft layers were laid on others, or colours blurred together, in linear light, which is not how art of ours is mixed. */
    public bool $linear = false;

    private function __construct(private readonly Definitions $definitions)
    {
        $this->last = self::source(null);
    }

    /**
     * @param  string  $text  the property
     * @param  bool  $linear  set where something is mixed in linear light
     * @return list<Filtered>|null the lowest first, lengths in user units; null for what is not taken
     */
    public static function read(string $text, Definitions $definitions, Scope $scope, bool &$linear = false): ?array
    {
        $id = Definitions::reference($text);
        if ($id === null) {
            return self::functions($text, $scope);
        }
        $filter = $definitions->get($id);
        // A filter that is not there draws nothing in some viewers and all in others: it is told as not taken.
        if ($filter === null || $filter->localName !== 'filter' || $filter->getAttribute('primitiveUnits') === 'objectBoundingBox') {
            return null;
        }
        $self = new self($definitions);
        $count = 0;
        for ($e = $filter->firstElementChild; $e !== null; $e = $e->nextElementSibling) {
            $gives = ++$count > self::MOST ? null : $self->primitive($e);
            if ($gives === null || count($gives) > self::LAYERS) {
                return null;
            }
            $isLinear = ($definitions->styleOf($e)->get('color-interpolation-filters') ?: 'linearRGB') !== 'sRGB';
            $self->linear = $self->linear || ($isLinear && self::isMixed($gives));
            $self->last = $gives;
            if ($e->hasAttribute('result')) {
                $self->results[$e->getAttribute('result')] = $gives;
            }
        }

        $linear = $self->linear;

        // Colour all over the filter's region is none of what is made of the piece's own outline.
        $floods = $count === 0 ? [] : array_filter($self->last, static fn (array $layer): bool => self::isFlood([$layer]));

        return $count === 0 || $floods !== [] ? null : $self->last;
    }

    /**
     * Whether layers lie on each other that are not whole, so that it matters how they are mixed; and whether what has colours of its own is blurred.
     *
     * @param  list<Filtered>  $layers
     */
    private static function isMixed(array $layers): bool
    {
        foreach ($layers as $i => $layer) {
            if (($layer['colour'] === null && $layer['edge'] > 0) || ($i > 0 && ($layer['edge'] > 0 || $layer['less'] !== [] || $layer['opacity'] < 1.0))) {
                return true;
            }
        }

        return false;
    }

    /** @return list<Filtered>|null */
    private static function functions(string $text, Scope $scope): ?array
    {
        $layers = self::source(null);
        if (preg_match('/^(\s*(blur|drop-shadow)\(([^()]|\([^()]*\))*\))+\s*$/i', $text) !== 1) {
            return null;
        }
        preg_match_all('/(blur|drop-shadow)\(((?:[^()]|\([^()]*\))*)\)/i', $text, $calls, PREG_SET_ORDER);
        foreach ($calls as [, $name, $inside]) {
            if (strtolower($name) === 'blur') {
                $edge = trim($inside) === '' ? 0.0 : $scope->viewport->length(trim($inside), 'o', $scope->fontSize());
                $layers = $edge === null ? null : self::blurred($layers, $edge);
            } else {
                $named = preg_match('/(#[0-9a-f]+|[a-z]+\([^()]*\)|[a-z]{3,})/i', $inside, $found) === 1;
                $colour = $named ? ColourText::parse($found[1]) : [new Colour(0, 0, 0), 1.0];
                $lengths = preg_split('/\s+/', trim(str_replace($found[1] ?? '', '', $inside)), -1, PREG_SPLIT_NO_EMPTY) ?: [];
                $numbers = array_map(static fn (string $one): ?float => $scope->viewport->length($one, 'o', $scope->fontSize()), $lengths);
                if ($colour === null || count($numbers) < 2 || in_array(null, $numbers, true)) {
                    return null;
                }
                $layers = self::shadowed($layers, (float) $numbers[0], (float) $numbers[1], (float) ($numbers[2] ?? 0.0), $colour);
            }
            if ($layers === null) {
                return null;
            }
        }

        return $layers;
    }

    /** @return list<Filtered>|null */
    private function primitive(DOMElement $e): ?array
    {
        $in = $this->input($e->getAttribute('in'));
        $number = static fn (string $name, float $usual): float => is_numeric(trim($e->getAttribute($name))) ? (float) $e->getAttribute($name) : $usual;
        if ($e->hasAttribute('x') || $e->hasAttribute('width')) {
            // A primitive that sees but a part gives another picture.
            return null;
        }

        return match ((string) $e->localName) {
            'feGaussianBlur' => $in === null ? null : self::blurred($in, self::deviation($e)),
            'feOffset' => $in === null ? null : self::moved($in, $number('dx', 0.0), $number('dy', 0.0)),
            'feFlood' => [['dx' => INF, 'dy' => 0.0, 'edge' => 0.0, 'colour' => $this->flood($e)[0], 'opacity' => $this->flood($e)[1], 'less' => []]],
            'feDropShadow' => $in === null ? null
                : self::shadowed($in, $number('dx', 2.0), $number('dy', 2.0), self::deviation($e, 2.0) ?? -1.0, $this->flood($e)),
            'feMerge' => $this->merged($e),
            'feBlend' => in_array($e->getAttribute('mode'), ['', 'normal'], true) ? self::laid($this->input($e->getAttribute('in2')), $in) : null,
            'feComposite' => $this->composite($e, $in),
            'feColorMatrix' => $in === null ? null : $this->coloured($e, $in),
            'feComponentTransfer' => $in === null ? null : self::thinned($e, $in),
            default => null,
        };
    }

    /** @return list<Filtered>|null */
    private function input(string $name): ?array
    {
        return match ($name) {
            '' => $this->last,
            'SourceGraphic' => self::source(null),
            'SourceAlpha' => self::source(new Colour(0, 0, 0)),
            default => $this->results[$name] ?? ($name === 'BackgroundImageFix' || $name === 'BackgroundImage' ? [] : null),
        };
    }

    /** @return non-empty-list<Filtered> */
    private static function source(?Colour $colour): array
    {
        return [['dx' => 0.0, 'dy' => 0.0, 'edge' => 0.0, 'colour' => $colour, 'opacity' => 1.0, 'less' => []]];
    }

    /** @param  list<Filtered>|null  $layers */
    private static function isFlood(?array $layers): bool
    {
        return $layers !== null && count($layers) === 1 && $layers[0]['dx'] === INF;
    }

    /** One deviation for both ways; null for two unlike ones. */
    private static function deviation(DOMElement $e, float $usual = 0.0): ?float
    {
        $text = trim($e->getAttribute('stdDeviation'));
        $numbers = $text === '' ? [$usual] : array_map(floatval(...), preg_split('/[\s,]+/', $text) ?: []);

        return $numbers[0] < 0 || abs(($numbers[1] ?? $numbers[0]) - $numbers[0]) > 0.01 * abs($numbers[0]) ? null : $numbers[0];
    }

    /**
     * @param  list<Filtered>  $layers
     * @return list<Filtered>|null several together are no longer told apart when they are blurred
     */
    private static function blurred(array $layers, ?float $edge): ?array
    {
        if ($edge === null || $edge < 0 || self::isFlood($layers)) {
            return null;
        }
        if ($edge > 0 && count($layers) > 1) {
            return null;
        }

        // What was taken off it would be blurred with it.
        return $edge > 0 && array_filter($layers, static fn (array $layer): bool => $layer['less'] !== []) !== [] ? null
            : array_map(static fn (array $layer): array => [...$layer, 'edge' => hypot($layer['edge'], $edge)], $layers);
    }

    /**
     * @param  list<Filtered>  $layers
     * @return list<Filtered>
     */
    private static function moved(array $layers, float $dx, float $dy): array
    {
        return array_map(static fn (array $layer): array => [
            ...$layer,
            'dx' => $layer['dx'] + $dx,
            'dy' => $layer['dy'] + $dy,
            'less' => array_map(static fn (array $one): array => [...$one, 'dx' => $one['dx'] + $dx, 'dy' => $one['dy'] + $dy], $layer['less']),
        ], $layers);
    }

    /**
     * @param  list<Filtered>  $layers
     * @param  array{Colour, float}  $flood
     * @return list<Filtered>|null
     */
    private static function shadowed(array $layers, float $dx, float $dy, float $edge, array $flood): ?array
    {
        $shadow = self::blurred($layers, $edge);

        return $shadow === null ? null : [...self::flooded(self::moved($shadow, $dx, $dy), $flood), ...$layers];
    }

    /**
     * @param  list<Filtered>  $layers
     * @param  array{Colour|null, float}  $flood
     * @return list<Filtered>
     */
    private static function flooded(array $layers, array $flood): array
    {
        return array_map(static fn (array $layer): array => [...$layer, 'colour' => $flood[0], 'opacity' => $layer['opacity'] * $flood[1]], $layers);
    }

    /**
     * @param  list<Filtered>|null  $below
     * @param  list<Filtered>|null  $above
     * @return list<Filtered>|null
     */
    private static function laid(?array $below, ?array $above): ?array
    {
        if ($below === null || $above === null || self::isFlood($above)) {
            return null;
        }
        // Files of some programs begin with a flood that is clear, to lay the rest on.
        $below = self::isFlood($below) && $below[0]['opacity'] <= 0.0 ? [] : $below;

        return self::isFlood($below) ? null : [...$below, ...$above];
    }

    /** @return list<Filtered>|null */
    private function merged(DOMElement $e): ?array
    {
        $all = [];
        for ($node = $e->firstElementChild; $node !== null; $node = $node->nextElementSibling) {
            $all = self::laid($all, $this->input($node->getAttribute('in')));
            if ($all === null) {
                return null;
            }
        }

        return $all;
    }

    /**
     * @param  list<Filtered>|null  $in
     * @return list<Filtered>|null
     */
    private function composite(DOMElement $e, ?array $in): ?array
    {
        $other = $this->input($e->getAttribute('in2'));
        if ($in === null || $other === null) {
            return null;
        }

        return match ($e->getAttribute('operator')) {
            '', 'over' => self::laid($other, $in),
            'in' => self::isFlood($in) ? self::flooded($other, [$in[0]['colour'], $in[0]['opacity']]) : null,
            'out' => self::less($in, $other),
            'arithmetic' => array_map(static fn (string $k): float => (float) $e->getAttribute($k), ['k1', 'k2', 'k3', 'k4']) === [0.0, -1.0, 1.0, 0.0]
                ? self::less($other, $in) : null,
            default => null,
        };
    }

    /**
     * What is covered by the one and not by the other: a shadow that falls inwards.
     *
     * @param  list<Filtered>  $whole
     * @param  list<Filtered>  $off
     * @return list<Filtered>|null
     */
    private static function less(array $whole, array $off): ?array
    {
        if (count($whole) !== 1 || count($off) !== 1 || self::isFlood($whole) || self::isFlood($off) || $off[0]['opacity'] < 1.0 || $off[0]['less'] !== []
            || $whole[0]['edge'] > 0) {
            return null;
        }

        return [[...$whole[0], 'less' => [...$whole[0]['less'], ['dx' => $off[0]['dx'], 'dy' => $off[0]['dy'], 'edge' => $off[0]['edge']]]]];
    }

    /**
     * A matrix that gives one colour, whatever it is on, and thins what is covered.
     *
     * @param  list<Filtered>  $in
     * @return list<Filtered>|null
     */
    private function coloured(DOMElement $e, array $in): ?array
    {
        $m = array_map(floatval(...), preg_split('/[\s,]+/', trim($e->getAttribute('values')), -1, PREG_SPLIT_NO_EMPTY) ?: []);
        if (! in_array($e->getAttribute('type'), ['', 'matrix'], true) || count($m) !== 20 || self::isFlood($in)) {
            return null;
        }
        [$red, $green, $blue, $alpha] = array_chunk($m, 5);
        if ([$alpha[0], $alpha[1], $alpha[2], $alpha[4]] !== [0.0, 0.0, 0.0, 0.0] || $alpha[3] < 0) {
            return null;
        }
        if ($alpha[3] > 1.0) {
            // All that is covered at all, wholly: of what is hard that is the same.
            if (array_filter($in, static fn (array $layer): bool => $layer['edge'] > 0 || $layer['less'] !== [] || $layer['opacity'] < 1.0) !== []) {
                return null;
            }
            $alpha[3] = 1.0;
        }
        $thin = static fn (?Colour $colour): array => array_map(
            static fn (array $layer): array => [...$layer, 'colour' => $colour ?? $layer['colour'], 'opacity' => $layer['opacity'] * $alpha[3]],
            $in,
        );
        if ($red === [1.0, 0.0, 0.0, 0.0, 0.0] && $green === [0.0, 1.0, 0.0, 0.0, 0.0] && $blue === [0.0, 0.0, 1.0, 0.0, 0.0]) {
            return $thin(null);
        }
        if (! self::isOneColour([$red, $green, $blue], $in)) {
            return null;
        }
        $linear = ($this->definitions->styleOf($e)->get('color-interpolation-filters') ?: 'linearRGB') !== 'sRGB';
        $channel = static function (float $value) use ($linear): int {
            $value = max(0.0, min(1.0, $value));
            $value = ! $linear ? $value : ($value <= 0.0031308 ? 12.92 * $value : 1.055 * $value ** (1 / 2.4) - 0.055);

            return (int) round(255 * $value);
        };

        return $thin(new Colour($channel($red[4]), $channel($green[4]), $channel($blue[4])));
    }

    /**
     * Whether rows of a matrix give one colour, whatever it is on; what is black already may be multiplied as one likes.
     *
     * @param  list<list<float>>  $rows
     * @param  list<Filtered>  $in
     */
    private static function isOneColour(array $rows, array $in): bool
    {
        $black = array_filter($in, static fn (array $layer): bool => $layer['colour']?->hex() !== '#000000') === [];
        foreach ($rows as $row) {
            if ($row[3] !== 0.0 || (! $black && array_slice($row, 0, 3) !== [0.0, 0.0, 0.0])) {
                return false;
            }
        }

        return true;
    }

    /**
     * @param  list<Filtered>  $in
     * @return list<Filtered>|null
     */
    private static function thinned(DOMElement $e, array $in): ?array
    {
        $by = 1.0;
        for ($one = $e->firstElementChild; $one !== null; $one = $one->nextElementSibling) {
            if ($one->localName !== 'feFuncA' || $one->getAttribute('type') !== 'linear' || (float) $one->getAttribute('intercept') !== 0.0) {
                return null;
            }
            $by = max(0.0, min(1.0, $one->hasAttribute('slope') ? (float) $one->getAttribute('slope') : 1.0));
        }

        return self::isFlood($in) ? null : array_map(static fn (array $layer): array => [...$layer, 'opacity' => $layer['opacity'] * $by], $in);
    }

    /** @return array{Colour, float} */
    private function flood(DOMElement $e): array
    {
        $style = $this->definitions->styleOf($e);
        $colour = ColourText::parse($style->get('flood-color') ?: 'black') ?? [new Colour(0, 0, 0), 1.0];

        return [$colour[0], $colour[1] * (ColourText::unit($style->get('flood-opacity'), 1.0) ?? 1.0)];
    }
}
