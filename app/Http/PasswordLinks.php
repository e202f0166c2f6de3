<?php

declare(strict_types=1);

namespace App\Http;

use App\People\SendPasswordLink;
use App\Words\Words;
use Illuminate\Http\Request;

/** Links to choose a password: in the language of who asks for it, and beginning as the shop was asked. */
final class PasswordLinks
{
    public static function send(Request $request, string $address): void
    {
        SendPasswordLink::dispatch($address, Words::asked($request), $request->getSchemeAndHttpHost());
    }
}
