<?php

declare(strict_types=1);

namespace NeatEdge\Console;

use NeatEdge\Core\Described\Field;
use NeatEdge\Core\Described\Values;
use NeatEdge\Core\Format\Svg\Writer;
use NeatEdge\Core\Format\TraceDifferences;
use NeatEdge\Core\Geometry\Length;
use NeatEdge\Core\Trace\Meant\Rules;
use NeatEdge\Core\Trace\Options;
use NeatEdge\Core\Trace\Tracing;
use NeatEdge\Pages\Dots;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Input\InputArgument;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Input\InputOption;
use Symfony\Component\Console\Output\OutputInterface;

#[AsCommand('trace', 'Turn a picture into few, true curves')]
final class TraceCommand extends ArtworkCommand
{
    /** Bytes of a picture that are read. */
    private const MOST = 200_000_000;

    protected function configure(): void
    {
        $this->addArgument('picture', InputArgument::REQUIRED, 'the PNG or JPEG file, or - for standard input')
            ->addOption('width', null, InputOption::VALUE_REQUIRED, 'how wide the whole picture is, in true size, such as 120mm');
        foreach (self::fields() as $field) {
            $flag = $field->type === Field::FLAG;
            $this->addOption(
                $field->name,
                null,
                $flag ? InputOption::VALUE_OPTIONAL : InputOption::VALUE_REQUIRED,
                $field->label.($field->help === '' ? '' : ": {$field->help}").($field->name === 'colours' ? '; as many as it has when left out' : ''),
                $flag ? '' : null,
            );
        }
        $this->addOption('format', null, InputOption::VALUE_REQUIRED, 'text or json: what was found and meant, on standard output', 'text')
            ->addOption('output', 'o', InputOption::VALUE_REQUIRED, 'the SVG file to write, or - for standard output')
            ->examples('Straight where straight was meant, round where round, one border between two colours.', [
                'trace rose.png --width=120mm -o rose.svg',
                'trace stamp.jpg --width=80mm --colours=3 --specks=40 -o stamp.svg --format=json',
                'trace plan.png --width=200mm --lines --off=level,upright -o plan.svg',
            ]);
    }

    /** @return list<Field> those that can be typed */
    private static function fields(): array
    {
        return array_values(array_filter(Options::fields(), static fn (Field $field): bool => $field->type !== Field::DATA));
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        $format = self::text($input, 'format');
        if (! in_array($format, ['text', 'json'], true)) {
            throw BadCall::choice('--format', $format, ['text', 'json']);
        }
        $to = self::text($input, 'output');
        if ($to === '' && $format === 'text') {
            throw BadCall::missing('-o');
        }
        if (self::text($input, 'width') === '') {
            throw BadCall::missing('--width');
        }
        $width = Length::positive(self::text($input, 'width'))->mm;
        $options = self::options($input);
        $scan = Tracing::ready(Tracing::scan(self::bytes($input), $width, $options), $options);
        $traced = Tracing::ofReady($scan, $options);
        $differs = $format === 'json' ? TraceDifferences::of($scan, $traced, $options, new Dots) : null;
        if ($to !== '') {
            OutputFile::write([$to => Writer::write($traced->artwork($width))]);
        }
        foreach ($traced->says() as $one) {
            self::errors($output)->writeln("note: {$one}", OutputInterface::OUTPUT_RAW);
        }
        if ($format === 'json') {
            $output->writeln(
                json_encode($traced->told($width, $differs), JSON_THROW_ON_ERROR | JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE | JSON_PRETTY_PRINT),
                OutputInterface::OUTPUT_RAW,
            );
        } elseif ($to !== '-') {
            $output->writeln(sprintf('%d pieces, %d nodes, %d colours.', count($traced->parts), $traced->nodes, count($traced->inks)));
            foreach ($traced->meant as $found) {
                $moves = $found->moves * $width / $traced->whole;
                $output->writeln(sprintf('%s: moved by %.3f mm at most (--off=%s leaves it).', $found->label, $moves, $found->key));
            }
        }

        return self::SUCCESS;
    }

    private static function options(InputInterface $input): Options
    {
        $said = [];
        foreach (self::fields() as $field) {
            $value = $input->getOption($field->name);
            if ($field->type === Field::FLAG ? $value !== '' : $value !== null) {
                $said[$field->name] = $value ?? 'yes';
            }
        }
        $options = Options::from(Values::read(Options::fields(), $said));
        foreach ($options->off as $key) {
            if (! isset(Rules::all()[$key])) {
                throw BadCall::choice('--off', $key, array_keys(Rules::all()));
            }
        }

        return $options;
    }

    private static function bytes(InputInterface $input): string
    {
        $path = $input->getArgument('picture');
        $path = is_string($path) ? $path : '';
        $bytes = $path === '-' ? stream_get_contents(STDIN, self::MOST) : (is_file($path) ? @file_get_contents($path, length: self::MOST) : false);

        return $bytes === false ? throw BadCall::noFile($path) : $bytes;
    }
}
