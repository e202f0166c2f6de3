<?php

declare(strict_types=1);

namespace App\Models;

use Closure;
use Illuminate\Database\SQLiteConnection;
use PDOException;

/**
 * SQLite whose transactions take the write lock as they begin. One that reads first and then writes is refused at once when
 * another wrote in between, however long it would wait; PHP before 8.4 has no other way to begin an immediate one that PDO knows of.
 */
final class WriteFirstSqlite extends SQLiteConnection
{
    /** Whether reads under way all see one state: what begins that is no transaction that PDO knows of. */
    private bool $reads = false;

    protected function executeBeginTransactionStatement(): void
    {
        $pdo = $this->getPdo();
        $pdo->beginTransaction();
        try {
            // Changes nothing, but waits for the lock with the patience of busy_timeout.
            $pdo->exec('UPDATE migrations SET batch = batch WHERE id = -1');
        } catch (PDOException $problem) {
            // Before the first migration there is nothing that two could write to.
            if (! str_contains($problem->getMessage(), 'no such table')) {
                $pdo->rollBack();
                throw $problem;
            }
        }
    }

    /**
     * Reads that all see one state, whatever is written meanwhile; they lock nobody out. Nothing may be written inside.
     *
     * @template T
     *
     * @param  Closure(): T  $read
     * @return T
     */
    public function snapshot(Closure $read): mixed
    {
        $pdo = $this->getPdo();
        // One within another sees what that sees.
        if ($this->reads || $pdo->inTransaction()) {
            return $read();
        }
        $pdo->exec('BEGIN DEFERRED');
        $this->reads = true;
        try {
            return $read();
        } finally {
            $this->reads = false;
            $pdo->exec('ROLLBACK');
        }
    }
}
