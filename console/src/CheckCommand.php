<?php

declare(strict_types=1);

namespace NeatEdge\Console;

use NeatEdge\Core\Check\Finding;
use NeatEdge\Core\Check\Inspection;
use NeatEdge\Core\Geometry\Length;
use NeatEdge\Core\Measure\Limits;
use NeatEdge\Core\Prepare\MergeByColour;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Input\InputOption;
use Symfony\Component\Console\Output\OutputInterface;

#[AsCommand('check', 'Find lines and gaps that are too thin, and what cannot be taken')]
final class CheckCommand extends ArtworkCommand
{
    protected function configure(): void
    {
        $this->takesDrawing()->takesSize()->takesProcess('')->failsOn('any')
            ->addOption('min-line', null, InputOption::VALUE_REQUIRED, 'the least line width; 0 switches it off; that of the process, or 0.5mm, when left out')
            ->addOption('min-gap', null, InputOption::VALUE_REQUIRED, 'the least gap; 0 switches it off; that of the process, or 0.5mm, when left out')
            ->addOption('format', null, InputOption::VALUE_REQUIRED, 'text or json', 'text')
            ->examples('What is seen of each colour is measured; places are in mm from the top left of the page.', [
                'check decal.svg',
                'check decal.svg --min-line=0.8mm --min-gap=0.02in --format=json',
                'check decal.svg --width=300mm --process=cut-vinyl --fail-on=serious',
            ]);
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        $format = self::text($input, 'format');
        if (! in_array($format, ['text', 'json'], true)) {
            throw BadCall::choice('--format', $format, ['text', 'json']);
        }
        $usual = self::text($input, 'process') === '' ? new Limits(0.5, 0.5) : self::process($input)->limits();
        $limit = static fn (string $option, float $mm): float => self::text($input, $option) === '' ? $mm : Length::limit(self::text($input, $option))->mm;
        $limits = $usual->with(line: $limit('min-line', $usual->line), gap: $limit('min-gap', $usual->gap));
        $drawing = $this->drawing($input);
        $merged = (new MergeByColour)->apply($drawing->artwork);
        $findings = [...$drawing->findings, ...Inspection::of($drawing->artwork, $drawing->artwork, $merged, $limits)];
        if ($format === 'json') {
            $rows = array_map(static fn (Finding $finding): array => $finding->toArray(), $findings);
            $output->writeln(
                json_encode(['findings' => $rows], JSON_THROW_ON_ERROR | JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE | JSON_PRETTY_PRINT),
                OutputInterface::OUTPUT_RAW,
            );
        } else {
            foreach ($findings as $finding) {
                $output->writeln(self::line($finding), OutputInterface::OUTPUT_RAW);
            }
            $output->writeln($findings === [] ? 'No findings.' : count($findings).(count($findings) === 1 ? ' finding.' : ' findings.'));
        }

        $this->tellLeftOut($output, $drawing->findings);

        return self::exit($input, $findings);
    }
}
