<?php

declare(strict_types=1);

namespace NeatEdge\Core\Check;

use NeatEdge\Core\Line\PrepResult;

/** One thing that can be wrong with what a line of preparation did. */
interface ResultRule
{
    /** @return list<AboutFinding> the kinds of findings that it makes */
    public static function about(): array;

    /** @return list<Finding> */
    public function onResult(PrepResult $result): array;
}
