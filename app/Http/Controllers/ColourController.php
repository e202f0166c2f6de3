<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Description\Answers;
use App\Http\Requests\NameColourRequest;
use App\Http\Resources\ColourNamesResource;
use App\Http\Resources\PaletteResource;
use App\Models\ShopJob;
use App\Prep\Made;
use App\Works\Budget;
use Illuminate\Http\JsonResponse;
use Illuminate\Support\Facades\DB;
use NeatEdge\Core\Prepare\Colours\ColourAreas;
use NeatEdge\Core\Prepare\Colours\Joining;
use NeatEdge\Core\Seen\Seen;

/** The colours of a job, and what the shop calls its colours. */
final class ColourController
{
    /** CIEDE2000 within which two are proposed to become one. */
    private const NEAR = 10.0;

    /** Colours by how much of them is seen, and what could become what. */
    #[Answers(PaletteResource::class)]
    public function show(ShopJob $job): PaletteResource
    {
        $art = Seen::of($job->art());
        [$areas, $blended] = Budget::within('Measuring the colours', static function () use ($art): array {
            $areas = ColourAreas::seen($art);

            return [$areas, ColourAreas::blended($art, $areas)];
        });
        $whole = max(1e-9, array_sum($areas));
        $names = Made::names();

        return new PaletteResource([
            'colours' => array_map(
                static fn (string $hex, float $area): array => ['hex' => $hex, 'area' => $area, 'share' => $area / $whole, 'name' => $names[$hex] ?? ''],
                array_map(strval(...), array_keys($areas)),
                array_values($areas),
            ),
            // What is flat nowhere is named too: twelve colours are twelve, also where eight of them run into each other.
            'blended' => array_map(
                static fn (string $hex, array $one): array => ['hex' => $hex, ...$one],
                array_map(strval(...), array_keys($blended)),
                array_values($blended),
            ),
            'near' => Joining::near($areas, self::NEAR),
            'down' => array_reverse(Joining::downTo($areas, 1)),
        ]);
    }

    /** What the shop calls its colours. */
    #[Answers(ColourNamesResource::class)]
    public function index(): JsonResponse
    {
        return new JsonResponse((object) Made::names());
    }

    /** A colour is this material or ink of the shop, for this job and the next; an empty name takes it back. */
    #[Answers(ColourNamesResource::class)]
    public function name(NameColourRequest $request): JsonResponse
    {
        [$hex, $name] = [$request->validated('hex'), trim((string) $request->validated('name'))];
        $name === '' ? DB::table('shop_colours')->where('hex', $hex)->delete() : DB::table('shop_colours')->updateOrInsert(['hex' => $hex], ['name' => $name]);

        return $this->index();
    }
}
