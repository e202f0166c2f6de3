<?php

declare(strict_types=1);

namespace NeatEdge\Console;

use NeatEdge\Core\Check\Finding;
use NeatEdge\Core\Check\Inspection;
use NeatEdge\Core\Check\Process;
use NeatEdge\Core\Format\Svg\Writer;
use NeatEdge\Core\Geometry\Length;
use NeatEdge\Core\Prepare\PrepLine;
use NeatEdge\Core\Sheet\JobReport;
use NeatEdge\Core\Sheet\Sheet;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Input\InputOption;
use Symfony\Component\Console\Output\OutputInterface;

#[AsCommand('prepare', 'Do the whole line: outline strokes, remove hidden, merge by colour, clean nodes, check')]
final class PrepareCommand extends ArtworkCommand
{
    protected function configure(): void
    {
        $processes = implode(', ', array_map(static fn (Process $process): string => $process->value, Process::cases()));
        $this->takesDrawing()
            ->addOption('process', null, InputOption::VALUE_REQUIRED, "how the job is made: {$processes}", 'cut-vinyl')
            ->addOption('width', null, InputOption::VALUE_REQUIRED, 'the finished width of the page; as drawn when left out')
            ->addOption('out-dir', null, InputOption::VALUE_REQUIRED, 'the folder to write into; it is made if need be')
            ->addOption('format', null, InputOption::VALUE_REQUIRED, 'text or json', 'text')
            ->examples('Writes one SVG for each colour in real millimetres, and report.json.', [
                'prepare decal.svg --process=cut-vinyl --width=300mm --out-dir ready',
                'prepare tag.svg --process=engraving --width="1 1/2in" --out-dir ready --format=json',
            ]);
        $this->setHelp(str_replace('1 1/2in', '3in/2', $this->getHelp()));
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        $directory = self::directory($input);
        $format = self::text($input, 'format');
        if (! in_array($format, ['text', 'json'], true)) {
            throw BadCall::choice('--format', $format, ['text', 'json']);
        }
        $process = Process::tryFrom(self::text($input, 'process'))
            ?? throw BadCall::choice('--process', self::text($input, 'process'), array_map(static fn (Process $one): string => $one->value, Process::cases()));
        $width = self::text($input, 'width') === '' ? null : Length::positive(self::text($input, 'width'))->mm;
        $drawing = $this->drawing($input);
        $source = $width === null ? $drawing->artwork : $drawing->artwork->atWidth($width);
        $scale = $source->width / $drawing->artwork->width;
        $result = PrepLine::usual()->run($source);
        $limits = $process->limits();
        $findings = [
            ...array_map(static fn (Finding $finding): Finding => $finding->scaled($scale), $drawing->findings),
            ...Inspection::of($source, $result->artwork(), $limits),
        ];
        $sheets = Sheet::allOf($result->artwork());
        $files = [];
        foreach ($sheets as $i => $sheet) {
            $files["{$directory}/{$sheet->fileName($i + 1)}"] = Writer::write($sheet->artwork());
        }
        if ($files === []) {
            $path = $input->getArgument('input');
            throw BadCall::nothingDrawn(is_string($path) ? $path : '-');
        }
        $report = [
            'process' => $process->value,
            'width_mm' => round($source->width, 6),
            'height_mm' => round($source->height, 6),
            ...JobReport::of($result, $sheets, $findings, $limits),
        ];
        $json = json_encode($report, JSON_THROW_ON_ERROR | JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE | JSON_PRETTY_PRINT)."\n";
        self::ensure($directory);
        OutputFile::write([...$files, "{$directory}/report.json" => $json]);
        $output->writeln($format === 'json' ? rtrim($json) : self::words($report, $findings), OutputInterface::OUTPUT_RAW);

        return self::SUCCESS;
    }

    /**
     * @param  array<string, mixed>  $report
     * @param  list<Finding>  $findings
     * @return list<string>
     */
    private static function words(array $report, array $findings): array
    {
        $lines = [sprintf('%s, %.2f x %.2f mm', $report['process'], $report['width_mm'], $report['height_mm'])];
        foreach ($report['steps'] as $step) {
            $lines[] = sprintf('%-16s pieces %d -> %d, nodes %d -> %d, looks %.4f %% different', $step['label'], $step['pieces']['before'], $step['pieces']['after'],
                $step['nodes']['before'], $step['nodes']['after'], $step['look_difference']['percent']);
        }
        foreach ($report['sheets'] as $sheet) {
            $lines[] = sprintf('%s: %.2f x %.2f mm, %d pieces, %d nodes, %.1f mm to cut', $sheet['file'], $sheet['width_mm'], $sheet['height_mm'], $sheet['pieces'], $sheet['nodes'], $sheet['cut_length_mm']);
        }
        foreach ($findings as $finding) {
            $lines[] = self::line($finding);
        }
        $lines[] = sprintf('Look difference: %.3f mm², %.4f %%', $report['look_difference']['area_mm2'], $report['look_difference']['percent']);

        return $lines;
    }
}
