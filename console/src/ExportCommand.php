<?php

declare(strict_types=1);

namespace NeatEdge\Console;

use NeatEdge\Core\Format\Export;
use NeatEdge\Core\Format\Formats;
use NeatEdge\Core\Format\Svg\Drawing;
use NeatEdge\Core\Geometry\Length;
use NeatEdge\Core\Line\PrepLine;
use NeatEdge\Core\Line\Presets;
use NeatEdge\Core\Process\Process;
use NeatEdge\Core\Seen\Seen;
use NeatEdge\Core\Sheet\Make\Order;
use NeatEdge\Core\Sheet\Prepared;
use NeatEdge\Pages\Dots;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Input\InputOption;
use Symfony\Component\Console\Output\OutputInterface;

#[AsCommand('export', 'Prepare a drawing and write what the machine gets: sheets, plates and cuts as files')]
final class ExportCommand extends ArtworkCommand
{
    protected function configure(): void
    {
        $formats = implode(', ', array_keys(Formats::catalogue()));
        $this->takesDrawing()->takesSize()->takesProcess('cut-vinyl')->writesFolder()
            ->addOption(
                'preset',
                null,
                InputOption::VALUE_REQUIRED,
                'the line of a preset: a built-in one, by its name or its process, or a .json file; the plain line when left out',
            )
            ->addOption(
                'anyway',
                null,
                InputOption::VALUE_NONE,
                'write the files though the job is not ready; the exit code is 1 then, and the verdict stands on standard error',
            )
            ->addOption('format', null, InputOption::VALUE_REQUIRED, $formats, 'pdf')
            ->addOption('plates', null, InputOption::VALUE_REQUIRED, 'one file for all plates or sheets, or each its own: one, each', 'each')
            ->addOption('copies', null, InputOption::VALUE_REQUIRED, 'how many of each')
            ->addOption('bed', null, InputOption::VALUE_REQUIRED, 'what is laid on, length x width such as 600x300mm; 0x300mm is a roll')
            ->addOption(
                'set',
                null,
                InputOption::VALUE_REQUIRED | InputOption::VALUE_IS_ARRAY,
                'a value of the process or the format, such as weedEvery=80mm, trap=0.2mm or resolution=600',
            )
            ->addOption('choices', null, InputOption::VALUE_NONE, 'list what can be set for this process and format, and do nothing')
            ->addOption('name', null, InputOption::VALUE_REQUIRED, 'the name of the job, after which files are called; the drawing\'s when left out')
            ->examples('Everything is laid out as the process promises, in the order in which it is made; manifest.json says sizes, lengths and checksums.', [
                'export decal.svg --process=cut-vinyl --width=300mm --format=plt --bed=0x610mm --out-dir out',
                'export tabard.svg --process=screen-print --width=280mm --format=pdf --plates=one --set trap=0.2mm --set underbase=yes --out-dir films',
                'export tag.svg --process=engraving --width=60mm --format=gcode --copies=6 --bed=600x300mm --out-dir tags',
            ]);
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        $process = self::process($input);
        $format = self::text($input, 'format');
        if (! isset(Formats::catalogue()[$format])) {
            throw BadCall::choice('--format', $format, array_keys(Formats::catalogue()));
        }
        if ($input->getOption('choices') === true) {
            $output->writeln(self::choices($process, $format), OutputInterface::OUTPUT_RAW);

            return self::SUCCESS;
        }
        $plates = self::text($input, 'plates');
        if (! in_array($plates, ['one', 'each'], true)) {
            throw BadCall::choice('--plates', $plates, ['one', 'each']);
        }
        $folder = self::folder($input);
        $typed = self::typed($input, $process, $format);
        $writer = Formats::make($format, $typed);
        $drawing = $this->drawing($input, false);
        [$prepared, $order] = self::ordered($input, $drawing, $process, $typed);
        $layouts = $order->layouts();
        if ($layouts === []) {
            $path = $input->getArgument('input');
            throw BadCall::nothingDrawn(is_string($path) ? $path : '-');
        }
        $ready = $prepared->verdict->isReady();
        if (! $ready && $input->getOption('anyway') !== true) {
            throw BadCall::notReady($prepared->verdict->sentence, $prepared->verdict->open);
        }
        $files = Export::files($layouts, $format, $writer, $plates === 'one', new Dots);
        $manifest = [
            ...Export::manifest($order->name, $layouts, $files, $format, $writer),
            'changes' => $prepared->result->told(),
            'verdict' => $prepared->verdict->toArray(),
        ];
        $folder->write([
            ...$files,
            'manifest.json' => json_encode($manifest, JSON_THROW_ON_ERROR | JSON_PRETTY_PRINT | JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE)."\n",
        ]);
        $this->tellLeftOut($output, $drawing->findings);
        $this->tellChanges($output, $prepared->result->told());
        if (! $ready) {
            $this->tellVerdict($output, $prepared->verdict);
        }
        self::tellSheets($output, $manifest['sheets']);

        return $ready ? self::SUCCESS : self::FAILURE;
    }

