<?php

declare(strict_types=1);

namespace NeatEdge\Core\Tests\Edit;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Paint;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Artwork\Stroke;
use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\Edit\Shaping\CombineKind;
use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Line\Edits;
use NeatEdge\Core\Measure\Colour;
use NeatEdge\Core\Stroke\StrokeStyle;
use NeatEdge\Core\Type\FontShelf;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

final class EditsTest extends TestCase
{
    private static function art(): Artwork
    {
        $red = new Paint(new Colour(200, 0, 0));
        $blue = new Paint(new Colour(0, 0, 200));

        return new Artwork(100, 100, [
            new Piece('ground', Shape::of(Contour::rectangle(0, 0, 90, 90)), $blue),
            new Piece('a', Shape::of(Contour::rectangle(10, 10, 20, 20)), $red),
            new Piece('between', Shape::of(Contour::rectangle(70, 70, 5, 5)), $blue),
            new Piece('b', Shape::of(Contour::rectangle(20, 10, 20, 20)), $blue),
            new Piece('line', Shape::of(Contour::polygon([[5, 20], [60, 20]], false)), null, new Stroke($red, new StrokeStyle(2))),
        ]);
    }

    /** @return array<string, float> */
    private static function areas(Artwork $artwork): array
    {
        $out = [];
        foreach ($artwork->pieces as $piece) {
            $out[$piece->id] = round($piece->shape->area(), 6);
        }

        return $out;
    }

    /** @param  array<string, float>  $areas */
    #[Test]
    #[TestWith(['weld', ['ground' => 8100.0, 'a' => 600.0, 'between' => 25.0, 'line' => 0.0]])]
    #[TestWith(['cut-away', ['ground' => 8100.0, 'a' => 200.0, 'between' => 25.0, 'line' => 0.0]])]
    #[TestWith(['keep-overlap', ['ground' => 8100.0, 'a' => 200.0, 'between' => 25.0, 'line' => 0.0]])]
    #[TestWith(['keep-difference', ['ground' => 8100.0, 'a' => 400.0, 'between' => 25.0, 'line' => 0.0]])]
    #[TestWith(['split-all', ['ground' => 8100.0, 'b' => 200.0, 'n2' => 200.0, 'a' => 200.0, 'between' => 25.0, 'line' => 0.0]])]
    public function combining_leaves_the_outcome_where_the_lowest_piece_lay(string $kind, array $areas): void
    {
        $out = Edits::make($kind, ['pieces' => ['b', 'a']], FontShelf::shipped())->apply(self::art());
        self::assertSame($areas, self::areas($out));
        self::assertSame('#c80000', $out->piece('a')?->fill?->colour->hex());
    }

    #[Test]
    public function a_stroke_is_outlined_before_it_is_combined(): void
    {
        $out = Edits::make('weld', ['pieces' => ['a', 'line']], FontShelf::shipped())->apply(self::art());
        self::assertNull($out->piece('a')?->stroke);
        self::assertEqualsWithDelta(400.0 + 2 * 35, $out->piece('a')?->shape->area(), 1e-6);
        $alone = Edits::make('weld', ['pieces' => ['line']], FontShelf::shipped())->apply(self::art());
        self::assertEqualsWithDelta(110.0, $alone->piece('line')?->shape->area(), 1e-6);
    }

    #[Test]
    public function removing_takes_just_what_was_chosen(): void
    {
        $edit = Edits::make('remove', ['pieces' => ['a', 'line']], FontShelf::shipped());
        self::assertSame('Remove 2 pieces', $edit->label());
        self::assertSame(['ground', 'between', 'b'], array_keys(self::areas($edit->apply(self::art()))));
    }

    /** @param  list<string>  $pieces */
    #[Test]
    #[TestWith(['weld', [], 'at least'])]
    #[TestWith(['cut-away', ['a'], 'at least 2'])]
    #[TestWith(['remove', [], 'at least 1'])]
    #[TestWith(['remove', ['nobody'], 'not on the bench'])]
    #[TestWith(['weld', ['a', 'nobody'], 'not on the bench'])]
    #[TestWith(['keep-overlap', ['a', 'between'], 'Nothing would be left'])]
    #[TestWith(['knit', ['a'], 'no edit called'])]
    public function what_cannot_be_done_is_refused_in_words(string $kind, array $pieces, string $words): void
    {
        $this->expectException(Refused::class);
        $this->expectExceptionMessage($words);
        Edits::make($kind, ['pieces' => $pieces], FontShelf::shipped())->apply(self::art());
    }

    #[Test]
    public function every_way_of_combining_has_words_for_the_page(): void
    {
        foreach (CombineKind::cases() as $kind) {
            self::assertSame($kind->label(), Edits::make($kind->value, ['pieces' => ['a', 'b']], FontShelf::shipped())->label());
            self::assertStringEndsWith('.', $kind->description());
        }
    }
}
