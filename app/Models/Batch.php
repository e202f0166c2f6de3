<?php

declare(strict_types=1);

namespace App\Models;

use Closure;
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

    /** Rows of files that something came of, where they lie on a store. */
    private const ROWS = 'rows.json';

    public function files(): BatchFiles
    {
        return new BatchFiles($this->id);
    }

    /**
     * Rows of files that something came of, as far as they stand in one table: where each would be read from afar.
     *
     * @return array<string, array<string, mixed>> by file
     */
    public function told(): array
    {
        return BatchFiles::areHere() ? [] : $this->files()->table(self::ROWS) ?? [];
    }

    /** @param  array<string, array<string, mixed>>  $rows  see told() */
    public function tell(array $rows): void
    {
        $this->files()->write(self::ROWS, json_encode((object) $rows, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES));
    }

    /**
     * What came of some of its files is nothing any more.
     *
     * @param  list<string>  $names
     */
    public function undo(array $names): void
    {
        foreach ($names as $name) {
            $this->files()->remove('out/'.FolderName::of($name));
        }
        $names === [] || BatchFiles::areHere() || $this->tell(array_diff_key($this->told(), array_flip($names)));
    }

    /** @return list<array<string, mixed>> a row for each file, in order: what came of it, or that it waits */
    public function rows(): array
    {
        $rows = [];
        $told = $this->told();
        foreach (array_filter($this->files()->names('in'), Incoming::takes(...)) as $name) {
            $row = BatchFiles::areHere() ? $this->files()->table('out/'.FolderName::of($name).'/row.json') : $told[$name] ?? null;
            $rows[$name] = $row ?? ['file' => $name, 'state' => 'waiting'];
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

    /** @return iterable<string, Closure(): string> what gives the bytes of each file that came out, by folder and name */
    public function made(): iterable
    {
        foreach ($this->rows() as $row) {
            $folder = FolderName::of((string) $row['file']);
            foreach ($row['state'] === 'waiting' ? [] : $this->files()->names("out/{$folder}") as $name) {
                if ($name !== 'row.json') {
                    yield "{$folder}/{$name}" => fn (): string => $this->files()->read("out/{$folder}/{$name}");
                }
            }
        }
    }
}
