<?php

declare(strict_types=1);

namespace NeatEdge\Core\Tests\Format;

use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Check\Finding;
use NeatEdge\Core\Format\FileRefused;
use NeatEdge\Core\Format\Incoming;
use NeatEdge\Core\Geometry\Box;
use NeatEdge\Core\Recipe\Letters\Lettering;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** Plotter files as other programs write them: scaled in all three ways, turned, packed, in either case, between escapes. 40 steps are a millimetre. */
final class PltTakenTest extends TestCase
{
    /** @return array{float, float} mm */
    private static function extent(string $plt): array
    {
        $art = Incoming::read($plt, 'cut.plt')->drawing->artwork;

        return [round($art->width, 3), round($art->height, 3)];
    }

    private static function packed(int $value, bool $five = false): string
    {
        $value = $value < 0 ? -2 * $value + 1 : 2 * $value;
        $base = $five ? 32 : 64;
        $out = '';
        while ($value >= $base) {
            $out .= chr(63 + $value % $base);
            $value = intdiv($value, $base);
        }

        return $out.chr(($five ? 95 : 191) + $value);
    }

    /** @return iterable<string, array{string, array{float, float}}> */
    public static function sized(): iterable
    {
        yield 'steps' => ['IN;SP1;PU0,0;PD4000,0,4000,2000,0,2000,0,0;PU;', [100.0, 50.0]];
        yield 'each way its own scale' => ['IN;IP0,0,4000,2000;SC0,100,0,100;SP1;PU0,0;PD100,0,100,100,0,100,0,0;', [100.0, 50.0]];
        yield 'one scale both ways' => ['IN;IP0,0,4000,2000;SC0,100,0,100,1;SP1;PU0,0;PD100,0,100,100,0,100,0,0;', [50.0, 50.0]];
        yield 'steps a unit' => ['IN;IP0,0,4000,2000;SC0,40,0,20,2;SP1;PU0,0;PD50,0,50,50,0,50,0,0;', [50.0, 25.0]];
        yield 'turned by a quarter' => ['IN;RO90;SP1;PU0,0;PD4000,0,4000,2000,0,2000,0,0;', [50.0, 100.0]];
        yield 'all set back in the middle' => ['IN;IP0,0,400,400;SC0,1,0,1;RO90;IN;SP1;PU0,0;PD4000,0,4000,2000,0,2000,0,0;', [100.0, 50.0]];
        yield 'small letters, no semicolons' => ['in sp1 pu0,0pd4000,0,4000,2000,0,2000,0,0pu', [100.0, 50.0]];
        yield 'between escapes' => ["\x1B.(\x1B.I81;;17:\x1B.N;19:\x1B%-1BIN;SP1;PU0,0;PD4000,0,4000,2000,0,2000,0,0;\x1B%0A\x1BE", [100.0, 50.0]];
        yield 'packed' => [
            'IN;SP1;PU0,0;PE'.self::packed(4000).self::packed(0).self::packed(0).self::packed(2000).self::packed(-4000).self::packed(0).self::packed(0)
                .self::packed(-2000).';',
            [100.0, 50.0],
        ];
        yield 'packed in seven bits, lifted, absolute' => [
            'IN;SP1;PE7<='.self::packed(400, true).self::packed(400, true).self::packed(4000, true).self::packed(0, true).'='.self::packed(4400, true)
                .self::packed(2400, true).';',
            [100.0, 50.0],
        ];
        yield 'packed with a pen and fractions' => [
            'IN;PE:'.self::packed(2).'>'.self::packed(1).'<'.self::packed(0).self::packed(0).self::packed(8000).self::packed(0).self::packed(0)
                .self::packed(4000).';',
            [100.0, 50.0],
        ];
        yield 'through a place' => ['IN;SP1;PU0,0;PD;AT400,400,800,0;PU;', [20.0, 10.0]];
        yield 'curves' => ['IN;SP1;PU0,0;PD;BZ0,400,800,400,800,0;PU;', [20.0, 7.5]];
        yield 'corners that move' => ['IN;IP0,0,4000,2000;SC0,100,0,100;IP400,400;PU0,0;PD100,0,100,100;', [100.0, 50.0]];
    }

