<?php

declare(strict_types=1);

namespace App\Prep;

use App\Models\Batch;
use App\Models\BatchFiles;
use Illuminate\Support\Facades\File;
use NeatEdge\Core\Format\FolderName;

/**
 * The files of a batch where a command can work on them: as they lie where they are on this host, else a copy, from which what came of a file is kept as
 * soon as it is there. What was done before comes along as its row alone, by which the command knows that it is done.
 */
final class BatchAtHand
{
    private readonly string $folder;

    private readonly BatchFiles $files;

    /** @var array<string, array<string, mixed>> rows that are kept, by file; of a copy alone */
    private array $rows = [];

    public function __construct(private readonly Batch $batch)
    {
        $this->files = $batch->files();
        if (BatchFiles::areHere()) {
            $this->folder = $this->files->path();

            return;
        }
        $this->folder = sys_get_temp_dir().'/neat-edge-batch-'.bin2hex(random_bytes(6));
        File::makeDirectory("{$this->folder}/in", recursive: true);
        foreach ($this->files->names('') as $name) {
            File::put($this->path($name), $this->files->read($name));
        }
        foreach ($this->files->names('in') as $name) {
            File::put($this->path("in/{$name}"), $this->files->read("in/{$name}"));
        }
        $this->rows = $batch->told();
        foreach ($this->rows as $name => $row) {
            $out = $this->path('out/'.FolderName::of((string) $name));
            File::makeDirectory($out, recursive: true);
            File::put("{$out}/row.json", json_encode($row, JSON_THROW_ON_ERROR));
        }
    }

    public function path(string $name): string
    {
        return rtrim("{$this->folder}/{$name}", '/');
    }

    /** @return list<string> where the rows of files lie that something came of */
    public function done(): array
    {
        return array_values(File::glob($this->path('out').'/*/row.json'));
    }

    /**
     * Keeps what came of files since it was asked last.
     *
     * @param  list<string>  $done  see done()
     */
    public function keep(array $done): void
    {
        if (! BatchFiles::areHere() && count($done) > count($this->rows)) {
            foreach ($done as $path) {
                $row = json_decode(File::get($path), true);
                if (is_array($row) && ! isset($this->rows[$row['file']])) {
                    foreach (File::files(dirname($path)) as $file) {
                        $file->getFilename() === 'row.json'
                            || $this->files->write('out/'.basename(dirname($path))."/{$file->getFilename()}", File::get($file->getPathname()));
                    }
                    $this->rows[$row['file']] = $row;
                }
            }
            // After the files: who sees the row finds them.
            $this->batch->tell($this->rows);
        }
    }

    /** What is told of all of them is kept. */
    public function leave(): void
    {
        if (BatchFiles::areHere()) {
            return;
        }
        foreach (['summary.csv', 'summary.json'] as $name) {
            File::exists($this->path("out/{$name}")) && $this->files->write("out/{$name}", File::get($this->path("out/{$name}")));
        }
    }

    /** A copy goes, whatever came of it: others may have the batch. */
    public function forget(): void
    {
        BatchFiles::areHere() || File::deleteDirectory($this->folder);
    }
}
