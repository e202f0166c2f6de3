<?php

declare(strict_types=1);

namespace NeatEdge\Console;

use NeatEdge\Core\Check\Finding;
use NeatEdge\Core\Described\Counted;
use NeatEdge\Core\Format\Svg\Writer;
use NeatEdge\Core\Line\PrepLine;
use NeatEdge\Core\Prepare\JoinNearBlacks;
use NeatEdge\Core\Prepare\SolidColours;
use NeatEdge\Core\Prepare\Step;
use NeatEdge\Core\Sheet\JobReport;
use NeatEdge\Core\Sheet\Prepared;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Input\InputOption;
use Symfony\Component\Console\Output\OutputInterface;

#[AsCommand('prepare', 'Do the whole line: outline strokes, remove hidden, merge by colour, clean nodes, check')]
final class PrepareCommand extends ArtworkCommand
{
    protected function configure(): void
    {
        $this->takesDrawing()->takesSize()->takesProcess('cut-vinyl')->writesFolder()->failsOn('never')
            ->addOption(
                'preset',
                null,
                InputOption::VALUE_REQUIRED,
                'the line of a preset: a built-in one, by its name or its process, or a .json file; the plain line when left out',
            )
            ->addOption('join-near-blacks', null, InputOption::VALUE_NONE, 'make one black of all that only a screen tells apart')
            ->addOption('looks', null, InputOption::VALUE_NONE, 'measure also what each step did to the look, besides the whole line')
            ->addOption('format', null, InputOption::VALUE_REQUIRED, 'text or json', 'text')
            ->examples('Writes one SVG for each colour in real millimetres, and report.json.', [
                'prepare decal.svg --process=cut-vinyl --width=300mm --out-dir ready',
                'prepare decal.svg --preset="Vinyl to weed" --width=300mm --out-dir ready',
                'prepare tag.svg --process=engraving --width="1 1/2in" --out-dir ready --format=json',
            ]);
        $this->setHelp(str_replace('1 1/2in', '3in/2', $this->getHelp()));
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        $folder = self::folder($input);
        $format = self::text($input, 'format');
        if (! in_array($format, ['text', 'json'], true)) {
            throw BadCall::choice('--format', $format, ['text', 'json']);
        }
        $process = self::process($input);
        $drawing = $this->drawing($input, false);
        $source = $drawing->artwork;
        $steps = array_map(static fn (Step $step): string => $step->key(), PrepLine::usual()->steps());
        if ($input->getOption('join-near-blacks') === true) {
            $steps[] = (new JoinNearBlacks)->key();
        }
        if (self::wantsSolid($input)) {
            $steps[] = (new SolidColours)->key();
        }
        $line = PrepLine::standard(ground: self::ground($input))->only($steps);
        $limits = $process->limits();
        $preset = self::text($input, 'preset') === '' ? null : PresetOption::read(self::text($input, 'preset'));
        $line = $preset === null ? $line : PrepLine::of($preset->steps, $limits);
        $prepared = Prepared::of($source, $drawing->findings, $line, $limits);
        [$result, $findings, $sheets] = [$prepared->result, $prepared->findings, $prepared->sheets];
        $files = [];
        foreach ($sheets as $i => $sheet) {
            $files[$sheet->fileName($i + 1)] = Writer::write($sheet->artwork());
        }
        if ($files === []) {
            $path = $input->getArgument('input');
            throw BadCall::nothingDrawn(is_string($path) ? $path : '-');
        }
        $report = [
            'process' => $process->key(),
            ...($preset === null ? [] : ['preset' => ['name' => $preset->name, 'version' => $preset->version]]),
            'width_mm' => round($source->width, 6),
            'height_mm' => round($source->height, 6),
            ...JobReport::of($input->getOption('looks') === true ? $result->withLooks($line) : $result, $sheets, $findings, $limits),
            'verdict' => $prepared->verdict->toArray(),
        ];
        $json = json_encode($report, JSON_THROW_ON_ERROR | JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE | JSON_PRETTY_PRINT)."\n";
        $folder->write([...$files, 'report.json' => $json]);
        $this->tellLeftOut($output, $drawing->findings);
        $this->tellChanges($output, $result->told());
        $output->writeln($format === 'json' ? rtrim($json) : self::words($report, $findings), OutputInterface::OUTPUT_RAW);

        return self::exit($input, $findings);
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
            $lines[] = sprintf(
                '%-16s pieces %d -> %d, nodes %d -> %d',
                $step['label'],
                $step['pieces']['before'],
                $step['pieces']['after'],
                $step['nodes']['before'],
                $step['nodes']['after'],
            )
                .(isset($step['look_difference']) ? sprintf(', looks %.4f %% different', $step['look_difference']['percent']) : '');
        }
        foreach ($report['changes'] as $says) {
            $lines[] = "Changed: {$says}";
        }
        foreach ($report['sheets'] as $sheet) {
            $lines[] = sprintf(
                '%s: %.2f x %.2f mm, %s, %s, %.1f mm to cut',
                $sheet['file'],
                $sheet['width_mm'],
                $sheet['height_mm'],
                Counted::of($sheet['pieces'], 'piece'),
                Counted::of($sheet['nodes'], 'node'),
                $sheet['cut_length_mm'],
            );
        }
        foreach ($findings as $finding) {
            $lines[] = self::line($finding);
        }
        $lines[] = $report['verdict']['sentence'].'.'.($report['verdict']['ready'] ? ' Ready.' : ' Not ready: '.implode(' ', $report['verdict']['open']));
        $left = count(array_filter($findings, static fn (Finding $finding): bool => $finding->isLeftOut()));
        $lines[] = sprintf(
            'Look difference%s: %.3f mm², %.4f %%',
            $left > 0 ? ", of what was taken alone and without the {$left} that were left out or replaced" : '',
            $report['look_difference']['area_mm2'],
            $report['look_difference']['percent'],
        );

        return $lines;
    }
}
