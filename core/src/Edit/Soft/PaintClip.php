<?php

declare(strict_types=1);

namespace NeatEdge\Core\Edit\Soft;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Paint;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Artwork\SoftLook;
use NeatEdge\Core\Artwork\Stroke;
use NeatEdge\Core\Described\Field;
use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\Described\Values;
use NeatEdge\Core\Edit\About;
use NeatEdge\Core\Edit\Chosen;
use NeatEdge\Core\Edit\Local;
use NeatEdge\Core\Geometry\Box;
use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\CurveThrough;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Measure\Colour;
use NeatEdge\Core\Stroke\Cap;
use NeatEdge\Core\Stroke\Join;
use NeatEdge\Core\Stroke\StrokeStyle;

/**
 * D13: what is seen of pieces is painted by hand. Each line stays a line: it is sharp at any size, and undone by itself. Pieces that have no clip yet are seen
 * whole until something is taken away.
 */
final readonly class PaintClip implements Local
{
    /** Lines that one clip takes: each costs whoever draws it. */
    private const MOST = SoftLook::MOST_PIECES - 1;

    /** Deviation of the soft edge of a wholly soft brush, of its width: it runs out within as much again. */
    private const SOFTEST = 0.25;

    /**
     * @param  list<string>  $ids
     * @param  non-empty-list<array{float, float}>  $points  mm
     * @param  float  $hardness  0 soft to 1 hard
     * @param  float  $strength  0 to 1
     */
    public function __construct(
        private array $ids,
        private array $points,
        private float $width,
        private float $hardness,
        private float $strength,
        private bool $adds,
    ) {
    }

    public static function about(string $kind): About
    {
        return new About('Paint what is seen', 'By hand, with a soft brush.', [
            Field::numbers('points', 'Places', 4),
            Field::choice('does', 'The brush', 'takes', ['takes' => 'Takes away', 'adds' => 'Brings back']),
            Field::length('width', 'Width', 8.0, 0.05, most: 1000.0),
            Field::number('hardness', 'Hardness, %', 0.0, 0.0, 100.0),
            Field::number('strength', 'Strength, %', 100.0, 1.0, 100.0),
        ]);
    }

    public static function from(Values $values): self
    {
        $n = $values->numbers('points');
        $points = [];
        for ($i = 0; $i + 1 < count($n); $i += 2) {
            $last = $points[count($points) - 1] ?? null;
            if ($last === null || hypot($n[$i] - $last[0], $n[$i + 1] - $last[1]) > 1e-4) {
                $points[] = [$n[$i], $n[$i + 1]];
            }
        }
        if ($points === []) {
            throw Refused::because('The line has no length: draw it further.');
        }

        return new self(
            $values->pieces(),
            $points,
            $values->length('width'),
            $values->number('hardness') / 100,
            $values->number('strength') / 100,
            $values->choice('does') === 'adds',
        );
    }

    public function label(): string
    {
        return $this->adds ? 'Brought back by hand' : 'Taken away by hand';
    }

    public function apply(Artwork $artwork): Artwork
    {
        return $artwork->mapped($this->painted(...), Chosen::in($artwork, $this->ids));
    }

    private function painted(Piece $piece): Piece
    {
        $look = $piece->soft ?? new SoftLook;
        $clips = $look->clips;
        $line = $this->line($piece->id.'-b');
        $last = array_key_last($clips);
        if ($last === null) {
            // It is seen wherever it lies, and as far as its own edge runs out.
            $box = ($piece->box() ?? new Box(0.0, 0.0, 1.0, 1.0))->grown(1.0 + 4 * $look->edge + ($piece->stroke?->widths()[1] ?? 0.0));
            $whole = Shape::of(Contour::rectangle($box->left, $box->top, $box->width(), $box->height()));
            $clips[] = [new Piece("{$piece->id}-w", $whole, new Paint(new Colour(255, 255, 255))), $line];
        } elseif (count($clips[$last]) > self::MOST) {
            throw Refused::because(sprintf('At most %d lines are painted on one piece.', self::MOST));
        } else {
            $clips[$last] = [...$clips[$last], $line];
        }

        return Looked::with($piece, $look->with(clips: array_values($clips)));
    }

    private function line(string $id): Piece
    {
        $points = count($this->points) > 1 ? $this->points : [$this->points[0], [$this->points[0][0] + 1e-3, $this->points[0][1]]];
        $segments = CurveThrough::fit($points, max(0.02, 0.02 * $this->width));
        $edge = self::SOFTEST * (1 - $this->hardness) * $this->width;
        $paint = new Paint($this->adds ? new Colour(255, 255, 255) : new Colour(0, 0, 0), $this->strength);

        return new Piece(
            $id,
            Shape::of(Contour::ofSegments($segments, false)),
            null,
            new Stroke($paint, new StrokeStyle($this->width, Cap::Round, Join::Round)),
            soft: $edge > 1e-4 ? new SoftLook($edge) : null,
        );
    }
}
