<?php

declare(strict_types=1);

namespace App\Prep;

use App\Models\ReferencePicture;
use App\Models\ShopJob;
use App\Works\Budget;
use Illuminate\Support\Facades\DB;
use Illuminate\Validation\ValidationException;
use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Format\Svg\Reader;
use NeatEdge\Core\Format\Svg\SvgRefused;
use NeatEdge\Core\Format\Svg\Writer;
use NeatEdge\Core\Trace\Scan;

/** Takes pictures in to draw over. An SVG is read and written anew, so that nothing of its own but numbers and colours stays. */
final class ReferencePictures
{
    /**
     * Keeps a picture for a job; it stays for as long as a job does that has it.
     *
     * @throws ValidationException with one sentence
     */
    public static function add(ShopJob $job, string $bytes): ReferencePicture
    {
        [$type, $width, $height, $bytes] = self::measured($bytes);
        $file = substr(hash('sha256', $bytes), 0, 32);

        return DB::transaction(static function () use ($job, $file, $type, $width, $height, $bytes): ReferencePicture {
            $picture = ReferencePicture::query()->firstOrCreate(
                ['file' => $file],
                ['type' => $type, 'width' => $width, 'height' => $height, 'bytes' => $bytes],
            );
            DB::table('job_pictures')->insertOrIgnore(['shop_job_id' => $job->id, 'file' => $file]);

            return $picture;
        });
    }

    /** @return array{string, int, int, string} type, width and height in px, bytes */
    private static function measured(string $bytes): array
    {
        $size = @getimagesizefromstring($bytes);
        if ($size !== false && in_array($size[2], [IMAGETYPE_PNG, IMAGETYPE_JPEG], true)) {
            if ($size[0] < 1 || $size[1] < 1 || max($size[0], $size[1]) > Scan::LONGEST_SIDE) {
                throw ValidationException::withMessages(['file' => sprintf(
                    'The picture is %d by %d dots; up to %d a side are taken.',
                    $size[0],
                    $size[1],
                    Scan::LONGEST_SIDE,
                )]);
            }

            if ($size[0] * $size[1] > Scan::OPENED) {
                throw ValidationException::withMessages(['file' => sprintf(
                    'The picture is %d by %d dots, %d million in all; up to %d million are taken.',
                    $size[0],
                    $size[1],
                    intdiv($size[0] * $size[1], 1_000_000),
                    intdiv(Scan::OPENED, 1_000_000),
                )]);
            }

            return [$size['mime'], $size[0], $size[1], $bytes];
        }
        $art = Budget::within('Reading this picture', static function () use ($bytes): ?Artwork {
            try {
                return Reader::read($bytes, Intake::limits(), ShopFonts::shelf())->artwork;
            } catch (SvgRefused) {
                return null;
            }
        });
        if ($art === null) {
            throw ValidationException::withMessages(['file' => 'The file is no picture that can be laid under the work: PNG, JPEG and SVG are taken.']);
        }
        $scale = 1000 / max($art->width, $art->height);

        return ['image/svg+xml', max(1, (int) round($art->width * $scale)), max(1, (int) round($art->height * $scale)), Writer::write($art)];
    }
}
