<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Contracts\Database\Eloquent\CastsAttributes;
use Illuminate\Database\Eloquent\Model;
use RuntimeException;

/**
 * A binary column: bound as bytes, not as text, and read as bytes from whatever the driver gives.
 *
 * @implements CastsAttributes<string|null, string|null>
 */
final class Bytes implements CastsAttributes
{
    public function get(Model $model, string $key, mixed $value, array $attributes): ?string
    {
        return self::read($value);
    }

    /** @return resource|null */
    public function set(Model $model, string $key, mixed $value, array $attributes): mixed
    {
        return $value === null ? null : self::bound((string) $value);
    }

    /** What a driver gives for a binary column, as bytes. */
    public static function read(mixed $value): ?string
    {
        if (! is_resource($value)) {
            return $value === null ? null : (string) $value;
        }
        rewind($value);

        return (string) stream_get_contents($value);
    }

    /** @return resource that is bound as bytes */
    public static function bound(string $bytes): mixed
    {
        $stream = fopen('php://memory', 'r+') ?: throw new RuntimeException('No memory for bytes that are stored.');
        fwrite($stream, $bytes);
        rewind($stream);

        return $stream;
    }
}
