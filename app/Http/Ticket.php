<?php

declare(strict_types=1);

namespace App\Http;

use App\Models\Preparation;
use App\Models\ShopJob;
use NeatEdge\Core\Artwork\Artwork;

/** A job as the page is told of it. */
final class Ticket
{
    /** @return array<string, mixed> */
    public static function of(ShopJob $job): array
    {
        $limits = $job->limits();

        return [
            'id' => $job->id,
            'title' => $job->title,
            'process' => $job->process->value,
            'processLabel' => $job->process->label(),
            'width' => $job->width_mm,
            'height' => $job->height_mm,
            'limits' => ['line' => $limits->line, 'gap' => $limits->gap],
            'ownLimits' => ['line' => $job->line_limit_mm, 'gap' => $job->gap_limit_mm],
            'demo' => $job->is_demo,
            'sourceName' => $job->source_name,
            'version' => $job->version,
            'updated' => $job->updated_at?->toIso8601String(),
        ];
    }

    /** @return array<string, mixed> */
    public static function whole(ShopJob $job, ?Artwork $artwork = null): array
    {
        $current = $job->current();
        $preparation = $job->latestPreparation;

        return [
            'job' => self::of($job),
            'art' => PageArt::of($artwork ?? $current->art()),
            'notices' => $job->notices,
            'history' => [
                'label' => $current->label,
                'canUndo' => $current->parent !== null,
                'canRedo' => $job->revisions()->where('parent', $current->number)->exists(),
            ],
            'preparation' => $preparation === null ? null : self::preparation($preparation, $job),
        ];
    }

    /** @return array<string, mixed> */
    public static function preparation(Preparation $preparation, ShopJob $job): array
    {
        return [
            'id' => $preparation->id,
            'status' => $preparation->status,
            'steps' => $preparation->steps,
            'done' => $preparation->done,
            'of' => $preparation->of,
            'doing' => $preparation->doing,
            'error' => $preparation->error,
            'stale' => $preparation->version !== $job->version,
            'result' => $preparation->result,
        ];
    }
}
