<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Format\Json\ArtworkJson;

/**
 * What a step of a prep line gave, kept by the content that went into it.
 *
 * @property string $key
 * @property string $artwork
 * @property string $report serialized StepReport
 */
final class StepResult extends Model
{
    protected $guarded = [];

    protected $primaryKey = 'key';

    protected $keyType = 'string';

    public $incrementing = false;

    public $timestamps = false;

    public function art(): Artwork
    {
        return ArtworkJson::decode((string) gzuncompress($this->artwork));
    }
}
