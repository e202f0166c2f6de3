<?php

declare(strict_types=1);

namespace NeatEdge\Core\Tests\Type;

use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Type\Font;
use NeatEdge\Core\Type\FontRefused;
use NeatEdge\Core\Type\FontShelf;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

final class FontsTest extends TestCase
{
    private const CUBIC = __DIR__.'/../Support/cubic.otf';

    #[Test]
    public function a_font_of_cubic_curves_has_the_areas_of_its_release_in_quadratic_ones(): void
    {
        $font = Font::load(self::CUBIC);
        self::assertSame('Marrow Serif 4', $font->family);
        // In square ems, measured on the TrueType files that its makers release beside it.
        foreach (['A' => 0.118922, '&' => 0.159116, 'g' => 0.137842, 'ß' => 0.147180] as $letter => $area) {
            $found = array_sum(array_map(static fn (Contour $contour): float => $contour->area(), $font->outline($font->glyph(mb_ord($letter)))));
            self::assertEqualsWithDelta($area, abs($found), 0.001 * $area, $letter);
        }
        foreach ($font->outline($font->glyph(mb_ord('g'))) as $contour) {
            self::assertTrue($contour->closed);
        }
    }

    #[Test]
    public function a_damaged_font_of_cubic_curves_is_refused_or_drawn_never_an_error(): void
    {
        $bytes = (string) file_get_contents(self::CUBIC);
        $path = (string) tempnam(sys_get_temp_dir(), 'font');
        mt_srand(11);
        $refused = 0;
        try {
            for ($i = 0; $i < 60; $i++) {
                $spoilt = $bytes;
                for ($k = 0; $k < 40; $k++) {
                    $spoilt[mt_rand(200, strlen($bytes) - 1)] = chr(mt_rand(0, 255));
                }
                file_put_contents($path, $i % 6 === 0 ? substr($bytes, 0, mt_rand(300, 90_000)) : $spoilt);
                try {
                    $font = Font::load($path);
                    foreach (range(33, 126) as $code) {
                        $font->outline($font->glyph($code));
                    }
                } catch (FontRefused $problem) {
                    $refused++;
                    self::assertMatchesRegularExpression('/^"[^\n]+\.$/', $problem->getMessage());
                }
            }
        } finally {
            unlink($path);
        }
        self::assertGreaterThan(0, $refused);
    }

    #[Test]
    public function every_font_that_ships_has_the_letters_of_plain_english_and_its_licence(): void
    {
        $shelf = FontShelf::shipped();
        foreach ($shelf->families() as $family) {
            [$font, $missing] = $shelf->find([$family['family']], $family['bold'], false);
            self::assertNull($missing);
            foreach (mb_str_split('ABCXYZabcxyz0189&.,-\'"?!') as $letter) {
                self::assertTrue($font->has(mb_ord($letter)), "{$family['family']} has {$letter}");
            }
            $name = strtolower(str_replace(' ', '-', $family['family']));
            self::assertTrue(str_starts_with($name, 'dejavu') || is_file(dirname(__DIR__, 2)."/fonts/licences/{$name}.txt"));
        }
    }
}
