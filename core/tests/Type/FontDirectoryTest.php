<?php

declare(strict_types=1);

namespace NeatEdge\Core\Tests\Type;

use NeatEdge\Core\Type\Font;
use NeatEdge\Core\Type\FontDirectory;
use NeatEdge\Core\Type\FontRefused;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;
use UnexpectedValueException;

/** A font is hostile until its own list of tables was held against the file. */
final class FontDirectoryTest extends TestCase
{
    /** @param  list<array{string, int, int}>  $tables  name, offset, length */
    private static function sfnt(array $tables, int $bytes = 200): string
    {
        $out = "\x00\x01\x00\x00".pack('nnnn', count($tables), 16, 0, 0);
        foreach ($tables as [$name, $offset, $length]) {
            $out .= $name.pack('NNN', 0, $offset, $length);
        }

        return str_pad($out, $bytes, "\0");
    }

    private static function woff(string $packed, int $length, ?int $says = null): string
    {
        return 'wOFF'.pack('NNnnNnnNNNNN', 0x10000, 0, 1, 0, 0, 1, 0, 0, 0, 0, 0, 0).'head'.pack('NNNN', 64, $says ?? strlen($packed), $length, 0).$packed;
    }

    #[Test]
    public function honest_fonts_are_taken(): void
    {
        foreach (glob(dirname(__DIR__, 2).'/fonts/*.{ttf,otf,woff}', GLOB_BRACE) ?: [] as $path) {
            FontDirectory::hold((string) file_get_contents($path));
            self::assertNotSame('', Font::load($path)->family);
        }
        foreach (['condensed.woff', 'cubic.otf'] as $name) {
            FontDirectory::hold((string) file_get_contents(dirname(__DIR__)."/Support/{$name}"));
        }
        FontDirectory::hold(self::sfnt([['head', 100, 100], ['cmap', 28, 0]]));
        FontDirectory::hold(self::woff((string) gzcompress(str_repeat('x', 900)), 900));
    }

    /** @return array<string, array{string}> */
    public static function liars(): array
    {
        return [
            'no tables' => [self::sfnt([])],
            'more tables than there are bytes' => ["\x00\x01\x00\x00".pack('n', 60).str_repeat("\0", 100)],
            'six hundred tables' => [self::sfnt(array_fill(0, 600, ['head', 0, 0]), 20_000)],
            'a table beyond the end' => [self::sfnt([['head', 150, 100]])],
            'a table of two gigabytes' => [self::sfnt([['head', 44, 0x7FFFFFF0]])],
            'an offset that wraps round' => [self::sfnt([['head', 0xFFFFFFF0, 0x20]])],
            'a packed table beyond the end' => [self::woff('xx', 100, 5000)],
            'one that unpacks to more than it says' => [self::woff((string) gzcompress(str_repeat('x', 50_000)), 900)],
            'one that unpacks to less' => [self::woff((string) gzcompress(str_repeat('x', 10)), 900)],
            'one that cannot be unpacked' => [self::woff('no zlib at all', 900)],
            'one that says it is smaller unpacked' => [self::woff(str_repeat('x', 90), 10)],
            'a bomb' => [self::woff((string) gzcompress(str_repeat("\0", 1_000_000)), 0xF0000000)],
            'nothing' => [''],
        ];
    }

    #[Test]
    #[DataProvider('liars')]
    public function a_list_that_claims_what_is_not_there_is_refused_before_anything_is_read(string $bytes): void
    {
        $before = memory_get_peak_usage();
        try {
            FontDirectory::hold($bytes);
            self::fail('It was taken.');
        } catch (UnexpectedValueException $refused) {
            self::assertNotSame('', $refused->getMessage());
        }
        self::assertLessThan(20_000_000, memory_get_peak_usage() - $before);
        $path = (string) tempnam(sys_get_temp_dir(), 'neat-edge-font-');
        file_put_contents($path, $bytes);
        try {
            Font::load($path, 'Wharf Roman.ttf');
            self::fail('It was loaded.');
        } catch (FontRefused $refused) {
            self::assertStringStartsWith('"Wharf Roman.ttf" ', $refused->getMessage());
        } finally {
            unlink($path);
        }
    }
}
