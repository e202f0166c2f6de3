<?php

declare(strict_types=1);

return [
    // The largest file that is taken, in bytes.
    'upload_bytes' => (int) env('NEAT_EDGE_UPLOAD_BYTES', 20_000_000),
    // The largest font that is taken, in bytes.
    'font_bytes' => (int) env('NEAT_EDGE_FONT_BYTES', 10_000_000),
    // Other limits of a drawing, as on the command line: "pieces=200000 segments=1000000".
    'limits' => (string) env('NEAT_EDGE_LIMITS', ''),
    // The longest side of a job, in mm.
    'longest_side_mm' => 50_000,
];
