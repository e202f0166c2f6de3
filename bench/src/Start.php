<?php

declare(strict_types=1);

namespace NeatEdge\Bench;

/** How long the command line takes before it does anything. */
final class Start
{
    /** @return iterable<array{string, string, string}> */
    public function figures(): iterable
    {
        $command = escapeshellarg(dirname(__DIR__, 2).'/bin/neat-edge').' check --help >/dev/null';
        exec($command);
        $times = [];
        for ($k = 0; $k < 11; $k++) {
            $start = hrtime(true);
            exec($command);
            $times[] = (hrtime(true) - $start) / 1e6;
        }
        sort($times);
        yield ['start of the command line (median of 11)', sprintf('%.0f ms', $times[5]), 'under 150 ms'];
    }
}
