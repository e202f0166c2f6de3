<?php

declare(strict_types=1);

namespace App\People;

use App\Models\Person;
use App\Models\SignIn;
use Illuminate\Support\Facades\Hash;
use Laravel\Sanctum\PersonalAccessToken;

/** Signed in with a browser, or come with a token: each is a row that can be taken away. */
final class SigningIn
{
    /** Days after which a browser that was not used is signed out. */
    public const DAYS = 30;

    /** Seconds for which it is not written down anew that somebody was seen. */
    private const SEEN = 60;

    /** Who has this address and password; whether the one is wrong or the other is not told, nor how long it was looked for. */
    public static function known(string $address, string $password): ?Person
    {
        $person = Person::query()->where('email', Staff::address($address))->whereNull('left_at')->first();
        if ($person?->password === null) {
            // As long as the look at one that there is.
            Hash::make($password);

            return null;
        }

        return Hash::check($password, $person->password) ? $person : null;
    }

    /** @return string the key that the browser keeps; stored is what it comes to */
    public static function begin(Person $person, string $from, string $with): string
    {
        $key = bin2hex(random_bytes(32));
        SignIn::query()->create([
            'person_id' => $person->id, 'key' => hash('sha256', $key), 'from' => $from, 'with' => mb_substr(mb_scrub($with), 0, 200), 'seen_at' => now(),
        ]);

        return $key;
    }

    /** Who is signed in with this key, if that still holds. */
    public static function find(string $key): ?SignIn
    {
        $signIn = SignIn::query()->with('person')->where('key', hash('sha256', $key))->first();
        if ($signIn?->person === null || $signIn->person->left_at !== null || $signIn->seen_at->diffInDays(now()) >= self::DAYS) {
            return null;
        }
        if ($signIn->seen_at->diffInSeconds(now()) >= self::SEEN) {
            $signIn->update(['seen_at' => now()]);
        }

        return $signIn;
    }

    /** Who gave this token away, with it in hand, if it still holds. */
    public static function byToken(string $token): ?Person
    {
        $found = strlen($token) > 200 ? null : PersonalAccessToken::findToken($token);
        $person = $found?->tokenable;
        if ($found === null || ! $person instanceof Person || $person->left_at !== null || ($found->expires_at !== null && $found->expires_at->isPast())) {
            return null;
        }
        if ($found->last_used_at === null || $found->last_used_at->diffInSeconds(now()) >= self::SEEN) {
            $found->forceFill(['last_used_at' => now()])->save();
        }

        return $person->withAccessToken($found);
    }

    /** Signed out everywhere, but with the browser of this key. */
    public static function endAll(Person $person, ?string $but = null): void
    {
        $person->signIns()->when($but !== null, static fn ($all) => $all->where('key', '!=', hash('sha256', (string) $but)))->delete();
    }

    /** What has not been used for too long goes. @return int how many */
    public static function prune(): int
    {
        return (int) SignIn::query()->where('seen_at', '<', now()->subDays(self::DAYS))->delete();
    }
}
