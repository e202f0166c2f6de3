<?php

declare(strict_types=1);

namespace NeatEdge\Console;

use NeatEdge\Core\Check\Remedies;
use NeatEdge\Core\Check\Remedying;
use NeatEdge\Core\Geometry\Length;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Input\InputOption;
use Symfony\Component\Console\Output\OutputInterface;

#[AsCommand('remedy', 'Cure what a check finds: thicken thin lines, widen gaps, drop islands and more')]
final class RemedyCommand extends ArtworkCommand
{
    protected function configure(): void
    {
        $this->takesDrawing()->takesSize()->takesProcess('cut-vinyl')->writesDrawing()
            ->addOption(
                'kind',
                null,
                InputOption::VALUE_REQUIRED,
                'the findings that are cured, several with commas, or all: '.implode(', ', array_keys(Remedies::all())),
                'all',
            )
            ->addOption('min-line', null, InputOption::VALUE_REQUIRED, 'the least line width; that of the process when left out')
            ->addOption('min-gap', null, InputOption::VALUE_REQUIRED, 'the least gap; that of the process when left out')
            ->addOption('min-island', null, InputOption::VALUE_REQUIRED, 'the least part, as the side of a square; that of the process when left out')
            ->addOption('min-hole', null, InputOption::VALUE_REQUIRED, 'the least hole, as the side of a square; that of the process when left out')
            ->addOption('format', null, InputOption::VALUE_REQUIRED, 'how it is told on standard error: text or json', 'text');
        $this->examples('What is seen becomes plain fills, one a colour, and all findings of the kind are cured. What was done and what had to be left is'
            .' said on standard error.', [
                'remedy decal.svg --kind=thin-line --process=cut-vinyl --width=120mm -o strong.svg',
                'remedy tag.svg --kind=all --min-line=0.3mm --min-gap=0.25mm -o ready.svg --format=json',
            ]);
        $this->setHelp(str_replace('1 findings (check only)', '1 something is left', $this->getHelp()));
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        $known = array_keys(Remedies::all());
        $asked = self::text($input, 'kind');
        $kinds = $asked === 'all' ? Remedies::together() : array_values(array_filter(array_map(trim(...), explode(',', $asked))));
        foreach ($kinds === [] ? [''] : $kinds as $kind) {
            if (! in_array($kind, $known, true)) {
                throw BadCall::choice('--kind', $kind, ['all', ...$known]);
            }
        }
        $format = self::text($input, 'format');
        if (! in_array($format, ['text', 'json'], true)) {
            throw BadCall::choice('--format', $format, ['text', 'json']);
        }
        $limits = self::process($input)->limits();
        foreach (['line', 'gap', 'island', 'hole'] as $name) {
            $text = self::text($input, "min-{$name}");
            $limits = $text === '' ? $limits : $limits->with(...[$name => Length::limit($text)->mm]);
        }
        $drawing = $this->drawing($input);
        $cured = Remedying::of($drawing->artwork, $kinds, $limits);
        $this->tellLeftOut($output, $drawing->findings);
        $error = self::errors($output);
        if ($format === 'json') {
            $error->writeln(
                json_encode(['done' => $cured->done, 'left' => $cured->left], JSON_THROW_ON_ERROR | JSON_PRETTY_PRINT | JSON_UNESCAPED_SLASHES),
                OutputInterface::OUTPUT_RAW,
            );
        } else {
            foreach (['done' => $cured->done, 'left' => $cured->left] as $word => $deeds) {
                foreach ($deeds as $deed) {
                    $error->writeln(self::said($word, $deed), OutputInterface::OUTPUT_RAW);
                }
            }
            $error->writeln(sprintf('%d cured, %d left.', count($cured->done), count($cured->left)));
        }
        $this->save($input, $cured->artwork);

        return $cured->left === [] ? 0 : 1;
    }

    /** @param  array{kind: string, at: array{float, float}|null, measured: float|null, how: string}  $deed */
    private static function said(string $word, array $deed): string
    {
        return sprintf(
            '%s: %s%s%s: %s',
            $word,
            $deed['kind'],
            $deed['measured'] === null ? '' : sprintf(' of %.2f mm', $deed['measured']),
            $deed['at'] === null ? '' : sprintf(' at %.2f, %.2f', $deed['at'][0], $deed['at'][1]),
            $deed['how'],
        );
    }
}
