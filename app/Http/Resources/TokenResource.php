<?php

declare(strict_types=1);

namespace App\Http\Resources;

/**
 * What changes must be sent with, as the header X-CSRF-TOKEN: it stands for who asked, with the cookie of the same answer.
 *
 * @phpstan-type TokenRow array{token: string}
 */
final class TokenResource extends Resource
{
}
