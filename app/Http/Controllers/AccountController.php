<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Description\Answers;
use App\Http\Middleware\WhoAsks;
use App\Http\Requests\GiveTokenRequest;
use App\Http\Requests\NameRequest;
use App\Http\Requests\PasswordRequest;
use App\Http\Resources\MeResource;
use App\Http\Resources\ProgramTokenResource;
use App\Http\Resources\SignInResource;
use App\Models\Person;
use App\Models\Scope;
use App\Models\SignIn;
use App\People\SigningIn;
use App\People\Staff;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\AnonymousResourceCollection;
use Illuminate\Http\Response;
use LogicException;
use NeatEdge\Core\Described\Refused;

/** What is one's own: name, password, where one is signed in, tokens of one's programs. */
final class AccountController
{
    /** Another name. */
    #[Answers(MeResource::class)]
    public function update(NameRequest $request): MeResource
    {
        return new MeResource(Staff::change(self::own(), ['name' => (string) $request->validated('name')]));
    }

    /** Another password: signs out everywhere else. */
    #[Answers(status: 204)]
    public function password(PasswordRequest $request): Response
    {
        if (SigningIn::known(self::own()->email, (string) $request->validated('current')) === null) {
            throw Refused::because('That is not your password now.');
        }
        $key = $request->session()->get(WhoAsks::KEY);
        Staff::password(self::own(), (string) $request->validated('password'), is_string($key) ? $key : null);

        return response()->noContent();
    }

    /** Where one is signed in. */
    #[Answers([SignInResource::class])]
    public function signIns(Request $request): AnonymousResourceCollection
    {
        return SignInResource::collection(self::own()->signIns()->orderByDesc('seen_at')->orderByDesc('id')->limit(100)->get());
    }

    /** Signs out there. */
    #[Answers(status: 204)]
    public function end(SignIn $signIn): Response
    {
        $signIn->delete();

        return response()->noContent();
    }

    /** Tokens that one gave to programs. */
    #[Answers([ProgramTokenResource::class])]
    public function tokens(): AnonymousResourceCollection
    {
        return ProgramTokenResource::collection(self::own()->tokens()->orderByDesc('id')->get());
    }

    /** Gives one away: it is told this once. */
    #[Answers(ProgramTokenResource::class, 201)]
    public function give(GiveTokenRequest $request): ProgramTokenResource
    {
        $days = $request->validated('days');
        $new = Staff::token(
            self::own(),
            (string) $request->validated('name'),
            Scope::from((string) $request->validated('scope')),
            $days === null ? null : (int) $days,
        );

        return (new ProgramTokenResource($new->accessToken))->telling($new->plainTextToken)->status(201);
    }

    /** Takes it back: it leads in no more. */
    #[Answers(status: 204)]
    public function takeBack(int $token): Response
    {
        self::own()->tokens()->whereKey($token)->delete() > 0 ?: abort(404);

        return response()->noContent();
    }

    private static function own(): Person
    {
        return Person::asking() ?? throw new LogicException('The policy lets nobody here who is not known.');
    }
}
