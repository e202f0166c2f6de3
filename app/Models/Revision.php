<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use NeatEdge\Core\Format\Json\ArtworkDifference;
use NeatEdge\Core\Format\Json\ArtworkJson;

/**
 * One change of a job's source art, or of how it is laid out: what leads to it from its parent, and back.
 *
 * @property int $id
 * @property int $shop_job_id
 * @property int $number
 * @property int|null $parent
 * @property string $label
 * @property string $change compressed; empty for the first
 * @property string $created_at
 */
final class Revision extends Model
{
    protected $guarded = [];

    public $timestamps = false;

    public function ahead(): ArtworkDifference
    {
        return $this->difference('ahead');
    }

    public function back(): ArtworkDifference
    {
        return $this->difference('back');
    }

    /**
     * How the job was laid out after it, or before it where it is gone back on; null where it changed nothing of that.
     *
     * @param  'ahead'|'back'  $way
     * @return array<string, mixed>|null see ShopJob::$making
     */
    public function making(string $way): ?array
    {
        return $this->change === '' ? null : (ArtworkJson::data((string) gzuncompress($this->change))['making'][$way] ?? null);
    }

    /** @param  array{ahead: array<string, mixed>, back: array<string, mixed>}|null  $making */
    public static function packed(ArtworkDifference $ahead, ArtworkDifference $back, ?array $making = null): string
    {
        return (string) gzcompress(ArtworkJson::text(['ahead' => $ahead->toArray(), 'back' => $back->toArray(), ...($making === null ? [] : ['making' => $making])]), 3);
    }

    private function difference(string $way): ArtworkDifference
    {
        return ArtworkDifference::fromArray($this->change === '' ? [] : ArtworkJson::data((string) gzuncompress($this->change))[$way]);
    }
}
