<?php

declare(strict_types=1);

use Illuminate\Support\Facades\Route;

// One page: what is shown where is the front end's own routing.
Route::view('/{any?}', 'app')->where('any', '^(?!api/).*$');
