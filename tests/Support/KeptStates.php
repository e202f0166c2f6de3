<?php

declare(strict_types=1);

namespace Tests\Support;

use App\Backup\Archive;
use App\Backup\Pending;
use App\Backup\Rows;
use App\Models\Bytes;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\File;

/**
 * A shop in every state that its tables were ever in, one backup a state, in tests/Support/states. Whoever adds a migration keeps the state that it leads to:
 * NEAT_EDGE_KEEP_STATES=1 vendor/bin/phpunit tests/Feature/EveryStateTest.php. Those that are kept already are never made anew.
 */
final class KeptStates
{
    public const TITLE = 'From long ago';

    public static function folder(): string
    {
        return __DIR__.'/states';
    }

    /** Lays the tables as they were first, with a job, and keeps every state that they come through from there. */
    public static function keep(): void
    {
        File::ensureDirectoryExists(self::folder());
        (new Rows)->drop();
        Artisan::call('migrate:install');
        foreach (Pending::known() as $i => $migration) {
            Artisan::call('migrate', ['--force' => true, '--realpath' => true, '--path' => [database_path("migrations/{$migration}.php")]]);
            if ($i === 0) {
                self::job();
            }
            $path = self::folder()."/{$migration}.zip";
            // Locks of backups are kept in a table of the second state.
            if (! is_file($path) && $i > 0) {
                Archive::write($path);
            }
        }
    }

    private static function job(): void
    {
        $piece = static fn (string $id, int $x): string => sprintf(
            '{"id":"%s","name":"Panel %1$s","rule":"nonzero","contours":[[true,[%2$d.0,5.0,%2$d.0,5.0,50.0,5.0,50.0,5.0,50.0,5.0,50.0,20.0,50.0,20.0]]],"fill":["#1d5c46",1.0],"stroke":null}',
            $id,
            $x,
        );
        $art = static fn (string $pieces): mixed => Bytes::bound((string) gzcompress('{"width":100.0,"height":50.0,"pieces":['.$pieces.']}'));
        $job = DB::table('shop_jobs')->insertGetId(['title' => self::TITLE, 'process' => 'cut-vinyl', 'width_mm' => 100, 'height_mm' => 50,
            'source_name' => 'long-ago.svg', 'notices' => '[]', 'revision' => 2, 'version' => 2, 'created_at' => '2026-11-25 08:00:00', 'updated_at' => '2026-11-25 09:00:00']);
        DB::table('sources')->insert(['shop_job_id' => $job, 'svg' => Bytes::bound('<svg xmlns="http://www.w3.org/2000/svg" width="100mm" height="50mm"/>')]);
        DB::table('revisions')->insert(['shop_job_id' => $job, 'number' => 1, 'label' => 'As it came in', 'artwork' => $art($piece('p1', 10).','.$piece('p2', 20))]);
        DB::table('revisions')->insert(['shop_job_id' => $job, 'number' => 2, 'parent' => 1, 'label' => 'Remove a piece', 'artwork' => $art($piece('p1', 15))]);
    }
}
