<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Description\Answers;
use App\Http\Requests\LengthRequest;
use App\Http\Resources\LengthResource;
use NeatEdge\Core\Described\Field;
use NeatEdge\Core\Described\Values;
use NeatEdge\Core\Geometry\InvalidLength;
use NeatEdge\Core\Geometry\Length;

/** Lengths as they were typed: the page computes nothing itself. */
final class LengthController
{
    /** What a typed length comes to. */
    #[Answers(LengthResource::class)]
    public function show(LengthRequest $request): LengthResource
    {
        $fields = $request->validated();
        [$unit, $of] = [$fields['unit'] ?? 'mm', isset($fields['of']) ? (float) $fields['of'] : null];
        if (isset($fields['label'])) {
            // A described value: its bounds hold, and are told in the words in which they always are.
            $field = new Field(
                'value',
                $fields['label'],
                Field::LENGTH,
                0.0,
                (float) ($fields['least'] ?? -Field::FARTHEST),
                (float) ($fields['most'] ?? Field::FARTHEST),
            );

            return new LengthResource(['mm' => Values::read([$field], ['value' => $fields['text']], $unit)->length('value', $of)]);
        }
        $length = Length::parse($fields['text'], $unit, $of);
        if ($length->mm <= 0 && ! ($fields['any'] ?? false)) {
            throw InvalidLength::notPositive($fields['text']);
        }

        return new LengthResource(['mm' => $length->mm]);
    }
}
