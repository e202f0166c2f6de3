<?php

declare(strict_types=1);

namespace NeatEdge\Console;

use Symfony\Component\Console\Output\OutputInterface;

/** The drawings of a batch, each in a process of its own, some at once. */
final class BatchWorkers
{
    /** How often a drawing is begun whose worker broke off. */
    private const TRIES = 2;

    /** Microseconds between two looks at who is done. */
    private const LOOK = 10_000;

    /** @var list<string> */
    private array $waiting = [];

    /** @var array<string, resource> processes by name */
    private array $running = [];

    /** @var array<string, int> */
    private array $tried = [];

    private int $done = 0;

    /**
     * @param  array<string, array{path: string, size: float|null, key: string}>  $work  by name
     * @param  OutputInterface  $error  where it is told how far it is
     */
    public function __construct(private readonly array $work, private readonly BatchRows $rows, private readonly OutputInterface $error)
    {
        foreach ($work as $name => $task) {
            if ($rows->isDone((string) $name, $task['key'])) {
                $this->done++;
            } else {
                $this->waiting[] = (string) $name;
            }
        }
        if ($this->done > 0) {
            $error->writeln(sprintf('%d of %d were done before and are kept.', $this->done, count($work)));
        }
    }

    /** @param  int  $jobs  how many at once */
    public function run(int $jobs): void
    {
        while ($this->waiting !== [] || $this->running !== []) {
            while ($this->waiting !== [] && count($this->running) < $jobs) {
                $this->begin(array_shift($this->waiting));
            }
            foreach ($this->running as $name => $process) {
                if (! proc_get_status($process)['running']) {
                    proc_close($process);
                    unset($this->running[$name]);
                    $this->ended((string) $name);
                }
            }
            usleep(self::LOOK);
        }
    }

    private function begin(string $name): void
    {
        $this->tried[$name] = ($this->tried[$name] ?? 0) + 1;
        $process = proc_open(
            [...self::call(), '--one='.$name],
            [['file', '/dev/null', 'r'], ['file', '/dev/null', 'w'], ['file', '/dev/null', 'w']],
            $pipes,
        );
        $this->running[$name] = $process === false ? throw BadCall::missing('a process of its own for each file') : $process;
    }

    private function ended(string $name): void
    {
        if ($this->rows->isDone($name, $this->work[$name]['key'])) {
            $this->error->writeln(sprintf('%d of %d: %s', ++$this->done, count($this->work), $name), OutputInterface::OUTPUT_RAW);
        } elseif ($this->tried[$name] < self::TRIES) {
            // A worker that was killed leaves nothing half done: its file is begun again.
            $this->waiting[] = $name;
        } else {
            $this->rows->store($name, [], [
                'file' => $name,
                'key' => $this->work[$name]['key'],
                ...BatchRows::NOTHING,
                'error' => 'The work broke off twice; the file may be too large.',
            ]);
            $this->done++;
        }
    }

    /** @return list<string> this very call, with the JIT on: a call of one small word is started without it, but each file of a batch computes */
    private static function call(): array
    {
        return array_values([
            PHP_BINARY, '-d', 'memory_limit='.ini_get('memory_limit'), '-d', 'opcache.enable_cli=1', '-d', 'opcache.jit_buffer_size=128M', '-d',
            'opcache.jit=function',
            ...array_map(strval(...), $_SERVER['argv'] ?? []),
        ]);
    }
}
