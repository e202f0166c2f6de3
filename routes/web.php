<?php

declare(strict_types=1);

use App\Http\Controllers\HealthController;
use App\Http\Controllers\PageController;
use Illuminate\Support\Facades\Route;

// For whoever spreads requests over hosts: without a session, and telling nothing of what the shop has.
Route::get('health', [HealthController::class, 'show'])->name('health')->withoutMiddleware('web');
Route::get('words/{language}.js', [PageController::class, 'words'])->name('words');
// One page: what is shown where is the front end's own routing.
Route::get('/{any?}', [PageController::class, 'show'])->where('any', '^(?!api/).*$');
