<?php

declare(strict_types=1);

namespace App\Http;

use App\Models\Preparation;
use App\Models\ShopJob;
use App\Prep\Standing;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Support\Facades\DB;
use stdClass;

/** The list of jobs: searched, sifted, put in order and cut into pages by the database. */
final class JobList
{
    /** Jobs a page. */
    public const PAGE = 60;

    /** What is shown, as standings. */
    public const ONLY = [
        'all' => null,
        'open' => [Standing::BUSY, Standing::BROKEN, Standing::STALE, Standing::OPEN],
        'ready' => [Standing::READY],
        'fresh' => [Standing::FRESH],
        'due' => null,
        'archived' => null,
    ];

    /** In which order, as a column and whether it falls. */
    public const ORDERS = [
        'updated' => ['updated_at', 'desc'],
        'due' => ['due_key', 'asc'],
        'title' => ['title_key', 'asc'],
        'customer' => ['customer_key', 'asc'],
        'findings' => ['findings', 'desc'],
    ];

    private const COLUMNS = [
        'id', 'title', 'customer', 'due', 'process', 'width_mm', 'height_mm', 'is_demo', 'version', 'created_at', 'updated_at', 'preparation_id',
        'standing', 'customer_says', 'findings', 'sheets',
    ];

    /** So many that are found are counted; of more it is said that there are more. */
    public const COUNTED = 1000;

    /** @return array{jobs: list<array<string, mixed>>, found: int, all: int, page: int, own: bool} both at most one above COUNTED */
    public static function page(string $search, string $only, string $order, int $page): array
    {
        [$column, $way] = self::ORDERS[$order];
        $words = array_slice(Standing::words($search), 0, 12);
        $put = $only === 'archived';
        $all = self::counted(self::lying($put));
        if (trim($search) !== '' && $words === []) {
            // Only signs were typed: nothing is called so.
            return ['jobs' => [], 'found' => 0, 'all' => $all, 'page' => $page, 'own' => self::hasOwn()];
        }
        $rare = self::rare($words);
        if ($rare !== null) {
            // By their keys alone: whatever else is asked for is soon looked at in so few.
            $some = ShopJob::withTrashed()->whereKey($rare)->toBase()->get([
                'id',
                'deleted_at',
                'archived_at',
                'search',
                'standing',
                'due_key',
                $column,
            ])->filter(static fn (stdClass $stdClass): bool => self::passes($stdClass, $words, $only))
                ->sort(static fn (stdClass $a, stdClass $b): int => ($way === 'asc'
                        ? $a->{$column} <=> $b->{$column}
                        : $b->{$column} <=> $a->{$column}) ?: $b->id <=> $a->id)->pluck('id');
            $found = $some->count();
            $ids = $some->slice(self::PAGE * ($page - 1), self::PAGE)->values()->all();
        } else {
            $query = self::lying($put)->when(
                self::ONLY[$only] !== null,
                static fn (Builder $some) => $some->whereIn('standing', self::ONLY[$only] ?? []),
            )->when($only === 'due', static fn (Builder $some) => $some->where('due_key', '!=', '1'));
            foreach ($words as $word) {
                $query->where('search', 'like', "% {$word}%");
            }
            $found = $words === [] && in_array($only, ['all', 'archived'], true) ? $all : self::counted($query->clone());
            // Which ones is found in an index alone, along its order.
            $ids = $query->orderBy($column, $way)->orderByDesc('id')->forPage($page, self::PAGE)->toBase()->pluck('id')->all();
        }
        // Only they are read.
        $read = ShopJob::withTrashed()->whereKey($ids)->get(self::COLUMNS)->keyBy('id');
        $jobs = collect($ids)->map(static fn (int $id): ?ShopJob => $read->get($id))->filter()->values();
        $last = Preparation::query()->whereKey($jobs->pluck('preparation_id')->filter()->all())->get(Preparation::BRIEF)->keyBy('id');

        return [
            'jobs' => array_values($jobs->map(static fn (ShopJob $job): array => self::row($job, $last->get((int) $job->preparation_id)))->all()),
            'found' => $found,
            'all' => $all,
            'page' => $page,
            'own' => self::hasOwn(),
        ];
    }

    /** Whether there is a job that is none of the demo. */
    private static function hasOwn(): bool
    {
        return ShopJob::query()->where('is_demo', false)->exists();
    }

    /** @return Builder<ShopJob> those that were put away, or those that were not */
    private static function lying(bool $put): Builder
    {
        return $put ? ShopJob::query()->whereNotNull('archived_at') : ShopJob::query()->whereNull('archived_at');
    }

    /** @param  Builder<ShopJob>  $query */
    private static function counted(Builder $query): int
    {
        return DB::query()->fromSub($query->select('id')->limit(self::COUNTED + 1), 'some')->count();
    }

    /**
     * Jobs that have the rarest of the words, each from its beginning; null where all of them are common: then a page of those that have them is soon found
     * along any order.
     *
     * @param  list<string>  $words
     * @return list<int>|null
     */
    private static function rare(array $words): ?array
    {
        $ids = null;
        foreach ($words as $word) {
            $some = DB::table('job_words')->whereBetween('word', [$word, "{$word}\u{FFFD}"])
                // Along the index: in no order one database reads all words until it has so many.
                ->orderBy('word')->limit(self::COUNTED + 1)->pluck('shop_job_id')->unique();
            $ids = $some->count() <= self::COUNTED
                && ($ids === null || $some->count() < count($ids)) ? array_map(intval(...), array_values($some->all())) : $ids;
        }

        return $ids;
    }

    /** @param  list<string>  $words */
    private static function passes(stdClass $job, array $words, string $only): bool
    {
        if ($job->deleted_at !== null || ($job->archived_at !== null) !== ($only === 'archived')) {
            return false;
        }
        foreach ($words as $word) {
            if (! str_contains((string) $job->search, " {$word}")) {
                return false;
            }
        }

        return $only === 'due' ? $job->due_key !== '1' : self::ONLY[$only] === null || in_array($job->standing, self::ONLY[$only], true);
    }

    /** @return array<string, mixed> */
    private static function row(ShopJob $job, ?Preparation $last): array
    {
        return [
            'id' => $job->id,
            'title' => $job->title,
            'customer' => $job->customer,
            'due' => $job->due,
            'process' => $job->process->key(),
            'processLabel' => $job->process->label(),
            'width' => $job->width_mm, 'height' => $job->height_mm, 'demo' => $job->is_demo, 'version' => $job->version,
            'created' => $job->created_at?->toIso8601String(), 'updated' => $job->updated_at?->toIso8601String(),
            'state' => $last === null ? 'new' : $last->status,
            'stale' => $last !== null && $last->version !== $job->version,
            'ready' => $job->standing === Standing::READY,
            'customerSays' => $job->customer_says,
            'findings' => $job->findings,
            'sheets' => $job->sheets,
        ];
    }
}
