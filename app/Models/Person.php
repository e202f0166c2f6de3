<?php

declare(strict_types=1);

namespace App\Models;

use App\People\Doors;
use Illuminate\Auth\Authenticatable as KnownByPassword;
use Illuminate\Auth\Passwords\CanResetPassword as ForgetsPassword;
use Illuminate\Contracts\Auth\Authenticatable;
use Illuminate\Contracts\Auth\CanResetPassword;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\Auth;
use Laravel\Sanctum\HasApiTokens;
use Laravel\Sanctum\PersonalAccessToken;

/**
 * Somebody who works in the shop. Who leaves stays in the history and comes in no more.
 *
 * @property int $id
 * @property string $name
 * @property string $email
 * @property string|null $password hashed; null until one was chosen
 * @property Role $role
 * @property Carbon|null $left_at
 * @property Carbon|null $created_at
 */
final class Person extends Model implements Authenticatable, CanResetPassword
{
    /** @use HasApiTokens<PersonalAccessToken> */
    use ForgetsPassword, HasApiTokens, KnownByPassword;

    protected $table = 'people';

    protected $guarded = [];

    protected $hidden = ['password'];

    protected static function booted(): void
    {
        self::saved(Doors::forget(...));
        self::deleted(Doors::forget(...));
    }

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['role' => Role::class, 'password' => 'hashed', 'left_at' => 'datetime'];
    }

    /** @return HasMany<SignIn, $this> */
    public function signIns(): HasMany
    {
        return $this->hasMany(SignIn::class);
    }

    /** Who asks, where that is known. */
    public static function asking(): ?self
    {
        $person = Auth::user();

        return $person instanceof self ? $person : null;
    }

    /** Whether they ask themselves, and no program with a token of theirs. */
    public function isInPerson(): bool
    {
        return $this->currentAccessToken() === null;
    }

    /** As whom this request acts: with a token no more than its scope; null where it may only look. */
    public function acts(): ?Role
    {
        $token = $this->currentAccessToken();
        if (! $token instanceof PersonalAccessToken) {
            return $this->role;
        }
        $scope = Scope::tryFrom((string) ($token->abilities[0] ?? ''));

        return $scope !== null && $scope->isFor($this->role) ? $scope->role() : null;
    }

    /** Nobody is remembered beyond their session: a sign-in can be ended, a remembered one could not. */
    public function getRememberTokenName(): string
    {
        return '';
    }
}
