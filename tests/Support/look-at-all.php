<?php

declare(strict_types=1);

// For tests of the page: looks at all that the demo has prepared, as somebody does who opens one stage after the other, so that what is counted and drawn on
// the first look is kept.

use App\Http\Controllers\LayoutController;
use App\Http\Controllers\SheetController;
use App\Http\Controllers\StageController;
use App\Models\Preparation;
use App\Prep\Made;
use Illuminate\Contracts\Console\Kernel;
use Illuminate\Foundation\Application;
use Illuminate\Http\Request;

require dirname(__DIR__, 2).'/vendor/autoload.php';
/** @var Application $app */
$app = require dirname(__DIR__, 2).'/bootstrap/app.php';
$app->make(Kernel::class)->bootstrap();

foreach (Preparation::query()->get() as $preparation) {
    $job = $preparation->job()->firstOrFail();
    for ($stage = 0; $stage < count($preparation->stage_keys ?? []); $stage++) {
        $app->make(StageController::class)->found($preparation, $stage);
        $app->make(StageController::class)->small(new Request, $preparation, $stage);
    }
    foreach (array_keys($preparation->sheets()) as $sheet) {
        $app->make(SheetController::class)->small(new Request, $preparation, $sheet + 1);
    }
    foreach ($job->latestPreparation?->is($preparation) === true ? array_keys(Made::layouts($job)) : [] as $layout) {
        $app->make(LayoutController::class)->small(new Request, $job, $layout);
    }
}
