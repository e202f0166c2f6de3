<?php

declare(strict_types=1);

namespace NeatEdge\Core\Edit\Paint;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Gradient;
use NeatEdge\Core\Artwork\GradientKind;
use NeatEdge\Core\Artwork\Paint;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Artwork\Spread;
use NeatEdge\Core\Described\Field;
use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\Described\Values;
use NeatEdge\Core\Edit\About;
use NeatEdge\Core\Edit\Chosen;
use NeatEdge\Core\Edit\Local;
use NeatEdge\Core\Geometry\Matrix;
use NeatEdge\Core\Measure\Colour;

/** D10: gives pieces a fill: none, one colour, or a gradient from place to place on the bench. */
final readonly class FillPieces implements Local
{
    public const MOST_STOPS = 40;

    /** @param  list<string>  $ids */
    public function __construct(private array $ids, private ?Paint $paint, private ?float $opacity)
    {
    }

    public static function about(string $kind): About
    {
        return new About(
            'Fill',
            'A colour, a gradient, an opacity, or none.',
            [Field::colour('colour', 'Colour', none: true), self::gradientField(), Field::share('opacity', 'Opacity', 1.0)],
        );
    }

    public static function from(Values $values): self
    {
        $opacity = $values->has('opacity') ? $values->number('opacity') : null;
        $gradient = $values->group('gradient');
        if ($gradient !== null) {
            return new self($values->pieces(), Paint::gradient(self::gradient($gradient)), $opacity);
        }
        $colour = $values->colour('colour');
        if ($colour === null && ! $values->none('colour')) {
            return $opacity === null ? throw Refused::because('Choose a colour, a gradient or an opacity.') : new self($values->pieces(), null, $opacity);
        }

        return $colour === null ? new self($values->pieces(), null, null) : new self($values->pieces(), new Paint($colour), $opacity);
    }

    private static function gradientField(): Field
    {
        return Field::group('gradient', 'Gradient', [
            Field::choice('kind', 'Gradient', '', ['linear' => 'Along a line', 'radial' => 'From a middle'])->needed(),
            Field::rows(
                'stops',
                'Colours of the gradient',
                [Field::share('at', 'How far along', 0.0)->needed(), Field::colour('colour', 'Colour')->needed(), Field::share('opacity', 'Opacity', 1.0)],
                2,
                self::MOST_STOPS,
                true,
            ),
            Field::numbers('axis', 'From and to', 4, 6),
            Field::choice('spread', 'Beyond it', 'pad', ['pad' => 'As at its ends', 'reflect' => 'There and back', 'repeat' => 'Again']),
        ]);
    }

    private static function gradient(Values $values): Gradient
    {
        $kind = GradientKind::from($values->choice('kind'));
        $stops = [];
        $last = 0.0;
        foreach ($values->rows('stops') as $row) {
            $last = max($last, $row->number('at'));
            $stops[] = [$last, $row->colour('colour') ?? Colour::ink(), $row->number('opacity')];
        }
        if ($stops === []) {
            throw Refused::because('A gradient has two colours at least.');
        }
        $axis = $values->numbers('axis');
        if ($kind === GradientKind::Radial) {
            $radius = hypot($axis[2] - $axis[0], $axis[3] - $axis[1]);
            $axis = [$axis[0], $axis[1], $radius, $axis[0], $axis[1], 0.0];
        } else {
            $axis = array_slice($axis, 0, 4);
        }

        return new Gradient($kind, $axis, $stops, Matrix::identity(), Spread::from($values->choice('spread')));
    }

    public function label(): string
    {
        return match (true) {
            $this->paint === null => $this->opacity === null ? 'No fill' : 'Opacity',
            $this->paint->gradient !== null => 'Gradient',
            default => 'Fill',
        };
    }

    public function apply(Artwork $artwork): Artwork
    {
        return $artwork->mapped(function (Piece $piece): Piece {
            if ($this->paint === null && $this->opacity !== null) {
                return $piece->with(fill: self::atOpacity($piece->fill, $this->opacity));
            }

            // Another colour is as see-through as the one before.
            $opacity = $this->opacity ?? ($this->paint?->gradient === null && $piece->fill?->gradient === null ? $piece->fill?->opacity : null);

            return $piece->with(fill: $opacity === null ? $this->paint : self::atOpacity($this->paint, $opacity));
        }, Chosen::in($artwork, $this->ids));
    }

    public static function atOpacity(?Paint $paint, float $opacity): ?Paint
    {
        if ($paint === null) {
            return null;
        }
        if ($paint->gradient === null) {
            return new Paint($paint->colour, $opacity, null, $paint->picture);
        }
        $gradient = $paint->gradient;
        $stops = array_map(static fn (array $stop): array => [$stop[0], $stop[1], $opacity], $gradient->stops);

        return Paint::gradient(new Gradient($gradient->kind, $gradient->axis, $stops, $gradient->matrix, $gradient->spread));
    }
}
