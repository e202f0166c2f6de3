<?php

declare(strict_types=1);

namespace NeatEdge\Core\Edit\Lines;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Described\Field;
use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\Described\Values;
use NeatEdge\Core\Edit\About;
use NeatEdge\Core\Edit\Local;
use NeatEdge\Core\Geometry\Contour;

/** D3: makes nodes corners, smooth or even. A corner draws its handles in; a smooth node lays them in one line. */
final readonly class NodeKind implements Local
{
    /** @param  list<list<int>>  $nodes  contour and node of each */
    public function __construct(private string $id, private array $nodes, private string $as)
    {
    }

    public static function about(string $kind): About
    {
        return new About(
            'Node kind',
            'Corner, smooth or even.',
            [
                Field::words('piece', 'Piece', Field::PIECE),
                Field::words('nodes', 'Nodes', Field::NODES),
                Field::choice('to', 'To', 'smooth', ['corner' => 'Corner', 'smooth' => 'Smooth', 'even' => 'Even']),
            ],
            0,
        );
    }

    public static function from(Values $values): self
    {
        return new self($values->text('piece'), $values->nodes('nodes'), $values->choice('to'));
    }

    public function label(): string
    {
        return 'Make '.($this->as === 'corner' ? 'a corner' : $this->as);
    }

    public function apply(Artwork $artwork): Artwork
    {
        return OnContours::edited($artwork, $this->id, function (array $contours): array {
            foreach (Nodes::byContour($this->nodes, $contours) as $k => $nodes) {
                $path = new NodePath($contours[$k]);
                foreach ($nodes as $node) {
                    $this->as === 'corner' ? self::corner($path, $node) : $this->smooth($path, $node);
                }
                $contours[$k] = $path->contour();
            }

            return $contours;
        });
    }

    private static function corner(NodePath $path, int $node): void
    {
        foreach ([$path->into($node), $path->outOf($node)] as $way => $segment) {
            if ($segment !== null && ! $path->isLine($segment)) {
                $path->setHandle($node, $way === 1, [0.0, 0.0]);
            }
        }
    }

    private function smooth(NodePath $path, int $node): void
    {
        [$in, $out] = [$path->into($node), $path->outOf($node)];
        if ($in === null || $out === null) {
            throw Refused::because('The end of a line has only one side: it can be no smooth node.');
        }
        [$x, $y] = $path->at($node);
        [$ax, $ay] = [$path->segments[$in][0], $path->segments[$in][1]];
        [$bx, $by] = [$path->segments[$out][6], $path->segments[$out][7]];
        $before = $path->handle($node, false);
        $after = $path->handle($node, true);
        $lengths = [
            $before === null ? hypot($x - $ax, $y - $ay) / 3 : hypot(...$before),
            $after === null ? hypot($bx - $x, $by - $y) / 3 : hypot(...$after),
        ];
        // Where there is one handle it says the direction; of two, the line between them; of none, the line between the neighbours.
        [$dx, $dy] = match (true) {
            $before !== null && $after !== null => [$after[0] / $lengths[1] - $before[0] / $lengths[0], $after[1] / $lengths[1] - $before[1] / $lengths[0]],
            $before !== null => [-$before[0], -$before[1]],
            $after !== null => $after,
            default => [$bx - $ax, $by - $ay],
        };
        if (hypot($dx, $dy) < 1e-9) {
            [$dx, $dy] = [$by - $y, $x - $bx];
        }
        $long = max(1e-12, hypot($dx, $dy));
        if ($this->as === 'even') {
            $lengths = array_fill(0, 2, ($lengths[0] + $lengths[1]) / 2);
        }
        $path->setHandle($node, false, [-$dx / $long * $lengths[0], -$dy / $long * $lengths[0]]);
        $path->setHandle($node, true, [$dx / $long * $lengths[1], $dy / $long * $lengths[1]]);
    }
}
