<?php

declare(strict_types=1);

namespace Tests\Support;

use RuntimeException;

/**
 * A port of this machine on which nobody listens: two runs of the tests side by side, or a shop that is open, never meet.
 *
 * It lies below those that the system gives to whoever calls out (32,768 and up, ip(7)): one of those may be given away
 * between the look and the server that is to listen there, and a call to it may even reach itself.
 */
final class FreePort
{
    public static function any(): int
    {
        for ($tries = 0; $tries < 100; $tries++) {
            $port = random_int(11_000, 19_999);
            $socket = @stream_socket_server("tcp://127.0.0.1:{$port}", $code, $why);
            if ($socket !== false) {
                fclose($socket);

                return $port;
            }
        }
        throw new RuntimeException("No port can be had: {$why}.");
    }
}
