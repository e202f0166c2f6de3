<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\People\Doors;
use Closure;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Exception\HttpException;

/** Past here only who is known comes, before anything is looked up: nobody learns by asking what there is. */
final class SignedIn
{
    /** @param  Closure(Request): Response  $next */
    public function handle(Request $request, Closure $next): Response
    {
        return Auth::check() || ! Doors::ask() ? $next($request) : throw new HttpException(401, 'sign in');
    }
}
