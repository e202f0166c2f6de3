<?php

declare(strict_types=1);

namespace NeatEdge\Pages;

use NeatEdge\Core\Format\FileRefused;
use Symfony\Component\Process\Exception\ProcessSignaledException;
use Symfony\Component\Process\Exception\ProcessTimedOutException;
use Symfony\Component\Process\Process;

/**
 * Runs a program on a file of others in a process of its own: with bounds of time, memory, open files and what it writes, without a network, in a folder
 * that goes.
 */
final readonly class Confined
{
    private const SECONDS = 15;

    private const MEMORY = 1_500_000_000;

    private const FILE = 120_000_000;

    private const FILES = 128;

    public function __construct(private string $folder)
    {
    }

    /**
     * @param  non-empty-list<string>  $command
     * @return string what it said
     *
     * @throws FileRefused
     */
    public function run(array $command, string $what): string
    {
        $process = new Process(
            [...self::bounds(), ...$command],
            $this->folder,
            ['HOME' => $this->folder, 'TMPDIR' => $this->folder, 'LC_ALL' => 'C.UTF-8', 'PATH' => '/usr/bin:/bin'],
            null,
            self::SECONDS + 5,
        );
        try {
            $process->run();
        } catch (ProcessSignaledException) {
            throw FileRefused::because("{$what} asks for more time or memory than a file may have.");
        } catch (ProcessTimedOutException) {
            throw FileRefused::because("{$what} takes longer than ".self::SECONDS.' seconds.');
        }
        if ($process->getExitCode() === 127) {
            throw FileRefused::because(sprintf('%s is read by the program "%s", which is not installed on this machine.', $what, basename($command[0])));
        }
        if (! $process->isSuccessful()) {
            $killed = $process->getExitCode() === 137 || $process->hasBeenSignaled();
            throw FileRefused::because($killed ? "{$what} asks for more time or memory than a file may have." : sprintf(
                '%s cannot be read%s.',
                $what,
                self::why($process->getErrorOutput().$process->getOutput()),
            ));
        }

        return $process->getOutput();
    }

    /** Whether a program is there. */
    public static function has(string $program): bool
    {
        return is_executable("/usr/bin/{$program}");
    }

    /** @return list<string> */
    private static function bounds(): array
    {
        /** @var list<string>|null $alone */
        static $alone = null;
        if ($alone === null) {
            // Where the system lets it, the program sees no network at all.
            $try = new Process(['unshare', '--user', '--map-root-user', '--net', '--', 'true']);
            $alone = $try->run() === 0 ? ['unshare', '--user', '--map-root-user', '--net', '--'] : [];
        }

        return [...$alone, 'prlimit', '--as='.self::MEMORY, '--cpu='.self::SECONDS, '--fsize='.self::FILE, '--nofile='.self::FILES, '--core=0', '--'];
    }

    /** The first line of what a program complained of, without places of files. */
    private static function why(string $text): string
    {
        if (preg_match('/password/i', $text) === 1) {
            return ': it is locked with a password';
        }
        foreach (preg_split('/\R/', mb_scrub($text)) ?: [] as $line) {
            if (preg_match('/(?:Syntax Error|Error|Unrecoverable)[^:]*:\s*(.{3,80})/', $line, $found) === 1) {
                return ': '.rtrim(lcfirst(trim((string) preg_replace('#/\S+#', '', $found[1]))), '. ');
            }
        }

        return '';
    }
}
