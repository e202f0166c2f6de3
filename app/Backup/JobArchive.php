<?php

declare(strict_types=1);

namespace App\Backup;

use App\Models\ReferencePicture;
use App\Models\ShopJob;
use App\Models\Source;
use App\Models\Version;
use App\Prep\Showing;
use App\Prep\Zip;
use Illuminate\Support\Facades\DB;
use NeatEdge\Core\Format\Json\ArtworkJson;
use RuntimeException;
use ZipArchive;

/**
 * One job as a file, for another shop or for later: a ZIP with a page of contents, the bench, the customer's file untouched, the named versions and the
 * pictures that lie under the work. Not in it is what belongs to the shop: its history act by act, who did it, what was prepared (it is prepared anew),
 * materials and machines, proofs that were shared and what was sent.
 *
 * @phpstan-type Ticket array{
 *     title: string, process: string, customer: string, due: string|null, unit: string, line: float|null, gap: float|null,
 *     limits: array<string, float|int>, judged: list<mixed>, making: array<string, mixed>, shown: array<string, mixed>,
 * }
 */
final class JobArchive
{
    public const ABOUT = 'neat-edge-job.json';

    public const FORM = 1;

    public static function bytes(ShopJob $job): string
    {
        // Bench and ticket of one moment; versions, pictures and the customer's file never change.
        $job = ShopJob::snapshot($job->id);
        $files = ['bench.json' => ArtworkJson::encode($job->art())];
        $source = Source::query()->find($job->id);
        if ($source !== null && $source->svg !== '') {
            $files['customer-file'] = $source->svg;
        }
        $versions = [];
        foreach (Version::query()->where('shop_job_id', $job->id)->orderBy('id')->get() as $version) {
            $file = 'versions/'.(count($versions) + 1).'.json';
            $files[$file] = ArtworkJson::encode($version->art());
            $versions[] = ['name' => $version->name, 'file' => $file, 'made' => (string) $version->created_at];
        }
        $pictures = [];
        $under = DB::table('job_pictures')->where('shop_job_id', $job->id)->pluck('file');
        foreach (ReferencePicture::query()->whereIn('file', $under)->orderBy('file')->get() as $picture) {
            $files["pictures/{$picture->file}"] = $picture->bytes;
            $pictures[] = $picture->file;
        }
        $about = [
            'form' => self::FORM,
            'made' => now()->toIso8601String(),
            'ticket' => self::ticket($job),
            'intake' => [
                'name' => $job->source_name, 'notices' => $job->notices, 'width' => $job->intake_width_mm, 'frame' => $job->file_frame,
                'view' => $source?->view_box,
            ],
            'versions' => $versions,
            'pictures' => $pictures,
            'files' => array_map(static fn (string $bytes): string => hash('sha256', $bytes), $files),
        ];
        $bytes = Zip::bytes([self::ABOUT => ArtworkJson::text($about), ...$files]);
        self::held($bytes, $about['files']);

        return $bytes;
    }

    /** @return Ticket */
    private static function ticket(ShopJob $job): array
    {
        $shown = $job->shown ?? [];

        return [
            'title' => $job->title,
            'process' => $job->process->key(),
            'customer' => $job->customer,
            'due' => $job->due,
            'unit' => $job->unit,
            'line' => $job->line_limit_mm,
            'gap' => $job->gap_limit_mm,
            'limits' => $job->more_limits ?? [],
            'judged' => $job->judged ?? [],
            'making' => $job->making['values'] ?? [],
            // Whose art lies in a place is a number of this shop's.
            'shown' => array_filter([
                ...$shown,
                'arts' => array_map(static fn (array $art): array => array_diff_key($art, Showing::WHOSE), $shown['arts'] ?? []),
            ], static fn (mixed $one): bool => $one !== []),
        ];
    }

    /**
     * What was written is read again before it is handed out.
     *
     * @param  array<string, string>  $files  SHA-256 by name
     */
    private static function held(string $bytes, array $files): void
    {
        $path = (string) tempnam(sys_get_temp_dir(), 'neat-edge-');
        try {
            file_put_contents($path, $bytes) === strlen($bytes) ?: throw new RuntimeException('No room for the file of a job.');
            $zip = new ZipArchive;
            $zip->open($path, ZipArchive::RDONLY) === true ?: throw new RuntimeException('The file of the job cannot be read again.');
            foreach ($files as $name => $sha256) {
                hash('sha256', (string) $zip->getFromName($name)) === $sha256 ?: throw new RuntimeException('The file of the job is not what was written.');
            }
        } finally {
            @unlink($path);
        }
    }
}
