<?php

declare(strict_types=1);

namespace App\Models;

use App\Events\JobNamed;
use App\Events\JobStands;
use App\Prep\Standing;
use Closure;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\ModelNotFoundException;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Database\Eloquent\Relations\HasOne;
use Illuminate\Database\Eloquent\SoftDeletes;
use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Check\Severity;
use NeatEdge\Core\Format\Json\ArtworkJson;
use NeatEdge\Core\Format\Svg\Drawing;
use NeatEdge\Core\Line\Presets;
use NeatEdge\Core\Measure\Limits;
use NeatEdge\Core\Process\Process;
use NeatEdge\Core\Shop\Chosen;

/**
 * A job with its ticket.
 *
 * @property int $id
 * @property string $title
 * @property Process $process
 * @property float $width_mm
 * @property float $height_mm
 * @property float|null $line_limit_mm
 * @property float|null $gap_limit_mm
 * @property array<string, float|int>|null $more_limits by name, mm; see Limits
 * @property array{name: string, version: int, line: string}|null $preset which its line came from, and a key of that line
 * @property array{
 *     values?: array<string, mixed>,
 *     materials?: array<string, int>,
 *     placements?: array<string, list<array<string, mixed>>>,
 *     along?: list<array{job: int, copies: int}>,
 * }|null $making how it is laid out: choices, materials and places of copies, by colour of the sheet or "all"
 * @property array{thing?: string, colours?: array<string, string>, arts?: array<string, array<string, mixed>>, lights?: bool}|null $shown what its art is
 *     shown on
 * @property array<string, array{id: int, name: string, values: array<string, float|string|bool>}>|null $stock what of the shop its ticket names, by kind,
 *     as it was when it was chosen
 * @property bool $is_demo
 * @property string $source_name
 * @property list<array<string, mixed>> $notices what was left out when the file was read
 * @property list<array{kind: string, sheet: string|null, at: array{float, float}|null, share: float|null, accepted: string|null, by?: string}>|null $judged
 *     what was said of findings
 * @property string $last_key what the page called the last change: one whose answer was lost is known by it
 * @property string $customer
 * @property int|null $customer_id
 * @property string|null $due the day it is wanted, YYYY-MM-DD
 * @property string|null $picture small SVG of the bench, made at picture_version
 * @property int $picture_version
 * @property int $revision
 * @property int $version
 * @property string|null $bench everything on its bench but the pieces, and their order; JSON
 * @property list<float>|null $file_frame where the page of the customer's file lies at that width, mm
 * @property float $intake_width_mm page width at which the places in its notices hold
 * @property \Illuminate\Support\Carbon|null $deleted_at when it was put into the trash
 * @property array{format: string, together: bool, machine: int|null, values: array<string, array<string, bool|float|int|string>>}|null $files how its files
 *     were written last
 * @property string $unit of lengths that are typed without one
 * @property-read Preparation|null $latestPreparation
 * @property int|null $preparation_id its last one
 * @property string $standing where it stands; see Standing
 * @property string $customer_says where it stands with its customer; see Prep\Approvals
 * @property string $search words that it is found by
 * @property int $findings that nobody has accepted
 * @property int $sheets
 */
final class ShopJob extends Model
{
    use SoftDeletes;

    protected $guarded = [];

    /** @var array<string, string>|null what lies on its bench, by id as it is stored, where it was read along */
    private ?array $laid = null;

    /** Whether that is but a part of what lies there. */
    private bool $partly = false;

    protected static function booted(): void
    {
        self::saving(static function (self $job): void {
            if ($job->isDirty(['title', 'customer', 'due', 'process'])) {
                $job->fill(Standing::keys((string) $job->title, (string) ($job->customer ?? ''), $job->due, $job->process->label()));
            }
            if ($job->isDirty('customer') && ! $job->isDirty('customer_id')) {
                $job->customer_id = Customer::named((string) ($job->customer ?? ''))?->id;
            }
            // What was changed is not any more what was prepared.
            if ($job->exists && $job->isDirty('version') && in_array($job->standing ?? '', [Standing::OPEN, Standing::READY], true)) {
                $job->standing = Standing::STALE;
            }
        });
        self::saved(static function (self $job): void {
            if ($job->wasRecentlyCreated || $job->wasChanged('notices')) {
                JobStands::dispatch($job->id);
            }
            if ($job->wasRecentlyCreated || $job->wasChanged('search')) {
                JobNamed::dispatch($job->id, (string) $job->search);
            }
        });
    }

    /** @return array<string, string> */
    protected function casts(): array
    {
        return [
            'process' => ProcessCast::class,
            'picture' => Bytes::class,
            'width_mm' => 'float',
            'height_mm' => 'float',
            'line_limit_mm' => 'float',
            'gap_limit_mm' => 'float',
            'intake_width_mm' => 'float',
            'is_demo' => 'boolean',
            'notices' => 'array',
            'judged' => 'array',
            'more_limits' => 'array',
            'preset' => 'array',
            'making' => 'array',
            'files' => 'array',
            'shown' => 'array',
            'stock' => 'array',
            'file_frame' => 'array',
        ];
    }

    /** @return HasMany<Revision, $this> */
    public function revisions(): HasMany
    {
        return $this->hasMany(Revision::class);
    }

    /** @return HasMany<Preparation, $this> */
    public function preparations(): HasMany
    {
        return $this->hasMany(Preparation::class);
    }

