<?php

declare(strict_types=1);

namespace NeatEdge\Core\Edit;

/**
 * An edit that reads and changes nothing but the pieces it names: it makes none, takes none away and leaves their order. It can be made on those alone,
 * so that its cost does not grow with the art beside them.
 */
interface Local extends Edit
{
}
