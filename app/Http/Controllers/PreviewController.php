<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Description\Answers;
use App\Http\Lane;
use App\Http\Requests\PreviewRequest;
use App\Http\Resources\PreviewResource;
use App\Models\ShopJob;
use App\Prep\Previews;
use App\Prep\SentEdits;
use App\Prep\StepPreview;
use App\Works\Budget;
use App\Works\GivenUp;
use Closure;

/** What would come of something: worked out, shown, stored nowhere. */
final class PreviewController
{
    /**
     * An edit, what it has to show on the art, a step of the line, a remedy, or what is wrong around pieces. Of one lane the latest is answered: the one
     * before is given up.
     */
    #[Answers(PreviewResource::class)]
    public function store(PreviewRequest $request, ShopJob $job): PreviewResource
    {
        $asked = $request->validated();
        $name = $asked['lane'] ?? null;
        $lane = $name === null ? null : Lane::enter($job->id, $name, $request->page());
        if ($asked['what'] === 'checks') {
            return self::shown('Checking', Previews::checks(ShopJob::around($job->id, array_values($asked['pieces'])), array_values($asked['pieces'])), $lane);
        }
        $fields = (array) $request->input('edit', []);
        $read = SentEdits::read($fields, $job);
        if (isset($asked['version']) && $read->version !== (int) $asked['version']) {
            throw GivenUp::changedSince();
        }
        $step = $request->touchUp();

        if ($asked['what'] === 'step') {
            return self::shown(
                'This step',
                static fn (): array => StepPreview::of($read, $asked['step']['id'], (array) $request->input('step.values', [])),
                $lane,
            );
        }
        if ($asked['what'] === 'cure') {
            $findings = array_map(intval(...), array_values($asked['findings']));

            return self::shown('Telling what this remedy comes to', Previews::cure($read, $fields, $asked['instead'] ?? null, $findings), $lane);
        }

        return $asked['what'] === 'marks'
            ? self::shown('This tool', Previews::marks($read, $fields, $step), $lane)
            : self::shown('This change', Previews::edit($read, $fields, $step, (bool) ($asked['report'] ?? false)), $lane);
    }

    /** @param  Closure(): (array<string, mixed>|null)  $work */
    private static function shown(string $what, Closure $work, ?Lane $lane): PreviewResource
    {
        $shown = Budget::within($what, $work, $lane === null ? null : $lane->isLatest(...));

        // Nothing is an answer too: no other remedy would help.
        return new PreviewResource($shown ?? ['none' => true]);
    }
}
