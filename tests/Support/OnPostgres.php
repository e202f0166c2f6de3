<?php

declare(strict_types=1);

namespace Tests\Support;

use PDO;

/** Where tests run on PostgreSQL and Redis (see bin/test): databases of their own on the server that was begun for them. */
final class OnPostgres
{
    public static function isAsked(): bool
    {
        return getenv('NEAT_EDGE_TESTS_ON') === 'pgsql';
    }

    /** @return array<string, string> by which a shop of its own is told of a database; its queues and caches lie in Redis under a name of their own */
    public static function environment(string $database): array
    {
        return [
            'DB_CONNECTION' => 'pgsql', 'DB_DATABASE' => $database, 'QUEUE_CONNECTION' => 'redis', 'CACHE_STORE' => 'redis', 'CACHE_LIMITER' => 'redis',
            'REDIS_PREFIX' => "{$database}-",
        ];
    }

    /** @param  string|null  $like  one that is copied; nobody may have it open */
    public static function create(string $database, ?string $like = null): void
    {
        self::server()->exec("create database \"{$database}\"".($like === null ? '' : " template \"{$like}\""));
    }

    public static function has(string $database): bool
    {
        $asked = self::server()->prepare('select 1 from pg_database where datname = ?');
        $asked->execute([$database]);

        return $asked->fetchColumn() !== false;
    }

    public static function drop(string $database): void
    {
        self::server()->exec("drop database if exists \"{$database}\" with (force)");
    }

    private static function server(): PDO
    {
        return new PDO(sprintf('pgsql:host=%s;dbname=edge', getenv('DB_HOST')), (string) getenv('DB_USERNAME'), '', [PDO::ATTR_ERRMODE => PDO::ERRMODE_EXCEPTION]);
    }
}
