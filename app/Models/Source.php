<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;

/**
 * The file as the customer gave it, untouched.
 *
 * @property int $shop_job_id
 * @property string $svg
 * @property list<float>|null $view_box what of it is shown, in its own units, where it does not say so
 */
final class Source extends Model
{
    protected $guarded = [];

    protected $primaryKey = 'shop_job_id';

    public $incrementing = false;

    public $timestamps = false;

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['svg' => LargeBytes::class, 'view_box' => 'array'];
    }
}