    /** @return HasOne<Source, $this> */
    public function source(): HasOne
    {
        return $this->hasOne(Source::class);
    }

    /** @return HasMany<Version, $this> */
    public function versions(): HasMany
    {
        return $this->hasMany(Version::class);
    }

    /**
     * A job with what lies on its bench, all read at one moment, whoever writes meanwhile.
     *
     * @throws ModelNotFoundException when it is gone
     */
    public static function snapshot(int $id): self
    {
        return self::reading(static function () use ($id): self {
            $job = self::query()->findOrFail($id);
            $job->laid = BenchPiece::rows($job);

            return $job;
        });
    }

    /**
     * The same with nothing of the bench but some pieces and who follows whom among them: for an edit that leaves all else alone.
     *
     * @param  list<string>  $ids
     * @param  bool  $groups  whether, where one lies in a group, all of it is needed
     */
    public static function part(int $id, array $ids, bool $groups = false): self
    {
        return self::partly($id, static function (self $job) use ($ids, $groups): ?array {
            $some = BenchPiece::some($job, $ids);

            return $groups && $some !== null && array_filter($some, static fn (string $data): bool => str_contains($data, '"groups":[')) !== [] ? null : $some;
        });
    }

    /**
     * The same with some pieces and what lies near them.
     *
     * @param  list<string>  $ids
     */
    public static function around(int $id, array $ids): self
    {
        return self::partly($id, static fn (self $job): ?array => BenchPiece::near($job, $ids));
    }

    /**
     * The same with some pieces, to lay new ones above all: with all of them where the layer is not the uppermost, and others lie above.
     *
     * @param  list<string>  $ids
     * @param  string  $layer  id of the layer that new pieces are to lie on; the uppermost when there is none such
     */
    public static function beneath(int $id, array $ids, string $layer): self
    {
        return self::partly($id, static function (self $job) use ($ids, $layer): ?array {
            $layers = array_column(ArtworkJson::data((string) $job->bench)['layers'] ?? [], 'id');

            return in_array($layer, array_slice($layers, 0, -1), true) ? null : BenchPiece::some($job, $ids);
        });
    }

    /** Whether it was read with but some of its pieces. */
    public function isPart(): bool
    {
        return $this->partly;
    }

    /** @return list<string> ids of all its pieces, the lowest first */
    public function order(): array
    {
        return ArtworkJson::data((string) $this->bench)['order'];
    }

    /** @param  Closure(self): (array<string, string>|null)  $rows  pieces as they are stored, by id; null where all are needed */
    private static function partly(int $id, Closure $rows): self
    {
        return self::reading(static function () use ($id, $rows): self {
            $job = self::query()->findOrFail($id);
            $some = $rows($job);
            $job->laid = $some ?? BenchPiece::rows($job);
            $job->partly = $some !== null;

            return $job;
        });
    }

    /**
     * Reads that all see one state of the database.
     *
     * @template T
     *
     * @param  Closure(): T  $read
     * @return T
     */
    public static function reading(Closure $read): mixed
    {
        return Database::snapshot($read);
    }

    /** What lies on its bench now. */
    public function art(): Artwork
    {
        if ($this->laid !== null) {
            $art = BenchPiece::artwork($this, $this->laid, $this->partly);

            return $art->line === null ? $art->with(line: Presets::plain()) : $art;
        }

        return self::snapshot($this->id)->art();
    }

    public function current(): Revision
    {
        return $this->revisions()->where('number', $this->revision)->firstOrFail();
    }

    /** @return list<array<string, mixed>> what was left out or replaced when its file was read, placed on the page as it is now */
    public function placedNotices(): array
    {
        $scale = $this->width_mm / $this->intake_width_mm;

        return array_map(static function (array $notice) use ($scale): array {
            foreach (['at', 'box'] as $name) {
                if (isset($notice[$name])) {
                    $notice[$name] = array_map(static fn (float|int $mm): float => $mm * $scale, $notice[$name]);
                }
            }

            return $notice;
        }, $this->notices);
    }

    /** @return list<array<string, mixed>> of the notices those that say what was left out or replaced: all but remarks, and but that the file states no size */
    public function leftOut(): array
    {
        return array_values(array_filter(
            $this->notices,
            static fn (array $notice): bool => $notice['severity'] !== Severity::Note->value && $notice['kind'] !== Drawing::NO_SIZE,
        ));
    }

    /** @return list<float>|null where the page of the customer's file lies on the bench: left, top, width, height in mm; null where there is no file */
    public function fileFrame(): ?array
    {
        $scale = $this->width_mm / $this->intake_width_mm;

        return $this->file_frame === null ? null : array_map(static fn (float|int $mm): float => $mm * $scale, $this->file_frame);
    }

    /** What of the shop its ticket names. */
    public function chosen(): Chosen
    {
        return Chosen::of($this->stock ?? [], $this->process);
    }

    public function limits(): Limits
    {
        $usual = $this->chosen()->limits();

        return $usual->with(...$this->more_limits ?? [])->with(line: $this->line_limit_mm ?? $usual->line, gap: $this->gap_limit_mm ?? $usual->gap);
    }

    /** @return HasOne<Preparation, $this> */
    public function latestPreparation(): HasOne
    {
        return $this->hasOne(Preparation::class)->latestOfMany();
    }
}
