<?php

declare(strict_types=1);

namespace NeatEdge\Console;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Check\Finding;
use NeatEdge\Core\Check\Severity;
use NeatEdge\Core\Format\FileRefused;
use NeatEdge\Core\Format\Incoming;
use NeatEdge\Core\Format\Json\PresetJson;
use NeatEdge\Core\Format\Svg\Drawing;
use NeatEdge\Core\Format\Svg\Writer;
use NeatEdge\Core\Geometry\Length;
use NeatEdge\Core\Line\PrepLine;
use NeatEdge\Core\Line\Preset;
use NeatEdge\Core\Process\Plain;
use NeatEdge\Core\Process\Process;
use NeatEdge\Core\Process\Processes;
use NeatEdge\Core\Proof\Things;
use NeatEdge\Core\Seen\Seen;
use NeatEdge\Core\Sheet\Prepared;
use NeatEdge\Pages\PageReader;
use NeatEdge\Pages\ProofFile;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputArgument;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Input\InputOption;
use Symfony\Component\Console\Output\ConsoleOutputInterface;
use Symfony\Component\Console\Output\OutputInterface;
use Throwable;

/**
 * A folder of drawings through one preset, each in a process of its own. A run that was stopped goes on where it was: what is done for the same file, size
 * and preset is not done again.
 */
#[AsCommand('batch', 'Take a folder of SVG files through one preset')]
final class BatchCommand extends Command
{
    private const FORMATS = ['text', 'json', 'csv'];

    /** Dots across, of a picture on a thing. */
    private const ACROSS = 1600;

    protected function configure(): void
    {
        $this->addArgument('folder', InputArgument::REQUIRED, 'the folder with the files: drawings, and pictures (PNG, JPEG) whose width is said')
            ->addOption('preset', null, InputOption::VALUE_REQUIRED, 'a built-in one, by its name or its process, or a .json file')
            ->addOption('process', null, InputOption::VALUE_REQUIRED, 'how the jobs are made, which sets the limits; that of the preset when left out')
            ->addOption('width', null, InputOption::VALUE_REQUIRED, 'the finished width of all; as each file states when left out')
            ->addOption('sizes', null, InputOption::VALUE_REQUIRED, 'a CSV table of finished widths: file,width')
            ->addOption('out-dir', null, InputOption::VALUE_REQUIRED, 'the folder to write into')
            ->addOption(
                'product',
                null,
                InputOption::VALUE_REQUIRED | InputOption::VALUE_IS_ARRAY,
                'a picture of each drawing on a thing, too: '.implode(', ', array_keys(Things::all())),
            )
            ->addOption('jobs', null, InputOption::VALUE_REQUIRED, 'how many are worked on at once', '2')
            ->addOption('format', null, InputOption::VALUE_REQUIRED, 'the summary: '.implode(', ', self::FORMATS), 'text')
            ->addOption('one', null, InputOption::VALUE_REQUIRED, 'only this file; how the workers of a batch are called')
            ->setHelp("Writes a folder for each file with its sheets and report.json. Run again after a stop it goes on where it was.\n\nExamples:\n "
                ." <info>bin/neat-edge batch in --preset=\"Vinyl to weed\" --width=120mm --out-dir out --jobs=2</info>\n  <info>bin/neat-edge batch in"
                ." --preset=shop.json --sizes=sizes.csv --out-dir out --format=csv</info>\n  <info>bin/neat-edge batch in"
                ." --preset=\"Vinyl to weed\" --product=mug --product=tabard --out-dir out</info>\n\nExit codes: 0 all are ready, 1 some need a person, 2"
                .' bad input.');
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        $word = static fn (string $option): string => self::words($input->getOption($option));
        $folder = self::words($input->getArgument('folder'));
        if (! is_dir($folder)) {
            throw BadCall::noFolder($folder);
        }
        $preset = PresetOption::read($word('preset') === '' ? throw BadCall::missing('--preset') : $word('preset'));
        $process = self::process($word('process'), $preset);
        if (! in_array($word('format'), self::FORMATS, true)) {
            throw BadCall::choice('--format', $word('format'), self::FORMATS);
        }
        $rows = new BatchRows(self::outcome($word('out-dir')));
        $jobs = filter_var($word('jobs'), FILTER_VALIDATE_INT, ['options' => ['min_range' => 1, 'max_range' => 64]]);
        if ($jobs === false) {
            throw BadCall::choice('--jobs', $word('jobs'), ['a number from 1 to 64']);
        }
        [$names, $others] = self::files($folder);
        $things = array_values(array_unique(array_filter((array) $input->getOption('product'), is_string(...))));
        foreach ($things as $thing) {
            isset(Things::all()[$thing]) || throw BadCall::choice('--product', $thing, array_keys(Things::all()));
        }
        $line = PresetJson::encode($preset).$process->key().implode(' ', $things);
        $work = self::work($folder, $names, self::sizes($word('sizes')), $word('width'), $line);
        $one = $word('one');
        if ($one !== '') {
            $task = $work[$one] ?? throw BadCall::noFile("{$folder}/{$one}");
            $this->prepare($one, $task, $rows, $preset->steps, $process, ['name' => $preset->name, 'version' => $preset->version], $things);

            return self::SUCCESS;
        }
        $error = $output instanceof ConsoleOutputInterface ? $output->getErrorOutput() : $output;
        self::tellOthers($error, $others);
        (new BatchWorkers($work, $rows, $error))->run($jobs);

        return self::summary(array_map($rows->of(...), array_map(strval(...), array_keys($work))), $rows->folder, $word('format'), $output);
    }

