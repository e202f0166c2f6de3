<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Support\Carbon;

/**
 * A mail that went to the stand-in mailbox, instead of out into the world.
 *
 * @property int $id
 * @property string $to
 * @property string $subject
 * @property string $words
 * @property bool $secret whether it leads somebody in
 * @property Carbon $created_at
 */
final class Letter extends Model
{
    public const UPDATED_AT = null;

    protected $guarded = [];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['secret' => 'boolean'];
    }
}
