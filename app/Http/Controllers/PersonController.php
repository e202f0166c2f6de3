<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Description\Answers;
use App\Http\PasswordLinks;
use App\Http\Requests\PersonRequest;
use App\Http\Requests\WelcomeRequest;
use App\Http\Resources\PersonResource;
use App\Models\Person;
use App\Models\Role;
use App\People\Doors;
use App\People\SigningIn;
use App\People\Staff;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\AnonymousResourceCollection;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Password;
use NeatEdge\Core\Described\Refused;

/** Who works in the shop. */
final class PersonController
{
    /** All of them, also who left. */
    #[Answers([PersonResource::class])]
    public function index(): AnonymousResourceCollection
    {
        return PersonResource::collection(Person::query()->withMax('signIns', 'seen_at')->orderByRaw('left_at is not null')->orderBy('name')->get());
    }

    /** Somebody new, who is sent a link to choose a password. */
    #[Answers(PersonResource::class, 201)]
    public function store(WelcomeRequest $request): PersonResource
    {
        if (! Doors::hasOwner()) {
            throw Refused::because('The shop needs an owner first: run php artisan neat-edge:owner where it is served.');
        }
        $asked = $request->validated();

        $welcome = Staff::welcome((string) $asked['name'], (string) $asked['address'], Role::from((string) $asked['role']));
        PasswordLinks::send($request, $welcome->email);

        return (new PersonResource($welcome))->status(201);
    }

    /** Another name or role; gone, or back again. */
    #[Answers(PersonResource::class)]
    public function update(PersonRequest $request, Person $person): PersonResource
    {
        $asked = $request->validated();

        return new PersonResource(Staff::change($person, [
            ...(isset($asked['name']) ? ['name' => (string) $asked['name']] : []),
            ...(isset($asked['role']) ? ['role' => Role::from((string) $asked['role'])] : []),
            ...(isset($asked['left']) ? ['left' => $request->boolean('left')] : []),
        ]));
    }

    /** Sends them another link to choose a password. */
    #[Answers(status: 204)]
    public function link(Request $request, Person $person): Response
    {
        if ($person->left_at !== null) {
            throw Refused::because('Who left comes back first.');
        }
        // One a minute: another at once would only end the one that is on its way.
        if (Password::broker()->getRepository()->recentlyCreatedToken($person)) {
            throw Refused::because('A link was sent a moment ago; wait a minute.');
        }
        PasswordLinks::send($request, $person->email);

        return response()->noContent();
    }

    /** Signs them out everywhere, and takes their programs' tokens back. */
    #[Answers(status: 204)]
    public function signOut(Person $person): Response
    {
        SigningIn::endAll($person);
        $person->tokens()->delete();

        return response()->noContent();
    }
}
