<?php

declare(strict_types=1);

namespace App\Prep;

use App\Models\ReferencePicture;
use App\Models\StepResult;
use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\Format\Json\ArtworkJson;
use NeatEdge\Core\Format\TraceDifferences;
use NeatEdge\Core\Trace\Options;
use NeatEdge\Core\Trace\Scan;
use NeatEdge\Core\Trace\Traced;
use NeatEdge\Core\Trace\Tracing;
use NeatEdge\Pages\Dots;

/** What pictures were traced to, kept by the picture and what was chosen, beside what steps gave: nothing is traced twice. */
final class TracedPictures
{
    /** Grows whenever the same picture comes to other curves. */
    private const FORM = 2;

    /**
     * @param  float  $wide  mm of the whole picture
     * @param  array<mixed>  $values  as they were chosen
     * @param  int  $most  dots that are looked at
     * @return array<string, mixed> its key, whether it is fine, and what is told of it
     */
    public static function of(ReferencePicture $picture, float $wide, array $values, Options $options, int $most): array
    {
        ksort($values);
        $asked = json_encode([self::FORM, $picture->file, round($wide, 6), $values, $most], JSON_THROW_ON_ERROR);
        $key = 'trace-'.hash('xxh128', $asked);
        $kept = StepResult::query()->find($key);
        if ($kept !== null) {
            return (array) json_decode($kept->report, true, 32, JSON_THROW_ON_ERROR);
        }
        $scan = Tracing::ready(Tracing::scan($picture->bytes, $wide, $options, $most), $options);
        $traced = Tracing::ofReady($scan, $options);
        $isFine = $most >= min(Scan::MOST, $picture->width * $picture->height);
        // What is coarse is not held against the picture: it is soon replaced.
        $differs = $isFine ? self::differs($scan, $traced, $options) : null;
        $names = [];
        foreach ($options->choices as $choice) {
            $names[$choice->colour->hex()] = $choice->name;
        }
        $outcome = ['traced' => $key, 'fine' => $isFine, 'wide' => $wide, ...$traced->told($wide, $differs)];
        // What is coarse is only looked at while the rest is worked on.
        $outcome['says'] = $outcome['fine'] ? $outcome['says'] : [];
        StepResult::query()->updateOrCreate(['key' => $key], [
            'artwork' => (string) gzcompress(ArtworkJson::encode($traced->artwork($wide, $names)), 3),
            'report' => json_encode($outcome, JSON_THROW_ON_ERROR),
        ]);

        return $outcome;
    }

    /** @return list<list<array{float, float, float, float}>>|null none where no renderer is there */
    private static function differs(Scan $scan, Traced $traced, Options $options): ?array
    {
        try {
            return TraceDifferences::of($scan, $traced, $options, new Dots);
        } catch (Refused) {
            // What was traced is good without; that it was not looked at is told.
            return null;
        }
    }

    /**
     * What an edit lays.
     *
     * @return array{artwork: Artwork, left: float, top: float, wide: float}
     *
     * @throws Refused
     */
    public static function find(mixed $key): array
    {
        $kept = is_string($key) && preg_match('/^trace-[0-9a-f]{32}$/D', $key) === 1 ? StepResult::query()->find($key) : null;
        if ($kept === null) {
            throw Refused::because('What was traced is not here any more; trace the picture again.');
        }
        $told = (array) json_decode($kept->report, true, 32, JSON_THROW_ON_ERROR);

        return ['artwork' => $kept->art(), 'left' => (float) $told['left'], 'top' => (float) $told['top'], 'wide' => (float) $told['wide']];
    }
}
