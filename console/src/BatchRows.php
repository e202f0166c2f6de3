<?php

declare(strict_types=1);

namespace NeatEdge\Console;

use NeatEdge\Core\Format\FolderName;

/** What came of the drawings of a batch: a folder for each, which appears whole or not at all, with its row of the table. */
final readonly class BatchRows
{
    private const DONE = 'row.json';

    /** What a drawing has that could not be prepared. */
    public const NOTHING = ['state' => 'failed', 'sheets' => 0, 'findings' => 0, 'serious' => 0, 'verdict' => '', 'ready' => false];

    public function __construct(public string $folder)
    {
    }

    /** @return array<string, mixed> nothing where it is not done */
    public function of(string $name): array
    {
        $path = "{$this->folder}/".FolderName::of($name).'/'.self::DONE;
        $data = is_file($path) ? json_decode((string) file_get_contents($path), true) : null;

        return is_array($data) ? $data : [];
    }

    public function isDone(string $name, string $key): bool
    {
        return ($this->of($name)['key'] ?? '') === $key;
    }

    /**
     * The folder of a file is made beside its place and moved there whole.
     *
     * @param  array<string, string>  $files
     * @param  array<string, mixed>  $row
     */
    public function store(string $name, array $files, array $row): void
    {
        $place = "{$this->folder}/".FolderName::of($name);
        $beside = "{$this->folder}/.making-".FolderName::of($name).'-'.getmypid();
        if (! @mkdir($beside, 0755, true)) {
            throw BadCall::cannotWrite($beside);
        }
        foreach ([...$files, self::DONE => json_encode($row, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES)] as $file => $text) {
            if (file_put_contents("{$beside}/{$file}", $text) !== strlen($text)) {
                throw BadCall::cannotWrite("{$beside}/{$file}");
            }
        }
        if (is_dir($place)) {
            array_map(unlink(...), glob("{$place}/{,.}[!.]*", GLOB_BRACE) ?: []);
            @rmdir($place);
        }
        if (! @rename($beside, $place)) {
            throw BadCall::cannotWrite($place);
        }
    }

    /** @param  list<array<string, mixed>>  $rows */
    public static function csv(array $rows): string
    {
        $handle = fopen('php://memory', 'w+');
        if ($handle === false) {
            return '';
        }
        $columns = ['file', 'state', 'width_mm', 'height_mm', 'sheets', 'findings', 'serious', 'ready', 'verdict', 'error', 'on_things'];
        fputcsv($handle, $columns, ',', '"', '');
        foreach ($rows as $row) {
            // A cell that a spreadsheet would take for a formula is said to be words.
            fputcsv($handle, array_map(static function (string $column) use ($row): string {
                $value = $row[$column] ?? '';
                $text = is_bool($value) ? ($value ? 'yes' : 'no') : (is_scalar($value) ? (string) $value : '');

                return preg_match('/^[=+\-@\t]/', $text) === 1 && ! is_numeric($text) ? "'".$text : $text;
            }, $columns), ',', '"', '');
        }
        rewind($handle);

        return (string) stream_get_contents($handle);
    }

    /**
     * @param  list<array<string, mixed>>  $rows
     * @return list<string>
     */
    public static function table(array $rows): array
    {
        $lines = array_map(static fn (array $row): string => sprintf('%-40s %s', mb_substr((string) $row['file'], 0, 40), ($row['error'] ?? '') !== ''
            ? $row['error']
            : rtrim(sprintf(
                '%s, %d sheets, %d findings (%d serious). %s. %s',
                $row['ready'] ? 'ready' : 'needs a person',
                $row['sheets'],
                $row['findings'],
                $row['serious'],
                $row['verdict'],
                $row['on_things'] ?? '',
            ))), $rows);
        $ready = count(array_filter($rows, static fn (array $row): bool => ($row['ready'] ?? false) === true));
        $lines[] = sprintf('%d of %d are ready.', $ready, count($rows));

        return $lines;
    }
}
