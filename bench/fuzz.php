<?php

/**
 * Usage: bench/fuzz.php [mutations] [first seed]: real files, spoilt, through reading, every preparing step and, for one in
 * fifty, the whole command. Every refusal must be one of ours; a crash, a warning, more than 10 s for one step or 512 MB, and an
 * output file beside a refusal are failures, printed with their seed. Exits with 1 if there were any.
 */

declare(strict_types=1);

use NeatEdge\Bench\Mutation;
use NeatEdge\Core\Format\Svg\Reader;
use NeatEdge\Core\Format\Svg\SvgRefused;
use NeatEdge\Core\Format\Svg\Writer;
use NeatEdge\Core\Prepare\CleanNodes;
use NeatEdge\Core\Prepare\MergeByColour;
use NeatEdge\Core\Prepare\OutlineStrokes;
use NeatEdge\Core\Prepare\RemoveHidden;
use NeatEdge\Core\Prepare\SolidColours;
use NeatEdge\Core\Tests\Support\RealArt;
use NeatEdge\Core\Tests\Support\SvgFeatures;

require dirname(__DIR__).'/vendor/autoload.php';

const SECONDS = 10.0;

$child = ($argv[1] ?? '') === '--child';
$mutations = (int) ($argv[$child ? 2 : 1] ?? 10000);
$first = (int) ($argv[$child ? 3 : 2] ?? 1);

if ($child) {
    set_error_handler(static function (int $level, string $text, string $file, int $line): never {
        throw new ErrorException("warning: {$text}", 0, $level, $file, $line);
    });
    $files = [];
    foreach (['icons', 'strokes', 'emoji', 'round-flags', 'flags', 'weather', 'map-signs'] as $set) {
        array_push($files, ...array_values(RealArt::of($set, 60)));
    }
    $mutation = new Mutation([...$files, ...array_values(SvgFeatures::all())]);
    for ($seed = $first; $seed < $first + $mutations; $seed++) {
        echo "begin {$seed}\n";
        $svg = $mutation->of($seed);
        try {
            $artwork = Reader::read($svg)->artwork;
            foreach ([new OutlineStrokes, new RemoveHidden, new MergeByColour, new SolidColours, new CleanNodes(0.005)] as $step) {
                echo "begin {$seed}\n";
                Reader::read(Writer::write($step->apply($artwork)));
            }
            echo "done {$seed}\n";
        } catch (SvgRefused $refused) {
            $oneSentence = trim($refused->getMessage()) !== '' && ! str_contains($refused->getMessage(), "\n") && strlen($refused->getMessage()) < 400;
            echo $oneSentence ? "refused {$seed}\n" : "failed {$seed} not one clear sentence: ".json_encode($refused->getMessage())."\n";
        } catch (Throwable $failure) {
            $where = basename($failure->getFile()).':'.$failure->getLine();
            echo "failed {$seed} ", $failure::class, ': ', substr($failure->getMessage(), 0, 200), " at {$where}\n";
        }
        if ($seed % 50 === 0) {
            echo wholeCommand($svg, $seed);
        }
    }
    exit(0);
}

