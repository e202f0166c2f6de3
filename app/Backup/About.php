<?php

declare(strict_types=1);

namespace App\Backup;

/** What an archive says that it has. It may come from anywhere: nothing of it is believed before it is looked at. */
final readonly class About
{
    public const FORM = 1;

    /**
     * @param  list<string>  $schema  migrations that its tables had come through
     * @param  array<string, array{rows: int, sha256: string}>  $tables
     * @param  int  $contents  how many
     * @param  array<string, string>  $files  SHA-256 by name
     */
    private function __construct(public string $made, public array $schema, public array $tables, public int $contents, public array $files)
    {
    }

    /** @throws Damaged */
    public static function parse(mixed $text): self
    {
        $about = is_string($text) ? json_decode($text, true, 16) : null;
        $form = is_array($about) ? ($about['form'] ?? null) : null;
        if (! is_array($about) || ! is_int($form) || ! is_string($about['made'] ?? null) || ! is_int($about['contents'] ?? null)) {
            throw self::none();
        }
        if ($form > self::FORM) {
            throw new Damaged('That backup was made by a newer Neat Edge; bring this one up to date first.');
        }

        return new self(
            $about['made'],
            self::schema($about['schema'] ?? null),
            self::tables($about['tables'] ?? null),
            $about['contents'],
            self::files($about['files'] ?? null),
        );
    }

    /** @return list<string> */
    private static function schema(mixed $schema): array
    {
        $read = [];
        foreach (is_array($schema) ? $schema : [''] as $migration) {
            $read[] = is_string($migration) && preg_match('/^\w{1,120}$/D', $migration) === 1 ? $migration : throw self::none();
        }

        return $read;
    }

    /** @return array<string, array{rows: int, sha256: string}> */
    private static function tables(mixed $tables): array
    {
        $read = [];
        foreach (is_array($tables) ? $tables : throw self::none() as $name => $told) {
            [$rows, $sha256] = is_array($told) ? [$told['rows'] ?? null, $told['sha256'] ?? null] : [null, null];
            if (preg_match('/^[a-z_]{1,60}$/D', (string) $name) !== 1 || ! is_int($rows) || ! is_string($sha256)) {
                throw self::none();
            }
            $read[(string) $name] = ['rows' => $rows, 'sha256' => $sha256];
        }

        return $read;
    }

    /** @return array<string, string> none of whose names leads out of where it is put */
    private static function files(mixed $files): array
    {
        $read = [];
        foreach (is_array($files) ? $files : throw self::none() as $name => $sha256) {
            $name = (string) $name;
            $isOurs = preg_match('~^(fonts/[0-9a-f]{64}|batches/.+)$~Ds', $name) === 1;
            if (! is_string($sha256) || ! $isOurs || preg_match('~(^|/)\.{1,2}(/|$)|\\\\|\0~', $name) === 1) {
                throw self::none();
            }
            $read[$name] = $sha256;
        }

        return $read;
    }

    private static function none(): Damaged
    {
        return new Damaged('That is no backup of a shop.');
    }
}
