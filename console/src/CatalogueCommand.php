<?php

declare(strict_types=1);

namespace NeatEdge\Console;

use NeatEdge\Core\Catalogue;
use NeatEdge\Core\Described\Field;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputArgument;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Input\InputOption;
use Symfony\Component\Console\Output\OutputInterface;

/** Lists everything that can be chosen with its fields, as it describes itself: edits, steps, outputs, stock, ways of making, shapes, limits. */
final class CatalogueCommand extends Command
{
    protected function configure(): void
    {
        $this->setName('catalogue')
            ->setDescription('Lists everything that can be chosen, with its fields')
            ->addArgument('list', InputArgument::OPTIONAL, 'one of: '.implode(', ', array_keys(Catalogue::all())).'; all when left out')
            ->addOption('format', null, InputOption::VALUE_REQUIRED, 'text or json', 'text');
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        $format = $input->getOption('format');
        $list = $input->getArgument('list');
        $lists = Catalogue::all();
        if (is_string($list) && ! isset($lists[$list])) {
            throw BadCall::choice('the list', $list, array_keys($lists));
        }
        $lists = is_string($list) ? [$list => $lists[$list]] : $lists;
        if ($format === 'json') {
            $all = is_string($list) ? Catalogue::plain()[$list] : Catalogue::plain();
            $output->writeln(
                json_encode($all, JSON_THROW_ON_ERROR | JSON_PRETTY_PRINT | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES),
                OutputInterface::OUTPUT_RAW,
            );

            return self::SUCCESS;
        }
        if ($format !== 'text') {
            throw BadCall::choice('--format', is_string($format) ? $format : '', ['text', 'json']);
        }
        foreach ($lists as $name => $kinds) {
            $output->writeln(count($lists) > 1 ? "{$name}\n" : '', OutputInterface::OUTPUT_RAW);
            foreach ($kinds as $kind => $entry) {
                $output->writeln("{$kind}: ".($entry['says'] === '' ? $entry['label'] : $entry['says']), OutputInterface::OUTPUT_RAW);
                foreach ($entry['fields'] as $field) {
                    $output->writeln('    --'.EditCommand::option($field).'='.self::value($field).'  '.$field->label
                        .($field->help === '' ? '' : " ({$field->help})"), OutputInterface::OUTPUT_RAW);
                }
            }
            $output->writeln('', OutputInterface::OUTPUT_RAW);
        }

        return self::SUCCESS;
    }

    private static function value(Field $field): string
    {
        $usual = is_bool($field->usual) ? ($field->usual ? 'yes' : 'no') : (string) $field->usual;

        return ($field->options === [] ? strtoupper($field->type) : implode('|', array_keys($field->options)))
            .($field->isNumeric() ? sprintf(' %s..%s', $field->least, $field->most) : '').($usual === '' ? '' : " [{$usual}]");
    }
}
