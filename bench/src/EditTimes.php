<?php

declare(strict_types=1);

namespace NeatEdge\Bench;

use Facebook\WebDriver\Remote\RemoteWebDriver;

/** How quick the bench answers: edits over HTTP, opening, and how smoothly a piece is dragged. */
final class EditTimes
{
    /** @return iterable<array{string, string, string}> */
    public function figures(): iterable
    {
        $served = new Served;
        yield from $this->edits();
        yield from $this->opening($served);
        yield from $this->manyEdits();
    }

    /** @return iterable<array{string, string, string}> */
    private function edits(): iterable
    {
        $id = Served::job(Served::sheet(2000));
        $fifty = array_map(static fn (int $k): string => 'p'.(1 + 9 * $k), range(0, 49));
        $edges = ['left', 'top', 'right', 'bottom'];
        $kinds = [
            'a drag let go' => static fn (int $k): array => ['kind' => 'transform', 'pieces' => ['p'.(1 + $k)], 'matrix' => [1, 0, 0, 1, 1.5, -0.5]],
            'a node moved' => static fn (int $k): array => ['kind' => 'move-nodes', 'piece' => 'p'.(3 + 4 * $k), 'nodes' => [[0, 1]], 'x' => 0.4, 'y' => 0.2],
            'twenty nudges, as one act' => static fn (int $k): array => ['kind' => 'move', 'pieces' => ['p'.(2 + 5 * $k)], 'x' => '(1mm) * 20', 'y' => '0'],
            'letters kept' => static fn (int $k): array => [
                'kind' => 'text',
                'text' => "QUAY {$k}",
                'family' => 'Josefin Sans',
                'size' => 8,
                'x' => 10 + $k,
                'y' => 20,
            ],
            'fifty pieces aligned' => static fn (int $k): array => ['kind' => 'align', 'pieces' => $fifty, 'edge' => $edges[$k % 4]],
        ];
        $version = 1;
        foreach ($kinds as $name => $edit) {
            $times = [];
            for ($k = 0; $k < 63; $k++) {
                $start = hrtime(true);
                $state = Served::post("jobs/{$id}/edits", ['version' => $version, 'edit' => $edit($k)]);
                $took = (hrtime(true) - $start) / 1e6;
                $version = $state['job']['version'];
                // The first three warm the server's workers.
                if ($k > 2) {
                    $times[] = $took;
                }
            }
            sort($times);
            yield ["{$name}, 2,000 pieces: median, 95th percentile", sprintf('%.0f, %.0f ms', $times[29], $times[56]), '95th under 40 ms'];
        }
    }

    /** @return iterable<array{string, string, string}> */
    private function opening(Served $served): iterable
    {
        $id = Served::job(Served::sheet(2000));
        $browser = $served->browser();
        $times = [];
        for ($k = 0; $k < 5; $k++) {
            $browser->get('about:blank');
            $browser->get(Served::address("/jobs/{$id}/draw"));
            do {
                usleep(10_000);
                $at = $browser->executeScript('return document.querySelectorAll("[data-test=art] [data-piece]").length >= 2000 ? (window.__drawn ??='
                    .' performance.now()) : 0');
            } while ($at == 0);
            $times[] = (float) $at;
        }
        sort($times);
        yield ['opening 2,000 pieces to their drawing: median, slowest of 5', sprintf('%.0f, %.0f ms', $times[2], $times[4]), 'under 700 ms'];
        yield $this->many($browser);
        $browser->get(Served::address("/jobs/{$id}/draw"));
        yield from $this->frames($browser, 'alone');
        $busy = $this->busy($served);
        yield from $this->frames($browser, 'while two files are prepared');
        foreach ($busy as $process) {
            exec('pkill -TERM -P '.proc_get_status($process)['pid']);
            proc_terminate($process);
        }
        $browser->quit();
    }

    /** @return array{string, string, string} */
    private function many(RemoteWebDriver $browser): array
    {
        $id = Served::job(Served::sheet(10_000));
        $times = [];
        for ($k = 0; $k < 3; $k++) {
            $browser->get('about:blank');
            $browser->get(Served::address("/jobs/{$id}/draw"));
            do {
                usleep(20_000);
                $at = $browser->executeScript('return document.querySelectorAll("[data-test=art] [data-piece]").length >= 10000 ? (window.__drawn ??='
                    .' performance.now()) : 0');
            } while ($at == 0);
            $times[] = (float) $at;
        }
        sort($times);

        return ['opening 10,000 pieces to their drawing: median, slowest of 3', sprintf('%.0f, %.0f ms', $times[1], $times[2]), 'under 2000 ms'];
    }

