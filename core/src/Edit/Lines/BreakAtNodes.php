<?php

declare(strict_types=1);

namespace NeatEdge\Core\Edit\Lines;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Field;
use NeatEdge\Core\Edit\About;
use NeatEdge\Core\Edit\Edit;
use NeatEdge\Core\Edit\Input;
use NeatEdge\Core\Geometry\Contour;

/** D3: breaks lines at nodes: a closed one opens there, an open one falls into two. */
final readonly class BreakAtNodes implements Edit
{
    /** @param  list<list<int>>  $nodes  contour and node of each */
    public function __construct(private string $id, private array $nodes)
    {
    }

    public static function about(string $kind): About
    {
        return new About('Break at nodes', 'Each part a line of its own; closed each, where that is wanted.', [Field::words('piece', 'Piece', Field::PIECE), Field::words('nodes', 'Nodes', Field::NODES)], 0);
    }

    public static function from(Input $input): self
    {
        return new self($input->text('piece'), $input->places('nodes'));
    }

    public function label(): string
    {
        return 'Break at a node';
    }

    public function apply(Artwork $artwork): Artwork
    {
        return OnContours::edited($artwork, $this->id, function (array $contours): array {
            $out = [];
            $chosen = Nodes::byContour($this->nodes, $contours);
            foreach ($contours as $k => $contour) {
                array_push($out, ...(isset($chosen[$k]) ? self::broken($contour, $chosen[$k]) : [$contour]));
            }

            return $out;
        });
    }

    /**
     * @param  list<int>  $nodes
     * @return list<Contour>
     */
    public static function broken(Contour $contour, array $nodes): array
    {
        $segments = $contour->segments();
        $n = count($segments);
        if ($contour->closed) {
            $first = $nodes[0];
            $segments = [...array_slice($segments, $first), ...array_slice($segments, 0, $first)];
            $nodes = array_map(static fn (int $node): int => $node - $first, array_slice($nodes, 1));
        }
        $cuts = array_values(array_filter($nodes, static fn (int $node): bool => $node > 0 && $node < $n));
        $out = [];
        $from = 0;
        foreach ([...$cuts, $n] as $to) {
            $out[] = Contour::ofSegments(array_slice($segments, $from, $to - $from), false);
            $from = $to;
        }

        return $out;
    }
}
