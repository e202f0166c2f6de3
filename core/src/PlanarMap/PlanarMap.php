<?php

declare(strict_types=1);

namespace NeatEdge\Core\PlanarMap;

use NeatEdge\Core\Geometry\FillRule;
use NeatEdge\Core\Geometry\Matrix;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Geometry\Tolerance;

/**
 * All outlines laid into the plane at once: the one engine under weld, cut away, hidden areas, colour split and every
 * other question of the kind "what lies where". Build it from shapes, then ask for regions by a rule.
 */
final readonly class PlanarMap
{
    /** The finest flatness, of the extent: a curve across everything is cut into some thousand chords at most. */
    private const FINEST = 2e-7;

    /** The coarsest, of the extent. */
    private const COARSEST = 2e-4;

    /** Segments of an outcome are not shorter than this, mm, or than a share of the art where that is less. */
    public const SHORTEST = 0.002;

    public const SHORTEST_SHARE = 4e-4;

    private function __construct(
        private Sources $sources,
        private Chords $edges,
        private Faces $faces,
        private float $flatness,
        private float $beside,
    ) {
    }

    /**
     * @param  list<Shape>  $shapes  one owner each; a later shape lies above an earlier one
     * @param  list<Shape>  $borders  lines, open or closed, that part faces and enclose nothing: owners after those of the shapes
     */
    public static function of(array $shapes, ?Tolerance $tolerance = null, array $borders = []): self
    {
        $sources = new Sources($shapes, $borders);
        $tolerance = $tolerance === null ? Tolerance::forExtent($sources->extent) : $tolerance->times($sources->unit);
        // Shapes may reach far beyond the page that the tolerance was chosen for, or be but a speck on it.
        $flatness = min(max($tolerance->flatness, $sources->extent * self::FINEST), $sources->extent * self::COARSEST);
        $pieces = WeldPass::pieces($sources, min(max($tolerance->weld, $sources->extent * self::FINEST / 100), $flatness / 10));
        $chords = Flattening::chords($sources, $pieces, $flatness);
        $cuts = Crossings::find($chords, $tolerance->refine ? new Refinement($chords, $pieces, $sources, $flatness) : null);
        unset($pieces);
        $edges = $chords->cutAt($cuts);
        unset($chords, $cuts);

        return new self($sources, $edges, new Faces($edges), $flatness, $tolerance->refine ? 2 * Refinement::LEAST / $sources->scale : 2 * $flatness);
    }

    /**
     * @return array<int, Shape> by label (by region where a face may belong to several), holes running the other way round than outer contours; those
     *                           without area are left out
     */
    public function regions(FaceRule $rule): array
    {
        return $this->drawn(
            FaceLabels::walk($this->edges, $this->faces, $this->sources->evenodd, $rule),
            $rule instanceof LayeredRule ? $rule->groups() : null,
        );
    }

    /** Every face by itself, to be chosen and joined one by one. */
    public function cells(): Cells
    {
        return new Cells($this, $this->sources, $this->edges, $this->faces);
    }

    /**
     * The regions of faces that were labelled one by one.
     *
     * @param  array<int, int>  $labels  by face, with that of Faces::OPEN
     * @param  list<list<int>>|null  $groups  see LayeredRule
     * @return array<int, Shape>
     */
    public function drawn(array $labels, ?array $groups = null): array
    {
        $loops = Borders::trace($this->edges, $this->faces, $labels, $this->sources->segments, $groups);
        $restore = new Restore($this->sources, $this->edges, $this->flatness, $this->beside);
        $regions = [];
        $shrunk = Matrix::scaling(1 / $this->sources->unit, 1 / $this->sources->unit);
        foreach ($loops as $rings) {
            $restore->settleAll($rings);
        }
        foreach ($loops as $label => $rings) {
            $contours = [];
            foreach ($rings as $runs) {
                $contour = $restore->contour($runs);
                if ($contour !== null) {
                    $contours[] = $this->sources->unit === 1.0 ? $contour : $contour->transformed($shrunk);
                }
            }
            if ($contours !== []) {
                $regions[$label] = new Shape($contours, FillRule::Nonzero);
            }
        }
        ksort($regions);

        return $regions;
    }

    /**
     * The parts of each label in numbers, without drawing them.
     *
     * @return array<int, list<MeasuredPart>> by label
     */
    public function parts(FaceRule $rule): array
    {
        return FaceMeasure::parts($this->sources, $this->edges, $this->faces, FaceLabels::walk($this->edges, $this->faces, $this->sources->evenodd, $rule));
    }

    /** The only region of a rule with one label, or an empty shape. */
    public function region(FaceRule $rule): Shape
    {
        return Tidy::shape(
            $this->regions($rule)[0] ?? new Shape([]),
            min(self::SHORTEST, self::SHORTEST_SHARE * $this->sources->extent / $this->sources->unit),
        );
    }
}
