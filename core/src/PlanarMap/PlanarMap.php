<?php

declare(strict_types=1);

namespace NeatEdge\Core\PlanarMap;

use NeatEdge\Core\Geometry\FillRule;
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

    private function __construct(
        private Sources $sources,
        private Chords $edges,
        private Faces $faces,
        private float $flatness,
    ) {
    }

    /** @param  list<Shape>  $shapes one owner each; a later shape lies above an earlier one */
    public static function of(array $shapes, ?Tolerance $tolerance = null): self
    {
        $sources = new Sources($shapes);
        $tolerance ??= Tolerance::forExtent($sources->extent);
        // Shapes may reach far beyond the page that the tolerance was chosen for.
        $flatness = max($tolerance->flatness, $sources->extent * self::FINEST);
        $pieces = WeldPass::pieces($sources, max($tolerance->weld, $sources->extent * self::FINEST / 10));
        $chords = Chords::flatten($sources, $pieces, $flatness);
        unset($pieces);
        $cuts = Crossings::find($chords);
        $edges = $chords->cutAt($cuts);
        unset($chords, $cuts);

        return new self($sources, $edges, new Faces($edges), $flatness);
    }

    /**
     * @return array<int, Shape> by label, holes running the other way round than outer contours; labels without area are left out
     */
    public function regions(FaceRule $rule): array
    {
        $labels = FaceLabels::walk($this->edges, $this->faces, $this->sources->evenodd, $rule);
        $loops = Borders::trace($this->edges, $this->faces, $labels, $this->sources->segments);
        $restore = new Restore($this->sources, $this->edges, $this->flatness);
        $out = [];
        foreach ($loops as $label => $rings) {
            $contours = [];
            foreach ($rings as $runs) {
                $contour = $restore->contour($runs);
                if ($contour !== null) {
                    $contours[] = $contour;
                }
            }
            if ($contours !== []) {
                $out[$label] = new Shape($contours, FillRule::Nonzero);
            }
        }
        ksort($out);

        return $out;
    }

    /** The only region of a rule with one label, or an empty shape. */
    public function region(FaceRule $rule): Shape
    {
        return $this->regions($rule)[0] ?? new Shape([]);
    }
}
