<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;

/**
 * The file as the customer gave it, untouched.
 *
 * @property int $shop_job_id
 * @property string $svg
 */
final class Source extends Model
{
    protected $guarded = [];

    protected $primaryKey = 'shop_job_id';

    public $incrementing = false;

    public $timestamps = false;
}
