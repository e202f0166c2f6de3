<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Format\Json\ArtworkJson;

/**
 * A state of a job that was given a name, whole, so that it is at hand whatever was done since.
 *
 * @property int $id
 * @property int $shop_job_id
 * @property int $number of its revision
 * @property string $name
 * @property string $artwork compressed
 * @property string $created_at
 */
final class Version extends Model
{
    use MadeBySomebody;

    protected $guarded = [];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['artwork' => LargeBytes::class];
    }

    public $timestamps = false;

    public function art(): Artwork
    {
        return ArtworkJson::decode((string) gzuncompress($this->artwork));
    }

    /** As art() reads it. */
    public static function packed(Artwork $art): string
    {
        return (string) gzcompress(ArtworkJson::encode($art), 3);
    }

    public static function keep(ShopJob $job, string $name): self
    {
        return self::query()->create([
            'shop_job_id' => $job->id,
            'number' => $job->revision,
            'name' => $name,
            'artwork' => self::packed($job->art()),
        ]);
    }
}
