<?php

declare(strict_types=1);

namespace NeatEdge\Core\Edit\Shaping;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Described\Field;
use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\Described\Values;
use NeatEdge\Core\Edit\About;
use NeatEdge\Core\Edit\Edit;
use NeatEdge\Core\Edit\Mark;
use NeatEdge\Core\Edit\ShowsMarks;
use NeatEdge\Core\Geometry\Shape;

/** P5: leads the end of a line on to the next line; or makes every end meet that stops short, or sticks out, by less than a distance. */
final readonly class ExtendLines implements Edit, ShowsMarks
{
    /** How far a line is led on at the most, mm. */
    private const FARTHEST = 10_000.0;

    /**
     * @param  list<string>  $ids  lines that take part; all that can be touched when none
     * @param  list<array{float, float}>  $at  near the ends that are led on; all loose ends when none
     */
    public function __construct(private array $ids, private array $at, private float $meet)
    {
    }

    public static function about(string $kind): About
    {
        return new About('Extend to meet', 'Lead the end of a line on to the next line, or cut what sticks out.', [
            Field::words('at', 'Ends', Field::PLACES, help: 'near the ends that are led on; every loose end when left out'),
            Field::length('meet', 'Ends nearer than', 1.0, 0.0, 'without places: ends that stop short or stick out by less', 1000.0),
        ], 0, About::LINES, 'N', About::AT_ONCE);
    }

    public static function from(Values $values): self
    {
        return new self($values->pieces(), $values->places('at'), $values->length('meet'));
    }

    public function label(): string
    {
        return 'Extend to meet';
    }

    public function apply(Artwork $artwork): Artwork
    {
        if ($this->at === []) {
            $pieces = Lines::pieces($artwork, $this->ids);
            $by = [];
            foreach (Meeting::mended($pieces, $this->meet) as $i => $piece) {
                if ($piece !== $pieces[$i]) {
                    $by[$piece->id] = [$piece];
                }
            }

            return $by === [] ? throw Refused::because(sprintf(
                'No end stops short or sticks out by less than %.2f mm.',
                $this->meet,
            )) : Outlined::replaced($artwork, $by);
        }
        foreach ($this->at as $place) {
            $lines = Lines::chosen($artwork, $this->ids);
            [$k, $end] = $this->end($lines, $place);
            $piece = $lines->pieces[$k];
            $contours = $piece->shape->contours;
            $contours[$lines->numbers[$k]] = LooseEnds::mended($lines->contours[$k], $end);
            $artwork = Outlined::replaced($artwork, [$piece->id => [$piece->withShape(new Shape(array_values($contours), $piece->shape->rule))]]);
        }

        return $artwork;
    }

    /**
     * @param  array{float, float}  $place
     * @return array{int, LooseEnd}
     */
    private function end(Lines $lines, array $place): array
    {
        $best = null;
        $least = INF;
        foreach ($lines->contours as $k => $line) {
            foreach ($line->closed ? [] : [false, true] as $atEnd) {
                [$x, $y] = LooseEnds::end($line, $atEnd);
                $far = hypot($x - $place[0], $y - $place[1]);
                if ($far < $least) {
                    [$best, $least] = [[$k, $atEnd, $x, $y], $far];
                }
            }
        }
        if ($best === null) {
            throw Refused::because('There is no open end to be led on.');
        }
        [$k, $atEnd, $x, $y] = $best;
        foreach ($this->meet > 0.0 ? LooseEnds::among($lines->contours, $this->meet) : [] as $end) {
            // One that sticks out a little is cut back rather than led on.
            if ($end->line === $k && $end->atEnd === $atEnd) {
                return [$k, $end];
            }
        }
        $met = LooseEnds::ahead($lines->contours, $k, $atEnd, self::FARTHEST) ?? throw Refused::because('Nothing lies ahead of that end.');

        return [$k, new LooseEnd($k, $atEnd, true, $met[2], $x, $y, [$met[0], $met[1]])];
    }

    public function marks(Artwork $artwork): array
    {
        $lines = Lines::chosen($artwork, $this->ids);
        $marks = Meeting::marks($lines, $this->meet);
        foreach ($this->at as $place) {
            try {
                [, $end] = $this->end($lines, $place);
                $marks[] = new Mark('gap', $end->x, $end->y, $end->says(), state: sprintf('%.4f,%.4f', ...$end->to));
            } catch (Refused $refused) {
                $marks[] = new Mark('fault', $place[0], $place[1], $refused->getMessage());
            }
        }

        return $marks;
    }
}
