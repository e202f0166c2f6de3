<?php

declare(strict_types=1);

namespace NeatEdge\Core\Edit\Shaping;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Described\Field;
use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\Described\Values;
use NeatEdge\Core\Edit\About;
use NeatEdge\Core\Edit\Edit;
use NeatEdge\Core\Edit\FreeIds;
use NeatEdge\Core\Edit\Mark;
use NeatEdge\Core\Edit\ShowsMarks;
use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\Crossing;
use NeatEdge\Core\Geometry\Crossings;
use NeatEdge\Core\Geometry\LinePlace;
use NeatEdge\Core\Geometry\Shape;

/** P5: takes away the stretch of a line between the two crossings round a place. Both sides of it stay, as lines of their own. */
final readonly class TrimLines implements Edit, ShowsMarks
{
    private const SAME = 1e-6;

    /**
     * @param  list<string>  $ids  lines that take part; all that can be touched when none
     * @param  list<array{float, float}>  $at
     */
    public function __construct(private array $ids, private array $at, private float $meet)
    {
    }

    public static function about(string $kind): About
    {
        return new About('Trim to crossing', 'Take away the stretch of a line between two crossings.', [
            Field::words('at', 'Places', Field::PLACES),
            Field::length('meet', 'Ends nearer than', 1.0, 0.0, 'ends that stop short by less are shown', 1000.0),
        ], 0, About::LINES, 'T', About::AT_ONCE);
    }

    public static function from(Values $values): self
    {
        return new self($values->pieces(), $values->places('at'), $values->length('meet'));
    }

    public function label(): string
    {
        return 'Trim to crossing';
    }

    public function apply(Artwork $artwork): Artwork
    {
        if ($this->at === []) {
            throw Refused::because('Press the stretch that is to go.');
        }
        $ids = $this->ids;
        foreach ($this->at as $place) {
            [$lines, $k, $from, $to] = $this->stretch($artwork, $ids, $place);
            $piece = $lines->pieces[$k];
            $free = FreeIds::in($artwork);
            $by = Outlined::replaced($artwork, [$piece->id => self::without($piece, $lines->numbers[$k], $lines->contours[$k], $from, $to, $free)]);
            // What was cut off takes part too.
            foreach ($ids === [] ? [] : $by->pieces as $one) {
                if ($artwork->piece($one->id) === null) {
                    $ids[] = $one->id;
                }
            }
            $ids = $ids === [] ? [] : array_values(array_filter($ids, static fn (string $id): bool => $by->piece($id) !== null));
            $artwork = $by;
        }

        return $artwork;
    }

    /**
     * @param  list<string>  $ids
     * @param  array{float, float}  $place
     * @return array{Lines, int, float, float} the lines, which of them, and from where to where; over its start where the second lies before the first
     */
    private function stretch(Artwork $artwork, array $ids, array $place): array
    {
        $lines = Lines::chosen($artwork, $ids);
        $k = $lines->nearest($place[0], $place[1], static fn (int $k): bool => $lines->pieces[$k]->fill === null)
            ?? throw Refused::because('There is no line without fill to be trimmed; fills are cut with the other tools.');
        $line = $lines->contours[$k];
        $n = (float) count($line->closedSegments());
        [$g] = LinePlace::nearest($line, ...$place);
        $places = array_map(static fn (Crossing $c): float => $line->closed && $c->g > $n - self::SAME ? 0.0 : $c->g, Crossings::on($k, $lines->contours));
        sort($places);
        $places = array_values(array_filter(
            $places,
            static fn (float $at, int $i): bool => $i === 0 || $at - $places[$i - 1] > self::SAME,
            ARRAY_FILTER_USE_BOTH,
        ));
        $before = array_filter($places, static fn (float $at): bool => $at <= $g);
        $after = array_filter($places, static fn (float $at): bool => $at > $g);
        if ($line->closed) {
            if (count($places) < 2) {
                throw Refused::because($places === []
                    ? 'Nothing crosses this line; remove it instead.'
                    : 'This line is crossed only once, so no stretch of it can go.');
            }

            return [$lines, $k, $before === [] ? max($places) : max($before), $after === [] ? min($places) : min($after)];
        }
        $from = $before === [] ? 0.0 : max($before);
        $to = $after === [] ? $n : min($after);
        if ($from < self::SAME && $to > $n - self::SAME && $places === []) {
            throw Refused::because('Nothing crosses this line; remove it instead.');
        }

        return [$lines, $k, $from, $to];
    }

    /** @return list<Piece> what is left of a piece without a stretch of one of its lines */
    private static function without(Piece $piece, int $number, Contour $line, float $from, float $to, FreeIds $free): array
    {
        $n = (float) count($line->closedSegments());
        $rest = $line->closed ? [LinePlace::between($line, $to, $from)] : [LinePlace::between($line, 0.0, $from), LinePlace::between($line, $to, $n)];
        $rest = array_values(array_filter($rest));
        $contours = $piece->shape->contours;
        array_splice($contours, $number, 1, array_slice($rest, 0, 1));
        $pieces = $contours === [] ? [] : [$piece->withShape(new Shape(array_values($contours), $piece->shape->rule))];
        foreach (array_slice($rest, 1) as $other) {
            $pieces[] = $piece->withShape(Shape::of($other))->with(id: $free->next());
        }

        return $pieces;
    }

    public function marks(Artwork $artwork): array
    {
        $marks = Meeting::marks(Lines::chosen($artwork, $this->ids), $this->meet);
        foreach ($this->at as $place) {
            try {
                [$lines, $k, $from, $to] = $this->stretch($artwork, $this->ids, $place);
            } catch (Refused $refused) {
                $marks[] = new Mark('fault', $place[0], $place[1], $refused->getMessage());

                continue;
            }
            $line = LinePlace::between($lines->contours[$k], $from, $to);
            if ($line !== null) {
                $marks[] = new Mark('stretch', $place[0], $place[1], '', Shape::of($line));
            }
        }

        return $marks;
    }
}
