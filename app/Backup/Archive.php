<?php

declare(strict_types=1);

namespace App\Backup;

use App\Models\BatchFiles;
use App\Models\Contents;
use App\Models\Database;
use App\Prep\ShopFonts;
use Generator;
use Illuminate\Support\Facades\Cache;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\File;
use Illuminate\Support\Facades\Schema;
use JsonException;
use RuntimeException;
use ZipArchive;

/**
 * A shop as one file: a ZIP with a page of contents, a file of JSON lines for each table, and what its rows name - contents by their hash, fonts, files of
 * batches. It is written while people work: the rows are those of one moment, and what they name is not tidied away meanwhile.
 */
final class Archive
{
    private const ABOUT = 'neat-edge.json';

    /** By which Contents::prune() knows that it waits. */
    public const LOCK = 'neat-edge-backup';

    /** Seconds after which one that died holds nothing up any more. */
    private const LONGEST = 7200;

    public readonly About $about;

    private function __construct(private readonly ZipArchive $zip)
    {
        $this->about = About::parse($zip->getFromName(self::ABOUT));
    }

    /**
     * Writes the shop and reads it back. Nothing stands under the name until it is whole.
     *
     * @return self what was written
     *
     * @throws Damaged|RuntimeException
     */
    public static function write(string $path): self
    {
        $lock = Cache::lock(self::LOCK, self::LONGEST);
        if (! $lock->get()) {
            throw new Damaged('Another backup is being made just now.');
        }
        $folder = sys_get_temp_dir().'/neat-edge-backup-'.bin2hex(random_bytes(6));
        $part = $path.'.part';
        try {
            File::makeDirectory($folder, 0700);
            File::ensureDirectoryExists(dirname($path));
            self::put($folder, $part);
            // Hashes of passwords are in it, and the jobs of customers.
            chmod($part, 0600);
            $archive = self::open($part);
            $archive->check();
            rename($part, $path) ?: throw new RuntimeException("{$path} cannot be written.");

            return $archive;
        } finally {
            File::deleteDirectory($folder);
            File::delete($part);
            $lock->release();
        }
    }

    private static function put(string $folder, string $part): void
    {
        File::delete($part);
        $zip = new ZipArchive;
        $zip->open($part, ZipArchive::CREATE | ZipArchive::EXCL) === true ?: throw new RuntimeException("{$part} cannot be written.");
        $rows = new Rows;
        /** @var array{array<string, array{rows: int, sha256: string}>, array<string, true>, list<string>, list<string>} $found */
        $found = Database::snapshot(static fn (): array => [self::tables($rows, $folder), self::named(), self::fonts(), $rows->schema()]);
        [$tables, $named, $fonts, $schema] = $found;
        foreach (array_keys($tables) as $table) {
            $zip->addFile("{$folder}/{$table}.jsonl", "tables/{$table}.jsonl");
        }
        $contents = 0;
        foreach (array_keys($named) as $hash) {
            $bytes = self::content((string) $hash, $folder);
            if ($bytes !== null) {
                $zip->addFile($bytes, "contents/{$hash}");
                $zip->setCompressionName("contents/{$hash}", ZipArchive::CM_STORE);
                $contents++;
            }
        }
        $files = [];
        foreach ([...$fonts, ...self::batches($folder)] as $name => $file) {
            $files[$name] = (string) hash_file('sha256', $file);
            $zip->addFile($file, "files/{$name}");
        }
        $zip->addFromString(self::ABOUT, json_encode([
            'form' => About::FORM, 'made' => now()->toIso8601String(), 'schema' => $schema, 'tables' => $tables, 'contents' => $contents,
            'files' => (object) $files,
        ], JSON_THROW_ON_ERROR | JSON_UNESCAPED_SLASHES | JSON_PRETTY_PRINT));
        @$zip->close() ?: throw new RuntimeException("{$part} could not be written: {$zip->getStatusString()}");
    }

    /** @return array<string, array{rows: int, sha256: string}> */
    private static function tables(Rows $rows, string $folder): array
    {
        $tables = [];
        foreach ($rows->tables() as $table) {
            $out = fopen("{$folder}/{$table}.jsonl", 'w') ?: throw new RuntimeException('No room for a backup.');
            $hash = hash_init('sha256');
            $count = 0;
            foreach ($rows->read($table) as $row) {
                $line = Rows::line($row)."\n";
                hash_update($hash, $line);
                fwrite($out, $line) === strlen($line) ?: throw new RuntimeException('No room for a backup: the disk is full.');
                $count++;
            }
            fclose($out);
            $tables[$table] = ['rows' => $count, 'sha256' => hash_final($hash)];
        }

        return $tables;
    }

    /** @return array<string, true> hashes of contents that rows name, as far as the tables of this state have those columns */
    private static function named(): array
    {
        return Database::named(
            array_filter(Contents::COLUMNS, static fn (string $column, string $table): bool => Schema::hasColumn($table, $column), ARRAY_FILTER_USE_BOTH),
            Contents::MARK,
        );
    }

