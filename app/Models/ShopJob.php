<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Database\Eloquent\Relations\HasOne;
use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Check\Limits;
use NeatEdge\Core\Check\Process;

/**
 * A job with its ticket.
 *
 * @property int $id
 * @property string $title
 * @property Process $process
 * @property float $width_mm
 * @property float $height_mm
 * @property float|null $line_limit_mm
 * @property float|null $gap_limit_mm
 * @property bool $is_demo
 * @property string $source_name
 * @property list<array<string, mixed>> $notices what was left out when the file was read
 * @property int $revision
 * @property int $version
 * @property string|null $bench everything on its bench but the pieces, and their order; JSON
 * @property string $unit of lengths that are typed without one
 * @property-read Preparation|null $latestPreparation
 */
final class ShopJob extends Model
{
    protected $guarded = [];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return [
            'process' => Process::class,
            'width_mm' => 'float',
            'height_mm' => 'float',
            'line_limit_mm' => 'float',
            'gap_limit_mm' => 'float',
            'is_demo' => 'boolean',
            'notices' => 'array',
        ];
    }

    /** @return HasMany<Revision, $this> */
    public function revisions(): HasMany
    {
        return $this->hasMany(Revision::class);
    }

    /** @return HasMany<Preparation, $this> */
    public function preparations(): HasMany
    {
        return $this->hasMany(Preparation::class);
    }

    /** @return HasOne<Source, $this> */
    public function source(): HasOne
    {
        return $this->hasOne(Source::class);
    }

    /** @return HasMany<Version, $this> */
    public function versions(): HasMany
    {
        return $this->hasMany(Version::class);
    }

    /** What lies on its bench now. */
    public function art(): Artwork
    {
        return BenchPiece::artwork($this);
    }

    public function current(): Revision
    {
        return $this->revisions()->where('number', $this->revision)->firstOrFail();
    }

    public function limits(): Limits
    {
        $usual = $this->process->limits();

        return new Limits($this->line_limit_mm ?? $usual->line, $this->gap_limit_mm ?? $usual->gap);
    }

    /** @return HasOne<Preparation, $this> */
    public function latestPreparation(): HasOne
    {
        return $this->hasOne(Preparation::class)->latestOfMany();
    }
}
