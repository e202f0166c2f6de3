<?php

declare(strict_types=1);

namespace NeatEdge\Bench;

use RuntimeException;
use Symfony\Component\Process\Process;

/**
 * A server of Debian's PostgreSQL in a folder of its own, reached by a socket there, gone when nobody has it any more. Root begins it, the user "postgres"
 * runs it.
 */
final class PostgresHere
{
    public function __construct(public readonly string $folder)
    {
        is_dir($folder) || mkdir($folder);
        chmod($folder, 0755);
        mkdir("{$folder}/pg");
        self::do(['chown', 'postgres', "{$folder}/pg", $folder]);
        // What it acknowledged is on the disk, as in a shop.
        self::as('initdb', ['-D', "{$folder}/pg/data", '-A', 'trust', '-U', 'edge', '-E', 'UTF8', '--locale=C.UTF-8']);
        $this->start();
        self::as('createdb', ['-h', $folder, '-U', 'edge', 'edge']);
    }

    public function __destruct()
    {
        $this->end();
    }

    /** Once ended it stays so. */
    public function end(): void
    {
        if (! is_dir("{$this->folder}/pg")) {
            return;
        }
        try {
            self::as('pg_ctl', ['-D', "{$this->folder}/pg/data", '-m', 'immediate', 'stop']);
        } catch (RuntimeException) {
            // It had ended.
        }
        exec('rm -rf '.escapeshellarg("{$this->folder}/pg"));
    }

    /** As when its power is cut, and begun again. */
    public function restart(): void
    {
        self::as('pg_ctl', ['-D', "{$this->folder}/pg/data", '-m', 'immediate', 'stop']);
        $this->start();
    }

    private function start(): void
    {
        self::as('pg_ctl', [
            '-D', "{$this->folder}/pg/data", '-l', "{$this->folder}/pg/log", '-w', '-o',
            "-k {$this->folder} -c listen_addresses='' -c max_connections=100", 'start',
        ]);
    }

    /** @param  list<string>  $arguments */
    private static function as(string $command, array $arguments): void
    {
        self::do(['runuser', '-u', 'postgres', '--', "/usr/lib/postgresql/15/bin/{$command}", ...$arguments]);
    }

    /** @param  list<string>  $command */
    private static function do(array $command): void
    {
        // A server that is begun keeps what it was given open: nothing of it is waited for.
        $process = new Process($command, timeout: 120);
        $process->disableOutput();
        if ($process->run() !== 0) {
            throw new RuntimeException(implode(' ', $command).' failed.');
        }
    }
}
