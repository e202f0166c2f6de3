<?php

declare(strict_types=1);

namespace NeatEdge\Core\Check;

enum Severity: string
{
    /** The machine will get it wrong. */
    case Serious = 'serious';

    /** It may come out other than meant. */
    case Warning = 'warning';

    /** Good to know. */
    case Note = 'note';
}
