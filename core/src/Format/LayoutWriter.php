<?php

declare(strict_types=1);

namespace NeatEdge\Core\Format;

use Closure;
use NeatEdge\Core\Described\Values;
use NeatEdge\Core\Sheet\Layout\Layout;

/** O6: sheets and plates as bytes. A format knows of no job; it is told a layout. */
interface LayoutWriter
{
    public static function about(): AboutFormat;

    /** From values that were checked against its fields. */
    public static function from(Values $values): self;

    /**
     * @param  non-empty-list<Layout>  $layouts  one, unless the format holds several
     * @param  Closure(string): void  $put  takes the bytes, part by part
     */
    public function write(array $layouts, Closure $put): void;

    /** @return list<string> what of a layout the format cannot say, one sentence each */
    public function loses(Layout $layout): array;
}