    /**
     * @param  array<string, string>  $typed
     * @return array{Prepared, Order} what comes of the line, and how it is wanted
     */
    private static function ordered(InputInterface $input, Drawing $drawing, Process $process, array $typed): array
    {
        // One line for all commands and the page: nothing that changes the look is done before somebody asks for it.
        $steps = self::text($input, 'preset') === '' ? Presets::plain() : PresetOption::read(self::text($input, 'preset'))->steps;
        $limits = $process->limits();
        $line = PrepLine::of($steps, $limits);
        $source = Seen::of($drawing->artwork);
        $values = $process->values($typed);
        $prepared = Prepared::of($drawing->artwork, $drawing->findings, $line, $limits);
        $order = new Order(
            $prepared->result->artwork(), self::called($input), $process->making(), $limits, $values, [], $line->isMirrored(), [],
            $process->under($line, $source, $values),
        );

        return [$prepared, $order];
    }

    /** @param  list<array<string, mixed>>  $sheets  see Export::row */
    private static function tellSheets(OutputInterface $output, array $sheets): void
    {
        foreach ($sheets as $row) {
            $output->writeln(
                sprintf(
                    '%s: %.1f x %.1f mm%s%s',
                    $row['title'],
                    $row['width_mm'],
                    $row['height_mm'],
                    $row['length_mm'] > 0 ? sprintf(', %.2f m to go along', $row['length_mm'] / 1000) : '',
                    $row['used'] === null ? '' : sprintf(', %.0f %% used', 100 * $row['used']),
                ),
                OutputInterface::OUTPUT_RAW,
            );
            foreach ([...$row['warns'], ...$row['says'], ...$row['loses']] as $says) {
                $output->writeln("  {$says}", OutputInterface::OUTPUT_RAW);
            }
        }
    }

    private static function called(InputInterface $input): string
    {
        $name = self::text($input, 'name');
        $path = $input->getArgument('input');

        return $name !== '' ? mb_substr($name, 0, 120) : (is_string($path) && $path !== '-' ? pathinfo($path, PATHINFO_FILENAME) : 'drawing');
    }

    /** @return array<string, string> what was set, by name */
    private static function typed(InputInterface $input, Process $process, string $format): array
    {
        $known = [...array_column($process->fields(), 'name'), ...array_column(Formats::about($format)->fields, 'name')];
        $typed = [];
        foreach ((array) $input->getOption('set') as $text) {
            [$name, $value] = [...explode('=', is_string($text) ? $text : '', 2), ''];
            if (! in_array($name, $known, true)) {
                throw BadCall::choice('--set', $name, $known);
            }
            $typed[$name] = in_array(strtolower($value), ['no', 'off', 'false'], true) ? '' : $value;
        }
        if (self::text($input, 'copies') !== '') {
            $typed['copies'] = self::text($input, 'copies');
        }
        $bed = self::text($input, 'bed');
        if ($bed !== '') {
            if (preg_match('/^\s*([\d.]+)\s*(mm|cm|in)?\s*x\s*([\d.]+)\s*(mm|cm|in)?\s*$/Di', $bed, $m) !== 1) {
                throw BadCall::wrong('--bed', $bed, 'write it as length x width, such as 600x300mm');
            }
            $unit = strtolower($m[4] ?? '') ?: (strtolower($m[2]) ?: 'mm');
            $typed['bedLength'] = (string) Length::limit($m[1], strtolower($m[2]) ?: $unit)->mm;
            $typed['bedWidth'] = (string) Length::positive($m[3], $unit)->mm;
        }

        return $typed;
    }

    /** @return list<string> */
    private static function choices(Process $process, string $format): array
    {
        $choices = [];
        foreach ([$process->label() => $process->fields(), Formats::about($format)->label => Formats::about($format)->fields] as $of => $fields) {
            $choices[] = "{$of}:";
            foreach ($fields as $field) {
                $usual = is_bool($field->usual) ? ($field->usual ? 'yes' : 'no') : (string) $field->usual;
                $choices[] = sprintf(
                    '  %-12s %s%s (%s)%s',
                    $field->name,
                    $field->label,
                    $field->options === [] ? '' : ': '.implode(', ', array_keys($field->options)),
                    $usual,
                    $field->help === '' ? '' : "; {$field->help}",
                );
            }
        }

        return $choices;
    }
}
