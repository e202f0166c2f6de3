<?php

declare(strict_types=1);

namespace NeatEdge\Core\Trace;

use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Patience\Progress;
use NeatEdge\Core\Trace\Meant\Rules;
use NeatEdge\Core\Trace\Repeated\Drawn;

/** From a picture to curves: the parts in their order. */
final class Tracing
{
    /** Corners of a picture at which a colour lies that is its ground. */
    private const GROUND = 3;

    /** Dots of what is too small to be meant, clean and noisy. */
    private const SPECK = 8;

    private const SPECK_LOSSY = 24;

    /** What JPEG leaves beside an edge runs along it for dots: it is no noise from place to place, and is not to be followed all the same. */
    private const LOSSY = 0.77;

    /**
     * @param  string  $bytes  of a PNG or JPEG
     * @param  float  $width  mm of the whole picture
     * @param  int  $most  dots that are looked at: fewer are sooner done
     *
     * @throws Refused
     */
    public static function picture(string $bytes, float $width, Options $options, int $most = Scan::MOST): Traced
    {
        return self::of(self::scan($bytes, $width, $options, $most), $options);
    }

    /**
     * What of a picture is looked at.
     *
     * @throws Refused
     */
    public static function scan(string $bytes, float $width, Options $options, int $most = Scan::MOST): Scan
    {
        return Scan::of($bytes, $options->turn, $most)->within($options->part, $width);
    }

    public static function of(Scan $scan, Options $options): Traced
    {
        return self::ofReady(self::ready($scan, $options), $options);
    }

    /** @param  Scan  $scan  see ready() */
    public static function ofReady(Scan $scan, Options $options): Traced
    {
        Progress::tell(0, 4, 'Colours');
        $proposed = Inks::of($scan, $options->colours);
        $inks = self::chosen($proposed->inks, $options->choices);
        Progress::tell(1, 4, 'Regions');
        $labels = Labels::of($scan, $inks);
        $light = Light::of($scan, $inks, $labels);
        $labels = self::joined($labels, $inks, $options->choices);
        $ground = self::ground($labels, $scan, count($inks));
        $diagonal = new Diagonal($scan, $inks);
        $regions = Regions::of($labels, $scan->width, $scan->height, $options->speck ?? ($scan->lossy ? self::SPECK_LOSSY : self::SPECK), $diagonal);
        $borders = Borders::of($regions, $diagonal);
        Progress::tell(2, 4, 'Borders');
        $edges = new Places($scan, $regions, $inks, $light, $ground);
        $places = array_map($edges->along(...), $borders->chains);
        $drawn = [];
        foreach ($borders->chains as $i => $chain) {
            if (! $chain->isFrame()) {
                $drawn[] = $places[$i];
            }
        }
        $noise = Noise::of($drawn);
        Progress::tell(3, 4, 'Curves');
        $closeness = $options->closeness * ($scan->lossy ? self::LOSSY : 1.0);
        $curves = new Curves($borders->chains, $places, Ends::of($borders->chains, $places), $noise, $closeness, self::kinds($options), $options->corners);
        $meant = Rules::applied($curves, $noise, $options->off);
        $parts = self::parts($regions, $borders, $curves, self::left($inks, $ground, $options));
        $parts = $options->lines ? self::lines($parts, $regions) : $parts;
        if ($options->live) {
            $own = array_map(static fn (array $rings): array => array_column(array_merge(...$rings), 0), $borders->rings);
            $parts = Drawn::once($parts, $own, $curves->again);
        }

        return new Traced(
            $scan->width,
            $scan->height,
            $scan->shrunk,
            $scan->left,
            $scan->top,
            $scan->whole(),
            $inks,
            $ground,
            array_values($parts),
            $meant,
            $noise,
            $proposed->photo,
            $regions->dropped,
            $curves->nodeCount(),
        );
    }

    /** Without a scanner's grain, and evenly lit. */
    public static function ready(Scan $scan, Options $options): Scan
    {
        $scan = Denoised::of($scan);

        return $options->level ? Levelled::of($scan) : $scan;
    }

    /** @return list<string> */
    private static function kinds(Options $options): array
    {
        return array_values(array_filter(['circle', 'ellipse', 'rectangle'], static fn (string $kind): bool => ! in_array("{$kind}s", $options->off, true)));
    }

