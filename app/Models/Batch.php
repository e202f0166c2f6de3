<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;

/**
 * Many files through one preset. The files, and what comes of each, lie in a folder of its own.
 *
 * @property int $id
 * @property string $title
 * @property string $status waiting, running, done, stopped or failed
 * @property string $process
 * @property string $preset its name
 * @property string $width as it was typed; as each file states when empty
 * @property int $files
 * @property bool $stop_requested
 * @property string $error
 */
final class Batch extends Model
{
    protected $guarded = [];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['stop_requested' => 'boolean'];
    }

    public function folder(string $part = ''): string
    {
        return rtrim((string) config('neat-edge.batches'), '/')."/{$this->id}".($part === '' ? '' : "/{$part}");
    }

    /** @return list<array<string, mixed>> a row for each file, in order: what came of it, or that it waits */
    public function rows(): array
    {
        $rows = [];
        foreach (glob($this->folder('in').'/*.{svg,SVG,svgz,SVGZ}', GLOB_BRACE) ?: [] as $path) {
            $name = basename($path);
            $done = $this->folder('out/'.preg_replace('/[^\w.\- ]+/u', '_', $name).'/row.json');
            $data = is_file($done) ? json_decode((string) file_get_contents($done), true) : null;
            $rows[$name] = is_array($data) ? $data : ['file' => $name, 'state' => 'waiting'];
        }
        ksort($rows);

        return array_values($rows);
    }
}
