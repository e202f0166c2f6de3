<?php

declare(strict_types=1);

namespace NeatEdge\Devices;

/**
 * A film recorder that takes a whole PDF (docs/machines.md): film BYTES FROM NAME, then the bytes. It exposes page after page, telling each, and remembers
 * how far
 * it came with a name. Pages larger than its film are refused.
 */
final class FilmRecorder extends Machine
{
    protected const HOLDS = 60_000_000;

    /** @var array<string, int> plates that were exposed, by name */
    private array $have = [];

    /** @var list<array{Page, string}> */
    private array $exposed = [];

    private bool $empty = false;

    /** @var array{int, int, string}|null bytes that are to come, plates that are left out, and the name */
    private ?array $waits = null;

    /** @var list<Page> still to be exposed */
    private array $pages = [];

    private string $name = '';

    protected function work(): bool
    {
        if ($this->pages !== []) {
            $this->expose();

            return true;
        }
        if ($this->waits === null) {
            $end = strpos($this->buffer, "\n");
            if ($end === false) {
                return false;
            }
            $line = trim(substr($this->buffer, 0, $end));
            $this->buffer = substr($this->buffer, $end + 1);
            if (preg_match('/^have (.{1,200})$/D', $line, $m) === 1) {
                $this->answer(sprintf("have %d\n", $this->have[$m[1]] ?? 0));
            } elseif (preg_match('/^film (\d{1,9}) (\d{1,6}) (.{1,200})$/D', $line, $m) === 1) {
                $this->waits = [(int) $m[1], (int) $m[2], $m[3]];
            } elseif ($line === 'size') {
                $this->answer(sprintf("size %.1F %.1F\n", $this->width, $this->height));
            } else {
                $this->answer("refused not understood\n");
            }

            return true;
        }
        [$length, $from, $name] = $this->waits;
        if (strlen($this->buffer) < $length) {
            return false;
        }
        $bytes = substr($this->buffer, 0, $length);
        $this->buffer = substr($this->buffer, $length);
        $this->waits = null;
        $this->read($bytes, $from, $name);

        return true;
    }

    private function read(string $bytes, int $from, string $name): void
    {
        try {
            $pages = PdfPages::of($bytes);
        } catch (\RuntimeException $refused) {
            $this->answer("refused {$refused->getMessage()}\n");

            return;
        }
        foreach ($pages as $k => $page) {
            if ($page->width > $this->width + 0.1 || $page->height > $this->height + 0.1) {
                $this->answer(sprintf(
                    "refused plate %d is %.1F x %.1F mm, the film %.0F x %.0F\n",
                    $k + 1,
                    $page->width,
                    $page->height,
                    $this->width,
                    $this->height,
                ));

                return;
            }
        }
        if ($from === 0) {
            $this->begin("film {$name}");
            $this->exposed = [];
            $this->have[$name] = 0;
        }
        $this->name = $name;
        $this->pages = array_slice($pages, $from);
        $this->answer(sprintf("taken %d\n", count($pages)));
    }

    private function expose(): void
    {
        if ($this->empty) {
            $this->answer("refused no film\n");
            $this->pages = [];

            return;
        }
        $page = array_shift($this->pages);
        if ($page === null) {
            return;
        }
        $this->spend(20.0);
        $this->exposed[] = [$page, $this->name];
        $this->have[$this->name] = ($this->have[$this->name] ?? 0) + 1;
        $this->note(sprintf('exposed plate %d of %s', $this->have[$this->name], $this->name));
        $this->leave();
        if ($this->fail === 'empty' && ! $this->failed && count($this->exposed) >= max(1, min(2, $this->after))) {
            $this->failed = $this->empty = true;
        }
        $this->answer(sprintf("exposed %d\n", $this->have[$this->name]));
        if ($this->pages === []) {
            $this->answer("finished\n");
        }
    }

    protected function forget(): void
    {
        $this->buffer = '';
        $this->waits = null;
        $this->pages = [];
        $this->empty = false;
    }

    protected function drawing(): string
    {
        $wide = array_sum(array_map(static fn (array $one): float => $one[0]->width + 5, $this->exposed));
        $high = max([1.0, ...array_map(static fn (array $one): float => $one[0]->height, $this->exposed)]);
        $drawing = self::head((float) $wide, (float) $high);
        $x = 0.0;
        foreach ($this->exposed as [$page]) {
            $drawing .= sprintf('<g transform="translate(%.2F 0)">', $x).$page->svg()."</g>\n";
            $x += $page->width + 5;
        }

        return $drawing."</svg>\n";
    }

    protected function numbers(): array
    {
        return [
            'machine' => 'recorder',
            'name' => $this->name,
            'plates' => count($this->exposed),
            'exposed' => array_map(
                static fn (array $one): array => [
                    'width_mm' => round($one[0]->width, 2),
                    'height_mm' => round($one[0]->height, 2),
                    'paths' => $one[0]->count(),
                ],
                $this->exposed,
            ),
        ];
    }
}
