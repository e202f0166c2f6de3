<?php

declare(strict_types=1);

use App\Http\Controllers\PageController;
use Illuminate\Support\Facades\Route;

Route::get('words/{language}.js', [PageController::class, 'words'])->name('words');
// One page: what is shown where is the front end's own routing.
Route::get('/{any?}', [PageController::class, 'show'])->where('any', '^(?!api/).*$');
