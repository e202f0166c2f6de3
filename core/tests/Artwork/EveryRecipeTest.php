<?php

declare(strict_types=1);

namespace NeatEdge\Core\Tests\Artwork;

use NeatEdge\Core\Artwork\Base;
use NeatEdge\Core\Artwork\Change;
use NeatEdge\Core\Artwork\Contours;
use NeatEdge\Core\Artwork\Paint;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Artwork\Recipe;
use NeatEdge\Core\Artwork\References;
use NeatEdge\Core\Format\Json\RecipeJson;
use NeatEdge\Core\Geometry\Box;
use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\Matrix;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Measure\Colour;
use NeatEdge\Core\Recipe\Basic\BasicShape;
use NeatEdge\Core\Recipe\Basic\ShapeKind;
use NeatEdge\Core\Recipe\Border\BorderAround;
use NeatEdge\Core\Recipe\Corners\RoundCorners;
use NeatEdge\Core\Recipe\Letters\Lettering;
use NeatEdge\Core\Recipe\Linked\LinkedCopy;
use NeatEdge\Core\Recipe\Mirror\MirrorHalf;
use NeatEdge\Core\Recipe\Recipes;
use NeatEdge\Core\Recipe\Repeat\StepAndRepeat;
use NeatEdge\Core\Recipe\Weave\Woven;
use NeatEdge\Core\Recipe\Wrap\Wrap;
use NeatEdge\Core\Type\Setting;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;
use UnexpectedValueException;

/** Laws of every kind of live piece: one that is added has to keep them too. */
final class EveryRecipeTest extends TestCase
{
    private static function square(): Shape
    {
        return Shape::of(Contour::rectangle(1, 2, 10, 6));
    }

    /** @return list<Base> one of each kind, with nothing left at what is usual */
    private static function bases(): array
    {
        $setting = new Setting('QUAY', 'Rye', false, false, 8.5, 0.25, 1.3, 'middle', Contour::polygon([[0, 0], [30, 4]], false), true, 'on', 0.5, 1.25);

        return [
            new Contours(self::square()),
            new BasicShape(
                ShapeKind::Ellipse,
                [...array_column(array_map(static fn ($field): array => [$field->name, $field->usual], ShapeKind::Ellipse->fields()), 1, 0), 'inner' => 0.4],
            ),
            new Lettering($setting, 'line', self::square(), 2),
            new LinkedCopy('p1', 1.5, -2.5, self::square()),
            new BorderAround(['p1', 'p2'], ['distance' => 2.5, 'bridge' => 1.0, 'dropHoles' => 3.0, 'radius' => 0.5], self::square()),
            new Woven(
                'w1',
                new Piece('s', self::square(), new Paint(Colour::fromHex('#112233'))),
                ['gap' => 0.8, 'pattern' => 'over', 'start' => 'under', 'parts' => 'one', 'turn' => [[3.25, 4.5]]],
                self::square(),
            ),
        ];
    }

    /** @return list<Change> */
    private static function changes(): array
    {
        return [
            new RoundCorners([[0, 1, 1.25]]), new MirrorHalf(5.5, 1.0, 80.0, 0.5, 1), new StepAndRepeat(['ring', 3, 2, 1.5, 0.5, 4.0, 5.0, 270.0, true]),
            new Wrap(new Box(1, 2, 11, 8), Wrap::frame('arc', new Box(1, 2, 11, 8), 0.3), Matrix::translation(1, 2), ['amount' => 0.3]),
        ];
    }

    /** @return iterable<string, array{Recipe}> */
    public static function recipes(): iterable
    {
        foreach (self::bases() as $base) {
            yield $base::kind() => [new Recipe($base, new Matrix(1, 0.2, -0.1, 1, 3, 4), $base instanceof Contours ? [] : [new RoundCorners([[0, 0, 0.5]])])];
        }
        foreach (self::changes() as $change) {
            yield $change::kind() => [new Recipe(new Contours(self::square()), new Matrix(1, 0, 0, 1, 3, 4), [$change])];
        }
    }

    #[Test]
    public function each_kind_that_there_is_is_looked_at_here(): void
    {
        self::assertSame(array_keys(Recipes::bases()), array_map(static fn (Base $base): string => $base::kind(), self::bases()));
        self::assertSame(array_keys(Recipes::changes()), array_map(static fn (Change $change): string => $change::kind(), self::changes()));
    }

