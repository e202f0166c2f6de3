<?php

declare(strict_types=1);

namespace App\Works\Kinds;

use App\Models\ShopJob;
use App\Models\Work;
use App\Prep\WantedFile;
use App\Prep\Written;
use App\Works\Hold;
use App\Works\Kind;
use App\Works\Works;
use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\Patience\Progress;

/** A file that somebody waits for. */
final class WriteFiles extends Kind
{
    public function key(): string
    {
        return 'write-files';
    }

    public function produces(): bool
    {
        return true;
    }

    public function label(): string
    {
        return 'Write files';
    }

    public function queue(): string
    {
        return 'quick';
    }

    public static function begin(ShopJob $job, WantedFile $wanted): Work
    {
        return Works::start(new self, $job, $job->title, $wanted->toArray(), $wanted->key($job));
    }

    public function resumes(): bool
    {
        return true;
    }

    public function isKept(Work $work): bool
    {
        return Written::has($work->key);
    }

    public function run(Work $work, Hold $hold): ?array
    {
        $job = ShopJob::query()->find($work->shop_job_id) ?? throw Refused::because('The job is not there any more.');
        $wanted = WantedFile::fromArray($work->about);
        if ($wanted->key($job) !== $work->key) {
            throw Refused::because('The job was changed meanwhile; ask for the file again.');
        }
        Written::keep($work->key, Progress::with($hold->tell(...), static fn (): string => $wanted->bytes($job)));
        $hold->tell(1, 1);

        return null;
    }

    protected function brokeOff(): string
    {
        return 'Writing the files broke off.';
    }

    protected function kept(Work $work, string $why): string
    {
        return "{$why} Nothing left. Try again.";
    }
}
