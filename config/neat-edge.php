<?php

declare(strict_types=1);

return [
    // The largest file that is taken, in bytes.
    'upload_bytes' => (int) env('NEAT_EDGE_UPLOAD_BYTES', 20_000_000),
    // The longest side of a job, in mm.
    'longest_side_mm' => 50_000,
];