    #[Test]
    #[DataProvider('recipes')]
    public function what_is_stored_is_read_back_as_it_was(Recipe $recipe): void
    {
        $data = json_decode(json_encode(RecipeJson::of($recipe), JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION), true);
        $back = RecipeJson::to($data);
        self::assertEquals($recipe, $back);
        self::assertSame(serialize($recipe), serialize($back), 'to the last kind of number');
        self::assertEquals($recipe->shape(), $back->shape());
    }

    #[Test]
    #[DataProvider('recipes')]
    public function whom_it_follows_can_be_another_or_nobody(Recipe $recipe): void
    {
        $piece = (new Piece('me', self::square(), new Paint(Colour::fromHex('#112233'))))->withRecipe($recipe);
        $leaders = References::of($piece);
        self::assertSame($leaders, $recipe->base->follows());
        $other = References::following($piece, array_combine($leaders, array_map(static fn (string $id): string => "{$id}x", $leaders)));
        self::assertSame(array_map(static fn (string $id): string => "{$id}x", $leaders), References::of($other));
        self::assertEquals($piece->shape, $other->shape, 'it looks as it did');
        $alone = References::following($piece, array_fill_keys($leaders, null));
        self::assertSame([], References::of($alone));
        self::assertEquals($piece->shape, $alone->shape);
        self::assertSame($leaders === [], $alone === $piece);
        // Copied twice, what is tied by a name is tied among its own only.
        $name = static fn (Piece $one): string => ($base = $one->recipe?->base) instanceof Woven ? $base->weave : '';
        self::assertSame($name(References::apart($piece, 'a')), $name(References::apart($piece, 'a')));
        self::assertSame($name($piece) === '', $name(References::apart($piece, 'a')) === $name(References::apart($piece, 'b')));
    }

    #[Test]
    #[DataProvider('recipes')]
    public function it_says_what_the_page_shows_of_it(Recipe $recipe): void
    {
        $parts = $recipe->changes === [] ? [$recipe->base] : [$recipe->base, ...$recipe->changes];
        $told = array_merge(...array_map(static fn (Base|Change $part): array => $part->told($recipe), $parts));
        self::assertNotFalse(json_encode($told));
        self::assertSame($recipe->base->isAdjustable() || $recipe->changes !== [], $told !== []);
        self::assertNotSame('', $recipe->base->said());
    }

    #[Test]
    public function a_base_that_has_a_size_takes_it_as_its_own_and_others_are_laid(): void
    {
        $star = new BasicShape(
            ShapeKind::Rectangle,
            [
                ...array_column(array_map(static fn ($field): array => [$field->name, $field->usual], ShapeKind::Rectangle->fields()), 1, 0),
                'width' => 20.0,
                'height' => 10.0,
                'topLeft' => 2.0,
            ],
        );
        $recipe = new Recipe($star);
        // Scaled evenly all of it grows, a corner too; stretched one way only the side does.
        self::assertEquals(['width' => 40.0, 'height' => 20.0, 'topLeft' => 4.0], self::values($recipe->transformed(Matrix::scaling(2.0, 2.0))));
        self::assertEquals(['width' => 60.0, 'height' => 10.0, 'topLeft' => 2.0], self::values($recipe->transformed(Matrix::scaling(3.0, 1.0))));
        $linked = new Recipe(new LinkedCopy('p1', 0.0, 0.0, self::square()));
        self::assertSame($linked->base, $linked->transformed(Matrix::scaling(2.0, 2.0))->base);
    }

    /** @return array<string, mixed> */
    private static function values(Recipe $recipe): array
    {
        return $recipe->base instanceof BasicShape ? array_intersect_key($recipe->base->values, ['width' => 1, 'height' => 1, 'topLeft' => 1]) : [];
    }

    #[Test]
    public function a_kind_that_is_not_there_is_refused_and_not_passed_over(): void
    {
        $data = RecipeJson::of(new Recipe(new Contours(self::square())));
        foreach ([[...$data, 'base' => ['is' => 'hologram']], [...$data, 'changes' => [['is' => 'glitter']]]] as $bad) {
            try {
                RecipeJson::to($bad);
                self::fail('it was read');
            } catch (UnexpectedValueException $refused) {
                self::assertSame('The stored recipe cannot be read.', $refused->getMessage());
            }
        }
    }
}
