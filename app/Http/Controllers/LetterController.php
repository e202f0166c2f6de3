<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Description\Answers;
use App\Http\Resources\LettersResource;
use App\Models\Letter;
use App\Models\Person;
use Illuminate\Support\Facades\Gate;

/** The stand-in mailbox; mail that leads somebody in is for the owner alone. */
final class LetterController
{
    private const SHOWN = 100;

    /** Mail that would have gone out, the latest first. */
    #[Answers(LettersResource::class)]
    public function index(): LettersResource
    {
        return new LettersResource([
            'stand_in' => config('mail.default') === 'stand-in',
            'letters' => Letter::query()
                ->when(Gate::denies('viewAny', Person::class), static fn ($some) => $some->where('secret', false))
                ->orderByDesc('id')->limit(self::SHOWN)->get()->all(),
        ]);
    }
}