    /** @param  array{float, float}  $size */
    #[Test]
    #[DataProvider('sized')]
    public function it_has_its_true_size(string $plt, array $size): void
    {
        self::assertEqualsWithDelta($size, self::extent($plt), 0.03);
    }

    #[Test]
    public function filled_rectangles_wedges_and_polygons_are_areas(): void
    {
        $areas = static function (string $plt): array {
            $areas = array_map(
                static fn (Piece $piece): float => round(abs($piece->shape->area()), 1),
                array_values(array_filter(Incoming::read($plt)->drawing->artwork->pieces, static fn (Piece $piece): bool => $piece->fill !== null)),
            );
            sort($areas);

            return $areas;
        };
        self::assertSame([100.0, 200.0], $areas('IN;SP1;PU0,0;RA400,400;PU800,0;RR800,400;'), 'a file that only fills rectangles');
        self::assertEqualsWithDelta([50.0, M_PI * 100 / 4], $areas('IN;SP1;PU0,0;WG400,0,90;PU1000,0;PM0;PD1400,0,1000,400;PM2;FP;'), 0.3);
        self::assertSame([300.0], $areas('IN;SP1;PU0,0;PM0;PD800,0,800,800,0,800;PM1;PU200,200;PD200,600,600,600,600,200;PM2;FP;'), 'a hole stays a hole');
    }

    #[Test]
    public function labels_are_letters_at_their_height_place_and_turn(): void
    {
        $art = Incoming::read("IN;SP1;PU0,0;PD4000,0;PU400,800;SI0.5,1;DI0,1;LBHH\x03;DT#;LBO#;")->drawing->artwork;
        $letters = array_values(array_filter($art->pieces, static fn (Piece $piece): bool => $piece->recipe?->base instanceof Lettering));
        self::assertSame(['HH', 'O'], array_map(static fn (Piece $piece): string => $piece->name, $letters));
        $box = $letters[0]->box() ?? new Box(0, 0, 0, 0);
        self::assertEqualsWithDelta([10.0, 10.0], [$box->width(), $box->right], 0.3, 'capitals of a centimetre, running up from 10, 20 mm');
    }

    #[Test]
    public function what_is_not_taken_is_named(): void
    {
        $drawing = Incoming::read('IN;SP1;LT2;PU0,0;PD4000,0;XQ5;XQ6;IW0,0,100,100;')->drawing;
        self::assertSame(
            [
                'Left out 2 × instruction XQ: it is not turned into lines.',
                'Dashed lines (LT) are taken whole.',
                'A window that cuts the drawing off (IW) is not heeded: what lies outside it is there too.',
            ],
            array_map(
                static fn (Finding $finding): string => $finding->message,
                array_values(array_filter($drawing->findings, static fn (Finding $finding): bool => $finding->isLeftOut())),
            ),
        );
    }

    #[Test]
    #[DataProvider('refused')]
    public function what_cannot_be_read_is_refused_for_that_very_thing(string $plt, string $says): void
    {
        $this->expectException(FileRefused::class);
        $this->expectExceptionMessage($says);
        Incoming::read($plt, 'cut.plt');
    }

    /** @return iterable<string, array{string, string}> */
    public static function refused(): iterable
    {
        yield 'a scale of nothing' => ['IN;SC0,0,0,100;PU0,0;PD1,1;', 'The scale of the PLT file (SC) has no size'];
        yield 'a turn of no quarter' => ['IN;RO45;PU0,0;PD1,1;', 'turns its sheet by 45 degrees'];
        yield 'packed places that end' => ['IN;PE'.self::packed(5).';', 'end within a place'];
        yield 'a label without an end' => ['IN;LBhello;', 'has no end'];
        yield 'bytes between' => ['IN;PU0,0;{}PD5,5;', 'Byte 10 of the PLT file begins no instruction'];
    }
}
