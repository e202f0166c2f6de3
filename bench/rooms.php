<?php

declare(strict_types=1);

use NeatEdge\Bench\Rooms;

require dirname(__DIR__).'/vendor/autoload.php';

// Writes the picture of the rooms anew.
file_put_contents(dirname(__DIR__).'/'.Rooms::FILE, Rooms::text());
