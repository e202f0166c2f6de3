<?php

declare(strict_types=1);

namespace NeatEdge\Core\Check;

use NeatEdge\Core\Artwork\Artwork;

/** One thing that can be wrong with artwork for a machine. */
interface Rule
{
    /** @return list<AboutFinding> the kinds of findings that it makes */
    public static function about(): array;

    /**
     * @param  Artwork  $source  as it came in
     * @param  Artwork  $merged  what is seen, one piece a colour
     * @return list<Finding>
     */
    public function findings(Artwork $source, Artwork $merged): array;
}