    /** A file with this content: where it lies, or a copy of it; null where it is not kept any more, as what was sent long ago. */
    private static function content(string $hash, string $folder): ?string
    {
        if (! Contents::has($hash)) {
            return null;
        }
        $path = "{$folder}/{$hash}";
        file_put_contents($path, Contents::get($hash)) !== false ?: throw new RuntimeException('No room for a backup: the disk is full.');

        return $path;
    }

    /** @return array<string, string> where each lies, by its name in the archive */
    private static function fonts(): array
    {
        $fonts = [];
        foreach (Schema::hasTable('fonts') ? DB::table('fonts')->pluck('path') : [] as $path) {
            $own = preg_match('~^app/fonts/[0-9a-f]{64}$~', (string) $path) === 1 ? ShopFonts::here((string) $path) : null;
            if ($own !== null && is_file($own)) {
                $fonts['fonts/'.basename($own)] = $own;
            }
        }

        return $fonts;
    }

    /** @return array<string, string> where each lies, or a copy of it, by its name in the archive */
    private static function batches(string $folder): array
    {
        $files = [];
        foreach (BatchFiles::disk()->allFiles() as $number => $name) {
            $files["batches/{$name}"] = $path = BatchFiles::areHere() ? config('neat-edge.batches')."/{$name}" : "{$folder}/batch-{$number}";
            BatchFiles::areHere() || file_put_contents($path, (string) BatchFiles::disk()->get($name)) !== false
                ?: throw new RuntimeException('No room for a backup: the disk is full.');
        }

        return $files;
    }

    /** @throws Damaged */
    public static function open(string $path): self
    {
        $zip = new ZipArchive;
        if (! is_file($path) || $zip->open($path, ZipArchive::RDONLY) !== true) {
            throw new Damaged("{$path} is no backup of a shop, or cannot be read.");
        }

        return new self($zip);
    }

    /** Reads all of it and holds it against what it says it has. @throws Damaged */
    public function check(): void
    {
        foreach ($this->about->tables as $table => $told) {
            $hash = hash_init('sha256');
            $count = 0;
            foreach ($this->lines("tables/{$table}.jsonl") as $line) {
                hash_update($hash, $line);
                $count++;
            }
            if ($count !== $told['rows'] || hash_final($hash) !== $told['sha256']) {
                throw new Damaged("The backup is damaged: the table {$table} is not what was written.");
            }
        }
        $contents = 0;
        for ($i = 0; $i < $this->zip->numFiles; $i++) {
            $name = (string) $this->zip->getNameIndex($i);
            if (str_starts_with($name, 'contents/')) {
                $contents++;
                $this->digest($name) === substr($name, 9) ?: throw new Damaged('The backup is damaged: a content is not what was written.');
            }
        }
        $contents === $this->about->contents ?: throw new Damaged('The backup is damaged: contents are missing.');
        foreach ($this->about->files as $name => $sha256) {
            $this->digest("files/{$name}") === $sha256 ?: throw new Damaged("The backup is damaged: {$name} is not what was written.");
        }
    }

    /** @return Generator<array<string, mixed>> @throws Damaged */
    public function rows(string $table): Generator
    {
        foreach ($this->lines("tables/{$table}.jsonl") as $line) {
            try {
                $row = json_decode($line, true, 64, JSON_THROW_ON_ERROR);
            } catch (JsonException) {
                throw new Damaged("The backup is damaged: a row of {$table} cannot be read.");
            }
            yield is_array($row) ? $row : throw new Damaged("The backup is damaged: a row of {$table} is none.");
        }
    }

    /** @return Generator<string, string> contents by their hash */
    public function contents(): Generator
    {
        for ($i = 0; $i < $this->zip->numFiles; $i++) {
            $name = (string) $this->zip->getNameIndex($i);
            if (preg_match('~^contents/([0-9a-f]{64})$~D', $name, $hash) === 1) {
                yield $hash[1] => (string) $this->zip->getFromIndex($i);
            }
        }
    }

    /** @return resource a file that came along, by its name */
    public function file(string $name)
    {
        return $this->zip->getStream("files/{$name}") ?: throw new Damaged("The backup is damaged: {$name} is missing.");
    }

    /** @return Generator<string> with their ends */
    private function lines(string $name): Generator
    {
        $stream = $this->zip->getStream($name) ?: throw new Damaged("The backup is damaged: {$name} is missing.");
        while (($line = fgets($stream)) !== false) {
            yield $line;
        }
        fclose($stream);
    }

    private function digest(string $name): string
    {
        $stream = $this->zip->getStream($name) ?: throw new Damaged("The backup is damaged: {$name} is missing.");
        $hash = hash_init('sha256');
        hash_update_stream($hash, $stream);
        fclose($stream);

        return hash_final($hash);
    }
}
