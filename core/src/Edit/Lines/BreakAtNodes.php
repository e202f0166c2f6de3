<?php

declare(strict_types=1);

namespace NeatEdge\Core\Edit\Lines;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Described\Field;
use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\Described\Values;
use NeatEdge\Core\Edit\About;
use NeatEdge\Core\Edit\Chosen;
use NeatEdge\Core\Edit\Edit;
use NeatEdge\Core\Edit\FreeIds;
use NeatEdge\Core\Edit\Shaping\Outlined;
use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\Cubic;
use NeatEdge\Core\Geometry\Shape;

/** D3: breaks lines at nodes: a closed one opens there, an open one falls into two. */
final readonly class BreakAtNodes implements Edit
{
    /** @param  list<list<int>>  $nodes  contour and node of each */
    public function __construct(private string $id, private array $nodes, private bool $close = false)
    {
    }

    public static function about(string $kind): About
    {
        return new About(
            'Break at nodes',
            'Each part a line of its own; closed each, where that is wanted.',
            [
                Field::words('piece', 'Piece', Field::PIECE),
                Field::words('nodes', 'Nodes', Field::NODES),
                Field::flag('close', 'Close each', false, 'each part is closed and becomes a piece of its own'),
            ],
            0,
        );
    }

    public static function from(Values $values): self
    {
        return new self($values->text('piece'), $values->nodes('nodes'), $values->flag('close'));
    }

    public function label(): string
    {
        return $this->close ? 'Break and close each' : 'Break at a node';
    }

    public function apply(Artwork $artwork): Artwork
    {
        if ($this->close) {
            return $this->closed($artwork);
        }

        return OnContours::edited($artwork, $this->id, function (array $contours): array {
            $out = [];
            $chosen = Nodes::byContour($this->nodes, $contours);
            foreach ($contours as $k => $contour) {
                array_push($out, ...(isset($chosen[$k]) ? self::broken($contour, $chosen[$k]) : [$contour]));
            }

            return $out;
        });
    }

    /** Each part closed by a straight line, a piece of its own. */
    private function closed(Artwork $artwork): Artwork
    {
        $piece = Chosen::in($artwork, [$this->id])[$this->id];
        $contours = OnContours::of($piece);
        $chosen = Nodes::byContour($this->nodes, $contours);
        $shapes = [];
        foreach ($contours as $k => $contour) {
            foreach (isset($chosen[$k]) ? self::broken($contour, $chosen[$k]) : [$contour] as $part) {
                $shapes[] = Shape::of(new Contour([...$part->coords, ...Cubic::closing($part->coords)], true));
            }
        }
        if (count($shapes) < 2) {
            throw Refused::because('Choose two nodes at least: between them the piece is broken.');
        }

        return Outlined::replaced($artwork, [$piece->id => Outlined::parts($piece, $shapes, FreeIds::in($artwork))]);
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
        $broken = [];
        $from = 0;
        foreach ([...$cuts, $n] as $to) {
            $broken[] = Contour::ofSegments(array_slice($segments, $from, $to - $from), false);
            $from = $to;
        }

        return $broken;
    }
}
