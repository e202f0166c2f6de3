<?php

declare(strict_types=1);

namespace NeatEdge\Core\Edit\Lines;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Described\Field;
use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\Described\Values;
use NeatEdge\Core\Edit\About;
use NeatEdge\Core\Edit\Chosen;
use NeatEdge\Core\Edit\Edit;
use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\Cubic;

/** D3: joins two ends, of one line or of two: in one node where they meet, else with a straight line. */
final readonly class JoinEnds implements Edit
{
    /**
     * @param  array{string, int, int}  $a  piece, contour and node of the first end
     * @param  string  $other  the piece of the second
     * @param  float  $near  mm up to which both become one node
     */
    public function __construct(private array $a, private string $other, private int $contour, private int $node, private float $near)
    {
    }

    public static function about(string $kind): About
    {
        return new About(
            'Join ends',
            'Two ends become one node.',
            [
                Field::words('piece', 'Piece', Field::PIECE),
                Field::words('nodes', 'Nodes', Field::NODES),
                Field::words('other', 'Other piece', Field::PIECE),
                Field::length('near', 'Melt within', 0.05, most: 10.0),
            ],
            0,
        );
    }

    public static function from(Values $values): self
    {
        $places = $values->nodes('nodes');
        if (count($places) !== 2) {
            throw Refused::because('Choose the two ends that are to be joined.');
        }
        $id = $values->text('piece');

        return new self([$id, $places[0][0], $places[0][1]], $values->text('other') ?: $id, $places[1][0], $places[1][1], $values->length('near'));
    }

    public function label(): string
    {
        return 'Join ends';
    }

    public function apply(Artwork $artwork): Artwork
    {
        [$id, $k, $node] = $this->a;
        if ($id === $this->other) {
            return OnContours::edited($artwork, $id, function (array $contours) use ($k, $node): array {
                [$a, $b] = [self::endOf($contours, $k, $node), self::endOf($contours, $this->contour, $this->node)];
                if ($k === $this->contour) {
                    if ($a === $b) {
                        throw Refused::because('Choose two different ends.');
                    }
                    $contours[$k] = self::closed($contours[$k], $this->near);

                    return $contours;
                }
                $joined = self::joined($contours[$k], $a, $contours[$this->contour], $b, $this->near);
                $contours[$k] = $joined;
                unset($contours[$this->contour]);

                return array_values($contours);
            });
        }
        $chosen = Chosen::in($artwork, [$id, $this->other]);
        $others = OnContours::of($chosen[$this->other]);
        $b = self::endOf($others, $this->contour, $this->node);
        $artwork = OnContours::edited($artwork, $id, function (array $contours) use ($k, $node, $others, $b): array {
            $contours[$k] = self::joined(
                $contours[$k] ?? throw Refused::because('That end is not there any more.'),
                self::endOf($contours, $k, $node),
                $others[$this->contour],
                $b,
                $this->near,
            );

            return array_values($contours);
        });
        $rest = $others;
        unset($rest[$this->contour]);

        return $rest === []
            ? $artwork->withPieces(array_values(array_filter($artwork->pieces, fn (Piece $piece): bool => $piece->id !== $this->other)))
            : OnContours::edited($artwork, $this->other, static fn (): array => array_values($rest));
    }

    /** @param  array<int, Contour>  $contours */
    private static function endOf(array $contours, int $k, int $node): bool
    {
        $contour = $contours[$k] ?? null;
        if ($contour === null || $contour->closed || ($node !== 0 && $node !== $contour->segmentCount())) {
            throw Refused::because('Only the ends of open lines can be joined.');
        }

        return $node !== 0;
    }

    /** @param  float  $near  mm up to which the ends become one node */
    public static function closed(Contour $contour, float $near): Contour
    {
        $c = $contour->coords;
        $last = count($c) - 2;
        $gap = hypot($c[$last] - $c[0], $c[$last + 1] - $c[1]);
        if ($gap > $near) {
            return OnContours::closedUp(new Contour($c, true));
        }

        return new Contour(self::movedEnd($c, $c[0], $c[1]), true);
    }

    /**
     * @param  bool  $aEnd  whether it is the last end of the first line
     * @param  bool  $bEnd  whether it is the last end of the second
     */
    private static function joined(Contour $a, bool $aEnd, Contour $b, bool $bEnd, float $near): Contour
    {
        $first = ($aEnd ? $a : $a->reversed())->coords;
        $second = ($bEnd ? $b->reversed() : $b)->coords;
        $last = count($first) - 2;
        [$x, $y] = [$second[0], $second[1]];
        $gap = hypot($first[$last] - $x, $first[$last + 1] - $y);
        if ($gap > $near) {
            $first = [...$first, ...array_slice(Cubic::line($first[$last], $first[$last + 1], $x, $y), 2)];
        } else {
            $first = self::movedEnd($first, $x, $y);
        }

        return new Contour([...$first, ...array_slice($second, 2)], false);
    }

    /**
     * @param  list<float>  $c
     * @return list<float> with the last node at a place, its handle along
     */
    private static function movedEnd(array $c, float $x, float $y): array
    {
        $last = count($c) - 2;
        $line = $c[$last - 2] === $c[$last] && $c[$last - 1] === $c[$last + 1] && $c[$last - 4] === $c[$last - 6] && $c[$last - 3] === $c[$last - 5];
        $c[$last - 2] = $line ? $x : $c[$last - 2] + $x - $c[$last];
        $c[$last - 1] = $line ? $y : $c[$last - 1] + $y - $c[$last + 1];
        [$c[$last], $c[$last + 1]] = [$x, $y];

        return array_values($c);
    }
}
