<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Format\Json\ArtworkJson;

/**
 * One state of a job's source art. The art is kept as compressed JSON.
 *
 * @property int $id
 * @property int $shop_job_id
 * @property int $number
 * @property int|null $parent
 * @property string $label
 * @property string $artwork
 */
final class Revision extends Model
{
    protected $guarded = [];

    public $timestamps = false;

    public function art(): Artwork
    {
        return ArtworkJson::decode((string) gzuncompress($this->artwork));
    }

    public static function packed(Artwork $artwork): string
    {
        return (string) gzcompress(ArtworkJson::encode($artwork), 3);
    }
}
