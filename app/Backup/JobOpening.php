<?php

declare(strict_types=1);

namespace App\Backup;

use App\Models\ShopJob;
use App\Models\Source;
use App\Models\Version;
use App\Prep\Intake;
use App\Prep\ReferencePictures;
use App\Prep\Showing;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;
use Illuminate\Validation\ValidationException;
use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Check\Severity;
use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\Format\Json\ArtworkJson;
use NeatEdge\Core\Format\Svg\SvgRefused;
use NeatEdge\Core\Geometry\Length;
use NeatEdge\Core\Process\Process;
use NeatEdge\Core\Process\Processes;
use Throwable;

/** A job out of its file: all of it is stored, or nothing; what could not come along is said. */
final class JobOpening
{
    /** Of a notice and of what was said of a finding: what may stand under which name. */
    private const KEPT = [
        'kind' => 'word', 'severity' => 'word', 'message' => 'word', 'accepted' => 'word', 'acceptedBy' => 'word', 'by' => 'word', 'sheet' => 'word',
        'piece' => 'word', 'step' => 'word', 'count' => 'number', 'measured' => 'number', 'limit' => 'number', 'length' => 'number', 'typical' => 'number',
        'share' => 'number', 'minor' => 'yes', 'cured' => 'yes', 'at' => 'numbers', 'box' => 'numbers', 'ribbon' => 'numbers',
    ];

    /** @var list<string> */
    private array $says = [];

    private function __construct(private readonly JobReader $file)
    {
    }

    /**
     * @return array{ShopJob, list<string>} the job, and in sentences what of it did not come along
     *
     * @throws Damaged
     */
    public static function from(string $path): array
    {
        $self = new self(new JobReader($path));
        try {
            $job = DB::transaction($self->job(...));
        } catch (Damaged $damaged) {
            throw $damaged;
        } catch (ValidationException|Refused $refused) {
            throw new Damaged($refused->getMessage());
        }

        return [$job, $self->says];
    }

    private function job(): ShopJob
    {
        $ticket = $this->file->part('ticket');
        $process = $this->process($ticket['process'] ?? null);
        $art = $this->file->artwork('bench.json');
        $job = Intake::drawn(self::word($ticket['title'] ?? '', 120) ?: 'A job from a file', $process, $art, 'Opened from a file');
        $pictures = $this->pictures($job);
        self::lay($job, self::over($art, $pictures));
        $this->intake($job);
        $this->ticket($job, $ticket);
        foreach ($this->file->part('versions') as $version) {
            $this->version($job, is_array($version) ? $version : [], $pictures);
        }
        foreach ($this->file->strangeFaces($art) as $face) {
            $this->says[] = sprintf('The face "%s" is not in this shop: its letters stay as they are until they are set anew.', mb_substr($face, 0, 80));
        }

        return ShopJob::query()->findOrFail($job->id);
    }

    private function process(mixed $key): Process
    {
        try {
            return Processes::of(is_string($key) ? $key : '');
        } catch (Refused) {
            $this->says[] = 'How it is made is not known in this shop: choose it at the ticket.';

            return Processes::of('plain');
        }
    }

    /** @return array<string, string> pictures by what they were called there */
    private function pictures(ShopJob $job): array
    {
        $names = [];
        foreach ($this->file->part('pictures') as $name) {
            if (! is_string($name) || preg_match('/^[0-9a-f]{32,64}$/D', $name) !== 1) {
                throw JobReader::none();
            }
            $names[$name] = ReferencePictures::add($job, $this->file->file("pictures/{$name}"))->file;
        }

        return $names;
    }

    /** @param  array<string, string>  $pictures */
    private static function over(Artwork $art, array $pictures): Artwork
    {
        if ($art->reference === null) {
            return $art;
        }
        $file = $pictures[$art->reference->file] ?? null;

        return $art->with(reference: $file === null ? null : $art->reference->with(file: $file));
    }

    private static function lay(ShopJob $job, Artwork $art): void
    {
        $frame = ArtworkJson::data((string) $job->bench);
        $job->bench = ArtworkJson::text([...ArtworkJson::frame($art), 'order' => $frame['order']]);
        $job->save();
    }

    /** The customer's file, as far as it is one, and what was left out of it when it came in. */
    private function intake(ShopJob $job): void
    {
        $intake = $this->file->part('intake');
        $width = $intake['width'] ?? null;
        $job->fill([
            'source_name' => self::word($intake['name'] ?? '', 200),
            'notices' => array_values(array_filter(
                self::rows($intake['notices'] ?? []),
                static fn (array $notice): bool => isset($notice['kind'], $notice['message'], $notice['severity'])
                    && Severity::tryFrom($notice['severity']) !== null,
            )),
            'intake_width_mm' => (is_float($width) || is_int($width)) && $width > 1e-6 ? (float) $width : $job->width_mm,
        ]);
        if ($this->file->has('customer-file')) {
            $svg = $this->file->file('customer-file');
            try {
                Intake::read($svg, 'file.svg');
                $job->file_frame = self::numbers($intake['frame'] ?? null, 4);
                Source::query()->whereKey($job->id)->firstOrFail()->update(['svg' => $svg, 'view_box' => self::numbers($intake['view'] ?? null, 4)]);
            } catch (SvgRefused|ValidationException) {
                $this->says[] = 'The customer’s file cannot be read here and was left out; the bench is whole.';
            }
        }
        $job->save();
    }

