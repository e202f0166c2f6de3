<?php

declare(strict_types=1);

namespace Tests\Browser;

use Symfony\Component\Process\Process;

/** Stand-in machines beside the page, and what they say that they did. */
trait AtMachines
{
    /** @var list<Process> */
    private array $running = [];

    protected function tearDown(): void
    {
        foreach ($this->running as $machine) {
            $machine->stop(0.0, SIGKILL);
        }
    }

    private function machine(string $kind, string ...$options): void
    {
        $port = self::$machines + (int) array_search($kind, ['cutter', 'recorder', 'engraver'], true);
        $machine = new Process([PHP_BINARY, 'console/neat-edge.php', 'device', $kind, "--port={$port}", '--out-dir='.self::$folder."/{$kind}", ...$options], dirname(__DIR__, 2), timeout: null);
        $machine->start();
        $this->running[] = $machine;
        self::until(static fn (): ?bool => str_contains($machine->getOutput(), 'listening') ?: null, "the {$kind}", 10.0);
    }

    /** @return array<string, mixed> what a machine says that it did */
    private function told(string $kind): array
    {
        $jobs = glob(self::$folder."/{$kind}/*.json") ?: [];

        return json_decode((string) file_get_contents((string) end($jobs)), true);
    }
}
