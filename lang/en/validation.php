<?php

declare(strict_types=1);

// What is said of a value that no request of the page sends; whatever an artist can get wrong has words of its own where it is asked for.
$words = 'What was sent cannot be read; load the page again.';

return [
    ...array_fill_keys(
        ['array', 'boolean', 'file', 'in', 'enum', 'integer', 'list', 'numeric', 'present', 'regex', 'required', 'required_without', 'string', 'uploaded'],
        $words,
    ),
    'max' => [
        'string' => 'That is longer than :max letters.',
        'array' => 'Those are more than :max at once.',
        'file' => 'The file is larger than :max kB.',
        'numeric' => 'That is more than :max.',
    ],
    'min' => [
        'string' => 'That is shorter than :min letters.',
        'array' => 'Those are fewer than :min.',
        'file' => 'The file is smaller than :min kB.',
        'numeric' => 'That is less than :min.',
    ],
];
