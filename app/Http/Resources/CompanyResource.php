<?php

declare(strict_types=1);

namespace App\Http\Resources;

/**
 * Who else is on a bench.
 *
 * @phpstan-type CompanyRow array{
 *     // That the job is in.
 *     version: int,
 *     // And the pieces that each has in hand.
 *     others: list<array{name: string, held: list<string>}>,
 * }
 */
final class CompanyResource extends Resource
{
}
