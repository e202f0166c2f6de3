<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Budget;
use App\Models\ShopJob;
use App\Prep\LettersAnew;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use NeatEdge\Core\Described\Refused;

/** Letters of a customer's file that stand in for a font which was not at hand. */
final class LettersController
{
    /** A family that stands in for none: set in it, each of the letters differs. */
    private const UNLIKE = 'Rye';

    /** Where they stand on the bench, and how many of them were changed by hand since. */
    public function show(Request $request, ShopJob $job): JsonResponse
    {
        $missing = self::missing($request);
        $job = ShopJob::snapshot($job->id);
        [, $pieces, $stay] = Budget::within('Reading the file again', static fn (): array => LettersAnew::set($job, $job->art(), $missing, self::UNLIKE));
        $box = LettersAnew::around($pieces);

        return new JsonResponse(['pieces' => array_column($pieces, 'id'), 'stay' => $stay, 'box' => $box === null ? null : ['x' => $box->left, 'y' => $box->top, 'width' => $box->width(), 'height' => $box->height()]]);
    }

    /** They are set in a font that is at hand now. */
    public function store(Request $request, ShopJob $job): JsonResponse
    {
        $missing = self::missing($request);
        $family = $request->validate(['family' => ['required', 'string', 'max:60']], ['*' => 'Choose the font that the letters are set in.'])['family'];

        return History::change($job, EditController::version($request), static function (ShopJob $job) use ($missing, $family): Proposal {
            $before = $job->art();
            [$after, $pieces, $stay] = LettersAnew::set($job, $before, $missing, $family);
            if ($pieces === []) {
                throw Refused::because($stay > 0 ? 'The letters were changed by hand since they came in; set them in Draw.' : 'No letters on the bench stand in for that font any more.');
            }
            $was = array_filter($job->notices, static fn (array $notice): bool => $notice['kind'] === 'missing-font' && ($notice['sheet'] ?? '') === $missing);
            $said = (mb_strtolower($family) === mb_strtolower($missing) ? 'The font was added, and the letters set in it' : "Set in \"{$family}\" instead").($stay > 0 ? ", but for {$stay} that were changed by hand" : '');

            return Proposal::telling("Set letters in {$family}", $before, $after, array_map(static fn (array $notice): array => [...$notice, 'accepted' => $said], $was), $was);
        });
    }

    private static function missing(Request $request): string
    {
        return (string) $request->validate(['missing' => ['required', 'string', 'max:60']], ['*' => 'Say which font was missing.'])['missing'];
    }
}