    /**
     * @param  non-empty-list<Ink>  $proposed
     * @param  list<Choice>  $choices
     * @return non-empty-list<Ink>
     */
    private static function chosen(array $proposed, array $choices): array
    {
        $inks = [];
        foreach ($choices as $choice) {
            $near = array_filter($proposed, static fn (Ink $ink): bool => $ink->colour->hex() === $choice->colour->hex());
            $inks[] = new Ink($choice->colour, $near === [] ? 0.0 : reset($near)->share, $near !== [] && reset($near)->clear);
        }

        return $inks === [] ? $proposed : $inks;
    }

    /**
     * Dots of colours that are one with another have that one's number.
     *
     * @param  list<int>  $labels
     * @param  non-empty-list<Ink>  $inks
     * @param  list<Choice>  $choices
     * @return list<int>
     */
    private static function joined(array $labels, array $inks, array $choices): array
    {
        $number = [];
        foreach ($inks as $i => $ink) {
            $number[$ink->colour->hex()] ??= $i;
        }
        $into = [];
        foreach ($choices as $i => $choice) {
            if ($choice->into !== null && isset($number[$choice->into->hex()])) {
                $into[$i] = $number[$choice->into->hex()];
            }
        }

        return $into === [] ? $labels : array_map(static fn (int $label): int => $into[$label] ?? $label, $labels);
    }

    /**
     * @param  list<int>  $labels
     * @return int|null the colour that lies in the corners
     */
    private static function ground(array $labels, Scan $scan, int $count): ?int
    {
        [$w, $h] = [$scan->width, $scan->height];
        $corners = array_count_values([$labels[0], $labels[$w - 1], $labels[($h - 1) * $w], $labels[$h * $w - 1]]);
        $most = array_search(max($corners), $corners, true);

        return is_int($most) && ($count === 1 || max($corners) >= self::GROUND) ? $most : null;
    }

    /**
     * @param  list<Ink>  $inks
     * @return array<int, true> numbers of colours that give no piece
     */
    private static function left(array $inks, ?int $ground, Options $options): array
    {
        $left = [];
        foreach ($inks as $i => $ink) {
            $choice = $options->choices[$i] ?? null;
            if ($ink->clear || ($i === $ground && ! $options->paper && $choice === null) || ($choice !== null && $choice->drop)) {
                $left[$i] = true;
            }
        }

        return $left;
    }

    /**
     * @param  array<int, true>  $left
     * @return array<int, Part> by their regions, the largest first
     */
    private static function parts(Regions $regions, Borders $borders, Curves $curves, array $left): array
    {
        $parts = [];
        foreach ($borders->rings as $region => $rings) {
            $ink = $regions->label[$region];
            if (isset($left[$ink])) {
                continue;
            }
            $contours = [];
            foreach ($rings as $ring) {
                $segments = [];
                foreach ($ring as [$chain, $forward]) {
                    array_push($segments, ...$curves->segments($chain, $forward));
                }
                if ($segments !== []) {
                    $contours[] = Contour::ofSegments($segments, true);
                }
            }
            if ($contours === []) {
                continue;
            }
            usort($contours, static fn (Contour $a, Contour $b): int => abs($b->area()) <=> abs($a->area()));
            $model = count($rings) === 1 && count($rings[0]) === 1 ? $curves->models[$rings[0][0][0]] ?? null : null;
            $parts[$region] = new Part($ink, $contours, $model, $regions->size[$region]);
        }
        uasort($parts, static fn (Part $a, Part $b): int => $b->dots <=> $a->dots);

        return $parts;
    }

    /**
     * @param  array<int, Part>  $parts  by their regions
     * @return array<int, Part>
     */
    private static function lines(array $parts, Regions $regions): array
    {
        $dots = [];
        foreach ($regions->of as $i => $region) {
            if (isset($parts[$region])) {
                $dots[$region][] = [$i % $regions->width, intdiv($i, $regions->width)];
            }
        }
        foreach ($parts as $region => $part) {
            $parts[$region] = MiddleLines::of($part, $dots[$region] ?? []) ?? $part;
        }

        return $parts;
    }
}
