<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Models\SignIn;
use App\People\Doors;
use App\People\SigningIn;
use Closure;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\Context;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Exception\HttpException;

/**
 * Finds out who asks: by the token that a program came with, and then by nothing else; by the browser that somebody is signed in with; or whoever sits at a
 * machine that nobody else reaches. A shop that others reach and that nobody owns answers nothing.
 */
final class WhoAsks
{
    /** What the session of the page keeps of a sign-in. */
    public const KEY = 'signed-in';

    /** @param  Closure(Request): Response  $next */
    public function handle(Request $request, Closure $next): Response
    {
        Doors::forget();
        if (Doors::isReached() && ! Doors::hasOwner()) {
            throw new HttpException(503, 'no owner');
        }
        $token = $request->bearerToken();
        $person = match (true) {
            $token !== null => SigningIn::byToken($token) ?? throw new HttpException(401, 'token'),
            Doors::ask() => self::signedIn($request)?->person,
            default => Doors::alone(),
        };
        if ($person !== null) {
            Auth::setUser($person);
            Context::add('person', $person->id);
        }

        return $next($request);
    }

    /** What this browser is signed in with, as it was found when it asked. */
    public static function signIn(Request $request): ?SignIn
    {
        $found = $request->attributes->get(self::KEY);

        return $found instanceof SignIn ? $found : null;
    }

    private static function signedIn(Request $request): ?SignIn
    {
        $key = $request->hasSession() ? $request->session()->get(self::KEY) : null;

        $found = is_string($key) ? SigningIn::find($key) : null;
        $request->attributes->set(self::KEY, $found);

        return $found;
    }
}
