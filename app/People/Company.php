<?php

declare(strict_types=1);

namespace App\People;

use App\Models\Person;
use App\Models\Presence;
use App\Models\ShopJob;

/** Who else is on a bench, and what they have in hand there. */
final class Company
{
    /** Seconds after which somebody who said nothing is there no more; a page says something three times in that time. */
    public const GONE = 15.0;

    /** Pieces that are told of; who has more in hand has nearly all. */
    public const MOST = 2000;

    /**
     * Somebody's page is here, with these pieces in hand.
     *
     * @param  list<string>  $held
     * @return list<array{name: string, held: list<string>}> the others
     */
    public static function here(ShopJob $job, Person $person, string $page, array $held): array
    {
        Presence::query()->upsert(
            [[
                'shop_job_id' => $job->id, 'page' => $page, 'person_id' => $person->id, 'seen_at' => microtime(true),
                'held' => json_encode(array_slice($held, 0, self::MOST), JSON_THROW_ON_ERROR),
            ]],
            ['shop_job_id', 'page'],
        );

        return self::others($job, $person);
    }

    /** The page was left. */
    public static function gone(ShopJob $job, Person $person, string $page): void
    {
        Presence::query()->where('shop_job_id', $job->id)->where('page', $page)->where('person_id', $person->id)->delete();
    }

    /** @return list<array{name: string, held: list<string>}> each other person once, whatever they have in hand on several pages */
    private static function others(ShopJob $job, Person $person): array
    {
        $others = [];
        foreach (Presence::query()->with('person')->where('shop_job_id', $job->id)->where('person_id', '!=', $person->id)
            ->where('seen_at', '>', microtime(true) - self::GONE)->orderBy('person_id')->get() as $presence) {
            $others[$presence->person_id]['name'] = (string) $presence->person?->name;
            $others[$presence->person_id]['held'] = [...($others[$presence->person_id]['held'] ?? []), ...$presence->held];
        }

        return array_values($others);
    }

    /** @return int how many went that were left without a word */
    public static function prune(): int
    {
        return (int) Presence::query()->where('seen_at', '<', microtime(true) - 60)->delete();
    }
}
