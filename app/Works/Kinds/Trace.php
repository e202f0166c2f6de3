<?php

declare(strict_types=1);

namespace App\Works\Kinds;

use App\Models\ReferencePicture;
use App\Models\ShopJob;
use App\Models\Work;
use App\Prep\TracedPictures;
use App\Works\Hold;
use App\Works\Kind;
use App\Works\Works;
use NeatEdge\Core\Artwork\Reference;
use NeatEdge\Core\Described\Field;
use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\Described\Values;
use NeatEdge\Core\Patience\Patience;
use NeatEdge\Core\Patience\Progress;
use NeatEdge\Core\Trace\Options;
use NeatEdge\Core\Trace\Scan;

/**
 * D14: the reference picture of a job traced: soon and coarse, then fine.
 *
 * Its outcome: `traced`, by which an edit lays it (see TracedPictures), whether that is `fine`, and what is told of it (see Traced::told).
 */
final class Trace extends Kind
{
    /** Dots that are looked at first, so that something is seen within a second. */
    private const COARSE = 160_000;

    public function key(): string
    {
        return 'trace';
    }

    public function label(): string
    {
        return 'Trace';
    }

    public function queue(): string
    {
        return 'quick';
    }

    public function fields(): array
    {
        return Options::fields();
    }

    public function ask(ShopJob $job, Values $values): Work
    {
        Options::from($values);
        $reference = self::reference($job);
        if (self::picture($reference->file)->type === 'image/svg+xml') {
            throw Refused::because('The reference picture is a drawing already: bring it in as a file instead.');
        }

        $plain = array_values(array_filter(Options::fields(), static fn (Field $field): bool => $field->type !== Field::DATA));
        $said = [...$values->against($plain)->all(), 'inks' => (array) $values->data('inks')];

        return Works::start($this, $job, $job->title, ['file' => $reference->file, 'width' => $reference->width, 'values' => $said]);
    }

    public function replaces(): bool
    {
        return true;
    }

    public function run(Work $work, Hold $hold): array
    {
        $picture = self::picture((string) ($work->about['file'] ?? ''));
        $values = (array) ($work->about['values'] ?? []);
        $wide = (float) ($work->about['width'] ?? 0.0);
        $options = Options::from(Values::read(Options::fields(), $values));

        return Patience::with($hold->goesOn(...), static function () use ($picture, $values, $wide, $options, $hold): array {
            if ($picture->width * $picture->height > 2 * self::COARSE) {
                $hold->keep(['outcome' => TracedPictures::of($picture, $wide, $values, $options, self::COARSE)]);
            }
            $tell = static fn (int $done, int $of, string $doing) => $hold->tell($done, $of, $doing);

            return Progress::with($tell, static fn (): array => TracedPictures::of($picture, $wide, $values, $options, Scan::MOST));
        });
    }

    /** @throws Refused */
    private static function reference(ShopJob $job): Reference
    {
        return ShopJob::snapshot($job->id)->art()->reference ?? throw Refused::because('There is no reference picture yet.');
    }

    /** @throws Refused */
    private static function picture(string $file): ReferencePicture
    {
        return ReferencePicture::query()->whereKey($file)->first() ?? throw Refused::because('That picture is not here any more; add it again.');
    }

    protected function brokeOff(): string
    {
        return 'Tracing broke off.';
    }

    protected function kept(Work $work, string $why): string
    {
        return "{$why} Nothing was laid on the bench. Try again.";
    }
}
