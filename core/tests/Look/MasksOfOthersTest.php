<?php

declare(strict_types=1);

namespace NeatEdge\Core\Tests\Look;

use NeatEdge\Core\Check\Finding;
use NeatEdge\Core\Format\Svg\Drawing;
use NeatEdge\Core\Format\Svg\Reader;
use NeatEdge\Core\Format\Svg\Writer;
use NeatEdge\Core\Tests\Support\RealArt;
use NeatEdge\Core\Tests\Support\Render;
use NeatEdge\Core\Tests\Support\Share;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

/** What others draw with masks, clips and fades is drawn as two renderers draw their files, once it is read and written; or it is said what is not. */
final class MasksOfOthersTest extends TestCase
{
    private const WIDTH = 400;

    #[Test]
    #[TestWith(['round-flags', 60])]
    #[TestWith(['weather', 50])]
    #[TestWith(['flags', 40])]
    public function files_of_others_look_as_they_did_or_it_is_said(string $set, int $count): void
    {
        $untold = [];
        $same = 0;
        foreach (RealArt::of($set, Share::of($count)) as $name => $svg) {
            $drawing = Reader::read($svg);
            if (Render::looksSame($svg, Writer::write($drawing->artwork), self::WIDTH)) {
                $same++;
            } elseif (array_filter($drawing->findings, static fn (Finding $finding): bool => $finding->kind !== Drawing::NO_SIZE) === []) {
                $untold[] = (string) $name;
            }
        }
        self::assertSame([], $untold);
        self::assertGreaterThanOrEqual((int) (0.95 * Share::of($count)), $same);
    }
}
