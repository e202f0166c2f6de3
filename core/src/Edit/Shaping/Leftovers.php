<?php

declare(strict_types=1);

namespace NeatEdge\Core\Edit\Shaping;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Described\Field;
use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\Described\Values;
use NeatEdge\Core\Edit\Edit;
use NeatEdge\Core\Geometry\Cubic;
use NeatEdge\Core\Geometry\LinePlace;
use NeatEdge\Core\Geometry\Parts;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Measure\Inscribed;
use NeatEdge\Core\PlanarMap\Combine;

/**
 * Slivers that an operation would leave: parts of its outcome into which no circle of a set width fits. They are counted, dropped, or given to the
 * neighbour with which they share the longest border, of the same colour first.
 */
final readonly class Leftovers
{
    /** Sides nearer than this lie along one another, mm. */
    private const ALONG = 0.02;

    private function __construct(private float $width, private bool $give)
    {
    }

    /** @return list<Field> what every operation takes that may leave some */
    public static function fields(): array
    {
        return [
            Field::length('leftover', 'Leftovers under', 0.0, 0.0, 'parts into which no circle of this width fits', 1000.0),
            Field::choice('leftovers', 'Leftovers are', 'drop', ['drop' => 'Left out', 'neighbour' => 'Given to a neighbour']),
        ];
    }

    /** The edit, with leftovers seen to where that was asked for. */
    public static function after(string $kind, Edit $edit, Values $values): ?self
    {
        $named = array_column(array_map(static fn (Field $field): array => [$field->name, true], $edit::about($kind)->fields), 1, 0);
        $width = isset($named['leftover']) ? $values->length('leftover') : 0.0;

        return $width > 0.0 ? new self($width, $values->choice('leftovers') === 'neighbour') : null;
    }

    /**
     * Parts of pieces that an operation changed or made into which no circle of a width fits.
     *
     * @return array<string, list<array{Shape, bool}>> id => its parts, each with whether it is a leftover
     */
    public static function in(Artwork $before, Artwork $after, float $width): array
    {
        $known = [];
        foreach ($before->pieces as $piece) {
            $known[$piece->id] = $piece->shape;
        }
        $byPiece = [];
        foreach ($after->pieces as $piece) {
            if ($piece->fill === null || ($known[$piece->id] ?? null) === $piece->shape) {
                continue;
            }
            $parts = array_map(static fn (Shape $part): array => [$part, self::isSliver($part, $width)], Parts::of($piece->shape));
            if (array_filter($parts, static fn (array $part): bool => $part[1]) !== []) {
                $byPiece[$piece->id] = $parts;
            }
        }

        return $byPiece;
    }

    private static function isSliver(Shape $part, float $width): bool
    {
        // Twice the area over the outline is the mean width of a strip: what is much wider needs no circle.
        if (abs($part->area()) > $width * $part->roughLength()) {
            return false;
        }

        return 2 * Inscribed::in($part, 0.02)[2] < $width;
    }

    /** @throws Refused when nothing else is left */
    public function applied(Artwork $before, Artwork $after): Artwork
    {
        $found = self::in($before, $after, $this->width);
        if ($found === []) {
            return $after;
        }
        $by = $slivers = [];
        foreach ($after->pieces as $piece) {
            if (! isset($found[$piece->id])) {
                continue;
            }
            $contours = [];
            foreach ($found[$piece->id] as [$part, $sliver]) {
                if ($sliver) {
                    $slivers[] = [$piece, $part];
                } else {
                    array_push($contours, ...$part->contours);
                }
            }
            $by[$piece->id] = $contours === [] ? [] : [Outlined::reshaped($piece, new Shape($contours, $piece->shape->rule))];
        }
        $out = Outlined::replaced($after, $by);
        if ($this->give) {
            foreach ($slivers as [$piece, $part]) {
                $out = self::given($out, $piece, $part);
            }
        }

        return $out->pieces === [] ? throw Refused::nothingLeft() : $out;
    }

    private static function given(Artwork $artwork, Piece $from, Shape $part): Artwork
    {
        $best = null;
        $longest = [false, 0.0];
        $box = $part->box();
        foreach ($artwork->pieces as $piece) {
            $other = $piece->box();
            if ($piece->fill === null || $box === null || $other === null || ! $other->overlaps($box)) {
                continue;
            }
            $shared = [$from->fill !== null && $piece->fill->key() === $from->fill->key(), self::shared($part, $piece->shape)];
            if ($shared[1] > 0.0 && $shared > $longest) {
                [$best, $longest] = [$piece, $shared];
            }
        }
        if ($best === null) {
            return $artwork;
        }

        return Outlined::replaced($artwork, [$best->id => [Outlined::reshaped($best, Combine::weld([$best->shape, $part], $artwork->tolerance()))]]);
    }

    /** How much of the outline of a part runs along another shape, mm. */
    private static function shared(Shape $part, Shape $other): float
    {
        $sum = 0.0;
        foreach ($part->contours as $contour) {
            foreach ($contour->segments() as $s) {
                [$x, $y] = Cubic::placeOn($s, 0.5);
                foreach ($other->contours as $edge) {
                    [, $px, $py] = LinePlace::nearest($edge, $x, $y);
                    if (hypot($px - $x, $py - $y) < self::ALONG) {
                        $sum += Cubic::length($s);

                        break;
                    }
                }
            }
        }

        return $sum;
    }
}
