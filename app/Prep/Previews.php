<?php

declare(strict_types=1);

namespace App\Prep;

use App\Drawn\PageArt;
use App\Models\ShopJob;
use Closure;
use NeatEdge\Core\Check\Finding;
use NeatEdge\Core\Check\WhileDrawn;
use NeatEdge\Core\Edit\Shaping\Outcome;
use NeatEdge\Core\Edit\TellsReading;
use NeatEdge\Core\Line\Edits;

/** What a page shows before anything is stored. */
final class Previews
{
    /**
     * @param  array<string, mixed>  $fields  an edit as it was sent
     * @param  string|null  $step  of touching up that the page works on
     * @param  bool  $report  whether it is also told what the changes come to in numbers
     * @return Closure(): array<string, mixed> the changes that it would make
     */
    public static function edit(ShopJob $job, array $fields, ?string $step, bool $report): Closure
    {
        $fonts = ShopFonts::shelf();
        $edit = SentEdits::make($fields, $job, $fonts);

        return static function () use ($edit, $job, $step, $fonts, $report): array {
            $before = TouchUps::art($step, $job, $job->art(...));
            $after = Edits::applied($edit, $before, $fonts);

            return [
                ...PageArt::changes($before, $after),
                ...($report ? ['report' => Outcome::between($before, $after)->toArray()] : []),
                ...($edit instanceof TellsReading ? ['reading' => $edit->reading($after)] : []),
            ];
        };
    }

    /**
     * @param  array<string, mixed>  $fields
     * @return Closure(): array<string, mixed> what the tool of an edit shows on the art
     */
    public static function marks(ShopJob $job, array $fields, ?string $step): Closure
    {
        $edit = SentEdits::make($fields, $job, ShopFonts::shelf());

        return static fn (): array => ['marks' => array_map(PageArt::mark(...), Edits::marks($edit, TouchUps::art($step, $job, $job->art(...))))];
    }

    /**
     * @param  array<string, mixed>  $fields
     * @param  string|null  $instead  label of a remedy, of which another way is looked for
     * @param  list<int>  $findings  numbers of those that it is to cure
     * @return Closure(): (array<string, mixed>|null) what a remedy comes to
     */
    public static function cure(ShopJob $job, array $fields, ?string $instead, array $findings): Closure
    {
        $fonts = ShopFonts::shelf();

        return $instead !== null
            ? static fn (): ?array => Foretelling::instead($job, $instead, $findings, $fonts)
            : static fn (): array => Foretelling::of($job, SentEdits::make($fields, $job, $fonts), $findings, $fonts);
    }

    /**
     * @param  list<string>  $pieces  that were just changed
     * @return Closure(): array<string, mixed> what is wrong around them
     */
    public static function checks(ShopJob $job, array $pieces): Closure
    {
        return static function () use ($job, $pieces): array {
            $checked = WhileDrawn::of($job->art(), $pieces, $job->limits());

            return [
                'region' => $checked->region === null ? null : array_values(get_object_vars($checked->region)),
                'findings' => array_map(static fn (Finding $finding): array => $finding->toArray(), $checked->findings),
            ];
        };
    }
}
