<?php

declare(strict_types=1);

use App\Models\Person;

// Who asks is known by a session of the page, or by a token that a program was given; app/People says when anybody is asked who they are.
return [
    'defaults' => ['guard' => 'page', 'passwords' => 'people'],
    'guards' => ['page' => ['driver' => 'session', 'provider' => 'people']],
    'providers' => ['people' => ['driver' => 'eloquent', 'model' => Person::class]],
    'passwords' => ['people' => ['provider' => 'people', 'table' => 'password_links', 'expire' => 60, 'throttle' => 60]],
];
