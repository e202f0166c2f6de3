<?php

declare(strict_types=1);

namespace App\Providers;

use App\Prep\DatabaseStepCache;
use Illuminate\Support\ServiceProvider;
use NeatEdge\Core\Prepare\StepCache;

final class AppServiceProvider extends ServiceProvider
{
    public function register(): void
    {
        $this->app->bind(StepCache::class, DatabaseStepCache::class);
    }
}
