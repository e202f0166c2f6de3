<?php

declare(strict_types=1);

namespace NeatEdge\Core\Edit;

/**
 * An edit that lays new pieces above all others of their layer, reads none but those it names, and changes none. It can be made on those alone, so that its
 * cost does not grow with the art beside them; ids are free above what Artwork::$numbered says.
 */
interface Adding extends Edit
{
}
