<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Description\Answers;
use App\Works\Health;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Response;

/** How the shop does, for other programs. */
final class HealthController
{
    /** For a balancer: 200 where it can work, else 503, with what cannot. */
    public function show(): JsonResponse
    {
        $parts = Health::of();
        $well = ! in_array(false, $parts, true);

        return new JsonResponse(['well' => $well, ...$parts], $well ? 200 : 503, ['Cache-Control' => 'no-store']);
    }

    /** Counts for a collector, in the open text format. */
    #[Answers(type: 'text/plain')]
    public function counts(): Response
    {
        return new Response(Health::counts(), 200, ['Content-Type' => 'text/plain; version=0.0.4; charset=utf-8', 'Cache-Control' => 'no-store']);
    }
}
