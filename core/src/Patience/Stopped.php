<?php

declare(strict_types=1);

namespace NeatEdge\Core\Patience;

use RuntimeException;

/** The person who started the work stopped it. */
final class Stopped extends RuntimeException
{
}
