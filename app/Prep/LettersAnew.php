<?php

declare(strict_types=1);

namespace App\Prep;

use App\Models\ShopJob;
use App\Models\Source;
use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Artwork\Recipe;
use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\Format\Incoming;
use NeatEdge\Core\Format\Svg\Drawing;
use NeatEdge\Core\Format\Svg\Reader;
use NeatEdge\Core\Geometry\Box;
use NeatEdge\Core\Geometry\Matrix;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Recipe\Letters\Lettering;
use NeatEdge\Core\Type\FontShelf;

/**
 * Letters of the customer's file whose font was not at hand, set anew in a font that is now, or in another that somebody chose. Which they are is found by
 * reading
 * the file both ways; what was changed by hand since stays.
 */
final class LettersAnew
{
    /** Share of the page within which a piece still lies as it came in. */
    private const SAME = 1e-6;

    /**
     * The pieces of a bench whose letters stand in for a font.
     *
     * @param  Artwork  $bench  of the job
     * @param  string  $family  that they are to be set in
     * @return array{Artwork, list<Piece>, int} the bench with them set anew, these as they were, and how many others were changed by hand and stay
     *
     * @throws Refused
     */
    public static function set(ShopJob $job, Artwork $bench, string $missing, string $family): array
    {
        $shelf = ShopFonts::shelf();
        if (! $shelf->knows($family)) {
            throw Refused::because(sprintf('The font "%s" is not at hand; add it first.', mb_substr($family, 0, 60)));
        }

        return self::isRead($job) ? self::read($job, $bench, $shelf, $missing, $family) : self::live(
            $bench,
            $shelf,
            $shelf->with($missing, null),
            $missing,
            $family,
        );
    }

    /** Whether the file that was kept is the one that came in. */
    private static function isRead(ShopJob $job): bool
    {
        return in_array(Incoming::ENDINGS[strtolower(pathinfo($job->source_name, PATHINFO_EXTENSION))] ?? 'svg', ['svg', 'pages'], true);
    }

    /** @return array{Artwork, list<Piece>, int} */
    private static function read(ShopJob $job, Artwork $bench, FontShelf $shelf, string $missing, string $family): array
    {
        $svg = Source::query()->findOrFail($job->id)->svg;
        $frame = $job->fileFrame();
        if ($svg === '' || $frame === null) {
            throw Refused::because('The file that the letters came in with is not kept any more.');
        }
        $placed = static function (FontShelf $shelf) use ($svg, $frame): array {
            $drawing = Reader::read($svg, Intake::limits(), $shelf);
            $onBench = self::placing($drawing, $frame);
            $art = [];
            foreach ($drawing->artwork->pieces as $piece) {
                $art[$piece->id] = $piece->shape->transformed($onBench);
            }

            return $art;
        };
        $before = $placed($shelf->with($missing, null));
        $after = $placed($shelf->with($missing, $family));
        if (array_keys($before) !== array_keys($after)) {
            throw Refused::because('In that font the file comes out as other pieces; take it in as a new job, or choose another font.');
        }
        $near = self::SAME * max($bench->width, $bench->height);
        $new = $was = [];
        $stay = 0;
        foreach ($bench->pieces as $piece) {
            $old = $before[$piece->id] ?? null;
            if ($old === null || self::isSame($old, $after[$piece->id], $near)) {
                continue;
            }
            if ($piece->recipe !== null || ! self::isSame($piece->shape, $old, $near)) {
                $stay++;

                continue;
            }
            $was[] = $piece;
            $new[$piece->id] = $after[$piece->id];
        }

        return [$bench->mapped(static fn (Piece $piece): Piece => $piece->withShape($new[$piece->id]), $new), $was, $stay];
    }

    /** @param  list<float>  $frame  see ShopJob::fileFrame() */
    private static function placing(Drawing $drawing, array $frame): Matrix
    {
        $scale = $frame[2] / $drawing->file->width();

        return Matrix::translation($frame[0], $frame[1])
            ->after(Matrix::scaling($scale, $scale))
            ->after(Matrix::translation(-$drawing->file->left, -$drawing->file->top));
    }

    /** @return array{Artwork, list<Piece>, int} */
    private static function live(Artwork $bench, FontShelf $shelf, FontShelf $without, string $missing, string $family): array
    {
        [$stands] = $without->find([$missing], false, false);
        $new = $was = [];
        foreach ($bench->pieces as $piece) {
            $base = $piece->recipe?->base;
            if ($base instanceof Lettering && $base->setting->family === $stands->family) {
                $was[] = $piece;
                $new[$piece->id] = $piece->withRecipe(new Recipe(
                    Lettering::set($base->setting->with(family: $family), $base->follows, $shelf),
                    $piece->recipe->matrix,
                    $piece->recipe->changes,
                ));
            }
        }

        return [$bench->mapped(static fn (Piece $piece): Piece => $new[$piece->id], $new), $was, 0];
    }

    private static function isSame(Shape $one, Shape $other, float $near): bool
    {
        if (count($one->contours) !== count($other->contours)) {
            return false;
        }
        foreach ($one->contours as $i => $contour) {
            $coords = $other->contours[$i]->coords;
            if (count($contour->coords) !== count($coords)) {
                return false;
            }
            foreach ($contour->coords as $k => $value) {
                if (abs($value - $coords[$k]) > $near) {
                    return false;
                }
            }
        }

        return true;
    }

    /**
     * Where the letters stand on the bench.
     *
     * @param  list<Piece>  $pieces
     */
    public static function around(array $pieces): ?Box
    {
        return Box::around(...array_values(array_filter(array_map(static fn (Piece $piece): ?Box => $piece->box(), $pieces))));
    }
}
