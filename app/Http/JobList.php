<?php

declare(strict_types=1);

namespace App\Http;

use App\Models\Preparation;
use App\Models\ShopJob;
use App\Prep\Standing;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Support\Facades\DB;

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
    ];

    /** In which order, as a column and whether it falls. */
    public const ORDERS = ['updated' => ['updated_at', 'desc'], 'due' => ['due_key', 'asc'], 'title' => ['title_key', 'asc'], 'customer' => ['customer_key', 'asc'], 'findings' => ['findings', 'desc']];

    private const COLUMNS = ['id', 'title', 'customer', 'due', 'process', 'width_mm', 'height_mm', 'is_demo', 'version', 'created_at', 'updated_at', 'preparation_id', 'standing', 'findings', 'sheets'];

    /** So many that are found are counted; of more it is said that there are more. */
    public const COUNTED = 1000;

    /** @return array{jobs: list<array<string, mixed>>, found: int, all: int, page: int} both at most one above COUNTED */
    public static function page(string $search, string $only, string $order, int $page): array
    {
        [$column, $way] = self::ORDERS[$order];
        $query = self::sought(array_slice(Standing::words($search), 0, 12), trim($search) !== '');
        $standings = self::ONLY[$only];
        $query->when($standings !== null, static fn (Builder $some) => $some->whereIn('standing', $standings))->when($only === 'due', static fn (Builder $some) => $some->where('due_key', '!=', '1'));
        $all = self::counted(ShopJob::query());
        $found = trim($search) === '' && $only === 'all' ? $all : self::counted($query->clone());
        // Which ones is found in an index alone; only they are read.
        $ids = $query->orderBy($column, $way)->orderByDesc('id')->forPage($page, self::PAGE)->toBase()->pluck('id')->all();
        $read = ShopJob::query()->whereKey($ids)->get(self::COLUMNS)->keyBy('id');
        $jobs = collect($ids)->map(static fn (int $id): ?ShopJob => $read->get($id))->filter()->values();
        $last = Preparation::query()->whereKey($jobs->pluck('preparation_id')->filter()->all())->get(Preparation::BRIEF)->keyBy('id');

        return ['jobs' => array_values($jobs->map(static fn (ShopJob $job): array => self::row($job, $last->get((int) $job->preparation_id)))->all()), 'found' => $found, 'all' => $all, 'page' => $page];
    }

    /** @param  Builder<ShopJob>  $query */
    private static function counted(Builder $query): int
    {
        return DB::query()->fromSub($query->select('id')->limit(self::COUNTED + 1), 'some')->count();
    }

    /**
     * Jobs that have all the words, each from its beginning. By the rarest of them, where it is rare; where all are common, a page of those that have them is soon found along any order.
     *
     * @param  list<string>  $words
     * @return Builder<ShopJob>
     */
    private static function sought(array $words, bool $anything): Builder
    {
        $query = ShopJob::query();
        if ($words === []) {
            // Only signs were typed: nothing is called so.
            return $anything ? $query->whereRaw('1 = 0') : $query;
        }
        $ids = null;
        foreach ($words as $word) {
            $some = DB::table('job_words')->whereBetween('word', [$word, "{$word}\u{FFFD}"])->limit(self::COUNTED + 1)->pluck('shop_job_id')->unique();
            $ids = $some->count() <= self::COUNTED && ($ids === null || $some->count() < $ids->count()) ? $some : $ids;
            $query->where('search', 'like', "% {$word}%");
        }

        return $ids === null ? $query : $query->whereKey($ids->all());
    }

    /** @return array<string, mixed> */
    private static function row(ShopJob $job, ?Preparation $last): array
    {
        return [
            'id' => $job->id, 'title' => $job->title, 'customer' => $job->customer, 'due' => $job->due, 'process' => $job->process->key(), 'processLabel' => $job->process->label(),
            'width' => $job->width_mm, 'height' => $job->height_mm, 'demo' => $job->is_demo, 'version' => $job->version,
            'created' => $job->created_at?->toIso8601String(), 'updated' => $job->updated_at?->toIso8601String(),
            'state' => $last === null ? 'new' : $last->status, 'stale' => $last !== null && $last->version !== $job->version, 'ready' => $job->standing === Standing::READY, 'findings' => $job->findings, 'sheets' => $job->sheets,
        ];
    }
}
