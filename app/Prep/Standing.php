<?php

declare(strict_types=1);

namespace App\Prep;

use App\Models\Preparation;
use App\Models\ShopJob;
use App\Models\Work;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use NeatEdge\Core\Measure\LookDifference;

/** Where a job stands and by what it is found, as lists ask for it: stored with the job whenever it changes, so that no list works it out for all of them. */
final class Standing
{
    public const FRESH = 'fresh';

    public const BUSY = 'busy';

    public const BROKEN = 'broken';

    public const STALE = 'stale';

    public const OPEN = 'open';

    public const READY = 'ready';

    /** After its preparation, or what was said of what it found, changed. */
    public static function store(int $job): void
    {
        $one = ShopJob::withTrashed()->find($job, ['id', 'process', 'version', 'revision', 'notices', 'width_mm', 'height_mm']);
        if ($one === null) {
            return;
        }
        $last = Preparation::query()->where('shop_job_id', $job)->latest('id')->first(Preparation::BRIEF);
        ShopJob::withTrashed()->whereKey($job)->toBase()->update(['preparation_id' => $last?->id, ...self::of($one, $last)]);
    }

    /** @return array{standing: string, customer_says: string, findings: int, sheets: int} */
    private static function of(ShopJob $job, ?Preparation $last): array
    {
        $state = $last?->status;
        $waiting = count(array_filter($job->leftOut(), static fn (array $notice): bool => ! isset($notice['accepted'])));
        // One of before there were summaries tells the same from all that it gave.
        $summary = $last === null || $state !== 'done' ? null : $last->summary ?? Preparation::query()->find($last->id)?->summed([], $job->width_mm);

        return [
            'standing' => match (true) {
                $last === null => self::FRESH,
                in_array($state, Work::OPEN, true) => self::BUSY,
                $summary === null => self::BROKEN,
                $last->version !== $job->version => self::STALE,
                // How it looks is said of a job, and keeps none from being ready.
                Verdicts::judged($last, $job, new LookDifference(0.0, 0.0), $summary)->isReady() => self::READY,
                default => self::OPEN,
            },
            'customer_says' => Approvals::standing($job),
            'findings' => $waiting + ($summary['findings'] ?? 0),
            'sheets' => $summary['sheets'] ?? 0,
        ];
    }

    /** @return array{search: string, title_key: string, customer_key: string, due_key: string} what a job is found and put in order by */
    public static function keys(string $title, string $customer, ?string $due, string $process): array
    {
        return [
            'search' => mb_substr(' '.implode(' ', self::words("{$title} {$customer} {$process}")), 0, 400),
            'title_key' => self::key($title),
            // What has none comes last.
            'customer_key' => $customer === '' ? '1' : '0'.self::key($customer),
            'due_key' => $due === null || $due === '' ? '1' : "0{$due}",
        ];
    }

    /** @return list<string> its words, without case and accents, each once */
    public static function words(string $text): array
    {
        $parts = preg_split('/[^a-z0-9]+/', Str::lower(Str::ascii($text)), -1, PREG_SPLIT_NO_EMPTY) ?: [];

        return array_values(array_unique(array_map(static fn (string $word): string => substr($word, 0, 60), $parts)));
    }

    /** The words that a job is found by. */
    public static function index(int $job, string $search): void
    {
        DB::transaction(static function () use ($job, $search): void {
            DB::table('job_words')->where('shop_job_id', $job)->delete();
            DB::table('job_words')->insert(array_map(static fn (string $word): array => ['word' => $word, 'shop_job_id' => $job], self::words($search)));
        });
    }

    /** Without case and accents; as it is where nothing would be left. */
    public static function plain(string $text): string
    {
        return Str::lower(Str::ascii($text) ?: $text);
    }

    /** In which 10 comes after 9, and neither case nor accents count. */
    private static function key(string $text): string
    {
        $padded = preg_replace_callback('/\d{1,12}/', static fn (array $m): string => str_pad($m[0], 12, '0', STR_PAD_LEFT), self::plain($text));

        return mb_substr((string) $padded, 0, 180);
    }
}
