<?php

declare(strict_types=1);

namespace NeatEdge\Console;

use Symfony\Component\Console\Application as SymfonyApplication;
use Symfony\Component\Console\CommandLoader\FactoryCommandLoader;
use Symfony\Component\Console\Input\ArgvInput;
use Symfony\Component\Console\Output\ConsoleOutput;
use Throwable;

/** Starts the command line. Whatever goes wrong is one line on stderr and exit code 2. */
final class Application
{
    public const BAD_INPUT = 2;

    private const COMMANDS = [
        'outline' => OutlineCommand::class,
        'visible' => VisibleCommand::class,
        'weld' => WeldCommand::class,
        'split' => SplitCommand::class,
        'check' => CheckCommand::class,
        'prepare' => PrepareCommand::class,
        'remedy' => RemedyCommand::class,
        'batch' => BatchCommand::class,
        'export' => ExportCommand::class,
        'proof' => ProofCommand::class,
        'trace' => TraceCommand::class,
        'send' => SendCommand::class,
        'device' => DeviceCommand::class,
        'edit' => EditCommand::class,
        'catalogue' => CatalogueCommand::class,
    ];

    /** @return list<string> the call's words, with "-o -" told in a way that is not taken for an option of its own */
    private static function tokens(): array
    {
        $tokens = [];
        foreach ($_SERVER['argv'] ?? [] as $token) {
            $last = count($tokens) - 1;
            if ($token === '-' && $last > 0 && in_array($tokens[$last], ['-o', '--output'], true)) {
                array_pop($tokens);
                $tokens[] = '--output=-';
            } else {
                $tokens[] = (string) $token;
            }
        }

        return $tokens;
    }

    public static function main(): int
    {
        register_shutdown_function(static function (): void {
            $error = error_get_last();
            if ($error !== null && in_array($error['type'], [E_ERROR, E_PARSE, E_CORE_ERROR, E_COMPILE_ERROR], true)) {
                OutputFile::abandon();
                fwrite(STDERR, str_contains($error['message'], 'Allowed memory size')
                    ? 'neat-edge: the artwork needs more than '.ini_get('memory_limit')." of memory; set NEAT_EDGE_MEMORY to allow more.\n"
                    : "neat-edge: the work stopped on an internal error.\n");
                exit(self::BAD_INPUT);
            }
        });
        $application = new SymfonyApplication('Neat Edge');
        $application->setCommandLoader(new FactoryCommandLoader(array_map(
            static fn (string $class): callable => static fn () => new $class,
            self::COMMANDS,
        )));
        $application->setAutoExit(false);
        $application->setCatchExceptions(false);
        $output = new ConsoleOutput;
        try {
            return $application->run(new ArgvInput(self::tokens()), $output);
        } catch (Throwable $problem) {
            OutputFile::abandon();
            $words = $problem instanceof \Error ? 'the work stopped on an internal error ('.$problem->getMessage().').' : $problem->getMessage();
            fwrite(STDERR, 'neat-edge: '.trim(preg_replace('/\s+/', ' ', mb_scrub($words)) ?? '')."\n");

            return $problem instanceof BadCall && $problem->getCode() > 0 ? $problem->getCode() : self::BAD_INPUT;
        }
    }
}
