<?php

declare(strict_types=1);

namespace NeatEdge\Lines;

use NeatEdge\Core\Device\Line;
use NeatEdge\Core\Device\LineLost;

/** The line to a machine, over a stream that somebody opened. It knows the clock, which the core does not. */
final class StreamLine implements Line
{
    /** Bytes without an end that are no answer any more. */
    private const LONGEST = 65_536;

    private string $came = '';

    /**
     * @param  resource  $stream
     * @param  float  $patience  seconds for which an answer is waited for
     */
    public function __construct(private $stream, private readonly float $patience = 60.0)
    {
        stream_set_blocking($stream, false);
    }

    /** @throws LineLost */
    public function say(string $bytes): void
    {
        $end = microtime(true) + $this->patience;
        while ($bytes !== '') {
            $written = @fwrite($this->stream, $bytes);
            if ($written === false || (feof($this->stream) && $written === 0)) {
                throw LineLost::gone();
            }
            $bytes = substr($bytes, $written);
            if ($written === 0) {
                if (microtime(true) > $end) {
                    throw LineLost::silent($this->patience);
                }
                usleep(2000);
            }
        }
    }

    /**
     * The next answer, without its end.
     *
     * @param  callable(): void|null  $meanwhile  done again and again while there is none; may throw
     *
     * @throws LineLost
     */
    public function answer(?callable $meanwhile = null): string
    {
        $end = microtime(true) + $this->patience;
        while (preg_match('/^([^\r\n]*)[\r\n]+/', $this->came, $found) !== 1) {
            $read = [$this->stream];
            $write = $except = null;
            @stream_select($read, $write, $except, 0, 50_000);
            $bytes = @fread($this->stream, 8192);
            if ($bytes === false || ($bytes === '' && feof($this->stream))) {
                throw LineLost::gone();
            }
            $this->came .= $bytes;
            if (strlen($this->came) > self::LONGEST && preg_match('/[\r\n]/', $this->came) !== 1) {
                throw LineLost::endless();
            }
            if ($bytes === '' && $meanwhile !== null) {
                $meanwhile();
            }
            if (microtime(true) > $end) {
                throw LineLost::silent($this->patience);
            }
        }
        $this->came = substr($this->came, strlen($found[0]));

        return $found[1];
    }

    /** Whether an answer stands there already. */
    public function hasAnswer(): bool
    {
        $bytes = @fread($this->stream, 8192);
        $this->came .= $bytes === false ? '' : $bytes;

        return preg_match('/[\r\n]/', $this->came) === 1;
    }
}
