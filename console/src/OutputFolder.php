<?php

declare(strict_types=1);

namespace NeatEdge\Console;

/**
 * A folder that holds what one run wrote and nothing of another: the last job's sheets beside the new ones would be cut with them. What a run wrote
 * stands in a list, by which a later one that may replace it takes just that away.
 */
final readonly class OutputFolder
{
    public const LIST = '.neat-edge-files';

    /** @param  list<string>  $earlier  names of files that an earlier run wrote and that are still there */
    private function __construct(private string $path, private array $earlier)
    {
    }

    /** @throws BadCall when something lies there that must not be mixed with what is written */
    public static function at(string $path, bool $replace): self
    {
        $there = is_dir($path) ? array_values(array_diff(scandir($path) ?: [], ['.', '..'])) : [];
        if ($there === []) {
            return new self($path, []);
        }
        if (! $replace) {
            throw BadCall::usedFolder($path);
        }
        $list = is_file("{$path}/".self::LIST) ? (string) file_get_contents("{$path}/".self::LIST) : '';
        $written = array_filter(explode("\n", $list), static fn (string $name): bool => $name !== '' && ! str_starts_with($name, '.'));
        if ($written === []) {
            throw BadCall::notOurFolder($path);
        }

        // Only what lies right in the folder: a list may have been written by anybody.
        return new self($path, array_values(array_intersect($written, $there)));
    }

    /** @param  array<string, string>  $contents  by name */
    public function write(array $contents): void
    {
        if (! is_dir($this->path) && ! @mkdir($this->path, 0755, true)) {
            throw BadCall::cannotWrite($this->path);
        }
        $files = [];
        foreach ($contents as $name => $text) {
            $files["{$this->path}/{$name}"] = $text;
        }
        $files["{$this->path}/".self::LIST] = implode("\n", array_keys($contents))."\n";
        OutputFile::write($files);
        foreach (array_diff($this->earlier, array_keys($contents)) as $name) {
            @unlink("{$this->path}/{$name}");
        }
    }
}
