<?php

declare(strict_types=1);

namespace NeatEdge\Console;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Check\Finding;
use NeatEdge\Core\Check\Severity;
use NeatEdge\Core\Check\Verdict;
use NeatEdge\Core\Format\Incoming;
use NeatEdge\Core\Format\Svg\Drawing;
use NeatEdge\Core\Format\Svg\Limits;
use NeatEdge\Core\Format\Svg\Writer;
use NeatEdge\Core\Geometry\Length;
use NeatEdge\Core\Measure\Colour;
use NeatEdge\Core\Prepare\SolidColours;
use NeatEdge\Core\Process\Process;
use NeatEdge\Core\Process\Processes;
use NeatEdge\Core\Type\Font;
use NeatEdge\Core\Type\FontShelf;
use NeatEdge\Pages\PageReader;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputArgument;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Input\InputOption;
use Symfony\Component\Console\Output\ConsoleOutputInterface;
use Symfony\Component\Console\Output\OutputInterface;

/** A command that reads one drawing. */
abstract class ArtworkCommand extends Command
{
    /** Whether a finished width can be asked for: an edit may have a width that is its own. */
    private bool $sizes = false;

    private const FAILS = ['serious', 'warning', 'left-out', 'any', 'never'];

    protected function takesDrawing(): static
    {
        return $this->addArgument('input', InputArgument::REQUIRED, 'the SVG, DXF, PLT, PDF or PostScript file, or - for standard input')
            ->addOption(
                'take',
                null,
                InputOption::VALUE_REQUIRED | InputOption::VALUE_IS_ARRAY,
                'how a file that can be taken in several ways is taken, such as lines=cut, lines=drawn, gap=0.1mm, width=0.5mm, unit=in, asleep=yes, page=2,'
                    .' or trace=120mm for a picture of that width',
            )
            ->addOption('fonts', null, InputOption::VALUE_REQUIRED, 'a folder of fonts (.ttf, .woff) for text, besides those that ship')
            ->addOption('solid-colours', null, InputOption::VALUE_NONE, 'turn what one can see through into the solid colours that are seen')
            ->addOption(
                'ground',
                null,
                InputOption::VALUE_REQUIRED,
                'the colour that see-through pieces are laid on where nothing solid lies under them, such as #ffffff',
            )
            ->addOption(
                'limit',
                null,
                InputOption::VALUE_REQUIRED | InputOption::VALUE_IS_ARRAY,
                'how much of a file is taken, such as pieces=200000 or bytes=50000000',
            );
    }

    protected function writesDrawing(): static
    {
        return $this->addOption('output', 'o', InputOption::VALUE_REQUIRED, 'the SVG file to write, or - for standard output', '-');
    }

    /** @param  list<string>  $examples */
    protected function examples(string $text, array $examples): static
    {
        $lines = array_map(static fn (string $example): string => "  <info>bin/neat-edge {$example}</info>", $examples);

        return $this->setHelp($text."\n\nExamples:\n".implode("\n", $lines)."\n\nExit codes: 0 done, 1 findings (check only), 2 bad input.");
    }

    protected static function text(InputInterface $input, string $option): string
    {
        $value = $input->getOption($option);

        return is_string($value) ? $value : '';
    }

    /** @param  bool  $solid  whether see-through colours are made solid at once, where that was asked for */
    protected function drawing(InputInterface $input, bool $solid = true): Drawing
    {
        $path = $input->getArgument('input');
        $path = is_string($path) ? $path : '';
        if ($path === '-') {
            $bytes = stream_get_contents(STDIN);
        } else {
            $bytes = is_file($path) ? @file_get_contents($path, length: 200_000_000) : false;
        }
        if ($bytes === false) {
            throw BadCall::noFile($path);
        }

        $arrived = Incoming::read($bytes, basename($path), self::taking($input), self::limits($input), self::shelf($input), new PageReader);
        if ($arrived->pages > 1 && ! isset(self::taking($input)['page'])) {
            throw BadCall::severalPages($arrived->pages);
        }
        $drawing = $this->sizes ? self::sized($input, $arrived->drawing) : $arrived->drawing;
        if (! $solid || ! self::wantsSolid($input)) {
            return $drawing;
        }

        return new Drawing((new SolidColours(self::ground($input)))->apply($drawing->artwork), $drawing->findings, $drawing->statesSize);
    }

    /** @return array<string, string> how the file is to be taken, by name */
    private static function taking(InputInterface $input): array
    {
        $taking = [];
        foreach ((array) $input->getOption('take') as $text) {
            [$name, $value] = [...explode('=', is_string($text) ? $text : '', 2), ''];
            if (! in_array($name, Incoming::CHOICES, true)) {
                throw BadCall::choice('--take', $name, Incoming::CHOICES);
            }
            $taking[$name] = in_array(strtolower($value), ['no', 'off', 'false'], true) ? '' : $value;
        }

        return $taking;
    }

    /** At the finished width that was asked for, of the art or of the page. */
    private static function sized(InputInterface $input, Drawing $drawing): Drawing
    {
        $of = self::text($input, 'of');
        if (! in_array($of, ['page', 'art'], true)) {
            throw BadCall::choice('--of', $of, ['page', 'art']);
        }
        $width = self::text($input, 'width');

        return ($of === 'art' ? $drawing->framedByArt() : $drawing)->atWidth($width === '' ? null : Length::positive($width)->mm);
    }

    protected static function wantsSolid(InputInterface $input): bool
    {
        return $input->getOption('solid-colours') === true || self::ground($input) !== null;
    }

