<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use NeatEdge\Core\Format\Json\ArtworkDifference;
use NeatEdge\Core\Format\Json\ArtworkJson;

/**
 * One change of a job's source art, or of what stands beside it: what leads to it from its parent, and back.
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
    use MadeBySomebody;

    protected $guarded = [];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['change' => Bytes::class];
    }

    public $timestamps = false;

    /** @var array<string, mixed>|null what is kept of it as data: unpacked once, for that of a large change takes long */
    private ?array $unpacked = null;

    /**
     * A new state of a job after the one in force; it is not put in force by it.
     *
     * @param  array{ahead: array<string, mixed>, back: array<string, mixed>}|null  $beside  see beside()
     * @return int its number
     */
    public static function add(ShopJob $job, string $label, ArtworkDifference $ahead, ArtworkDifference $back, ?array $beside = null): int
    {
        $number = 1 + (int) $job->revisions()->max('number');
        self::query()->create([
            'shop_job_id' => $job->id,
            'number' => $number,
            'parent' => $job->revision,
            'label' => mb_substr($label, 0, 200),
            'change' => (string) gzcompress(
                ArtworkJson::text(['ahead' => $ahead->toArray(), 'back' => $back->toArray(), ...($beside === null ? [] : ['beside' => $beside])]),
                3,
            ),
        ]);

        return $number;
    }

    public function ahead(): ArtworkDifference
    {
        return $this->difference('ahead');
    }

    public function back(): ArtworkDifference
    {
        return $this->difference('back');
    }

    /**
     * What it changed of the job beside its art, as that is after it, or before it where it is gone back on.
     *
     * @param  'ahead'|'back'  $way
     * @return array{making?: array<string, mixed>, notices?: array<int, array<string, mixed>>} see ShopJob; notices by their number
     */
    public function beside(string $way): array
    {
        return $this->unpacked()['beside'][$way] ?? [];
    }

    private function difference(string $way): ArtworkDifference
    {
        return ArtworkDifference::fromArray($this->unpacked()[$way] ?? []);
    }

    /** @return array<string, mixed> nothing of the first */
    private function unpacked(): array
    {
        return $this->unpacked ??= $this->change === '' ? [] : ArtworkJson::data((string) gzuncompress($this->change));
    }
}
