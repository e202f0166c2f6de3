<?php

declare(strict_types=1);

namespace App\Http\Resources;

/**
 * In what two presets differ, in words.
 *
 * @phpstan-type PresetDifferencesRow list<mixed>
 */
final class PresetDifferencesResource extends Resource
{
}
