<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Description\Answers;
use App\Http\Requests\SettingsRequest;
use App\Http\Resources\SettingsResource;
use App\Models\ShopSetting;
use NeatEdge\Core\Described\Field;
use NeatEdge\Core\Shop\ShopSettings;

/** What the shop has its own way in. */
final class SettingController
{
    /** All of it, as it describes itself. */
    #[Answers(SettingsResource::class)]
    public function index(): SettingsResource
    {
        return new SettingsResource([
            'fields' => array_map(static fn (Field $field): array => $field->toArray(), ShopSettings::fields()),
            'values' => ShopSetting::values(),
        ]);
    }

    /** Changes some of it. */
    #[Answers(SettingsResource::class)]
    public function update(SettingsRequest $request): SettingsResource
    {
        foreach (ShopSettings::values((array) $request->validated('values'), ShopSetting::values()) as $name => $value) {
            ShopSetting::query()->updateOrCreate(['name' => $name], ['value' => $value]);
        }

        return $this->index();
    }
}
