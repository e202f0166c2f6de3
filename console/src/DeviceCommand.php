<?php

declare(strict_types=1);

namespace NeatEdge\Console;

use NeatEdge\Core\Device\Devices;
use NeatEdge\Devices\StandIns;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputArgument;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Input\InputOption;
use Symfony\Component\Console\Output\OutputInterface;

#[AsCommand('device', 'Run a stand-in machine that listens, does what it is sent and draws what it did')]
final class DeviceCommand extends Command
{
    private const FAILS = ['drop', 'empty', 'busy', 'slow', 'rubbish'];

    protected function configure(): void
    {
        $this->addArgument('kind', InputArgument::OPTIONAL, implode(', ', array_keys(StandIns::ALL)))
            ->addOption('list', null, InputOption::VALUE_NONE, 'list the kinds there are, each with the bed and the options of its stand-in, and do nothing')
            ->addOption('port', null, InputOption::VALUE_REQUIRED, 'the port of the loopback address that it listens on')
            ->addOption('bed', null, InputOption::VALUE_REQUIRED, 'its bed, such as 600x300mm')
            ->addOption('out-dir', null, InputOption::VALUE_REQUIRED, 'where it leaves an SVG and a log of each job')
            ->addOption('fail', null, InputOption::VALUE_REQUIRED, 'a fault to play: '.implode(', ', self::FAILS))
            ->addOption('after', null, InputOption::VALUE_REQUIRED, 'instructions after which it fails', '40')
            ->addOption('pace', null, InputOption::VALUE_REQUIRED, 'how much faster than life; 0 for at once', '1')
            ->addOption('blade', null, InputOption::VALUE_REQUIRED, 'mm from the axis of the cutter\'s drag knife to its tip', '0')
            ->addOption('travel', null, InputOption::VALUE_REQUIRED, 'travel speed, mm/s', '400')
            ->addOption('gather', null, InputOption::VALUE_REQUIRED, 'mm/s² in which it gathers and loses speed', '2000')
            ->addOption('lift', null, InputOption::VALUE_REQUIRED, 'seconds for going up or down; 0.05 for a knife, 0 for a beam');
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        $option = static fn (string $name): string => is_string($input->getOption($name)) ? $input->getOption($name) : '';
        if ($input->getOption('list') === true) {
            foreach (Devices::catalogue() as $kind => $about) {
                $output->writeln(
                    sprintf(
                        '%s %gx%gmm%s',
                        $kind,
                        $about->standIn['bedWidth'],
                        $about->standIn['bedHeight'],
                        isset($about->standIn['blade']) ? sprintf(' --blade=%g', $about->standIn['blade']) : '',
                    ),
                    OutputInterface::OUTPUT_RAW,
                );
            }

            return self::SUCCESS;
        }
        $kind = $input->getArgument('kind');
        $kind = is_string($kind) ? $kind : '';
        $class = StandIns::ALL[$kind] ?? throw BadCall::choice('kind', $kind, array_keys(StandIns::ALL));
        $port = (int) $option('port');
        if ($port < 1 || $port > 65_535) {
            throw BadCall::wrong('--port', $option('port'), 'name a port such as 9100');
        }
        if ($option('out-dir') === '') {
            throw BadCall::missing('--out-dir');
        }
        if ($option('fail') !== '' && ! in_array($option('fail'), self::FAILS, true)) {
            throw BadCall::choice('--fail', $option('fail'), self::FAILS);
        }
        $own = Devices::of($kind)::about()->standIn;
        $bed = $option('bed') === '' ? sprintf('%gx%gmm', $own['bedWidth'], $own['bedHeight']) : $option('bed');
        if (preg_match('/^([\d.]+)x([\d.]+)(?:mm)?$/D', $bed, $m) !== 1 || (float) $m[1] <= 0 || (float) $m[2] <= 0) {
            throw BadCall::wrong('--bed', $bed, 'write it as 600x300mm');
        }
        $machine = new $class(
            (float) $m[1],
            (float) $m[2],
            rtrim($option('out-dir'), '/'),
            $option('fail'),
            max(0.0, (float) $option('pace')),
            max(1, (int) $option('after')),
        );
        $machine->travel = max(1.0, (float) $option('travel'));
        $machine->gather = max(1.0, (float) $option('gather'));
        $machine->lift = max(0.0, $option('lift') === '' ? $own['lift'] ?? 0.05 : (float) $option('lift'));
        $machine->blade = max(0.0, (float) $option('blade'));
        $machine->listen($port, static fn (string $says) => $output->writeln("{$kind}: {$says}", OutputInterface::OUTPUT_RAW));

        return self::SUCCESS;
    }
}
