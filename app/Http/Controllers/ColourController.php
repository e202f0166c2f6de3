<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Budget;
use App\Models\ShopJob;
use App\Prep\Made;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use NeatEdge\Core\Prepare\Colours\ColourAreas;
use NeatEdge\Core\Prepare\Colours\Joining;
use NeatEdge\Core\Seen\Seen;

/** X1: the colours of a job by how much of them is seen, what could become what, and the shop's names for them. */
final class ColourController
{
    /** CIEDE2000 within which two are proposed to become one. */
    private const NEAR = 10.0;

    public function show(ShopJob $job): JsonResponse
    {
        $art = Seen::of($job->art());
        [$areas, $blended] = Budget::within('Measuring the colours', static function () use ($art): array {
            $areas = ColourAreas::seen($art);

            return [$areas, ColourAreas::blended($art, $areas)];
        });
        $whole = max(1e-9, array_sum($areas));
        $names = Made::names();

        return new JsonResponse([
            'colours' => array_map(static fn (string $hex, float $area): array => ['hex' => $hex, 'area' => $area, 'share' => $area / $whole, 'name' => $names[$hex] ?? ''], array_map(strval(...), array_keys($areas)), array_values($areas)),
            // What is flat nowhere is named too: twelve colours are twelve, also where eight of them run into each other.
            'blended' => array_map(static fn (string $hex, array $one): array => ['hex' => $hex, ...$one], array_map(strval(...), array_keys($blended)), array_values($blended)),
            'near' => Joining::near($areas, self::NEAR),
            'down' => array_reverse(Joining::downTo($areas, 1)),
        ]);
    }

    public function index(): JsonResponse
    {
        return new JsonResponse((object) Made::names());
    }

    /** A colour is this material or ink of the shop, for this job and the next; an empty name takes it back. */
    public function name(Request $request): JsonResponse
    {
        $fields = $request->validate(['hex' => ['required', 'string', 'regex:/^#[0-9a-f]{6}$/D'], 'name' => ['present', 'nullable', 'string', 'max:80']], ['hex.*' => 'A colour is written as # and six digits, such as #1d5c46.', 'name.*' => 'A material or ink has a name of at most 80 letters.']);
        $name = trim((string) $fields['name']);
        $name === '' ? DB::table('shop_colours')->where('hex', $fields['hex'])->delete() : DB::table('shop_colours')->updateOrInsert(['hex' => $fields['hex']], ['name' => $name]);

        return $this->index();
    }
}
