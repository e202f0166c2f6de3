<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Description\Answers;
use App\Http\Middleware\WhoAsks;
use App\Http\PasswordLinks;
use App\Http\Requests\ChoosePasswordRequest;
use App\Http\Requests\ForgotPasswordRequest;
use App\Http\Requests\SignInRequest;
use App\Http\Resources\MeResource;
use App\Models\Person;
use App\People\SigningIn;
use App\People\Staff;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\Password;
use NeatEdge\Core\Described\Refused;

/** The way in and out. */
final class DoorController
{
    /** Who asks, what they may do, and whether anybody is asked who they are. */
    #[Answers(MeResource::class)]
    public function me(): MeResource
    {
        return new MeResource(Auth::user());
    }

    /** Signs somebody in with this browser. */
    #[Answers(MeResource::class)]
    public function signIn(SignInRequest $request): MeResource
    {
        $person = SigningIn::known((string) $request->validated('address'), (string) $request->validated('password'))
            ?? throw Refused::because('That address and password do not belong together.');
        // A session that somebody else may have begun is none of theirs.
        WhoAsks::signIn($request)?->delete();
        $request->session()->invalidate();
        $request->session()->regenerateToken();
        $request->session()->put(WhoAsks::KEY, SigningIn::begin($person, (string) $request->ip(), (string) $request->userAgent()));
        Auth::setUser($person);

        return new MeResource($person);
    }

    /** Signs out of this browser. */
    #[Answers(status: 204)]
    public function signOut(Request $request): Response
    {
        WhoAsks::signIn($request)?->delete();
        $request->session()->invalidate();
        $request->session()->regenerateToken();

        return response()->noContent();
    }

    /** Sends a link to choose another password; says the same whether there is such a person or not. */
    #[Answers(status: 204)]
    public function forgot(ForgotPasswordRequest $request): Response
    {
        PasswordLinks::send($request, Staff::address((string) $request->validated('address')));

        return response()->noContent();
    }

    /** Chooses a password with a link that was sent; all who are signed in with the old one are not any more. */
    #[Answers(status: 204)]
    public function choose(ChoosePasswordRequest $request): Response
    {
        $asked = [
            'email' => Staff::address((string) $request->validated('address')), 'token' => $request->validated('token'),
            'password' => $request->validated('password'),
        ];
        $came = Password::broker()->reset($asked, static function (Person $person, string $password): void {
            $person->left_at === null ? Staff::password($person, $password) : throw Refused::because('This link leads nowhere any more; ask for another.');
        });
        if ($came !== Password::PASSWORD_RESET) {
            throw Refused::because('This link leads nowhere any more; ask for another.');
        }

        return response()->noContent();
    }
}
