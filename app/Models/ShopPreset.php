<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use NeatEdge\Core\Format\Json\PresetJson;
use NeatEdge\Core\Line\Preset;
use NeatEdge\Core\Process\Processes;

/**
 * A preset of the shop.
 *
 * @property int $id
 * @property string $name
 * @property int $version
 * @property string $file as it is exported
 */
final class ShopPreset extends Model
{
    protected $table = 'presets';

    protected $guarded = [];

    public function preset(): Preset
    {
        return PresetJson::decode($this->file, Processes::keys());
    }

    /** @return array<string, Preset> by name: those that ship, then the shop's own */
    public static function shelf(): array
    {
        $presets = Processes::presets();
        foreach (self::query()->orderBy('name')->get() as $own) {
            $presets[$own->name] = $own->preset();
        }

        return $presets;
    }

    /** Kept under its name; one of before goes on as a newer version. */
    public static function keep(Preset $preset): Preset
    {
        $before = self::query()->where('name', $preset->name)->first();
        $kept = new Preset(
            $preset->name,
            $before === null ? $preset->version : max($preset->version, $before->version + 1),
            $preset->note,
            $preset->for,
            $preset->steps,
        );
        self::query()->updateOrCreate(['name' => $kept->name], ['version' => $kept->version, 'file' => PresetJson::encode($kept)]);

        return $kept;
    }
}
