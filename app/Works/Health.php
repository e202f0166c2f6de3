<?php

declare(strict_types=1);

namespace App\Works;

use App\Models\Contents;
use App\Models\Letter;
use App\Models\ShopJob;
use App\Models\Work;
use Illuminate\Support\Facades\DB;
use RuntimeException;
use Throwable;

/** How the shop does: whether it can work, for whoever spreads requests over hosts; and how much there is to do, for whoever counts. */
final class Health
{
    /** Seconds for which what is waited for at the page may wait before nobody seems to be there who does it. */
    private const PATIENCE = 120.0;

    /** @return array<string, bool> by what was looked at; nothing of it tells of what the shop has */
    public static function of(): array
    {
        return [
            'database' => self::works(static fn (): bool => DB::selectOne('select 1 as one') !== null),
            'contents' => self::works(self::contents(...)),
            'workers' => self::works(static fn (): bool => Work::query()->where('state', 'waiting')->whereIn('kind', self::swift())
                ->where('queued_at', '<', microtime(true) - self::PATIENCE)->doesntExist()),
        ];
    }

    /** @return list<string> kinds that somebody waits for */
    private static function swift(): array
    {
        return array_values(array_map(
            static fn (Kind $kind): string => $kind->key(),
            array_filter(Kinds::all(), static fn (Kind $kind): bool => $kind->isWaitedFor()),
        ));
    }

    private static function contents(): bool
    {
        $path = 'health/'.bin2hex(random_bytes(6));
        $disk = Contents::disk();
        $disk->put($path, 'x');
        $read = $disk->get($path);
        $disk->delete($path);

        return $read === 'x';
    }

    /** @param  callable(): bool  $look */
    private static function works(callable $look): bool
    {
        try {
            return $look();
        } catch (Throwable $broke) {
            report(new RuntimeException("The shop does not do well: {$broke->getMessage()}", previous: $broke));

            return false;
        }
    }

    /** @return string counts as the open text format has them (https://prometheus.io/docs/instrumenting/exposition_formats, OpenMetrics 1.0) */
    public static function counts(): string
    {
        $lines = ['# TYPE neat_edge_jobs gauge', '# HELP neat_edge_jobs Jobs that are not in the trash.', 'neat_edge_jobs '.ShopJob::query()->count(),
            '# TYPE neat_edge_works gauge', '# HELP neat_edge_works Long work that is kept, by kind and state.'];
        $works = Work::query()->groupBy('kind', 'state')->orderBy('kind')->orderBy('state')->selectRaw('kind, state, count(*) as many')->toBase()->get();
        foreach ($works as $row) {
            [$kind, $state] = [self::escaped((string) $row->kind), self::escaped((string) $row->state)];
            $lines[] = "neat_edge_works{kind=\"{$kind}\",state=\"{$state}\"} ".(int) $row->many;
        }
        array_push(
            $lines,
            '# TYPE neat_edge_mail_unsent gauge',
            '# HELP neat_edge_mail_unsent Mail of the last day that no server took.',
            'neat_edge_mail_unsent '.Letter::query()->where('unsent', '!=', '')->where('created_at', '>', now()->subDay())->count(),
        );
        $oldest = Work::query()->where('state', 'waiting')->min('queued_at');
        array_push(
            $lines,
            '# TYPE neat_edge_longest_wait_seconds gauge',
            '# HELP neat_edge_longest_wait_seconds How long the work that waits longest has waited.',
            sprintf('neat_edge_longest_wait_seconds %.1F', $oldest === null ? 0.0 : max(0.0, microtime(true) - (float) $oldest)),
            '# TYPE neat_edge_up gauge',
        );
        foreach (self::of() as $what => $does) {
            $lines[] = sprintf('neat_edge_up{part="%s"} %d', self::escaped($what), $does ? 1 : 0);
        }

        return implode("\n", [...$lines, '# EOF'])."\n";
    }

    private static function escaped(string $words): string
    {
        return str_replace(['\\', '"', "\n"], ['\\\\', '\\"', '\\n'], $words);
    }
}
