<?php

declare(strict_types=1);

namespace NeatEdge\Core\Device;

use Closure;

/** O7: how a kind of machine is talked to. What it acknowledged is told as it comes, so that after a break nothing is sent twice and nothing is left out. */
interface Device
{
    public static function about(): AboutDevice;

    /** How many parts a file has, each of which is acknowledged. */
    public static function parts(string $bytes): int;

    /**
     * Sends a file, or goes on with it.
     *
     * @param  string  $name  by which the machine knows the job again
     * @param  int  $done  parts that were acknowledged before; 0 begins anew
     * @param  Closure(int): void  $kept  told after each acknowledged part how many there are; may throw Paused
     *
     * @throws LineLost|MachineRefused|Paused
     */
    public static function send(string $bytes, string $name, Line $line, int $done, Closure $kept): void;
}
