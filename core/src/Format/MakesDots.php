<?php

declare(strict_types=1);

namespace NeatEdge\Core\Format;

use NeatEdge\Core\Described\Refused;

/** Makes pictures of dots: a program of its own, which the core knows nothing of. */
interface MakesDots
{
    /**
     * @param  string  $svg  as a writer of ours gave it
     * @param  int  $width  dots across; the height follows
     * @return string PNG
     *
     * @throws Refused
     */
    public function png(string $svg, int $width): string;
}
