<?php

declare(strict_types=1);

namespace NeatEdge\Core\Sheet\Make;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Check\Process;
use NeatEdge\Core\Described\Field;
use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\Described\Values;
use NeatEdge\Core\Prepare\PrepLine;
use NeatEdge\Core\Sheet\Layout\Layout;

/** The registry of ways of making: one class for each process. */
final class Makings
{
    /** @return class-string<Making> */
    private static function of(Process $process): string
    {
        return match ($process) {
            Process::CutVinyl, Process::Plain => CutSheets::class,
            Process::HeatTransfer => TransferSheets::class,
            Process::Sticker => PrintAndCut::class,
            Process::ScreenPrint => ScreenPlates::class,
            Process::Engraving => Engraving::class,
        };
    }

    /** @return list<Field> */
    public static function fields(Process $process): array
    {
        return self::of($process)::fields();
    }

    /**
     * @param  array<mixed>  $typed  by name
     * @return array<string, float|string|bool>
     *
     * @throws Refused
     */
    public static function values(Process $process, array $typed, string $unit = 'mm'): array
    {
        return Values::read(self::fields($process), $typed, $unit)->all();
    }

    /**
     * For inks that are printed on others, what lies under them.
     *
     * @param  array<string, float|string|bool>  $values  of the process
     * @return array<string, Artwork> by the ink, #rrggbb
     *
     * @throws Refused
     */
    public static function under(Process $process, PrepLine $line, Artwork $source, array $values): array
    {
        $out = [];
        foreach ($process === Process::ScreenPrint ? ScreenPlates::colours((string) ($values['overprint'] ?? '')) : [] as $hex) {
            $out[$hex] = $line->outcomeWithout($source, [$hex]);
        }

        return $out;
    }

    /**
     * @return list<Layout>
     *
     * @throws Refused
     */
    public static function layouts(Order $order): array
    {
        return self::of($order->process)::layouts($order);
    }

    /** @return array<string, list<Design>> see Making */
    public static function designs(Order $order): array
    {
        return self::of($order->process)::designs($order);
    }
}