    private static function process(string $wanted, Preset $preset): Process
    {
        return $wanted === ''
            ? Processes::find($preset->for[0] ?? '') ?? new Plain
            : Processes::find($wanted) ?? throw BadCall::choice('--process', $wanted, Processes::keys());
    }

    /** The folder to write into, which is there afterwards. */
    private static function outcome(string $folder): string
    {
        $folder = rtrim($folder, '/');
        if ($folder === '') {
            throw BadCall::missing('--out-dir');
        }
        if (! is_dir($folder) && ! @mkdir($folder, 0755, true)) {
            throw BadCall::cannotWrite($folder);
        }

        return $folder;
    }

    /**
     * @param  list<string>  $names
     * @param  array<string, string>  $sizes  by file
     * @param  string  $width  of all others
     * @param  string  $line  what is done with them, by which an outcome is known again
     * @return non-empty-array<string, array{path: string, size: float|null, key: string}> by name
     */
    private static function work(string $folder, array $names, array $sizes, string $width, string $line): array
    {
        $work = [];
        foreach ($names as $name) {
            $size = $sizes[$name] ?? $width;
            $path = "{$folder}/{$name}";
            $key = hash('xxh128', PrepLine::ENGINE.$line.$size.hash_file('xxh128', $path));
            $work[$name] = ['path' => $path, 'size' => $size === '' ? null : Length::positive($size)->mm, 'key' => $key];
        }

        return $work === [] ? throw BadCall::missing("an SVG, DXF, PLT, PDF or PostScript file in {$folder}") : $work;
    }

    /** @param  list<string>  $others  files that are not taken */
    private static function tellOthers(OutputInterface $error, array $others): void
    {
        if ($others !== []) {
            $first = implode(', ', array_slice($others, 0, 20)).(count($others) > 20 ? sprintf(' and %d more', count($others) - 20) : '');
            $error->writeln("note: not taken, as they are of no format that is read: {$first}", OutputInterface::OUTPUT_RAW);
        }
    }

    /** @param  list<array<string, mixed>>  $rows */
    private static function summary(array $rows, string $folder, string $format, OutputInterface $output): int
    {
        $json = json_encode($rows, JSON_THROW_ON_ERROR | JSON_PRETTY_PRINT | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES);
        $csv = BatchRows::csv($rows);
        OutputFile::write(["{$folder}/summary.json" => "{$json}\n", "{$folder}/summary.csv" => $csv]);
        $output->writeln(match ($format) {
            'json' => $json,
            'csv' => rtrim($csv),
            default => BatchRows::table($rows),
        }, OutputInterface::OUTPUT_RAW);

        return array_filter($rows, static fn (array $row): bool => ($row['ready'] ?? false) !== true) === [] ? self::SUCCESS : self::FAILURE;
    }

