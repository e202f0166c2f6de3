<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Http\ShownLinks;
use App\Models\Approval;
use App\Models\ApprovalAnswer;

/** What a customer says of a proof. */
final class SayRequest extends Asks
{
    private Approval $approval;

    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'kind' => ['required', 'string', 'in:'.ApprovalAnswer::APPROVED.','.ApprovalAnswer::CHANGES],
            'by' => ['required', 'string', 'max:80'],
            'words' => ['nullable', 'string', 'max:2000'],
            'pins' => ['nullable', 'array', 'list', 'max:30'],
            'pins.*' => ['array:x,y,words'],
            'pins.*.x' => ['required', 'numeric', 'min:-100000', 'max:100000'],
            'pins.*.y' => ['required', 'numeric', 'min:-100000', 'max:100000'],
            'pins.*.words' => ['nullable', 'string', 'max:500'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'kind.*' => 'Say yes, or ask for a change.',
            'by.*' => 'Give your name, in at most 80 letters.',
            'words.*' => 'Say it in at most 2000 letters.',
            'pins.*' => 'A pin is a place on the picture, with at most 500 letters; there are at most 30.',
            'pins.*.*' => 'A pin is a place on the picture, with at most 500 letters; there are at most 30.',
        ];
    }

    /** Where the link leads nowhere, nothing is said of what was sent. */
    protected function prepareForValidation(): void
    {
        $this->approval = ShownLinks::found($this, (string) $this->route('secret'));
    }

    public function approval(): Approval
    {
        return $this->approval;
    }

    /** @return array{kind: string, by: string, words?: string|null, pins?: list<array{x: float, y: float, words?: string|null}>|null} */
    public function said(): array
    {
        /** @var array{kind: string, by: string, words?: string|null, pins?: list<array{x: float, y: float, words?: string|null}>|null} */
        return $this->validated();
    }
}
