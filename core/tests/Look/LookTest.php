<?php

declare(strict_types=1);

namespace NeatEdge\Core\Tests\Look;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Check\Finding;
use NeatEdge\Core\Format\Svg\Drawing;
use NeatEdge\Core\Format\Svg\Reader;
use NeatEdge\Core\Format\Svg\Writer;
use NeatEdge\Core\Prepare\CleanNodes;
use NeatEdge\Core\Prepare\MergeByColour;
use NeatEdge\Core\Prepare\OutlineStrokes;
use NeatEdge\Core\Prepare\RemoveHidden;
use NeatEdge\Core\Prepare\SolidColours;
use NeatEdge\Core\Prepare\Step;
use NeatEdge\Core\Tests\Support\RealArt;
use NeatEdge\Core\Tests\Support\Render;
use NeatEdge\Core\Tests\Support\SvgFeatures;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

/** What comes out looks like what came in, seen by renderers that we did not write. bin/bench does the same at 1600 px. */
final class LookTest extends TestCase
{
    private const WIDTH = 800;

    #[Test]
    #[TestWith(['icons'])]
    #[TestWith(['emoji'])]
    public function real_artwork_looks_the_same_outlined_and_without_hidden_areas(string $set): void
    {
        $wrong = [];
        foreach (RealArt::of($set, 100) as $name => $svg) {
            $name = (string) $name;
            $drawing = Reader::read($svg);
            self::assertSame([], array_filter($drawing->findings, static fn (Finding $finding): bool => $finding->kind !== Drawing::NO_SIZE), $name);
            foreach ($set === 'icons' ? [new OutlineStrokes, new RemoveHidden] : [new RemoveHidden] as $step) {
                if (! Render::looksSame($svg, Writer::write($step->apply($drawing->artwork)), self::WIDTH)) {
                    $wrong[] = "{$name} ({$step->key()})";
                }
            }
        }
        self::assertLessThanOrEqual(1, count($wrong), implode(', ', $wrong));
    }

    #[Test]
    #[TestWith(['window-decal'])]
    #[TestWith(['stewards-tabard'])]
    #[TestWith(['brass-lantern-tag'])]
    #[TestWith(['sticker-sheet'])]
    public function our_own_art_looks_the_same_after_every_step(string $name): void
    {
        $svg = (string) file_get_contents(dirname(__DIR__, 3)."/database/demo/{$name}.svg");
        $before = Reader::read($svg)->artwork;
        $kept = Writer::write($before);
        $art = $before;
        foreach ([new OutlineStrokes, new RemoveHidden, new MergeByColour, new CleanNodes] as $step) {
            $art = self::after($step, $art);
            self::assertTrue(Render::looksSame($kept, Writer::write($art), self::WIDTH), "{$name} after {$step->key()}");
        }
    }

    /** @return iterable<string, array{string}> */
    public static function features(): iterable
    {
        foreach (SvgFeatures::all() as $name => $svg) {
            yield $name => [$svg];
        }
    }

    #[Test]
    #[DataProvider('features')]
    public function every_part_of_svg_that_is_taken_looks_the_same_read_and_after_every_step(string $svg): void
    {
        $artwork = Reader::read($svg)->artwork;
        self::assertNotSame([], $artwork->pieces);
        foreach ([null, new OutlineStrokes, new RemoveHidden, new MergeByColour, new SolidColours] as $step) {
            $after = $step === null ? $artwork : $step->apply($artwork);
            self::assertTrue(Render::looksSame($svg, Writer::write($after), 400), $step === null ? 'as it is read' : $step->key());
            // A second reading finds what was written, gradients and pictures too.
            self::assertCount(count($after->pieces), Reader::read(Writer::write($after))->artwork->pieces);
        }
    }

    #[Test]
    public function a_difference_is_seen_when_there_is_one(): void
    {
        [$svg] = array_values(RealArt::of('icons', 1));
        $artwork = Reader::read($svg)->artwork;
        $less = $artwork->withPieces(array_slice($artwork->pieces, 1));
        self::assertFalse(Render::looksSame($svg, Writer::write($less), self::WIDTH));
    }

    private static function after(Step $step, Artwork $artwork): Artwork
    {
        return $step->apply($artwork);
    }
}
