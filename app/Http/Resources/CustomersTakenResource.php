<?php

declare(strict_types=1);

namespace App\Http\Resources;

/**
 * What came of a table of customers.
 *
 * @phpstan-type CustomersTakenRow array{
 *     new: int, known: int,
 *     // Rows without a name.
 *     passed: int,
 * }
 */
final class CustomersTakenResource extends Resource
{
}
