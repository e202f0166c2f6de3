<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Format\Json\ArtworkJson;
use NeatEdge\Core\Prepare\StepReport;

/**
 * What a step of a prep line gave, kept by the content that went into it.
 *
 * @property string $key
 * @property string $artwork
 * @property string $report JSON, see StepReport
 */
final class StepResult extends Model
{
    protected $guarded = [];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['artwork' => LargeBytes::class];
    }

    protected $primaryKey = 'key';

    protected $keyType = 'string';

    public $incrementing = false;

    public $timestamps = false;

    public function art(): Artwork
    {
        return ArtworkJson::decode((string) gzuncompress($this->artwork));
    }

    public function report(): StepReport
    {
        /** @var array<string, mixed> $report */
        $report = json_decode($this->report, true, 16, JSON_THROW_ON_ERROR);

        return StepReport::fromArray($report);
    }
}
