<?php

declare(strict_types=1);

namespace NeatEdge\Console;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Check\Finding;
use NeatEdge\Core\Format\Svg\Drawing;
use NeatEdge\Core\Format\Svg\Limits;
use NeatEdge\Core\Format\Svg\Reader;
use NeatEdge\Core\Format\Svg\Writer;
use NeatEdge\Core\Prepare\SolidColours;
use NeatEdge\Core\Type\Font;
use NeatEdge\Core\Type\FontShelf;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputArgument;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Input\InputOption;
use Symfony\Component\Console\Output\ConsoleOutputInterface;
use Symfony\Component\Console\Output\OutputInterface;

/** A command that reads one drawing. */
abstract class ArtworkCommand extends Command
{
    protected function takesDrawing(): static
    {
        return $this->addArgument('input', InputArgument::REQUIRED, 'the SVG file, or - for standard input')
            ->addOption('fonts', null, InputOption::VALUE_REQUIRED, 'a folder of fonts (.ttf, .woff) for text, besides those that ship')
            ->addOption('solid-colours', null, InputOption::VALUE_NONE, 'turn what one can see through into the solid colours that are seen')
            ->addOption('limit', null, InputOption::VALUE_REQUIRED | InputOption::VALUE_IS_ARRAY, 'how much of a file is taken, such as pieces=200000 or bytes=50000000');
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

    protected function drawing(InputInterface $input): Drawing
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

        $drawing = Reader::read($bytes, self::limits($input), self::shelf($input));
        if ($input->getOption('solid-colours') !== true) {
            return $drawing;
        }

        return new Drawing((new SolidColours)->apply($drawing->artwork), $drawing->findings);
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

    private static function shelf(InputInterface $input): FontShelf
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
        $error = $output instanceof ConsoleOutputInterface ? $output->getErrorOutput() : $output;
        foreach ($findings as $finding) {
            $error->writeln('note: '.self::line($finding), OutputInterface::OUTPUT_RAW);
        }
    }

    protected static function line(Finding $finding): string
    {
        $at = $finding->at === null ? '' : sprintf(' at %.2f, %.2f mm', $finding->at->x, $finding->at->y);

        return "{$finding->kind} ({$finding->severity->value}){$at}: {$finding->message}";
    }

    protected static function directory(InputInterface $input): string
    {
        $directory = self::text($input, 'out-dir');
        if ($directory === '') {
            throw BadCall::missing('--out-dir');
        }

        return rtrim($directory, '/');
    }

    /** Makes the directory if need be, once there is something to put into it. */
    protected static function ensure(string $directory): void
    {
        if (! is_dir($directory) && ! @mkdir($directory, 0755, true)) {
            throw BadCall::cannotWrite($directory);
        }
    }
}
