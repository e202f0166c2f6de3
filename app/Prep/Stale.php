<?php

declare(strict_types=1);

namespace App\Prep;

use App\Models\ShopJob;
use RuntimeException;

/** Another window was faster: nothing was changed, and whoever asked is shown the newer state. */
final class Stale extends RuntimeException
{
    public function __construct(public readonly ShopJob $job)
    {
        parent::__construct('This job was changed in another window; here is its newer state.');
    }
}
