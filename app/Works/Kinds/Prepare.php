<?php

declare(strict_types=1);

namespace App\Works\Kinds;

use App\Models\Preparation;
use App\Models\ShopJob;
use App\Models\StepResult;
use App\Models\Work;
use App\Prep\Preparing;
use App\Prep\ShopFonts;
use App\Works\Hold;
use App\Works\Kind;
use App\Works\Works;
use NeatEdge\Core\Artwork\LineStep;
use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\Described\Values;
use NeatEdge\Core\Line\PrepLine;

/** The prep line of a job, and the check of what it gives. */
final class Prepare extends Kind
{
    public function key(): string
    {
        return 'prepare';
    }

    public function label(): string
    {
        return 'Prepare';
    }

    public function queue(): string
    {
        return 'page';
    }

    public function ask(ShopJob $job, Values $values): Work
    {
        $job->refresh();
        $line = array_map(static fn (LineStep $step): array => $step->toArray(), $job->art()->line ?? []);
        if (array_filter($line, static fn (array $step): bool => $step['on']) === []) {
            throw Refused::because('Switch on at least one step.');
        }
        $key = hash('xxh128', json_encode([PrepLine::ENGINE, $job->id, $job->version, $line, $job->limits(), ShopFonts::stamp()], JSON_THROW_ON_ERROR));

        return Works::start($this, $job, $job->title, [], $key, also: static function (Work $work) use ($job, $line): void {
            Preparation::query()->create(['shop_job_id' => $job->id, 'work_id' => $work->id, 'version' => $job->version, 'steps' => $line]);
        });
    }

    public function replaces(): bool
    {
        return true;
    }

    public function apart(): bool
    {
        return true;
    }

    public function resumes(): bool
    {
        return true;
    }

    /** Only the last one of a job gives what is shown of it. */
    public function isKept(Work $work): bool
    {
        $preparation = self::preparation($work);
        $keys = array_values(array_unique($preparation->stage_keys ?? []));

        return $preparation !== null
            && $preparation->result !== null
            && Preparation::query()->where('shop_job_id', $work->shop_job_id)->max('id') === $preparation->id
            && StepResult::query()->whereKey($keys)->count() === count($keys);
    }

    public function run(Work $work, Hold $hold): ?array
    {
        Preparing::run(self::preparation($work) ?? throw Refused::because('What was to be prepared is not there any more.'), $hold);

        return null;
    }

    protected function brokeOff(): string
    {
        return 'The preparation broke off before it was done.';
    }

    protected function kept(Work $work, string $why): string
    {
        return match (true) {
            $why === self::CUT_OFF => 'The server was stopped while it prepared this job; the source art is untouched. Prepare it again.',
            str_starts_with($why, 'It takes')
                || str_starts_with($why, 'It needs') => "{$why} The source art is untouched. Prepare a part of it, or clean its nodes first.",
            default => "{$why} The source art is untouched. Try again, or with fewer steps.",
        };
    }

    public static function preparation(Work $work): ?Preparation
    {
        return Preparation::query()->where('work_id', $work->id)->first();
    }
}
