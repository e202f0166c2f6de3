<?php

declare(strict_types=1);

namespace NeatEdge\Console;

use Closure;
use NeatEdge\Core\Device\Devices;
use NeatEdge\Core\Device\LineLost;
use NeatEdge\Core\Device\MachineRefused;
use NeatEdge\Lines\StreamLine;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputArgument;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Input\InputOption;
use Symfony\Component\Console\Output\OutputInterface;

#[AsCommand('send', 'Send a file to a machine, and go on after a break where it stopped')]
final class SendCommand extends Command
{
    /** Seconds between tries. */
    private const WAIT = 0.4;

    protected function configure(): void
    {
        $this->addArgument('file', InputArgument::REQUIRED, 'a PLT, PDF or G-code file')
            ->addOption('to', null, InputOption::VALUE_REQUIRED, 'the machine, HOST:PORT')
            ->addOption('tries', null, InputOption::VALUE_REQUIRED, 'how often it is gone on after a break', '5')
            ->addOption('anew', null, InputOption::VALUE_NONE, 'begin again, though a part was sent before')
            ->setHelp("What the machine has acknowledged is kept beside the file, in FILE.sent: called again, it goes on from there.\n\nExit codes: 0 all"
                .' is done, 1 the machine stopped, 2 bad input.');
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        $path = $input->getArgument('file');
        $path = is_string($path) ? $path : '';
        $bytes = is_file($path) ? @file_get_contents($path, length: 200_000_000) : false;
        if ($bytes === false) {
            throw BadCall::noFile($path);
        }
        $kind = Devices::taking($bytes) ?? throw BadCall::wrong('file', $path, 'it is no PLT, PDF or G-code file');
        $to = $input->getOption('to');
        if (! is_string($to) || preg_match('/^[\w.:\[\]-]+:\d{1,5}$/D', $to) !== 1) {
            throw BadCall::wrong('--to', is_string($to) ? $to : '', 'write it as HOST:PORT');
        }
        $device = Devices::of($kind);
        $mark = "{$path}.sent";
        $key = hash('sha256', $bytes);
        $done = self::known($mark, $input->getOption('anew') === true, $key, $to);
        $of = $device::parts($bytes);
        if ($done >= $of) {
            $output->writeln('All of it was sent before; say --anew to send it once more.');

            return self::SUCCESS;
        }
        $kept = self::mark($mark, ['file' => $key, 'to' => $to, 'of' => $of], $done);
        $why = '';
        $tries = $input->getOption('tries');
        $tries = is_string($tries) ? max(1, (int) $tries) : 1;
        for ($try = 0; $try < $tries; $try++) {
            if ($try > 0) {
                usleep((int) (1e6 * self::WAIT));
            }
            $stream = @stream_socket_client("tcp://{$to}", $code, $words, 10.0);
            if ($stream === false) {
                $why = "The machine at {$to} does not answer.";

                continue;
            }
            try {
                $name = basename($path).'-'.substr($key, 0, 8);
                $device::send($bytes, $name, new StreamLine($stream), $done, static function (int $now) use (&$done, $kept, $of, $output): void {
                    $done = $now;
                    $kept($now);
                    if ($output->isVerbose()) {
                        $output->writeln("{$now} of {$of}");
                    }
                });
                $output->writeln(sprintf('Sent: %d of %d blocks acknowledged.', $done, $of));

                return self::SUCCESS;
            } catch (LineLost|MachineRefused $stopped) {
                $why = $stopped->getMessage();
            } finally {
                fclose($stream);
            }
        }
        fwrite(STDERR, "neat-edge: {$why} {$done} of {$of} blocks are done; call it again to go on.\n");

        return self::FAILURE;
    }

    /**
     * What keeps how far it came: begun as a whole file, then told anew in place, in one write of always the same length. A file moved there for each
     * part would be flushed by the disk each time: of 28 s that a plate of 19,000 lines took, 21 s.
     *
     * @param  array{file: string, to: string, of: int}  $known
     * @return Closure(int): void
     */
    private static function mark(string $path, array $known, int $done): Closure
    {
        $length = 0;
        $written = static function (int $now) use ($known, &$length): string {
            $text = json_encode([...$known, 'done' => $now], JSON_THROW_ON_ERROR);
            $length = max($length, strlen($text) + strlen((string) $known['of']));

            return str_pad($text, $length)."\n";
        };
        OutputFile::write([$path => $written($done)]);
        $file = @fopen($path, 'r+');
        if ($file === false) {
            throw BadCall::cannotWrite($path);
        }
        // What is kept back by PHP would be lost with the process.
        stream_set_write_buffer($file, 0);

        return static function (int $now) use ($file, $path, $written): void {
            rewind($file);
            $text = $written($now);
            if (@fwrite($file, $text) !== strlen($text)) {
                throw BadCall::cannotWrite($path);
            }
        };
    }

    /** @return int parts of this file that this machine has acknowledged before */
    private static function known(string $mark, bool $anew, string $file, string $to): int
    {
        $known = is_file($mark) && ! $anew ? json_decode((string) file_get_contents($mark), true) : null;

        return is_array($known) && ($known['file'] ?? '') === $file && ($known['to'] ?? '') === $to ? (int) ($known['done'] ?? 0) : 0;
    }
}
