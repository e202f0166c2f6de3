<?php

declare(strict_types=1);

use App\Backup\Archive;
use App\Backup\Damaged;
use App\Backup\Kept;
use App\Backup\Moving;
use App\Backup\Pending;
use App\Backup\Restoring;
use App\Backup\Rows;
use App\Http\CatalogueTypes;
use App\Http\Description\Document;
use App\Http\Description\PresetSchema;
use App\Models\Database;
use App\Models\Work;
use App\People\Doors;
use App\People\Staff;
use App\Prep\Pruning;
use App\Works\Hold;
use App\Works\Works;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\Process;
use Illuminate\Support\Facades\Schedule;
use Illuminate\Support\Number;
use NeatEdge\Core\Described\Refused;

// Work whose process is gone is taken up again or named as cut off; what others are at is left alone.
Artisan::command('neat-edge:recover', function (): void {
    Works::sweep();
})->purpose('Take up or name work whose process is gone');

// One work, in a process of its own, under the hold that the worker took.
Artisan::command('neat-edge:work {work} {fence}', function (string $work, string $fence): int {
    $taken = Work::query()->whereKey((int) $work)->where('fence', (int) $fence)->where('state', 'running')->first();
    $taken === null ?: Works::run(new Hold($taken, $taken->fence));

    return 0;
})->purpose('Do one work that a worker took');

// The owner of the shop, made or given another password: by whoever sits at the machine, as nobody else can.
Artisan::command('neat-edge:owner {name : what they are called}'
    .' {address : by which mail reaches them, and they sign in} {--password-in= : a file with it, or - for what is typed in}', function (
        string $name,
        string $address,
    ): int {
        $in = $this->option('password-in');
        $password = is_string($in)
            ? rtrim((string) file_get_contents($in === '-' ? 'php://stdin' : $in), "\r\n")
            : (string) $this->secret('A password, of at least 10 letters');
        try {
            $owner = Staff::owner($name, $address, $password);
        } catch (Refused $refused) {
            $this->error($refused->getMessage());

            return 1;
        }
        $this->line("{$owner->name} owns the shop now, and signs in with {$owner->email}.");

        return 0;
    })->purpose('Make somebody the owner of the shop, or give them another password');

// Before the shop is opened: whether it may be.
Artisan::command('neat-edge:doors', function (): int {
    if (! Doors::isReached() || Doors::hasOwner()) {
        return 0;
    }
    $this->error('This shop can be reached by others and has no owner yet. Make one: php artisan neat-edge:owner "THEIR NAME" THEIR@ADDRESS');

    return 1;
})->purpose('Say whether the shop may be opened as it is');

// The whole shop as one file, while people work.
Artisan::command('neat-edge:backup {file? : where to; among those that are kept when left out}'
    .' {--before-migration : only where the tables are about to change}', function (): int {
        $file = $this->argument('file');
        if ($this->option('before-migration') && ! Pending::changes()) {
            return 0;
        }
        try {
            if (is_string($file)) {
                Archive::write($file);
            } else {
                $file = Kept::make($this->option('before-migration') ? 'before-migration' : 'nightly');
            }
        } catch (Damaged $refused) {
            $this->error($refused->getMessage());

            return 1;
        }
        $this->line(sprintf('%s: %s, read back and whole.', $file, Number::fileSize((int) filesize($file), 1)));

        return 0;
    })->purpose('Write the whole shop into one file, and read it back');

Artisan::command('neat-edge:restore {file} {--over : also where a shop is already, which is written aside first}', function (string $file): int {
    try {
        $aside = (new Rows)->isEmpty() ? null : Kept::path('before-restore');
        if ($aside !== null && ! $this->option('over')) {
            $this->error('There is a shop here already. With --over it is written aside first, and then taken away.');

            return 1;
        }
        $rows = Restoring::from($file, $aside);
    } catch (Damaged $refused) {
        $this->error($refused->getMessage());

        return 1;
    }
    $this->line("{$rows} rows are back.".($aside === null ? '' : " What was here lies in {$aside}."));

    return 0;
})->purpose('Bring a shop back out of a backup, while it is closed');

// From SQLite to PostgreSQL, or back, while the shop is closed.
Artisan::command('neat-edge:move {to : sqlite or pgsql, reached as the settings say}', function (string $to): int {
    try {
        $moved = Moving::to($to);
    } catch (Damaged $refused) {
        $this->error($refused->getMessage());

        return 1;
    }
    $this->line(sprintf('%d rows of %d tables are there, each as it was. Open the shop with DB_CONNECTION=%s.', array_sum($moved), count($moved), $to));

    return 0;
})->purpose('Carry the shop into another database, row by row, while it is closed');

Schedule::command('neat-edge:backup')->dailyAt('02:30')->withoutOverlapping();

Artisan::command('neat-edge:prune', function (): void {
    foreach (Pruning::run() as $what => $count) {
        $this->line(sprintf('%d %s', $count, $what));
    }
    Database::tidy();
})->purpose('Empty the trash of what is older than 30 days, and take away what nothing points to');

Schedule::command('neat-edge:prune')->hourly();

// The description of the HTTP interface, and the page's types from it and from what the edits say of themselves.
Artisan::command('neat-edge:types', function (): void {
    file_put_contents(base_path(Document::FILE), Document::text());
    file_put_contents(base_path(CatalogueTypes::FILE), CatalogueTypes::text());
    file_put_contents(base_path(PresetSchema::FILE), PresetSchema::text());
    Process::path(base_path())->run([
        'npx', 'openapi-typescript', Document::FILE, '--output', 'resources/js/api/types.ts', '--root-types', '--root-types-no-schema-prefix',
        '--root-types-keep-casing',
    ])->throw();
});
