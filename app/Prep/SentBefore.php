<?php

declare(strict_types=1);

namespace App\Prep;

use App\Models\Sending;
use RuntimeException;

/** A sheet was sent, or is on its way: nothing goes a second time unasked. */
final class SentBefore extends RuntimeException
{
    public function __construct(public readonly Sending $sending)
    {
        parent::__construct(sprintf(
            $sending->work?->state === 'done'
                ? 'This sheet was sent to %s before. Send it once more?'
                : 'This sheet is on its way to %s already. Send it a second time?',
            $sending->machine,
        ));
    }
}
