<?php

declare(strict_types=1);

namespace App\Prep;

use App\Models\Revision;
use App\Models\ShopJob;
use App\Models\Source;
use Illuminate\Support\Facades\DB;

/** A second job with the same ticket, file and bench; its history begins anew. */
final class Duplicating
{
    public static function of(ShopJob $job): ShopJob
    {
        return DB::transaction(static function () use ($job): ShopJob {
            $job = ShopJob::query()->findOrFail($job->id);
            $copy = $job->replicate(['version', 'last_key', 'picture', 'picture_version', 'deleted_at', 'is_demo']);
            $copy->fill(['title' => mb_substr($job->title, 0, 112).' (copy)', 'revision' => 1, 'is_demo' => false]);
            $copy->save();
            DB::insert(
                'insert into bench_pieces (shop_job_id, piece, data, page, page_form, refers, "left", top, "right", bottom, clip_number)'
                    .' select ?, piece, data, page, page_form, refers, "left", top, "right", bottom, clip_number from bench_pieces where shop_job_id = ?',
                [$copy->id, $job->id],
            );
            DB::table('job_pictures')->insertOrIgnoreUsing(
                ['shop_job_id', 'file'],
                DB::table('job_pictures')->where('shop_job_id', $job->id)->selectRaw('?, file', [$copy->id]),
            );
            $source = Source::query()->find($job->id);
            if ($source !== null) {
                Source::query()->create(['shop_job_id' => $copy->id, 'svg' => $source->svg, 'view_box' => $source->view_box]);
            }
            Revision::query()->create(['shop_job_id' => $copy->id, 'number' => 1, 'label' => mb_substr("Copied from \"{$job->title}\"", 0, 200)]);

            return $copy->refresh();
        });
    }
}
