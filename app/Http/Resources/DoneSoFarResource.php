<?php

declare(strict_types=1);

namespace App\Http\Resources;

/**
 * What a machine has done of a sheet so far, as the sheet lies: packed places in mm.
 *
 * @phpstan-type DoneSoFarRow array{done: int, of: int, ways: list<list<float>>}
 */
final class DoneSoFarResource extends Resource
{
}