    protected static function ground(InputInterface $input): ?Colour
    {
        $text = strtolower(self::text($input, 'ground'));

        return $text === '' ? null : (preg_match('/^#[0-9a-f]{6}$/D', $text) === 1 ? Colour::fromHex($text) : throw BadCall::noColour($text));
    }

    protected function takesSize(): static
    {
        $this->sizes = true;

        return $this->addOption('width', null, InputOption::VALUE_REQUIRED, 'the finished width; as the file states when left out')
            ->addOption('of', null, InputOption::VALUE_REQUIRED, 'what has that width: page, or art for the box of all that is drawn', 'page');
    }

    protected function takesProcess(string $usual): static
    {
        return $this->addOption(
            'process',
            null,
            InputOption::VALUE_REQUIRED,
            'how the job is made, which sets the limits: '.implode(', ', Processes::keys()),
            $usual,
        );
    }

    protected static function process(InputInterface $input): Process
    {
        return Processes::find(self::text($input, 'process')) ?? throw BadCall::choice('--process', self::text($input, 'process'), Processes::keys());
    }

    protected function failsOn(string $usual): static
    {
        return $this->addOption('fail-on', null, InputOption::VALUE_REQUIRED, 'what ends with exit code 1: '.implode(', ', self::FAILS), $usual);
    }

    /** @param  list<Finding>  $findings */
    protected static function exit(InputInterface $input, array $findings): int
    {
        $on = self::text($input, 'fail-on');
        $serious = array_filter($findings, static fn (Finding $finding): bool => $finding->severity === Severity::Serious);
        $warning = array_filter($findings, static fn (Finding $finding): bool => $finding->severity !== Severity::Note);
        $leftOut = array_filter($findings, static fn (Finding $finding): bool => $finding->isLeftOut());
        $failed = match ($on) {
            'serious' => $serious !== [],
            'warning' => $warning !== [],
            'left-out' => $leftOut !== [],
            'any' => $findings !== [],
            'never' => false,
            default => throw BadCall::choice('--fail-on', $on, self::FAILS),
        };

        return $failed ? 1 : 0;
    }

    /** @param  list<Finding>  $findings  what the reader had to say: said on standard error in every command, so that no script misses it */
    protected function tellLeftOut(OutputInterface $output, array $findings): void
    {
        $this->tell($output, array_values(array_filter($findings, static fn (Finding $finding): bool => $finding->severity !== Severity::Note)));
    }

    /** Where notes go, so that they are not in what a script takes from standard output. */
    protected static function errors(OutputInterface $output): OutputInterface
    {
        return $output instanceof ConsoleOutputInterface ? $output->getErrorOutput() : $output;
    }

    protected function tellVerdict(OutputInterface $output, Verdict $verdict): void
    {
        $error = self::errors($output);
        $error->writeln(sprintf('not ready: %s. %s', $verdict->sentence, implode(' ', $verdict->open)), OutputInterface::OUTPUT_RAW);
    }

    /** @param  list<string>  $changes  what a line changed of what was drawn: said on standard error, so that no script misses it */
    protected function tellChanges(OutputInterface $output, array $changes): void
    {
        $error = self::errors($output);
        foreach ($changes as $says) {
            $error->writeln("changed: {$says}", OutputInterface::OUTPUT_RAW);
        }
    }

    private static function limits(InputInterface $input): Limits
    {
        $values = [];
        foreach ((array) $input->getOption('limit') as $text) {
            [$name, $value] = [...explode('=', is_string($text) ? $text : '', 2), ''];
            $values[$name] = $value;
        }

        return (new Limits)->with($values);
    }

    protected static function shelf(InputInterface $input): FontShelf
    {
        $shelf = FontShelf::shipped();
        $folder = self::text($input, 'fonts');
        if ($folder === '') {
            return $shelf;
        }
        if (! is_dir($folder)) {
            throw BadCall::noFolder($folder);
        }
        foreach (glob(rtrim($folder, '/').'/*.{ttf,TTF,woff,WOFF}', GLOB_BRACE) ?: [] as $path) {
            $shelf->put(Font::load($path));
        }

        return $shelf;
    }

    protected function save(InputInterface $input, Artwork $artwork): int
    {
        $path = self::text($input, 'output');
        OutputFile::write([$path => Writer::write($artwork)]);

        return self::SUCCESS;
    }

    /** @param  list<Finding>  $findings */
    protected function tell(OutputInterface $output, array $findings): void
    {
        $error = self::errors($output);
        foreach ($findings as $finding) {
            $error->writeln('note: '.self::line($finding), OutputInterface::OUTPUT_RAW);
        }
    }

    protected static function line(Finding $finding): string
    {
        $at = $finding->at === null ? '' : sprintf(' at %.2f, %.2f mm', $finding->at->x, $finding->at->y);

        return "{$finding->kind} ({$finding->severity->value}){$at}: {$finding->message}";
    }

    /** The folder for what is written: a new or an empty one, or one whose last outcome is replaced. */
    protected static function folder(InputInterface $input): OutputFolder
    {
        $directory = self::text($input, 'out-dir');

        return OutputFolder::at($directory === '' ? throw BadCall::missing('--out-dir') : rtrim($directory, '/'), $input->getOption('replace') === true);
    }

    protected function writesFolder(): static
    {
        return $this->addOption('out-dir', null, InputOption::VALUE_REQUIRED, 'the folder to write into: a new or an empty one')
            ->addOption('replace', null, InputOption::VALUE_NONE, 'take away first what an earlier run wrote into that folder, and nothing else');
    }
}
