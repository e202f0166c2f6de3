<?php

declare(strict_types=1);

namespace NeatEdge\Console;

use NeatEdge\Core\Check\Finding;
use NeatEdge\Core\Check\Severity;
use NeatEdge\Core\Format\FileRefused;
use NeatEdge\Core\Format\FolderName;
use NeatEdge\Core\Format\Incoming;
use NeatEdge\Core\Format\Json\PresetJson;
use NeatEdge\Core\Format\Svg\Drawing;
use NeatEdge\Core\Format\Svg\Writer;
use NeatEdge\Core\Geometry\Length;
use NeatEdge\Core\Line\PrepLine;
use NeatEdge\Core\Process\Plain;
use NeatEdge\Core\Process\Process;
use NeatEdge\Core\Process\Processes;
use NeatEdge\Core\Sheet\Prepared;
use NeatEdge\Pages\PageReader;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputArgument;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Input\InputOption;
use Symfony\Component\Console\Output\ConsoleOutputInterface;
use Symfony\Component\Console\Output\OutputInterface;
use Throwable;

/**
 * A folder of drawings through one preset. Each drawing is a folder of its own in the outcome, which appears whole or not at all; the table beside them grows
 * by a row with each. A run that was stopped goes on where it was: what is done for the same file, size and preset is not done again.
 */
#[AsCommand('batch', 'Take a folder of SVG files through one preset')]
final class BatchCommand extends Command
{
    private const FORMATS = ['text', 'json', 'csv'];

    private const DONE = 'row.json';

    protected function configure(): void
    {
        $this->addArgument('folder', InputArgument::REQUIRED, 'the folder with the SVG files')
            ->addOption('preset', null, InputOption::VALUE_REQUIRED, 'one that ships, by its name or its process, or a .json file')
            ->addOption('process', null, InputOption::VALUE_REQUIRED, 'how the jobs are made, which sets the limits; that of the preset when left out')
            ->addOption('width', null, InputOption::VALUE_REQUIRED, 'the finished width of all; as each file states when left out')
            ->addOption('sizes', null, InputOption::VALUE_REQUIRED, 'a CSV table of finished widths: file,width')
            ->addOption('out-dir', null, InputOption::VALUE_REQUIRED, 'the folder to write into')
            ->addOption('jobs', null, InputOption::VALUE_REQUIRED, 'how many are worked on at once', '2')
            ->addOption('format', null, InputOption::VALUE_REQUIRED, 'the summary: '.implode(', ', self::FORMATS), 'text')
            ->addOption('one', null, InputOption::VALUE_REQUIRED, 'only this file; how the workers of a batch are called')
            ->setHelp("Writes a folder for each file with its sheets and report.json. Run again after a stop it goes on where it was.\n\nExamples:\n "
                ." <info>bin/neat-edge batch in --preset=\"Vinyl to weed\" --width=120mm --out-dir out --jobs=2</info>\n  <info>bin/neat-edge batch in"
                ." --preset=shop.json --sizes=sizes.csv --out-dir out --format=csv</info>\n\nExit codes: 0 all are ready, 1 some need a person, 2"
                .' bad input.');
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        $folder = self::words($input->getArgument('folder'));
        if (! is_dir($folder)) {
            throw BadCall::noFolder($folder);
        }
        $out = rtrim(self::words($input->getOption('out-dir')), '/');
        $format = self::words($input->getOption('format'));
        $preset = PresetOption::read(self::words($input->getOption('preset')) === ''
            ? throw BadCall::missing('--preset')
            : self::words($input->getOption('preset')));
        $process = self::words($input->getOption('process')) === '' ? Processes::find($preset->for[0] ?? '') ?? new Plain
            : (Processes::find(self::words($input->getOption('process'))) ?? throw BadCall::choice(
                '--process',
                self::words($input->getOption('process')),
                Processes::keys(),
            ));
        if (! in_array($format, self::FORMATS, true)) {
            throw BadCall::choice('--format', $format, self::FORMATS);
        }
        if ($out === '') {
            throw BadCall::missing('--out-dir');
        }
        if (! is_dir($out) && ! @mkdir($out, 0755, true)) {
            throw BadCall::cannotWrite($out);
        }
        $jobs = filter_var(self::words($input->getOption('jobs')), FILTER_VALIDATE_INT, ['options' => ['min_range' => 1, 'max_range' => 64]]);
        if ($jobs === false) {
            throw BadCall::choice('--jobs', self::words($input->getOption('jobs')), ['a number from 1 to 64']);
        }
        $width = self::words($input->getOption('width'));
        $sizes = self::sizes(self::words($input->getOption('sizes')));
        $one = self::words($input->getOption('one'));
        $work = [];
        [$names, $others] = self::files($folder);
        foreach ($names as $name) {
            $size = $sizes[$name] ?? $width;
            $path = "{$folder}/{$name}";
            $key = hash('xxh128', PrepLine::ENGINE.PresetJson::encode($preset).$process->key().$size.hash_file('xxh128', $path));
            $work[$name] = ['path' => $path, 'size' => $size === '' ? null : Length::positive($size)->mm, 'key' => $key];
        }
        if ($work === []) {
            throw BadCall::missing("an SVG, DXF, PLT, PDF or PostScript file in {$folder}");
        }
        if ($one === '' && $others !== []) {
            $error = $output instanceof ConsoleOutputInterface ? $output->getErrorOutput() : $output;
            $error->writeln(
                sprintf(
                    'note: not taken, as they are of no format that is read: %s',
                    implode(', ', array_slice($others, 0, 20)).(count($others) > 20 ? sprintf(' and %d more', count($others) - 20) : ''),
                ),
                OutputInterface::OUTPUT_RAW,
            );
        }
        if ($one !== '') {
            $task = $work[$one] ?? throw BadCall::noFile("{$folder}/{$one}");
            $this->prepare($one, $task, $out, $preset->steps, $process, ['name' => $preset->name, 'version' => $preset->version]);

            return self::SUCCESS;
        }

        return $this->all($work, $out, $jobs, $format, $output);
    }

