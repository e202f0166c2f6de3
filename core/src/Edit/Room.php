<?php

declare(strict_types=1);

namespace NeatEdge\Core\Edit;

/** A room of edits on one subject: it alone says which edits there are in it. */
interface Room
{
    /** @return array<string, class-string<Edit>> by kind */
    public static function edits(): array;
}
