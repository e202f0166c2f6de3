<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Contracts\Database\Eloquent\CastsAttributes;
use Illuminate\Database\Eloquent\Model;

/**
 * A binary column whose bytes lie in Contents when they are many; few, and what was stored before there were Contents, lie in the column itself.
 *
 * @implements CastsAttributes<string|null, string|null>
 */
final class LargeBytes implements CastsAttributes
{
    /** Bytes up to this many are no more trouble in the row than their hash is. */
    public const FEW = 2048;

    public function get(Model $model, string $key, mixed $value, array $attributes): ?string
    {
        $bytes = Bytes::read($value);

        return $bytes !== null && str_starts_with($bytes, Contents::MARK) ? Contents::get(substr($bytes, strlen(Contents::MARK))) : $bytes;
    }

    /** @return resource|null */
    public function set(Model $model, string $key, mixed $value, array $attributes): mixed
    {
        if ($value === null) {
            return null;
        }
        $bytes = (string) $value;
        // Bytes of somebody's own that look like a mark are no mark.
        $aside = strlen($bytes) > self::FEW || str_starts_with($bytes, Contents::MARK);

        return Bytes::bound($aside ? Contents::MARK.Contents::put($bytes) : $bytes);
    }
}