    /** @param  array<string, array{path: string, size: float|null, key: string}>  $work  by name */
    private function all(array $work, string $out, int $jobs, string $format, OutputInterface $output): int
    {
        $error = $output instanceof ConsoleOutputInterface ? $output->getErrorOutput() : $output;
        $waiting = array_keys(array_filter(
            $work,
            static fn (array $task, string $name): bool => (self::row($out, $name)['key'] ?? '') !== $task['key'],
            ARRAY_FILTER_USE_BOTH,
        ));
        $kept = count($work) - count($waiting);
        if ($kept > 0) {
            $error->writeln(sprintf('%d of %d were done before and are kept.', $kept, count($work)));
        }
        $running = [];
        $tried = [];
        $done = $kept;
        while ($waiting !== [] || $running !== []) {
            while ($waiting !== [] && count($running) < $jobs) {
                $name = (string) array_shift($waiting);
                $tried[$name] = ($tried[$name] ?? 0) + 1;
                $process = proc_open(
                    [...self::call(), '--one='.$name],
                    [['file', '/dev/null', 'r'], ['file', '/dev/null', 'w'], ['file', '/dev/null', 'w']],
                    $pipes,
                );
                if ($process === false) {
                    throw BadCall::missing('a process of its own for each file');
                }
                $running[$name] = $process;
            }
            foreach ($running as $name => $process) {
                if (proc_get_status($process)['running']) {
                    continue;
                }
                proc_close($process);
                unset($running[$name]);
                if ((self::row($out, $name)['key'] ?? '') === $work[$name]['key']) {
                    $error->writeln(sprintf('%d of %d: %s', ++$done, count($work), $name), OutputInterface::OUTPUT_RAW);
                } elseif ($tried[$name] < 2) {
                    // A worker that was killed leaves nothing half done: its file is begun again.
                    $waiting[] = $name;
                } else {
                    self::store(
                        $out,
                        $name,
                        [],
                        [
                            'file' => $name,
                            'key' => $work[$name]['key'],
                            'state' => 'failed',
                            'error' => 'The work broke off twice; the file may be too large.',
                            'serious' => 0,
                            'findings' => 0,
                            'sheets' => 0,
                            'verdict' => '',
                            'ready' => false,
                        ],
                    );
                    $done++;
                }
            }
            usleep(10_000);
        }
        $rows = array_map(static fn (string $name): array => self::row($out, $name), array_map(strval(...), array_keys($work)));
        OutputFile::write([
            "{$out}/summary.json" => json_encode($rows, JSON_THROW_ON_ERROR | JSON_PRETTY_PRINT | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES)."\n",
            "{$out}/summary.csv" => self::csv($rows),
        ]);
        $output->writeln(match ($format) {
            'json' => rtrim((string) file_get_contents("{$out}/summary.json")),
            'csv' => rtrim(self::csv($rows)),
            default => self::table($rows),
        }, OutputInterface::OUTPUT_RAW);

        return array_filter($rows, static fn (array $row): bool => ($row['ready'] ?? false) !== true) === [] ? 0 : 1;
    }