    /**
     * @param  array{path: string, size: float|null, key: string}  $task
     * @param  list<\NeatEdge\Core\Artwork\LineStep>  $steps
     * @param  array{name: string, version: int}  $preset
     * @param  list<string>  $things  that it is shown on
     */
    private function prepare(string $name, array $task, BatchRows $rows, array $steps, Process $process, array $preset, array $things): void
    {
        $row = ['file' => $name, 'key' => $task['key'], 'state' => 'done', 'preset' => $preset, 'process' => $process->key()];
        $files = [];
        try {
            $drawing = self::drawing($task['path'], $task['size'])->atWidth($task['size']);
            $prepared = Prepared::of($drawing->artwork, $drawing->findings, PrepLine::of($steps, $process->limits()), $process->limits());
            foreach ($prepared->sheets as $i => $sheet) {
                $files[$sheet->fileName($i + 1)] = Writer::write($sheet->artwork());
            }
            $report = $prepared->report();
            $files['report.json'] = json_encode($report, JSON_THROW_ON_ERROR | JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE | JSON_PRETTY_PRINT)."\n";
            [$pictures, $says] = self::onThings($drawing->artwork, $things);
            $files += $pictures;
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
                'on_things' => implode(' ', $says),
                'error' => '',
            ];
        } catch (Throwable $problem) {
            $row = [
                ...$row,
                ...BatchRows::NOTHING,
                'error' => $problem instanceof \Error ? 'The work stopped on an internal error.' : $problem->getMessage(),
            ];
            $files = [];
        }
        $rows->store($name, $files, $row);
    }

    /**
     * @param  list<string>  $things
     * @return array{array<string, string>, list<string>} PNG files by name, and what does not fit
     */
    private static function onThings(Artwork $artwork, array $things): array
    {
        $art = Seen::of($artwork);
        $files = $says = [];
        foreach ($things as $thing) {
            $product = Things::product($thing);
            $laid = $product->everywhere($art);
            $files["proof-{$thing}.png"] = ProofFile::png($product->shown([], $laid), self::ACROSS);
            array_push($says, ...array_map(static fn (string $one): string => "{$thing}: {$one}", $product->says($laid)));
        }

        return [$files, $says];
    }

    /** @param  float|null  $size  mm: how wide it is to be: a picture is traced at that */
    private static function drawing(string $path, ?float $size): Drawing
    {
        if ($size === null && Incoming::traces($path)) {
            throw FileRefused::because('A picture says no size: give one with --width or --sizes, and it is traced.');
        }
        $arrived = Incoming::read((string) file_get_contents($path), basename($path), $size === null ? [] : ['trace' => "{$size}mm"], pages: new PageReader);
        if ($arrived->pages > 1) {
            throw FileRefused::because(sprintf('The file has %d pages: which of them is wanted must be chosen by a person.', $arrived->pages));
        }

        return $arrived->drawing;
    }

    /** @return array{list<string>, list<string>} names of the files that are taken, in order, and of those that are not */
    private static function files(string $folder): array
    {
        $names = array_values(array_filter(scandir($folder) ?: [], static fn (string $name): bool => is_file("{$folder}/{$name}") && $name[0] !== '.'));
        sort($names);
        $taken = array_values(array_filter($names, static fn (string $name): bool => Incoming::takes($name) || Incoming::traces($name)));

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
        $sizes = [];
        for ($line = 1; ($row = fgetcsv($handle, 10_000, ',', '"', '')) !== false; $line++) {
            $name = trim((string) ($row[0] ?? ''));
            $size = trim((string) ($row[1] ?? ''));
            if ($name === '' || ($line === 1 && strtolower($size) === 'width')) {
                continue;
            }
            Length::positive($size);
            $sizes[$name] = $size;
        }
        fclose($handle);

        return $sizes;
    }

    private static function words(mixed $value): string
    {
        return is_string($value) ? $value : '';
    }
}
