<?php

declare(strict_types=1);

namespace Tests\Support;

use RuntimeException;

/** A port of this machine on which nobody listens: two runs of the tests side by side, or a shop that is open, never meet. */
final class FreePort
{
    public static function any(): int
    {
        $socket = @stream_socket_server('tcp://127.0.0.1:0', $code, $why);
        if ($socket === false) {
            throw new RuntimeException("No port can be had: {$why}.");
        }
        $name = (string) stream_socket_get_name($socket, false);
        fclose($socket);

        return (int) substr($name, (int) strrpos($name, ':') + 1);
    }
}
