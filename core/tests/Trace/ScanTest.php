<?php

declare(strict_types=1);

namespace NeatEdge\Core\Tests\Trace;

use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\Tests\Support\Painted;
use NeatEdge\Core\Trace\Options;
use NeatEdge\Core\Trace\Scan;
use NeatEdge\Core\Trace\Tracing;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** D14: pictures of others are taken as they are, made smaller, or refused in one sentence. */
final class ScanTest extends TestCase
{
    #[Test]
    public function dots_are_taken_as_they_are(): void
    {
        $scan = Scan::of(Painted::picture(5, 3, static fn (float $x, float $y): int => $x < 2 ? 0x112233 : ($y < 1 ? 0xFFEEDD : 0x00FF00)));
        self::assertSame([5, 3, null, false, 1.0], [$scan->width, $scan->height, $scan->clear, $scan->lossy, $scan->shrunk]);
        self::assertSame([0x112233, 0x112233, 0xFFEEDD, 0xFFEEDD, 0xFFEEDD, 0x112233, 0x112233, 0x00FF00], array_slice($scan->dots, 0, 8));
        self::assertTrue(Scan::of(Painted::picture(8, 8, static fn (): int => 0x808080, 75))->lossy);
    }

    #[Test]
    public function what_is_clear_shows_a_ground_that_is_none_of_its_colours(): void
    {
        $disc = static fn (float $x, float $y): int => hypot($x - 20, $y - 20) < 12 ? 0xFFFFFF : -1;
        $scan = Scan::of(Painted::picture(40, 40, $disc));
        self::assertNotNull($scan->clear);
        self::assertNotSame(0xFFFFFF, $scan->clear, 'white is a colour of this picture');
        self::assertSame($scan->clear, $scan->dots[0]);
        self::assertSame(0xFFFFFF, $scan->dots[20 * 40 + 20]);
        $traced = Tracing::of($scan, new Options);
        self::assertCount(1, $traced->parts, 'the clear ground is no piece');
        self::assertSame('circle', $traced->parts[0]->model?->kind);
        self::assertEqualsWithDelta(24.0, $traced->parts[0]->model->width, 0.15);
    }

    #[Test]
    public function what_has_too_many_dots_is_made_smaller_and_says_so(): void
    {
        $bytes = Painted::picture(300, 200, static fn (float $x, float $y): int => hypot($x - 150, $y - 100) < 80 ? 0x203040 : 0xFFFFFF);
        $scan = Scan::of($bytes, 0.0, 15_000);
        self::assertEqualsWithDelta(15_000, $scan->width * $scan->height, 400);
        self::assertEqualsWithDelta(2.0, $scan->shrunk, 0.02);
        $traced = Tracing::of($scan, new Options);
        self::assertStringContainsString('made 2.0 times smaller', implode(' ', $traced->says()));
        $box = $traced->artwork(300.0)->pieces[0]->box();
        self::assertEqualsWithDelta([70.0, 20.0, 160.0], [$box->left ?? 0, $box->top ?? 0, $box?->width()], 0.6, 'as large as in the whole picture');
    }

    #[Test]
    public function a_part_and_a_turn_are_of_the_picture(): void
    {
        $square = static fn (float $x, float $y): int => abs($x - 60) < 20 && abs($y - 50) < 10 ? 0x000000 : 0xFFFFFF;
        $bytes = Painted::picture(120, 100, $square);
        $traced = Tracing::picture($bytes, 60.0, new Options(part: [5.0, 10.0, 40.0, 30.0]));
        self::assertSame([10, 20, 120], [$traced->left, $traced->top, $traced->whole]);
        $box = $traced->artwork(60.0)->pieces[0]->box();
        self::assertEqualsWithDelta([15.0, 10.0, 20.0, 10.0], [$box->left ?? 0, $box->top ?? 0, $box?->width(), $box?->height()], 0.05, 'mm from the part');
        $turned = Tracing::picture($bytes, 60.0, new Options(turn: 30.0))->artwork(60.0)->pieces[0];
        self::assertEqualsWithDelta(20 * 0.866 + 10 * 0.5, $turned->box()?->width(), 0.5, 'clockwise about the middle');
        self::assertEqualsWithDelta(200.0, abs($turned->shape->area()), 2.0);
        $lowest = ['x' => 0.0, 'y' => 0.0];
        foreach ($turned->shape->contours[0]->segments() as $segment) {
            $lowest = $segment[7] > $lowest['y'] ? ['x' => $segment[6], 'y' => $segment[7]] : $lowest;
        }
        self::assertGreaterThan(30.0, $lowest['x'], 'its right end went down');
        $this->expectExceptionMessage('Nothing of the picture lies in that part.');
        Tracing::picture($bytes, 60.0, new Options(part: [70.0, 10.0, 40.0, 30.0]));
    }

    /** @return array<string, array{string, string}> */
    public static function bad(): array
    {
        $png = Painted::picture(20, 20, static fn (float $x): int => $x < 10 ? 0 : 0xFFFFFF);
        // Its head says that it is far larger than what follows.
        $lies = substr_replace($png, pack('NN', 18_000, 5000), 16, 8);
        $huge = substr_replace($png, pack('NN', 60_000, 60_000), 16, 8);

        return [
            'words' => ['not a picture', 'PNG and JPEG are taken'],
            'nothing' => ['', 'PNG and JPEG are taken'],
            'a GIF' => [base64_decode('R0lGODlhAQABAIAAAAUEBAAAACwAAAAAAQABAAACAkQBADs='), 'PNG and JPEG are taken'],
            'a drawing' => ['<svg xmlns="http://www.w3.org/2000/svg"/>', 'PNG and JPEG are taken'],
            'a lie' => [$lies, 'damaged'],
            'huge' => [$huge, '60000 by 60000 dots; up to 20000 a side'],
            'cut off' => [substr($png, 0, 45), 'damaged'],
        ];
    }

    #[Test]
    #[DataProvider('bad')]
    public function what_cannot_be_traced_is_refused_in_a_sentence(string $bytes, string $says): void
    {
        $this->expectException(Refused::class);
        $this->expectExceptionMessage($says);
        Scan::of($bytes);
    }
}
