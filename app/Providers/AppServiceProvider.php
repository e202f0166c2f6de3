<?php

declare(strict_types=1);

namespace App\Providers;

use App\Models\WriteFirstSqlite;
use App\Prep\DatabaseStepCache;
use Illuminate\Database\Connection;
use Illuminate\Support\ServiceProvider;
use NeatEdge\Core\Prepare\StepCache;

final class AppServiceProvider extends ServiceProvider
{
    public function register(): void
    {
        Connection::resolverFor('sqlite', static fn (\PDO|\Closure $connection, string $database, string $prefix, array $config): WriteFirstSqlite => new WriteFirstSqlite($connection, $database, $prefix, $config));
        $this->app->bind(StepCache::class, DatabaseStepCache::class);
    }
}
