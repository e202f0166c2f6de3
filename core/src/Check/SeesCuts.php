<?php

declare(strict_types=1);

namespace NeatEdge\Core\Check;

/** A rule that looks at lines that are cut once, too; all others are given what is painted alone. */
interface SeesCuts extends Rule
{
}
