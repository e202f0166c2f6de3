<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;

/**
 * A font that the shop added.
 *
 * @property int $id
 * @property string $family
 * @property bool $bold
 * @property bool $italic
 * @property string $file_name
 * @property string $path
 */
final class ShopFont extends Model
{
    protected $table = 'fonts';

    protected $guarded = [];

    public $timestamps = false;

    protected $casts = ['bold' => 'boolean', 'italic' => 'boolean'];
}