    /** @return list<resource> two files that are prepared over and over, as a batch does it */
    private function busy(Served $served): array
    {
        $root = dirname(__DIR__, 2);
        $file = "{$served->folder}/busy.svg";
        file_put_contents($file, Served::sheet(1500));
        $none = [['file', '/dev/null', 'r'], ['file', '/dev/null', 'w'], ['file', '/dev/null', 'w']];
        $all = [];
        for ($i = 0; $i < 2; $i++) {
            $process = proc_open(
                ['sh', '-c', "while :; do '{$root}/bin/neat-edge' visible '{$file}' -o '{$served->folder}/busy-{$i}.svg'; done"],
                $none,
                $pipes,
            );
            if ($process !== false) {
                $all[] = $process;
            }
        }

        return $all;
    }

    /** @return iterable<array{string, string, string}> */
    private function frames(RemoteWebDriver $browser, string $how): iterable
    {
        $mouse = static fn (string $type, float $x, float $y, int $buttons) => $browser->executeCustomCommand('/session/:sessionId/goog/cdp/execute', 'POST', [
            'cmd' => 'Input.dispatchMouseEvent',
            'params' => [
                'type' => $type,
                'x' => $x,
                'y' => $y,
                'button' => $buttons === 0 && $type === 'mouseMoved' ? 'none' : 'left',
                'buttons' => $buttons,
                'clickCount' => 1,
            ],
        ]);
        sleep(1);
        [$x, $y] = $browser->executeScript('const r = document.querySelector("[data-piece=p1001]").getBoundingClientRect(); return [r.left + r.width / 2,'
            .' r.top + r.height / 2]');
        $mouse('mouseMoved', $x, $y, 0);
        $mouse('mousePressed', $x, $y, 1);
        $mouse('mouseMoved', $x + 8, $y, 1);
        $browser->executeScript('window.__frames = []; (function next(at) { window.__frames.push(at); window.__next = requestAnimationFrame(next)'
            .' })(performance.now())');
        $end = microtime(true) + 3;
        for ($k = 0; microtime(true) < $end; $k++) {
            $mouse('mouseMoved', $x + 60 * sin($k / 15), $y + 40 * cos($k / 11), 1);
        }
        $frames = $browser->executeScript('cancelAnimationFrame(window.__next); return window.__frames');
        $mouse('mouseReleased', $x, $y, 0);
        $steps = [];
        for ($i = 1; $i < count($frames); $i++) {
            $steps[] = $frames[$i] - $frames[$i - 1];
        }
        sort($steps);
        $seconds = ($frames[count($frames) - 1] - $frames[0]) / 1000;
        yield [
            "pictures a second, one of 2,000 dragged, {$how}; 95th step",
            sprintf('%.0f; %.1f ms', count($steps) / $seconds, $steps[(int) (0.95 * count($steps))]),
            '60; software drawing',
        ];
    }

    /** @return iterable<array{string, string, string}> */
    private function manyEdits(): iterable
    {
        $new = Served::job(Served::sheet(200));
        $old = Served::job(Served::sheet(200));
        $version = 1;
        for ($k = 0; $k < 2000; $k++) {
            $version = Served::post(
                "jobs/{$old}/edits",
                ['version' => $version, 'edit' => ['kind' => 'move', 'pieces' => ['p'.(1 + $k % 200)], 'x' => 0.01, 'y' => 0]],
            )['job']['version'];
        }
        $times = [$new => [], $old => []];
        for ($k = 0; $k < 21; $k++) {
            foreach ([$new, $old] as $id) {
                $start = hrtime(true);
                Served::get("jobs/{$id}");
                $times[$id][] = (hrtime(true) - $start) / 1e6;
            }
        }
        sort($times[$new]);
        sort($times[$old]);
        yield ['opening a job of 200 pieces: new, after 2,000 edits', sprintf('%.1f, %.1f ms', $times[$new][10], $times[$old][10]), 'the same'];
    }
}
