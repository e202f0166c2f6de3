<?php

declare(strict_types=1);

namespace App\Works;

use App\Models\Work;
use RuntimeException;

/** What was asked for is being made: who asked is told of the work, and asks again when it is done. */
final class BeingMade extends RuntimeException
{
    public function __construct(public readonly Work $work)
    {
        parent::__construct('It is being made; ask again when that is done.');
    }
}
