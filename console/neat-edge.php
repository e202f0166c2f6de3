<?php

declare(strict_types=1);

use NeatEdge\Console\Application;

require dirname(__DIR__).'/vendor/autoload.php';

exit(Application::main());
