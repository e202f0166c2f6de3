<?php

declare(strict_types=1);

namespace App\Models;

/** What somebody does in the shop. What each may do stands in app/Policies. */
enum Role: string
{
    /** People, stock, machines, settings, and all else. */
    case Owner = 'owner';

    /** Jobs. */
    case Artist = 'artist';

    /** Machines, sheets, job sheets. */
    case Operator = 'operator';
}
