<?php

declare(strict_types=1);

namespace App\Works;

use RuntimeException;

/** Somebody else has the work now: whoever held it before does nothing more with it. */
final class Lost extends RuntimeException
{
}