    /**
     * @param  array{path: string, size: float|null, key: string}  $task
     * @param  list<\NeatEdge\Core\Artwork\LineStep>  $steps
     * @param  array{name: string, version: int}  $preset
     */
    private function prepare(string $name, array $task, string $out, array $steps, Process $process, array $preset): void
    {
        $row = ['file' => $name, 'key' => $task['key'], 'state' => 'done', 'preset' => $preset, 'process' => $process->key()];
        $files = [];
        try {
            $drawing = self::drawing($task['path'])->atWidth($task['size']);
            $prepared = Prepared::of($drawing->artwork, $drawing->findings, PrepLine::of($steps, $process->limits()), $process->limits());
            foreach ($prepared->sheets as $i => $sheet) {
                $files[$sheet->fileName($i + 1)] = Writer::write($sheet->artwork());
            }
            $report = $prepared->report();
            $files['report.json'] = json_encode($report, JSON_THROW_ON_ERROR | JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE | JSON_PRETTY_PRINT)."\n";
            $row += [
                'width_mm' => round($drawing->artwork->width, 4),
                'height_mm' => round($drawing->artwork->height, 4),
                'sheets' => count($prepared->sheets),
                'findings' => count($prepared->findings),
                'serious' => count(array_filter($prepared->findings, static fn (Finding $finding): bool => $finding->severity === Severity::Serious)),
                'changes' => $prepared->result->told(),
                'open' => $prepared->verdict->open,
                'verdict' => $prepared->verdict->sentence,
                'ready' => $prepared->verdict->isReady(),
                'error' => '',
            ];
        } catch (Throwable $problem) {
            $row = [
                ...$row,
                'state' => 'failed',
                'sheets' => 0,
                'findings' => 0,
                'serious' => 0,
                'verdict' => '',
                'ready' => false,
                'error' => $problem instanceof \Error ? 'The work stopped on an internal error.' : $problem->getMessage(),
            ];
            $files = [];
        }
        self::store($out, $name, $files, $row);
    }

    private static function drawing(string $path): Drawing
    {
        $arrived = Incoming::read((string) file_get_contents($path), basename($path), pages: new PageReader);
        if ($arrived->pages > 1) {
            throw FileRefused::because(sprintf('The file has %d pages: which of them is wanted must be chosen by a person.', $arrived->pages));
        }

        return $arrived->drawing;
    }

