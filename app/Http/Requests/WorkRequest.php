<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Works\Kinds;
use Illuminate\Validation\Rule;

/** Long work of a kind, with the values that it takes. */
final class WorkRequest extends Asks
{
    public static function described(): array
    {
        return ['' => 'AskedWork'];
    }

    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'kind' => ['required', Rule::in(array_keys(Kinds::all()))],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            '*' => 'Say which kind of work.',
        ];
    }
}
