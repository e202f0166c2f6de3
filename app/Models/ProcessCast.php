<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Contracts\Database\Eloquent\CastsAttributes;
use Illuminate\Database\Eloquent\Model;
use InvalidArgumentException;
use NeatEdge\Core\Process\Process;
use NeatEdge\Core\Process\Processes;

/**
 * A process is stored by its key.
 *
 * @implements CastsAttributes<Process, Process|string>
 */
final class ProcessCast implements CastsAttributes
{
    /** @param  array<string, mixed>  $attributes */
    public function get(Model $model, string $key, mixed $value, array $attributes): Process
    {
        return Processes::of(is_string($value) ? $value : '');
    }

    /** @param  array<string, mixed>  $attributes */
    public function set(Model $model, string $key, mixed $value, array $attributes): string
    {
        return match (true) {
            $value instanceof Process => $value->key(),
            is_string($value) => Processes::of($value)->key(),
            default => throw new InvalidArgumentException('A process is set by its key.'),
        };
    }
}
