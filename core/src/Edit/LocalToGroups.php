<?php

declare(strict_types=1);

namespace NeatEdge\Core\Edit;

/** A local edit that also asks whether the whole of a group was named: where pieces lie in groups, it needs the others. */
interface LocalToGroups extends Local
{
}
