<?php

declare(strict_types=1);

namespace App\Models;

use App\Prep\Intake;
use Illuminate\Database\Eloquent\Model;
use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Format\Json\ArtworkJson;
use NeatEdge\Core\Geometry\Length;
use NeatEdge\Core\Process\Processes;

/**
 * What a new job begins with: the ticket, the guides and the line of a job that was made before, without its art.
 *
 * @property int $id
 * @property string $name
 * @property array<string, mixed> $data process, unit, limits, things of the shop, laying; "frame" is an artwork without pieces, see ArtworkJson
 */
final class JobTemplate extends Model
{
    /** Columns of a job that go along. */
    private const COLUMNS = ['unit', 'line_limit_mm', 'gap_limit_mm', 'more_limits', 'stock', 'preset'];

    protected $guarded = [];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['data' => 'array'];
    }

    /** Made of a job, under a name; one of that name goes on as it is made now. */
    public static function of(ShopJob $job, string $name): self
    {
        $making = $job->making;
        // Where copies lie belongs to the art, and art of other jobs to those.
        unset($making['placements'], $making['along']);

        return self::query()->updateOrCreate(['name' => $name], ['data' => [
            'process' => $job->process->key(),
            ...array_map(static fn (string $column): mixed => $job->{$column}, array_combine(self::COLUMNS, self::COLUMNS)),
            'making' => $making,
            'frame' => ArtworkJson::frame($job->art()->with(groups: [], reference: null)),
        ]]);
    }

    /** A new job that begins with it, empty. */
    public function begun(string $title, ?Length $width, ?Length $height): ShopJob
    {
        $art = ArtworkJson::framed($this->data['frame'], []);
        $art = new Artwork($width->mm ?? $art->width, $height->mm ?? $art->height, [], $art->layers, [], $art->guides, line: $art->line);
        Intake::hold($art->width, $art->height);
        $job = Intake::drawn($title === '' ? $this->name : $title, Processes::of((string) $this->data['process']), $art, "From the template “{$this->name}”");
        $job->update([...array_intersect_key($this->data, array_flip(self::COLUMNS)), 'making' => $this->data['making'] ?? null]);

        return $job->refresh();
    }
}
