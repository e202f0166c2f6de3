<?php

declare(strict_types=1);

namespace App\Http\Resources;

/**
 * Things that art can be shown on.
 *
 * @phpstan-type ThingsRow array{things: list<ThingRow>}
 * @phpstan-type ThingRow array{
 *     key: string,
 *     label: string,
 *     // What the shop calls one of its own, which has no label.
 *     title: string,
 *     says: string,
 * }
 */
final class ThingsResource extends Resource
{
}
