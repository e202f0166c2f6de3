<?php

declare(strict_types=1);

namespace NeatEdge\Core\Seen;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\PlanarMap\FaceRule;
use NeatEdge\Core\PlanarMap\MeasuredPart;
use NeatEdge\Core\PlanarMap\Rule\Among;
use NeatEdge\Core\PlanarMap\SharedMap;

/**
 * All that a piece of artwork paints, as one map that is measured and not drawn. Whoever asks within one piece of work (see SharedMap) asks the same map,
 * be it about all that is painted or about the fills of some pieces.
 */
final readonly class PaintedMap
{
    /** @param  list<Painted>  $areas  owners of the map, the lowest first */
    private function __construct(private Artwork $artwork, public array $areas)
    {
    }

    public static function of(Artwork $artwork): self
    {
        return new self($artwork, Painted::areas($artwork));
    }

    /** @return array<int, list<MeasuredPart>> by label; the rule's owners are the areas */
    public function parts(FaceRule $rule): array
    {
        $shapes = array_map(static fn (Painted $area): Shape => $area->shape, $this->areas);

        return $shapes === [] ? [] : SharedMap::of($shapes, $this->artwork->tolerance()->measuring())->parts($rule);
    }

    /**
     * @param  list<int>  $pieces  numbers of some of the artwork's
     * @param  FaceRule  $rule  whose owners are the fills of these pieces, in their order
     * @return array<int, list<MeasuredPart>> by label
     */
    public function ofFills(array $pieces, FaceRule $rule): array
    {
        $asked = array_flip($pieces);
        $owners = [];
        foreach ($this->areas as $number => $area) {
            if ($area->isFill && isset($asked[$area->piece])) {
                $owners[$number] = $asked[$area->piece];
            }
        }

        return $this->parts(new Among($rule, $owners));
    }
}
