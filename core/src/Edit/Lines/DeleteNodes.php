<?php

declare(strict_types=1);

namespace NeatEdge\Core\Edit\Lines;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Described\Field;
use NeatEdge\Core\Described\Values;
use NeatEdge\Core\Edit\About;
use NeatEdge\Core\Edit\Edit;
use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\Cubic;
use NeatEdge\Core\Geometry\CurveFit;

/** D3: deletes nodes; one curve takes the place of what led to them, as near to the old shape as one can be. */
final readonly class DeleteNodes implements Edit
{
    /** @param  list<list<int>>  $nodes  contour and node of each */
    public function __construct(private string $id, private array $nodes)
    {
    }

    public static function about(string $kind): About
    {
        return new About(
            'Delete nodes',
            'The shape stays as near as can be.',
            [Field::words('piece', 'Piece', Field::PIECE), Field::words('nodes', 'Nodes', Field::NODES)],
            0,
        );
    }

    public static function from(Values $values): self
    {
        return new self($values->text('piece'), $values->nodes('nodes'));
    }

    public function label(): string
    {
        return count($this->nodes) === 1 ? 'Delete a node' : 'Delete nodes';
    }

    public function apply(Artwork $artwork): Artwork
    {
        return OnContours::edited($artwork, $this->id, function (array $contours): array {
            $chosen = Nodes::byContour($this->nodes, $contours);
            $out = [];
            foreach ($contours as $k => $contour) {
                $left = isset($chosen[$k]) ? self::without($contour, $chosen[$k]) : $contour;
                if ($left !== null) {
                    $out[] = $left;
                }
            }

            return $out;
        });
    }

    /** @param  list<int>  $nodes */
    private static function without(Contour $contour, array $nodes): ?Contour
    {
        $path = new NodePath($contour);
        $gone = array_flip($nodes);
        $n = count($path->segments);
        $least = $contour->closed ? 2 : 1;
        $left = $path->nodes() - count($nodes);
        if ($left < $least || ($left < 2 && ! $contour->closed)) {
            return null;
        }
        // The runs of segments between nodes that stay; an open line loses what led to an end that goes.
        $start = 0;
        while (isset($gone[$start])) {
            $start++;
        }
        $out = [];
        $run = [];
        for ($i = 0; $i < $n; $i++) {
            $segment = $start + $i;
            if (! $contour->closed && $segment >= $n) {
                break;
            }
            $run[] = $path->segments[$segment % $n];
            $end = $contour->closed ? ($segment + 1) % $n : $segment + 1;
            if (! isset($gone[$end])) {
                $out[] = self::merged($run);
                $run = [];
            }
        }

        return $out === [] ? null : Contour::ofSegments($out, $contour->closed);
    }

    /**
     * @param  non-empty-list<list<float>>  $run
     * @return list<float>
     */
    private static function merged(array $run): array
    {
        if (count($run) === 1) {
            return $run[0];
        }
        $first = $run[0];
        $last = $run[count($run) - 1];
        if (array_filter($run, static fn (array $s): bool => ! Cubic::isLine($s)) === []) {
            return Cubic::line($first[0], $first[1], $last[6], $last[7]);
        }
        $points = [[$first[0], $first[1]]];
        foreach ($run as $s) {
            for ($i = 1; $i <= 12; $i++) {
                $points[] = Cubic::placeOn($s, $i / 12);
            }
        }
        $unit = static function (array $v): array {
            $long = max(1e-12, hypot($v[0], $v[1]));

            return [$v[0] / $long, $v[1] / $long];
        };
        $out = Cubic::speedOn($first, 0.0);
        $in = Cubic::speedOn($last, 1.0);
        $out = hypot(...$out) < 1e-9 ? Cubic::speedOn($first, 0.001) : $out;
        $in = hypot(...$in) < 1e-9 ? Cubic::speedOn($last, 0.999) : $in;

        return CurveFit::through($points, $unit($out), $unit($in))[0];
    }
}
