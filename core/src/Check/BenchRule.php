<?php

declare(strict_types=1);

namespace NeatEdge\Core\Check;

use NeatEdge\Core\Artwork\Artwork;

/** One thing that can be wrong with what lies on a bench, as long as it can still be adjusted there. */
interface BenchRule
{
    /** @return list<AboutFinding> the kinds of findings that it makes */
    public static function about(): array;

    /** @return list<Finding> */
    public function onBench(Artwork $bench): array;
}
