<?php

declare(strict_types=1);

namespace NeatEdge\Core\Sheet\Make;

use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Geometry\Shape;

/** What is laid copy by copy: an outline, how often, and what lies in it. */
final readonly class Design
{
    /**
     * @param  Shape  $outline  as it was drawn, mm
     * @param  int  $copies  of it, at least 1
     * @param  list<Piece>  $pieces  as they were drawn
     * @param  string  $of  name of another job that it is laid for; empty for the job's own
     */
    public function __construct(public Shape $outline, public int $copies, public array $pieces = [], public string $of = '')
    {
    }

    /**
     * @param  list<self>  $designs
     * @return list<string> how much of which other jobs lies on a sheet
     */
    public static function saysOfOthers(array $designs): array
    {
        $others = [];
        foreach ($designs as $one) {
            $others[$one->of] = $one->copies;
        }
        unset($others['']);

        return $others === [] ? [] : ['Laid with it: '.implode(', ', array_map(static fn (string $of, int $copies): string => "{$copies} × {$of}", array_map(strval(...), array_keys($others)), $others)).'.'];
    }
}
