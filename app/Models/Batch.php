<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use NeatEdge\Core\Format\FolderName;
use NeatEdge\Core\Format\Incoming;

/**
 * Many files through one preset. The files, and what comes of each, lie in a folder of its own.
 *
 * @property int $id
 * @property string $title
 * @property int|null $work_id
 * @property-read Work|null $work how far it is, and how it ended
 * @property string $process
 * @property string $preset its name
 * @property string $width as it was typed; as each file states when empty
 * @property int $files
 * @property list<string>|null $not_taken names of files that came along and are of no format that is read
 */
final class Batch extends Model
{
    protected $guarded = [];

    /** @var list<string> */
    protected $with = ['work'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['not_taken' => 'array'];
    }

    /** @return BelongsTo<Work, $this> */
    public function work(): BelongsTo
    {
        return $this->belongsTo(Work::class);
    }

    /** How many of its files something came of. */
    public function countDone(): int
    {
        return count(glob($this->folder('out').'/*/row.json') ?: []);
    }

    public function folder(string $part = ''): string
    {
        return rtrim((string) config('neat-edge.batches'), '/')."/{$this->id}".($part === '' ? '' : "/{$part}");
    }

    /** @return list<array<string, mixed>> a row for each file, in order: what came of it, or that it waits */
    public function rows(): array
    {
        $rows = [];
        foreach (array_filter(@scandir($this->folder('in')) ?: [], Incoming::takes(...)) as $name) {
            $done = $this->folder('out/'.FolderName::of($name).'/row.json');
            $data = is_file($done) ? json_decode((string) file_get_contents($done), true) : null;
            $rows[$name] = is_array($data) ? $data : ['file' => $name, 'state' => 'waiting'];
        }
        ksort($rows);

        return array_values($rows);
    }

    /** @return array<string, mixed>|null of one of its files, see rows() */
    public function row(string $file): ?array
    {
        foreach ($this->rows() as $row) {
            if ($row['file'] === $file) {
                return $row;
            }
        }

        return null;
    }

    /** @return iterable<string, string> paths of the files that came out, by folder and name */
    public function made(): iterable
    {
        foreach ($this->rows() as $row) {
            $folder = FolderName::of((string) $row['file']);
            foreach (glob($this->folder("out/{$folder}").'/*') ?: [] as $file) {
                if (basename($file) !== 'row.json') {
                    yield "{$folder}/".basename($file) => $file;
                }
            }
        }
    }
}
