<?php

declare(strict_types=1);

namespace NeatEdge\Pages;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\Format\Formats;
use NeatEdge\Core\Format\Svg\Writer;
use NeatEdge\Core\Sheet\Layout\Layer;
use NeatEdge\Core\Sheet\Layout\Layout;
use NeatEdge\Core\Sheet\Layout\Role;

/** A proof as it leaves: the picture of art on its material or on a thing. */
final class ProofFile
{
    /** Dots across that are made at most. */
    public const MOST = 8000;

    /**
     * @param  int  $width  dots across; the height follows
     * @return string PNG
     *
     * @throws Refused
     */
    public static function png(Artwork $picture, int $width): string
    {
        return (new Dots)->png(Writer::write($picture), $width);
    }

    /**
     * A page at the size of the picture; what is hard in it stays lines, what is soft becomes pictures.
     *
     * @return string PDF
     *
     * @throws Refused
     */
    public static function pdf(Artwork $picture, string $title): string
    {
        $layers = [new Layer(Role::Print, 'Proof', '#000000', $picture->pieces)];

        return Formats::bytes(Formats::make('pdf'), [new Layout('proof', $title, $picture->width, $picture->height, $layers)], new Dots);
    }
}
