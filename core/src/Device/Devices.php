<?php

declare(strict_types=1);

namespace NeatEdge\Core\Device;

/** The registry of kinds of machines. A new one is one class and one line here. */
final class Devices
{
    /** @var list<class-string<Device>> */
    private const ALL = [CutterDevice::class, RecorderDevice::class, EngraverDevice::class];

    /** @return array<string, AboutDevice> by kind */
    public static function catalogue(): array
    {
        $devices = [];
        foreach (self::ALL as $class) {
            $devices[$class::about()->kind] = $class::about();
        }

        return $devices;
    }

    /** @return class-string<Device> */
    public static function of(string $kind): string
    {
        foreach (self::ALL as $class) {
            if ($class::about()->kind === $kind) {
                return $class;
            }
        }
        throw MachineRefused::because('There is no such kind of machine.');
    }

    /** The kind that takes a file; by what it begins with. */
    public static function taking(string $bytes): ?string
    {
        foreach (self::ALL as $class) {
            if ($class::takes($bytes)) {
                return $class::about()->kind;
            }
        }

        return null;
    }
}
