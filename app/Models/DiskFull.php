<?php

declare(strict_types=1);

namespace App\Models;

use RuntimeException;

/** There is no room for a file; nothing half written is left. */
final class DiskFull extends RuntimeException
{
}
