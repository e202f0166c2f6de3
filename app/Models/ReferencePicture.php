<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;

/**
 * A picture that lies under the work of some job.
 *
 * @property string $file hash of its bytes
 * @property string $type image/png, image/jpeg or image/svg+xml
 * @property int $width px
 * @property int $height px
 * @property string $bytes
 */
final class ReferencePicture extends Model
{
    protected $guarded = [];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['bytes' => LargeBytes::class];
    }

    public $timestamps = false;

    public $incrementing = false;

    protected $primaryKey = 'file';

    protected $keyType = 'string';
}
