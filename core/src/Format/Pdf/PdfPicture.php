<?php

declare(strict_types=1);

namespace NeatEdge\Core\Format\Pdf;

use Closure;
use GdImage;
use NeatEdge\Core\Artwork\Picture;
use NeatEdge\Core\Patience\Patience;

/**
 * A picture of dots as objects of a page: its colours, and how much of each dot is seen as a soft mask beside them.
 *
 * @source ISO 32000-1: 8.9.5 (images), 11.6.5.3 (soft-mask images)
 */
final class PdfPicture
{
    /** Dots of a picture that are taken. */
    private const MOST = 100_000_000;

    /** @return GdImage|null null for what lies beside the drawing, or is no picture that can be opened */
    private static function open(Picture $picture): ?GdImage
    {
        if (! str_starts_with($picture->reference, 'data:')) {
            return null;
        }
        $bytes = base64_decode(substr($picture->reference, (int) strpos($picture->reference, ',') + 1), true);
        $size = $bytes === false ? false : @getimagesizefromstring($bytes);
        if ($bytes === false || $size === false || $size[0] * $size[1] > self::MOST) {
            return null;
        }
        $image = @imagecreatefromstring($bytes);

        return $image === false ? null : $image;
    }

    public static function canBeOpened(Picture $picture): bool
    {
        return self::open($picture) !== null;
    }

    /** @return array{int, int, int}|null the number of its object, and its dots across and down; null where it cannot be opened */
    public static function written(PdfFile $file, Picture $picture): ?array
    {
        $image = self::open($picture);
        if ($image === null) {
            return null;
        }
        imagepalettetotruecolor($image);
        [$width, $height] = [imagesx($image), imagesy($image)];
        $entries = "/Type /XObject /Subtype /Image /Width {$width} /Height {$height} /BitsPerComponent 8 ";
        $clear = false;
        $colours = $file->number();
        $mask = $file->number();
        $file->stream($mask, static function (Closure $put) use ($image, $width, $height, &$clear): void {
            for ($y = 0; $y < $height; $y++) {
                Patience::ask(64);
                $row = '';
                for ($x = 0; $x < $width; $x++) {
                    // GD keeps how clear a dot is, 0 to 127.
                    $through = imagecolorat($image, $x, $y) >> 24 & 127;
                    $clear = $clear || $through > 0;
                    $row .= chr(255 - intdiv($through * 255 + 63, 127));
                }
                $put($row);
            }
        }, "{$entries}/ColorSpace /DeviceGray ");
        $file->stream($colours, static function (Closure $put) use ($image, $width, $height): void {
            for ($y = 0; $y < $height; $y++) {
                Patience::ask(64);
                $row = '';
                for ($x = 0; $x < $width; $x++) {
                    $dot = imagecolorat($image, $x, $y);
                    $row .= chr($dot >> 16 & 255).chr($dot >> 8 & 255).chr($dot & 255);
                }
                $put($row);
            }
        }, "{$entries}/ColorSpace /DeviceRGB ".($clear ? "/SMask {$mask} 0 R " : ''));

        return [$colours, $width, $height];
    }
}
