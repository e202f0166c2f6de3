<?php

declare(strict_types=1);

namespace App\Backup;

use App\Models\BatchFiles;
use App\Models\Contents;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\File;

/** A shop out of a backup, also of an earlier state of the tables: they are laid as they were then, filled, and then brought forward. */
final class Restoring
{
    /**
     * @param  string|null  $aside  where what is there is kept first; null where there is nothing that would be lost
     * @return int rows that came back
     *
     * @throws Damaged before anything is touched, where the archive is not whole or from a newer program
     */
    public static function from(string $path, ?string $aside = null): int
    {
        $archive = Archive::open($path);
        $archive->check();
        if (array_diff($archive->about->schema, Pending::known()) !== []) {
            throw new Damaged('That backup was made by a newer Neat Edge; bring this one up to date first.');
        }
        if ($aside !== null) {
            Archive::write($aside);
        }
        self::lay($archive->about->schema);
        $rows = new Rows;
        $rows->clear();
        $count = 0;
        $order = $rows->tables();
        if (array_diff(array_keys($archive->about->tables), $order) !== []) {
            throw new Damaged('The backup is damaged: it has tables that its state of the program does not know.');
        }
        DB::transaction(static function () use ($archive, $rows, $order, &$count): void {
            foreach ($order as $table) {
                $count += isset($archive->about->tables[$table]) ? $rows->write($table, $archive->rows($table)) : 0;
            }
        });
        foreach ($archive->contents() as $bytes) {
            Contents::put($bytes);
        }
        foreach (array_keys($archive->about->files) as $name) {
            if (! str_starts_with($name, 'fonts/')) {
                BatchFiles::disk()->writeStream(substr($name, strlen('batches/')), $archive->file($name));

                continue;
            }
            $to = storage_path("app/{$name}");
            File::ensureDirectoryExists(dirname($to));
            file_put_contents($to, $archive->file($name));
            Contents::write($name, (string) file_get_contents($to));
        }
        // What came of an earlier state, brought to this one.
        Artisan::call('migrate', ['--force' => true]);

        return $count;
    }

    /** @param  list<string>  $schema */
    private static function lay(array $schema): void
    {
        (new Rows)->drop();
        Artisan::call('migrate:install');
        foreach ($schema as $migration) {
            Artisan::call('migrate', ['--force' => true, '--realpath' => true, '--path' => [database_path("migrations/{$migration}.php")]]);
        }
    }
}
