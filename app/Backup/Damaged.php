<?php

declare(strict_types=1);

namespace App\Backup;

use RuntimeException;

/** An archive that is not, or not any more, what was written. Its message is meant to be read. */
final class Damaged extends RuntimeException
{
}
