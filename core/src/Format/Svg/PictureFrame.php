<?php

declare(strict_types=1);

namespace NeatEdge\Core\Format\Svg;

use DOMElement;
use NeatEdge\Core\Artwork\Paint;
use NeatEdge\Core\Artwork\Picture;
use NeatEdge\Core\Check\Severity;
use NeatEdge\Core\Format\Notes;
use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\Matrix;

/** An image element: its frame as a shape, painted with a reference to the picture, which is never opened. */
final class PictureFrame
{
    /** Dots that whoever shows it has to unpack. */
    private const MOST_DOTS = 100_000_000;

    private const KINDS = '~^data:image/(png|jpeg|jpg|gif|webp);base64,~i';

    /** @return array{Contour, Paint}|null the frame in user units; null where it is left out */
    public static function of(DOMElement $e, Scope $scope, Notes $notes): ?array
    {
        $href = Definitions::href($e);
        $view = $scope->viewport;
        $font = $scope->fontSize();
        [$x, $y] = [$view->attribute($e, 'x', 'x', 0.0, $font), $view->attribute($e, 'y', 'y', 0.0, $font)];
        $at = $scope->matrix->apply($x, $y);
        if (preg_match(self::KINDS, $href) === 1) {
            $href = preg_replace('/\s+/', '', $href) ?? '';
            if (! Picture::isReference($href)) {
                $notes->leftOut('image', 'a picture that is damaged', $at);

                return null;
            }
        } elseif (str_starts_with(strtolower($href), 'data:')) {
            $notes->leftOut('image', 'a picture of a kind that is not taken', $at);

            return null;
        } elseif (! Picture::isReference($href)) {
            // Only a file that lies beside the drawing may be referred to.
            $notes->outside('a picture', $at);

            return null;
        }
        $size = str_starts_with($href, 'data:') ? self::size($href) : null;
        if ($size !== null && $size[0] * $size[1] > self::MOST_DOTS) {
            $notes->leftOut('image', sprintf('a picture that claims %.0f by %.0f dots', $size[0], $size[1]), $at);

            return null;
        }
        $width = $view->length($e->getAttribute('width'), 'x', $font);
        $height = $view->length($e->getAttribute('height'), 'y', $font);
        if ($size !== null) {
            $width ??= $height === null ? $size[0] : $height * $size[0] / $size[1];
            $height ??= $width * $size[1] / $size[0];
        }
        if ($width === null || $height === null || $width <= 0 || $height <= 0) {
            $notes->leftOut('image', 'a picture without a size', $at);

            return null;
        }
        $notes->add(
            'image',
            'A picture of dots is kept as it is: it has no outlines to cut.',
            Severity::Warning,
            $scope->matrix->apply($x + $width / 2, $y + $height / 2),
        );
        $fit = trim($e->getAttribute('preserveAspectRatio'));
        $fit = preg_match(Picture::FIT, $fit) === 1 ? $fit : 'xMidYMid meet';
        $picture = new Picture($href, $width, $height, $scope->matrix->after(Matrix::translation($x, $y)), $fit);

        return [Contour::rectangle($x, $y, $width, $height), Paint::picture($picture)];
    }

    /** @return array{float, float}|null in px, as its header says */
    private static function size(string $href): ?array
    {
        $bytes = base64_decode(substr($href, (int) strpos($href, ',') + 1, 262_144), false);
        $size = $bytes === false || $bytes === '' ? false : @getimagesizefromstring($bytes);

        return $size === false || $size[0] < 1 || $size[1] < 1 ? null : [(float) $size[0], (float) $size[1]];
    }
}
