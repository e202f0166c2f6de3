<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;

/**
 * One thing that the shop has: a material, an ink, a screen, a machine.
 *
 * @property int $id
 * @property string $kind
 * @property string $name
 * @property array<string, float|string|bool> $data see Stock
 */
final class StockItem extends Model
{
    protected $table = 'stock';

    protected $guarded = [];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['data' => 'array'];
    }
}
