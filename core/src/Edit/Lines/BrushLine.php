<?php

declare(strict_types=1);

namespace NeatEdge\Core\Edit\Lines;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Colour;
use NeatEdge\Core\Artwork\Field;
use NeatEdge\Core\Artwork\Paint;
use NeatEdge\Core\Artwork\Stroke;
use NeatEdge\Core\Edit\About;
use NeatEdge\Core\Edit\Edit;
use NeatEdge\Core\Edit\EditRefused;
use NeatEdge\Core\Edit\Input;
use NeatEdge\Core\Edit\NewPiece;
use NeatEdge\Core\Edit\Paint\StrokePieces;
use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\CurveThrough;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Stroke\Cap;
use NeatEdge\Core\Stroke\Join;
use NeatEdge\Core\Stroke\StrokeStyle;
use NeatEdge\Core\Stroke\WidthStops;

/** D9: a line drawn by hand, smoothed into few curves, with a width that changes along it. */
final readonly class BrushLine implements Edit
{
    /** @param  non-empty-list<array{float, float}>  $points  mm */
    public function __construct(private array $points, private float $deviation, private Stroke $stroke, private NewPiece $new)
    {
    }

    public static function about(string $kind): About
    {
        return new About('Brush line', 'A smooth line of changing width.', [Field::words('points', 'Places', Field::DATA), Field::words('profile', 'Profile', usual: 'fold'), Field::length('smoothing', 'Smoothing', 0.4, 0.01), ...NewPiece::fields()], 0);
    }

    public static function from(Input $input): self
    {
        $n = $input->numbers('points', 4);
        $points = [];
        for ($i = 0; $i + 1 < count($n); $i += 2) {
            $last = $points[count($points) - 1] ?? null;
            if ($last === null || hypot($n[$i] - $last[0], $n[$i + 1] - $last[1]) > 1e-4) {
                $points[] = [$n[$i], $n[$i + 1]];
            }
        }
        if (count($points) < 2) {
            throw EditRefused::because('The line has no length: draw it further.');
        }
        $profiles = WidthStops::profiles();
        $profile = $profiles[$input->choice('profile', array_keys($profiles), 'fold')][1];
        $colour = $input->has('line') && $input->text('line', 20) !== 'none' ? StrokePieces::colour($input->text('line', 20)) : Colour::ink();

        return new self(
            $points,
            $input->length('smoothing', 0.4, 0.01, 20.0),
            new Stroke(new Paint($colour), new StrokeStyle($input->length('lineWidth', 1.5, 0.001, 1000.0), Cap::Round, Join::Round), stops: $profile === [] ? null : new WidthStops($profile)),
            NewPiece::from($input, true),
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
        $out = $points;
        for ($round = 0; $round < 2; $round++) {
            $before = $out;
            for ($i = 1; $i < $n - 1; $i++) {
                $near = hypot($before[$i + 1][0] - $before[$i - 1][0], $before[$i + 1][1] - $before[$i - 1][1]) < 4 * $deviation;
                if ($near) {
                    $out[$i] = [($before[$i - 1][0] + 2 * $before[$i][0] + $before[$i + 1][0]) / 4, ($before[$i - 1][1] + 2 * $before[$i][1] + $before[$i + 1][1]) / 4];
                }
            }
        }

        return array_values($out);
    }
}
