<?php

declare(strict_types=1);

namespace App\Models;

use App\Prep\Standing;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Support\Carbon;
use Illuminate\Support\Str;

/**
 * Who jobs are made for.
 *
 * @property int $id
 * @property string $name as it stands on tickets
 * @property string $key by which one who is typed again is known
 * @property string $email
 * @property string $phone
 * @property string $note
 * @property Carbon|null $created_at
 * @property int|null $jobs_count
 */
final class Customer extends Model
{
    protected $guarded = [];

    /** @var array<string, string> */
    protected $attributes = ['email' => '', 'phone' => '', 'note' => ''];

    protected static function booted(): void
    {
        self::saving(static function (self $customer): void {
            $customer->key = self::key($customer->name);
        });
    }

    /** Neither case nor accents nor spaces tell one from another. */
    public static function key(string $name): string
    {
        return mb_substr(Standing::plain(Str::squish($name)), 0, 180);
    }

    /** Whom a ticket names; one who is new is kept. Null for nobody. */
    public static function named(string $name): ?self
    {
        $name = mb_substr(Str::squish($name), 0, 120);

        return $name === '' ? null : self::query()->firstOrCreate(['key' => self::key($name)], ['name' => $name]);
    }

    /** @return HasMany<ShopJob, $this> */
    public function jobs(): HasMany
    {
        return $this->hasMany(ShopJob::class);
    }
}
