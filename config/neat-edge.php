<?php

declare(strict_types=1);

return [
    // Names that the application answers to, with commas between; others are refused.
    'hosts' => (string) env('NEAT_EDGE_HOSTS', '127.0.0.1,localhost,[::1]'),
    // The address that the server listens at; others than the loopback's let others in.
    'listen' => (string) env('NEAT_EDGE_LISTEN', '127.0.0.1'),
    // How often one address may try to sign in, in a minute; under one name a fifth of it.
    'sign_ins_a_minute' => (int) env('NEAT_EDGE_SIGN_INS_A_MINUTE', 25),
    // Whether changes must carry the token of the page.
    'page_token' => env('NEAT_EDGE_PAGE_TOKEN', 'on') !== 'off',
    // What this host is called among those that work for the shop; as its system has it when empty.
    'host' => (string) env('NEAT_EDGE_HOST', ''),
    // Where a preparation computes: "child" is a process of its own, "here" the one that was asked.
    'prepare_in' => (string) env('NEAT_EDGE_PREPARE_IN', 'child'),
    // What such a process may take, in MB and seconds.
    'prepare_megabytes' => (int) env('NEAT_EDGE_PREPARE_MEGABYTES', 1536),
    'prepare_seconds' => (int) env('NEAT_EDGE_PREPARE_SECONDS', 600),
    // Where the files of batches lie, and what comes of them; "store": beside the contents, where these are on a store that several hosts share.
    'batches' => (string) env('NEAT_EDGE_BATCHES', env('NEAT_EDGE_CONTENTS_DISK', 'folder') === 's3' ? 'store' : storage_path('app/batches')),
    // Where backups lie that the shop makes by itself, and how many of the nightly ones are kept.
    'backups' => (string) env('NEAT_EDGE_BACKUPS', storage_path('app/backups')),
    'backups_kept' => (int) env('NEAT_EDGE_BACKUPS_KEPT', 7),
    // Ports of the stand-in machines that start with the shop, from this one on; none when nought.
    'machines_port' => (int) env('NEAT_EDGE_MACHINES_PORT', 0),
    // What prices of materials and rates of machines are in, as it stands on job sheets.
    'currency' => (string) env('NEAT_EDGE_CURRENCY', 'EUR'),
    // How many files of a batch are worked on at once.
    'batch_jobs' => (int) env('NEAT_EDGE_BATCH_JOBS', 2),
    // How long a request may compute - reading a file, an edit - before it is given up, in seconds of CPU.
    'request_seconds' => (int) env('NEAT_EDGE_REQUEST_SECONDS', 20),
    // How often one address may ask, and how often of these with a file to be read, in a minute.
    'asks_a_minute' => (int) env('NEAT_EDGE_ASKS_A_MINUTE', 6000),
    'files_a_minute' => (int) env('NEAT_EDGE_FILES_A_MINUTE', 600),
    // How much long work one person may have waiting or under way at once; nobody is held where nobody is asked who they are.
    'works_a_person' => (int) env('NEAT_EDGE_WORKS_A_PERSON', 40),
    // How much one person may bring in a day, in bytes; 0 for no end. Nobody is held where nobody is asked who they are.
    'bytes_a_day' => (int) env('NEAT_EDGE_BYTES_A_DAY', 2_000_000_000),
    // How often one address may look at proofs that it was sent, in a minute.
    'looks_a_minute' => (int) env('NEAT_EDGE_LOOKS_A_MINUTE', 120),
    // How long deleted jobs stay in the trash, in days.
    'trash_days' => 30,
    // How much of a job's history is kept, in bytes as stored; the oldest changes go first.
    'history_bytes' => (int) env('NEAT_EDGE_HISTORY_BYTES', 20_000_000),
    // The largest file that is taken, in bytes.
    'upload_bytes' => (int) env('NEAT_EDGE_UPLOAD_BYTES', 20_000_000),
    // The largest font that is taken, in bytes.
    'font_bytes' => (int) env('NEAT_EDGE_FONT_BYTES', 10_000_000),
    // Other limits of a drawing, as on the command line: "pieces=200000 segments=1000000".
    'limits' => (string) env('NEAT_EDGE_LIMITS', ''),
    // The longest side of a job, in mm.
    'longest_side_mm' => 50_000,
];
