<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Budget;
use App\Http\Lane;
use App\Models\ShopJob;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use NeatEdge\Core\Check\Finding;
use NeatEdge\Core\Check\WhileDrawn;

/** Checks of the art while it is drawn. */
final class CheckController
{
    /** What is wrong around pieces that were just changed; the check before, of the same page, is stopped. Nothing is stored. */
    public function around(Request $request, ShopJob $job): JsonResponse
    {
        $ids = $request->validate(['pieces' => ['required', 'array', 'max:2000'], 'pieces.*' => ['string', 'max:80']], ['*' => 'Say which pieces were changed, at most 2000.'])['pieces'];
        $lane = Lane::enter($job->id, 'checks', (string) $request->header('X-Page', $request->ip() ?? ''));
        $job = ShopJob::around($job->id, array_values($ids));

        return new JsonResponse(Budget::within('Checking', static function () use ($job, $ids): array {
            $checked = WhileDrawn::of($job->art(), array_values($ids), $job->limits());

            return [
                'region' => $checked->region === null ? null : array_values(get_object_vars($checked->region)),
                'findings' => array_map(static fn (Finding $finding): array => $finding->toArray(), $checked->findings),
            ];
        }, $lane->isLatest(...)));
    }
}
