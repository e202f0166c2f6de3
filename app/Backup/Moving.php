<?php

declare(strict_types=1);

namespace App\Backup;

use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;

/** A shop from the database that it has into another, while it is closed; each row is read there again and held against what it was. */
final class Moving
{
    /**
     * @param  string  $to  name of the other connection
     * @return array<string, int> rows by table
     *
     * @throws Damaged where the other is not empty, or a row did not arrive as it was: nothing is left there then
     */
    public static function to(string $to): array
    {
        [$here, $there] = [new Rows, new Rows($to)];
        if (! $there->isEmpty()) {
            throw new Damaged('There is a shop in that database already.');
        }
        Artisan::call('migrate', ['--database' => $to, '--force' => true]);
        if ($here->schema() !== $there->schema()) {
            throw new Damaged('Bring the shop up to date first: php artisan migrate.');
        }

        return DB::connection($to)->transaction(static function () use ($here, $there): array {
            $there->clear();
            $moved = [];
            foreach ($here->tables() as $table) {
                $moved[$table] = $there->write($table, $here->read($table));
                self::compare($table, $here, $there);
            }

            return $moved;
        });
    }

    private static function compare(string $table, Rows $here, Rows $there): void
    {
        $other = $there->read($table);
        foreach ($here->read($table) as $row) {
            if (! $other->valid() || Rows::line($row) !== Rows::line($other->current())) {
                throw new Damaged("A row of {$table} did not arrive as it was: ".mb_substr(Rows::line($row), 0, 120));
            }
            $other->next();
        }
        $other->valid() ? throw new Damaged("There are more rows of {$table} than there were.") : null;
    }
}
