<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Description\Answers;
use App\Http\Pictures;
use App\Http\Requests\ProofRequest;
use App\Models\Preparation;
use App\Prep\Proofs;
use Illuminate\Http\Response;

/** Proofs as files. */
final class ProofController
{
    /** In dots, as wide as is asked, or as a page at true size. */
    #[Answers(type: 'image/png|application/pdf')]
    public function show(ProofRequest $request, Preparation $preparation, string $format): Response
    {
        $ground = (string) $request->validated('ground');
        $bytes = match ($format) {
            'png' => Proofs::png($preparation, $ground, (int) ($request->validated('pixels') ?? 1600)),
            'pdf' => Proofs::pdf($preparation, $ground),
            default => abort(404),
        };

        return Pictures::file($bytes, Proofs::name($preparation), $format);
    }
}
