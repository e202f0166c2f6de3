<?php

declare(strict_types=1);

namespace NeatEdge\Bench;

use RuntimeException;

/** The web application over HTTP, served as bin/start serves it. */
final class Web
{
    /** @return iterable<array{string, string, string}> */
    public function figures(): iterable
    {
        $served = new Served;
        yield from $this->firstDrawing($served);
        yield from $this->weld();
    }

    /** @return iterable<array{string, string, string}> */
    private function firstDrawing(Served $served): iterable
    {
        $largest = [0, 0];
        foreach (Served::get('jobs')['jobs'] as $job) {
            $largest = max($largest, [count(Served::get("jobs/{$job['id']}")['art']['pieces']), $job['id']]);
        }
        $browser = $served->browser();
        $times = [];
        for ($k = 0; $k < 5; $k++) {
            $browser->get('about:blank');
            $browser->get(Served::address("/jobs/{$largest[1]}"));
            do {
                usleep(10_000);
                // Milliseconds since the address was opened, once the art has been drawn.
                $at = $browser->executeScript('return document.querySelector("[data-test=art] path") ? (window.__drawn ??= performance.now()) : 0');
            } while ($at == 0);
            $times[] = (float) $at;
        }
        $browser->quit();
        yield ["opening a job of {$largest[0]} pieces to its first drawing, cold", sprintf('%.0f ms', $times[0]), 'under 1500 ms'];
        sort($times);
        yield ['the same, median of 5', sprintf('%.0f ms', $times[2]), 'under 1500 ms'];
    }

    /** @return iterable<array{string, string, string}> */
    private function weld(): iterable
    {
        mt_srand(5);
        $body = '';
        for ($k = 0; $k < 50; $k++) {
            [$x, $y, $r] = [mt_rand(10, 90), mt_rand(10, 90), mt_rand(5, 14)];
            $body .= $k % 2 === 0 ? "<circle cx=\"{$x}\" cy=\"{$y}\" r=\"{$r}\"/>"
                : "<rect x=\"{$x}\" y=\"{$y}\" width=\"{$r}\" height=\"{$r}\" rx=\"2\" transform=\"rotate({$k} {$x} {$y})\"/>";
        }
        $id = Served::job("<svg xmlns=\"http://www.w3.org/2000/svg\" width=\"100mm\" height=\"100mm\" viewBox=\"0 0 100 100\">{$body}</svg>");
        $edit = ['edit' => ['kind' => 'weld', 'pieces' => array_map(static fn (int $k): string => "p{$k}", range(1, 50))]];
        $times = [];
        for ($k = 0; $k < 21; $k++) {
            $start = hrtime(true);
            $state = Served::post("jobs/{$id}/edits/preview", $edit);
            $times[] = (hrtime(true) - $start) / 1e6;
            if (count($state['gone']) !== 49) {
                throw new RuntimeException('The weld did not weld.');
            }
        }
        sort($times);
        yield ['weld of 50 shapes over HTTP, median and slowest of 21', sprintf('%.0f, %.0f ms', $times[10], $times[20]), 'under 200 ms'];
    }
}