    /** @param  array<string, mixed>  $ticket */
    private function ticket(ShopJob $job, array $ticket): void
    {
        $due = self::word($ticket['due'] ?? '', 10);
        $limits = array_filter((array) ($ticket['limits'] ?? []), static fn (mixed $mm): bool => (is_float($mm) || is_int($mm)) && $mm >= 0);
        $length = static fn (mixed $mm): ?float => (is_float($mm) || is_int($mm)) && $mm >= 0 ? (float) $mm : null;
        $job->fill([
            'customer' => self::word($ticket['customer'] ?? '', 120),
            'due' => Carbon::canBeCreatedFromFormat($due, 'Y-m-d') ? $due : null,
            'unit' => isset(Length::MM_PER[self::word($ticket['unit'] ?? '', 10)]) ? $ticket['unit'] : $job->unit,
            'line_limit_mm' => $length($ticket['line'] ?? null),
            'gap_limit_mm' => $length($ticket['gap'] ?? null),
            'judged' => self::rows($ticket['judged'] ?? []),
        ]);
        try {
            $job->more_limits = $limits === [] ? null : $limits;
            $job->limits();
        } catch (Throwable) {
            $job->more_limits = null;
            $this->says[] = 'Its own limits are not known here: the usual ones of its process hold.';
        }
        try {
            $values = (array) ($ticket['making'] ?? []);
            $job->process->values($values, $job->unit);
            $job->making = $values === [] ? null : ['values' => $values];
        } catch (Throwable) {
            $this->says[] = 'How it was laid out is not known here: lay it out anew.';
        }
        $job->save();
        $this->shown($job, (array) ($ticket['shown'] ?? []));
    }

    /** @param  array<mixed>  $shown */
    private function shown(ShopJob $job, array $shown): void
    {
        if ($shown === []) {
            return;
        }
        try {
            // A thing of that shop's own is a number there, and another's here.
            if (preg_match('/^job-/', (string) ($shown['thing'] ?? '')) === 1) {
                throw Refused::because('Of that shop alone.');
            }
            Showing::choose($job, array_intersect_key($shown, ['thing' => 1, 'colours' => 1, 'arts' => 1, 'lights' => 1]));
        } catch (Throwable) {
            $job->refresh();
            $this->says[] = 'What it was shown on is not in this shop: choose it at the proof.';
        }
    }

    /**
     * @param  array<mixed>  $version
     * @param  array<string, string>  $pictures
     */
    private function version(ShopJob $job, array $version, array $pictures): void
    {
        $file = $version['file'] ?? '';
        $name = self::word($version['name'] ?? '', 120);
        if (! is_string($file) || preg_match('~^versions/\d{1,6}\.json$~D', $file) !== 1 || $name === '') {
            throw JobReader::none();
        }
        $made = self::word($version['made'] ?? '', 40);
        Version::query()->create([
            'shop_job_id' => $job->id,
            'number' => 1,
            'name' => $name,
            'artwork' => Version::packed(self::over($this->file->artwork($file), $pictures)),
            ...(strtotime($made) === false ? [] : ['created_at' => date('Y-m-d H:i:s', (int) strtotime($made))]),
        ]);
    }

    /** @return list<array<string, mixed>> each with nothing but what is known of such rows */
    private static function rows(mixed $rows): array
    {
        $kept = [];
        foreach (is_array($rows) ? $rows : [] as $row) {
            $kept[] = array_filter(
                array_intersect_key(is_array($row) ? $row : [], self::KEPT),
                static fn (mixed $value, string $name): bool => $value === null || match (self::KEPT[$name]) {
                    'word' => is_string($value),
                    'number' => is_float($value) || is_int($value),
                    'yes' => is_bool($value),
                    'numbers' => is_array($value) && array_is_list($value) && array_filter(
                        $value,
                        static fn (mixed $one): bool => ! is_float($one) && ! is_int($one),
                    ) === [],
                },
                ARRAY_FILTER_USE_BOTH,
            );
        }

        return array_values(array_filter($kept, static fn (array $row): bool => is_string($row['kind'] ?? null)));
    }

    /** @return list<float>|null */
    private static function numbers(mixed $value, int $count): ?array
    {
        if (! is_array($value) || count($value) !== $count) {
            return null;
        }

        return array_map(static fn (mixed $one): float => is_float($one) || is_int($one) ? (float) $one : throw JobReader::none(), array_values($value));
    }

    private static function word(mixed $value, int $letters): string
    {
        return is_string($value) ? mb_substr(trim(mb_scrub($value)), 0, $letters) : '';
    }
}
