<?php

declare(strict_types=1);

namespace NeatEdge\Core\Edit\Paint;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Field;
use NeatEdge\Core\Artwork\Gradient;
use NeatEdge\Core\Artwork\GradientKind;
use NeatEdge\Core\Artwork\Paint;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Artwork\Spread;
use NeatEdge\Core\Edit\About;
use NeatEdge\Core\Edit\Chosen;
use NeatEdge\Core\Edit\EditRefused;
use NeatEdge\Core\Edit\Input;
use NeatEdge\Core\Edit\Local;
use NeatEdge\Core\Geometry\Matrix;

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
        return new About('Fill', 'A colour, a gradient, an opacity, or none.', [Field::words('colour', 'Colour', Field::COLOUR), Field::words('gradient', 'Gradient', Field::DATA), Field::share('opacity', 'Opacity', 1.0)]);
    }

    public static function from(Input $input): self
    {
        $opacity = $input->has('opacity') ? $input->number('opacity', null, 0.0, 1.0) : null;
        if ($input->has('gradient')) {
            return new self($input->pieces(), Paint::gradient(self::gradient(new Input($input->nested('gradient') ?? [], $input->fonts, $input->unit))), $opacity);
        }
        if (! $input->has('colour')) {
            return $opacity === null ? throw EditRefused::because('Choose a colour, a gradient or an opacity.') : new self($input->pieces(), null, $opacity);
        }
        $colour = $input->text('colour', 20);

        return $colour === 'none' ? new self($input->pieces(), null, null) : new self($input->pieces(), new Paint(StrokePieces::colour($colour)), $opacity);
    }

    private static function gradient(Input $input): Gradient
    {
        $kind = GradientKind::from($input->choice('kind', ['linear', 'radial']));
        $stops = [];
        $last = 0.0;
        foreach ($input->nested('stops') ?? [] as $stop) {
            $one = new Input(is_array($stop) ? $stop : [], $input->fonts);
            $last = max($last, $one->number('at', null, 0.0, 1.0));
            $stops[] = [$last, StrokePieces::colour($one->text('colour', 20)), $one->number('opacity', 1.0, 0.0, 1.0)];
        }
        if (count($stops) < 2 || count($stops) > self::MOST_STOPS) {
            throw EditRefused::because(sprintf('A gradient has two to %d colours.', self::MOST_STOPS));
        }
        $axis = $input->numbers('axis', 4, 6);
        if ($kind === GradientKind::Radial) {
            $radius = hypot($axis[2] - $axis[0], $axis[3] - $axis[1]);
            $axis = [$axis[0], $axis[1], $radius, $axis[0], $axis[1], 0.0];
        } else {
            $axis = array_slice($axis, 0, 4);
        }

        return new Gradient($kind, $axis, $stops, Matrix::identity(), Spread::from($input->choice('spread', ['pad', 'reflect', 'repeat'], 'pad')));
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
