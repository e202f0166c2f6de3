<?php

declare(strict_types=1);

namespace Tests;

use Illuminate\Foundation\Testing\TestCase as LaravelTestCase;

abstract class TestCase extends LaravelTestCase
{
    /** Somebody lets a job go as it is, where it is not ready. */
    protected function letGo(int $job): void
    {
        $this->postJson("/api/jobs/{$job}/releases", ['by' => 'The shop', 'reason' => 'A trial piece'])->assertCreated();
    }
}
