<?php

declare(strict_types=1);

namespace NeatEdge\Core\Edit\Lines;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Paint;
use NeatEdge\Core\Artwork\Stroke;
use NeatEdge\Core\Described\Field;
use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\Described\Values;
use NeatEdge\Core\Edit\About;
use NeatEdge\Core\Edit\Adding;
use NeatEdge\Core\Edit\NewPiece;
use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\CurveThrough;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Measure\Colour;
use NeatEdge\Core\Stroke\Cap;
use NeatEdge\Core\Stroke\Join;
use NeatEdge\Core\Stroke\StrokeStyle;
use NeatEdge\Core\Stroke\WidthStops;

/** D9: a line drawn by hand, smoothed into few curves, with a width that changes along it. */
final readonly class BrushLine implements Adding
{
    /** @param  non-empty-list<array{float, float}>  $points  mm */
    public function __construct(private array $points, private float $deviation, private Stroke $stroke, private NewPiece $new)
    {
    }

    public static function about(string $kind): About
    {
        return new About(
            'Brush line',
            'A smooth line of changing width.',
            [
                Field::numbers('points', 'Places', 4),
                Field::numbers('pressures', 'How a pen was pressed', 0, help: '0 to 1 for each place; the width follows it instead of a profile'),
                Field::choice('profile', 'Profile', 'fold', WidthStops::labels()),
                Field::length('smoothing', 'Smoothing', 0.4, 0.01, most: 20.0),
                ...NewPiece::fields(1.5),
            ],
            0,
        );
    }

    public static function from(Values $values): self
    {
        $n = $values->numbers('points');
        $pressures = $values->has('pressures') ? $values->numbers('pressures') : [];
        $points = $pressed = [];
        $walked = 0.0;
        for ($i = 0; $i + 1 < count($n); $i += 2) {
            $last = $points[count($points) - 1] ?? null;
            if ($last === null || hypot($n[$i] - $last[0], $n[$i + 1] - $last[1]) > 1e-4) {
                $walked += $last === null ? 0.0 : hypot($n[$i] - $last[0], $n[$i + 1] - $last[1]);
                $points[] = [$n[$i], $n[$i + 1]];
                $pressed[] = [$walked, $pressures[intdiv($i, 2)] ?? 1.0];
            }
        }
        if (count($points) < 2) {
            throw Refused::because('The line has no length: draw it further.');
        }
        $profiles = WidthStops::profiles();
        $profile = $profiles[$values->choice('profile')][1];
        $stops = $profile === [] ? null : new WidthStops($profile);
        if ($pressures !== [] && $pressed !== []) {
            $stops = WidthStops::ofPressures(array_map(static fn (array $one): array => [$one[0] / $walked, $one[1]], $pressed));
        }
        $colour = $values->colour('line') ?? Colour::ink();

        return new self(
            $points,
            $values->length('smoothing'),
            new Stroke(
                new Paint($colour),
                new StrokeStyle($values->length('lineWidth'), Cap::Round, Join::Round),
                stops: $stops,
            ),
            NewPiece::from($values, true),
        );
    }

    public function label(): string
    {
        return 'Brush line';
    }

    public function apply(Artwork $artwork): Artwork
    {
        $segments = CurveThrough::fit(self::steadied($this->points, $this->deviation), $this->deviation);

        return $this->new->laid($artwork, 'Brush line', Shape::of(Contour::ofSegments($segments, false)), $this->stroke);
    }

    /**
     * A hand's trembling is averaged away over a stretch of about the deviation; the ends stay.
     *
     * @param  non-empty-list<array{float, float}>  $points
     * @return list<array{float, float}>
     */
    private static function steadied(array $points, float $deviation): array
    {
        $n = count($points);
        $steadied = $points;
        for ($round = 0; $round < 2; $round++) {
            $before = $steadied;
            for ($i = 1; $i < $n - 1; $i++) {
                $near = hypot($before[$i + 1][0] - $before[$i - 1][0], $before[$i + 1][1] - $before[$i - 1][1]) < 4 * $deviation;
                if ($near) {
                    $steadied[$i] = [
                        ($before[$i - 1][0] + 2 * $before[$i][0] + $before[$i + 1][0]) / 4,
                        ($before[$i - 1][1] + 2 * $before[$i][1] + $before[$i + 1][1]) / 4,
                    ];
                }
            }
        }

        return array_values($steadied);
    }
}
