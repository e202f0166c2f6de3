<?php

declare(strict_types=1);

namespace NeatEdge\Core\Device;

use Closure;

/** O7: how a kind of machine is talked to. What it acknowledged is told as it comes, so that after a break nothing is sent twice and nothing is left out. */
interface Device
{
    public static function about(): AboutDevice;

    /** Whether a file is in the language that it reads; by what it begins with. */
    public static function takes(string $bytes): bool;

    /** How many parts a file has, each of which is acknowledged. */
    public static function parts(string $bytes): int;

    /**
     * What the tool has done when so many parts are acknowledged: where it stands in the material, to be shown on the sheet.
     *
     * @return list<non-empty-list<float>> ways with the tool down, packed x, y in mm from the machine's origin, y upwards; nothing for a machine that
     *     exposes whole pages
     */
    public static function traced(string $bytes, int $done): array;

    /**
     * Sends a file, or goes on with it.
     *
     * @param  string  $name  by which the machine knows the job again
     * @param  int  $done  parts that were acknowledged before; 0 begins anew
     * @param  Closure(int, bool=): void  $kept  told after each acknowledged part how many there are, and whether that must be kept before anything
     *         further is sent (it need not where the machine is asked how far it came); may throw Paused
     *
     * @throws LineLost|MachineRefused|Paused
     */
    public static function send(string $bytes, string $name, Line $line, int $done, Closure $kept): void;
}
