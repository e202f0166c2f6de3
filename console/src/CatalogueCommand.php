<?php

declare(strict_types=1);

namespace NeatEdge\Console;

use NeatEdge\Core\Artwork\Field;
use NeatEdge\Core\Edit\Edits;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Input\InputOption;
use Symfony\Component\Console\Output\OutputInterface;

/** Lists every kind of edit with its fields, as the edits describe themselves. */
final class CatalogueCommand extends Command
{
    protected function configure(): void
    {
        $this->setName('catalogue')
            ->setDescription('Lists every kind of edit with its fields')
            ->addOption('format', null, InputOption::VALUE_REQUIRED, 'text or json', 'text');
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        $format = $input->getOption('format');
        if ($format === 'json') {
            $all = array_map(static fn ($about): array => $about->toArray(), Edits::catalogue());
            $output->writeln(json_encode($all, JSON_THROW_ON_ERROR | JSON_PRETTY_PRINT | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES), OutputInterface::OUTPUT_RAW);

            return self::SUCCESS;
        }
        if ($format !== 'text') {
            throw BadCall::choice('--format', is_string($format) ? $format : '', ['text', 'json']);
        }
        foreach (Edits::catalogue() as $kind => $about) {
            $output->writeln("{$kind}: {$about->says}", OutputInterface::OUTPUT_RAW);
            foreach ($about->fields as $field) {
                $output->writeln('    --'.EditCommand::option($field).'='.self::value($field).'  '.$field->label.($field->help === '' ? '' : " ({$field->help})"), OutputInterface::OUTPUT_RAW);
            }
        }

        return self::SUCCESS;
    }

    private static function value(Field $field): string
    {
        $usual = is_bool($field->usual) ? ($field->usual ? 'yes' : 'no') : (string) $field->usual;

        return ($field->options === [] ? strtoupper($field->type) : implode('|', array_keys($field->options))).($usual === '' ? '' : " [{$usual}]");
    }
}