/** Runs the command itself: either it succeeds and its file can be read, or it fails and leaves none. */
function wholeCommand(string $svg, int $seed): string
{
    $folder = sys_get_temp_dir().'/neat-edge-fuzz-'.getmypid();
    @mkdir($folder);
    file_put_contents("{$folder}/in.svg", $svg);
    $name = ['outline', 'visible', 'weld'][$seed % 3];
    $process = proc_open(
        [dirname(__DIR__).'/bin/neat-edge', $name, "{$folder}/in.svg", '-o', "{$folder}/out.svg"],
        [['file', '/dev/null', 'r'], ['file', '/dev/null', 'w'], ['file', "{$folder}/err", 'w']],
        $pipes,
    );
    $status = $process === false ? -1 : proc_close($process);
    $error = (string) file_get_contents("{$folder}/err");
    $wrong = null;
    if (! in_array($status, [0, 1, 2], true)) {
        $wrong = "{$name} ended with {$status}";
    } elseif (preg_match('/Stack trace|Fatal|Warning|Notice|Deprecated/', $error) === 1) {
        $wrong = "{$name} said: ".substr($error, 0, 200);
    } elseif ($status !== 0 && file_exists("{$folder}/out.svg")) {
        $wrong = "{$name} failed and left a file";
    } elseif ($status !== 0 && trim($error) === '') {
        $wrong = "{$name} failed without a word";
    } elseif ($status === 0) {
        Reader::read((string) file_get_contents("{$folder}/out.svg"));
    }
    array_map(unlink(...), glob("{$folder}/*") ?: []);
    rmdir($folder);

    return $wrong === null ? '' : "failed {$seed} {$wrong}\n";
}

$php = [
    PHP_BINARY, '-d', 'opcache.enable_cli=1', '-d', 'opcache.jit_buffer_size=64M', '-d', 'opcache.jit=function', '-d', 'memory_limit=512M', '-d',
    'display_errors=stderr',
];
$counts = ['done' => 0, 'refused' => 0, 'failed' => 0];
$slowest = [0.0, 0];
$began = microtime(true);
for ($seed = $first; $seed < $first + $mutations;) {
    $process = proc_open(
        [...$php, __FILE__, '--child', (string) ($first + $mutations - $seed), (string) $seed],
        [['file', '/dev/null', 'r'], ['pipe', 'w'], ['pipe', 'w']],
        $pipes,
    );
    if ($process === false) {
        exit(2);
    }
    $now = microtime(true);
    stream_set_blocking($pipes[1], false);
    $text = '';
    $errors = '';
    stream_set_blocking($pipes[2], false);
    $hung = false;
    while (true) {
        $read = [$pipes[1], $pipes[2]];
        $none = null;
        stream_select($read, $none, $none, 0, 200000);
        $errors = substr($errors.stream_get_contents($pipes[2]), -2000);
        $text .= stream_get_contents($pipes[1]);
        while (($end = strpos($text, "\n")) !== false) {
            $line = substr($text, 0, $end);
            $text = substr($text, $end + 1);
            [$what, $number] = explode(' ', $line, 3);
            if ($what === 'begin') {
                $seed = (int) $number;
                $now = microtime(true);

                continue;
            }
            $counts[$what]++;
            if (microtime(true) - $now > $slowest[0]) {
                $slowest = [microtime(true) - $now, $seed];
            }
            if ($what === 'failed') {
                echo $line, "\n";
            }
            if ($seed % 1000 === 0) {
                printf("%d: %d done, %d refused, %d failed, %.0f s\n", $seed, $counts['done'], $counts['refused'], $counts['failed'], microtime(true) - $began);
            }
        }
        if (! proc_get_status($process)['running'] && feof($pipes[1])) {
            break;
        }
        if (microtime(true) - $now > SECONDS) {
            $hung = true;
            proc_terminate($process, 9);
            break;
        }
    }
    $status = proc_close($process);
    if (array_sum($counts) === 0 && ! $hung) {
        fwrite(STDERR, "The run did not begin: {$errors}\n");
        exit(2);
    }
    if ($hung) {
        $counts['failed']++;
        echo "failed {$seed} took more than ", SECONDS, " s\n";
    } elseif ($status !== 0 && trim($errors) !== '') {
        $counts['failed']++;
        echo "failed {$seed} ended: ", strtr(substr($errors, 0, 300), "\n", ' '), "\n";
    }
    $seed++;
}
printf(
    "%d mutations from seed %d: %d done, %d refused in one sentence, %d failed; slowest %.1f s (seed %d).\n",
    $mutations,
    $first,
    $counts['done'],
    $counts['refused'],
    $counts['failed'],
    ...$slowest,
);
exit($counts['failed'] === 0 ? 0 : 1);
