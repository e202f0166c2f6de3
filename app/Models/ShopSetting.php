<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use NeatEdge\Core\Shop\ShopSettings;

/**
 * One thing that the shop has its own way in.
 *
 * @property string $name
 * @property string $value
 */
final class ShopSetting extends Model
{
    protected $primaryKey = 'name';

    protected $keyType = 'string';

    public $incrementing = false;

    protected $guarded = [];

    public $timestamps = false;

    /** How days are written, as date() has it. */
    private const DAYS = ['day' => 'j M Y', 'month' => 'M j, Y', 'iso' => 'Y-m-d'];

    /** A day as the shop writes it, of one in ISO 8601; what is none stays as it is. */
    public static function day(string $iso, string $days): string
    {
        $time = $iso === '' ? false : strtotime($iso);

        return $time === false ? $iso : date(self::DAYS[$days] ?? self::DAYS['day'], $time);
    }

    /** @return array<string, string> all of them, by name; what was never set is as is usual, money as the configuration has it */
    public static function values(): array
    {
        return ShopSettings::values([], ['currency' => (string) config('neat-edge.currency'), ...self::query()->pluck('value', 'name')->all()]);
    }
}
