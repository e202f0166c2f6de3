<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use IntlDateFormatter;
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

    /** How days are written, as Unicode's pattern letters have it: by language where the day stands first, else with its names of months. */
    private const DAYS = ['day' => ['en' => 'd MMM y', 'de' => 'd. MMM y'], 'month' => ['en' => 'MMM d, y'], 'iso' => ['en' => 'y-MM-dd']];

    /** A day as the shop writes it, of one in ISO 8601, months as a language calls them; what is none stays as it is. */
    public static function day(string $iso, string $days, string $language = 'en'): string
    {
        $time = $iso === '' ? false : strtotime($iso);
        if ($time === false) {
            return $iso;
        }
        $pattern = self::DAYS[$days] ?? self::DAYS['day'];

        $none = IntlDateFormatter::NONE;
        $written = new IntlDateFormatter($language, $none, $none, date_default_timezone_get(), null, $pattern[$language] ?? $pattern['en']);

        return (string) $written->format($time);
    }

    /** @return array<string, string> all of them, by name; what was never set is as is usual, money as the configuration has it */
    public static function values(): array
    {
        return ShopSettings::values([], ['currency' => (string) config('neat-edge.currency'), ...self::query()->pluck('value', 'name')->all()]);
    }
}
