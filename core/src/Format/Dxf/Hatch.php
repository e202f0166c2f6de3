<?php

declare(strict_types=1);

namespace NeatEdge\Core\Format\Dxf;

use NeatEdge\Core\Geometry\Chains;
use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\FillRule;
use NeatEdge\Core\Geometry\Shape;

/** The area of a hatch: its borders, each a line of places or a row of edges. */
final class Hatch
{
    /** Share of its size within which edges meet. */
    private const MEET = 1e-4;

    private int $at = 0;

    private int $unknown = 0;

    /** @param  list<array{int, string}>  $pairs */
    private function __construct(private readonly array $pairs)
    {
    }

    /** @return array{Shape, int} its area, and how many edges of its borders are of a kind that is not read: there they are closed straight */
    public static function area(Entity $hatch): array
    {
        $self = new self($hatch->pairs);
        $self->to(91);
        $paths = (int) $self->take();
        $contours = [];
        for ($k = 0; $k < $paths && $self->to(92); $k++) {
            array_push($contours, ...(((int) $self->take() & 2) === 2 ? $self->line() : $self->edges()));
        }

        return [new Shape($contours, FillRule::Evenodd), $self->unknown];
    }

    /** On to a code; false where it comes no more. */
    private function to(int $code): bool
    {
        while (isset($this->pairs[$this->at]) && $this->pairs[$this->at][0] !== $code) {
            $this->at++;
        }

        return isset($this->pairs[$this->at]);
    }

    /** The value where one stands, and on. */
    private function take(): float
    {
        return (float) ($this->pairs[$this->at++][1] ?? 0.0);
    }

    private function next(int $code): float
    {
        return $this->to($code) ? $this->take() : 0.0;
    }

    private function is(int $code): bool
    {
        return ($this->pairs[$this->at][0] ?? null) === $code;
    }

    /** @return list<Contour> */
    private function line(): array
    {
        $this->to(93);
        $count = (int) $this->take();
        $places = [];
        for ($i = 0; $i < $count && $this->to(10); $i++) {
            [$x, $y] = [$this->take(), $this->next(20)];
            $places[] = [$x, $y, $this->is(42) ? $this->take() : 0.0];
        }
        $line = Curves::polyline($places, true);

        return $line === null ? [] : [$line];
    }

    /** @return list<Contour> */
    private function edges(): array
    {
        $this->to(93);
        $count = (int) $this->take();
        $edges = [];
        for ($i = 0; $i < $count && $this->to(72); $i++) {
            $edge = match ((int) $this->take()) {
                1 => Contour::polygon([[$this->next(10), $this->next(20)], [$this->next(11), $this->next(21)]], false),
                2 => $this->arc(),
                3 => $this->ellipse(),
                4 => $this->spline(),
                default => $this->unread(),
            };
            if ($edge !== null) {
                $edges[] = $edge;
            }
        }
        $size = (new Shape($edges))->box();
        $meet = self::MEET * max(1e-6, $size?->width() ?? 0.0, $size?->height() ?? 0.0);

        // A border is closed by what the format is, whatever a last gap.
        return array_map(static fn (Contour $line): Contour => new Contour($line->coords, true), Chains::joined($edges, $meet));
    }

    private function unread(): null
    {
        $this->unknown++;

        return null;
    }

    private function arc(): ?Contour
    {
        [$x, $y, $r, $from, $to, $counter] = [$this->next(10), $this->next(20), $this->next(40), $this->next(50), $this->next(51), $this->next(73) > 0];

        // What runs clockwise is told by angles that are counted clockwise.
        return $counter ? Curves::arc($x, $y, $r, $from, $to) : Curves::arc($x, $y, $r, -$to, -$from)?->reversed();
    }

    private function ellipse(): ?Contour
    {
        $own = new Entity('ELLIPSE');
        foreach ([10, 20, 11, 21, 40] as $code) {
            $own->add($code, (string) $this->next($code));
        }
        [$from, $to, $counter] = [$this->next(50), $this->next(51), $this->next(73) > 0];
        $own->add(41, (string) deg2rad($counter ? $from : -$to));
        $own->add(42, (string) deg2rad($counter ? $to : -$from));

        return $counter ? Curves::ellipse($own) : Curves::ellipse($own)?->reversed();
    }

    private function spline(): ?Contour
    {
        $own = new Entity('SPLINE');
        $own->add(71, (string) $this->next(94));
        [$knots, $points] = [(int) $this->next(95), (int) $this->next(96)];
        for ($i = 0; $i < min($knots, 10_000) && $this->to(40); $i++) {
            $own->add(40, (string) $this->take());
        }
        for ($i = 0; $i < min($points, 10_000) && $this->to(10); $i++) {
            $own->add(10, (string) $this->take());
            $own->add(20, (string) $this->next(20));
            if ($this->is(42)) {
                $own->add(41, (string) $this->take());
            }
        }

        return Curves::spline($own);
    }
}
