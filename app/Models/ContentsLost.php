<?php

declare(strict_types=1);

namespace App\Models;

use RuntimeException;

/** Contents that a row names are not where they were kept, or are not what was kept there. */
final class ContentsLost extends RuntimeException
{
}
