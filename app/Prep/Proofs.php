<?php

declare(strict_types=1);

namespace App\Prep;

use App\Models\Preparation;
use App\Models\ShopJob;
use Illuminate\Support\Str;
use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Paint;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Measure\Colour;
use NeatEdge\Pages\ProofFile;

/** F6: the prepared art on the colour of what it is made for. */
final class Proofs
{
    /** @throws Refused when nothing is prepared */
    public static function art(Preparation $preparation, string $ground): Artwork
    {
        $art = $preparation->status === 'done' ? $preparation->lastArt() : null;
        if ($art === null) {
            throw Refused::because('What was prepared is not kept any more; prepare the job again.');
        }
        $page = new Piece('ground', Shape::of(Contour::rectangle(0.0, 0.0, $art->width, $art->height)), new Paint(Colour::fromHex($ground)));

        return $art->withPieces([$page, ...$art->pieces]);
    }

    /**
     * A page at true size; what is hard in the art stays lines.
     *
     * @return string PDF
     *
     * @throws Refused
     */
    public static function pdf(Preparation $preparation, string $ground): string
    {
        return ProofFile::pdf(self::art($preparation, $ground), self::name($preparation));
    }

    /** What its files are called. */
    public static function name(Preparation $preparation): string
    {
        return (Str::slug((string) ShopJob::query()->withTrashed()->whereKey($preparation->shop_job_id)->value('title')) ?: 'job').'-proof';
    }

    /**
     * @param  int  $width  dots across
     * @return string PNG
     *
     * @throws Refused
     */
    public static function png(Preparation $preparation, string $ground, int $width): string
    {
        return ProofFile::png(self::art($preparation, $ground), $width);
    }
}
