<?php

declare(strict_types=1);

namespace App\Http\Resources;

/**
 * Pieces as text, to be pasted here or in another job.
 *
 * @phpstan-type TakenRow array{
 *     art: string,
 *     count: int,
 *     // The same as a drawing for other programs.
 *     svg: string,
 * }
 */
final class TakenResource extends Resource
{
}
