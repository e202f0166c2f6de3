<?php

declare(strict_types=1);

namespace NeatEdge\Core\PlanarMap;

/** A rule by which a face may belong to several regions at once: regions of what one can see through lie over others. */
interface LayeredRule extends FaceRule
{
    /** @return list<list<int>> by label, once all faces were asked: the regions that such a face belongs to */
    public function groups(): array;
}
