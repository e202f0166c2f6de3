<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Description\Answers;
use App\Http\Requests\MissingFontRequest;
use App\Http\Requests\SetLettersRequest;
use App\Http\Resources\ChangedStateResource;
use App\Http\Resources\MissingLettersResource;
use App\Models\ShopJob;
use App\Prep\History;
use App\Prep\LettersAnew;
use App\Prep\Proposal;
use App\Works\Budget;
use NeatEdge\Core\Described\Refused;

/** Letters of a customer's file that stand in for a font which was not at hand. */
final class LettersController
{
    /** A family that stands in for none: set in it, each of the letters differs. */
    private const UNLIKE = 'Rye';

    /** Where they stand on the bench, and how many of them were changed by hand since. */
    #[Answers(MissingLettersResource::class)]
    public function show(MissingFontRequest $request, ShopJob $job): MissingLettersResource
    {
        $missing = $request->validated('missing');
        $job = ShopJob::snapshot($job->id);
        [, $pieces, $stay] = Budget::within('Reading the file again', static fn (): array => LettersAnew::set($job, $job->art(), $missing, self::UNLIKE));
        $box = LettersAnew::around($pieces);

        return new MissingLettersResource([
            'pieces' => array_column($pieces, 'id'),
            'stay' => $stay,
            'box' => $box === null ? null : ['x' => $box->left, 'y' => $box->top, 'width' => $box->width(), 'height' => $box->height()],
        ]);
    }

    /** They are set in a font that is at hand now. */
    #[Answers(ChangedStateResource::class)]
    public function store(SetLettersRequest $request, ShopJob $job): ChangedStateResource
    {
        [$missing, $family] = [$request->validated('missing'), $request->validated('family')];

        return new ChangedStateResource(History::change($job, $request->asker(), static function (ShopJob $job) use ($missing, $family): Proposal {
            $before = $job->art();
            [$after, $pieces, $stay] = LettersAnew::set($job, $before, $missing, $family);
            if ($pieces === []) {
                throw Refused::because($stay > 0
                    ? 'The letters were changed by hand since they came in; set them in Draw.'
                    : 'No letters on the bench stand in for that font any more.');
            }
            $was = array_filter($job->notices, static fn (array $notice): bool => $notice['kind'] === 'missing-font' && ($notice['sheet'] ?? '') === $missing);
            $added = mb_strtolower($family) === mb_strtolower($missing);
            $said = ($added ? 'The font was added, and the letters set in it' : "Set in \"{$family}\" instead")
                .($stay > 0 ? ", but for {$stay} that were changed by hand" : '');

            return Proposal::telling(
                "Set letters in {$family}",
                $before,
                $after,
                array_map(static fn (array $notice): array => [...$notice, 'accepted' => $said, 'cured' => $added ? 'added' : 'instead'], $was),
                $was,
            );
        }));
    }
}