    /**
     * The folder of a file is made beside its place and moved there whole.
     *
     * @param  array<string, string>  $files
     * @param  array<string, mixed>  $row
     */
    private static function store(string $out, string $name, array $files, array $row): void
    {
        $place = "{$out}/".FolderName::of($name);
        $beside = "{$out}/.making-".FolderName::of($name).'-'.getmypid();
        if (! @mkdir($beside, 0755, true)) {
            throw BadCall::cannotWrite($beside);
        }
        foreach ([...$files, self::DONE => json_encode($row, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES)] as $file => $text) {
            if (file_put_contents("{$beside}/{$file}", $text) !== strlen($text)) {
                throw BadCall::cannotWrite("{$beside}/{$file}");
            }
        }
        if (is_dir($place)) {
            array_map(unlink(...), glob("{$place}/{,.}[!.]*", GLOB_BRACE) ?: []);
            @rmdir($place);
        }
        if (! @rename($beside, $place)) {
            throw BadCall::cannotWrite($place);
        }
    }

    /** @return array{list<string>, list<string>} names of the files that are taken, in order, and of those that are not */
    private static function files(string $folder): array
    {
        $names = array_values(array_filter(scandir($folder) ?: [], static fn (string $name): bool => is_file("{$folder}/{$name}") && $name[0] !== '.'));
        sort($names);
        $taken = array_values(array_filter($names, Incoming::takes(...)));

        return [$taken, array_values(array_diff($names, $taken))];
    }

    /** @return array<string, string> width by file */
    private static function sizes(string $path): array
    {
        if ($path === '') {
            return [];
        }
        $handle = is_file($path) ? @fopen($path, 'r') : false;
        if ($handle === false) {
            throw BadCall::noFile($path);
        }
        $out = [];
        for ($line = 1; ($row = fgetcsv($handle, 10_000, ',', '"', '')) !== false; $line++) {
            $name = trim((string) ($row[0] ?? ''));
            $size = trim((string) ($row[1] ?? ''));
            if ($name === '' || ($line === 1 && strtolower($size) === 'width')) {
                continue;
            }
            Length::positive($size);
            $out[$name] = $size;
        }
        fclose($handle);

        return $out;
    }

    /** @return array<string, mixed> */
    private static function row(string $out, string $name): array
    {
        $path = "{$out}/".FolderName::of($name).'/'.self::DONE;
        $data = is_file($path) ? json_decode((string) file_get_contents($path), true) : null;

        return is_array($data) ? $data : [];
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

    /** @param  list<array<string, mixed>>  $rows */
    private static function csv(array $rows): string
    {
        $handle = fopen('php://memory', 'w+');
        if ($handle === false) {
            return '';
        }
        $columns = ['file', 'state', 'width_mm', 'height_mm', 'sheets', 'findings', 'serious', 'ready', 'verdict', 'error'];
        fputcsv($handle, $columns, ',', '"', '');
        foreach ($rows as $row) {
            // A cell that a spreadsheet would take for a formula is said to be words.
            fputcsv($handle, array_map(static function (string $column) use ($row): string {
                $value = $row[$column] ?? '';
                $text = is_bool($value) ? ($value ? 'yes' : 'no') : (is_scalar($value) ? (string) $value : '');

                return preg_match('/^[=+\-@\t]/', $text) === 1 && ! is_numeric($text) ? "'".$text : $text;
            }, $columns), ',', '"', '');
        }
        rewind($handle);

        return (string) stream_get_contents($handle);
    }

    /**
     * @param  list<array<string, mixed>>  $rows
     * @return list<string>
     */
    private static function table(array $rows): array
    {
        $out = array_map(static fn (array $row): string => sprintf('%-40s %s', mb_substr((string) $row['file'], 0, 40), ($row['error'] ?? '') !== ''
            ? $row['error']
            : sprintf(
                '%s, %d sheets, %d findings (%d serious). %s.',
                $row['ready'] ? 'ready' : 'needs a person',
                $row['sheets'],
                $row['findings'],
                $row['serious'],
                $row['verdict'],
            )), $rows);
        $ready = count(array_filter($rows, static fn (array $row): bool => ($row['ready'] ?? false) === true));
        $out[] = sprintf('%d of %d are ready.', $ready, count($rows));

        return $out;
    }

    private static function words(mixed $value): string
    {
        return is_string($value) ? $value : '';
    }
}
