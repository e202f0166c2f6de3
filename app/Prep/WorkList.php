<?php

declare(strict_types=1);

namespace App\Prep;

use App\Models\ShopJob;
use NeatEdge\Core\Device\Devices;

/** What is to be done, by the day it is due and the machine that it goes to; and whom each waits for. */
final class WorkList
{
    /** Days ahead that are told of. */
    private const AHEAD = 14;

    /** Jobs that are told of; who has more in two weeks plans with another list. */
    private const MOST = 400;

    /** What a row is made of: a bench, a picture or notices are not read for a list. */
    public const COLUMNS = ['id', 'title', 'customer', 'customer_id', 'due', 'process', 'standing', 'customer_says', 'findings', 'sheets', 'updated_at'];

    /** @return list<array<string, mixed>> those that are late first, then by day and machine */
    public static function of(string $today): array
    {
        $until = (string) date('Y-m-d', (int) strtotime("{$today} +".self::AHEAD.' days'));
        $jobs = ShopJob::query()->whereNull('archived_at')->where('due_key', '!=', '1')->where('due_key', '<=', "0{$until}")
            ->orderBy('due_key')->orderBy('id')->limit(self::MOST)->get(self::COLUMNS);
        $rows = $jobs->map(self::row(...))->all();
        usort($rows, static fn (array $a, array $b): int => [$a['due'], $a['machine'], $a['id']] <=> [$b['due'], $b['machine'], $b['id']]);

        return $rows;
    }

    /** @return array<string, mixed> */
    public static function row(ShopJob $job): array
    {
        return [
            'id' => $job->id, 'title' => $job->title, 'customer' => $job->customer, 'due' => $job->due, 'processLabel' => $job->process->label(),
            'machine' => $job->process->machine(), 'machineLabel' => Devices::of($job->process->machine())::about()->label,
            'standing' => $job->standing, 'customerSays' => $job->customer_says, 'waitsFor' => self::waitsFor($job),
            'findings' => $job->findings, 'sheets' => $job->sheets, 'updated' => $job->updated_at?->toIso8601String(),
        ];
    }

    /** @return 'customer'|'artist'|'machine'|'shop' the shop itself where it is being prepared */
    private static function waitsFor(ShopJob $job): string
    {
        return match (true) {
            in_array($job->customer_says, ['waiting', 'seen'], true) => 'customer',
            $job->standing === Standing::BUSY => 'shop',
            $job->standing === Standing::READY && in_array($job->customer_says, ['none', 'approved'], true) => 'machine',
            default => 'artist',
        };
    }
}
