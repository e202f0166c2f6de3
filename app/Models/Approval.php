<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Support\Carbon;
use Illuminate\Support\Collection;

/**
 * A proof as it was when it was shared: whoever has its link sees it, and can say yes or ask for a change.
 *
 * @property int $id
 * @property int $shop_job_id
 * @property string $token SHA-256 of what stands in the link, hexadecimal: the link itself is stored nowhere
 * @property string $state what of the job it shows; see Prep\Approvals
 * @property array{title: string, width_mm: float, height_mm: float, process: string, sheets: list<array{colour: string, name: string}>,
 *     materials?: list<string>, meaning?: array{thing: string, size: array{float|int, float|int},
 *     arts: array<string, array{width: float|int, x: float|int, y: float|int, turn: float|int, box: list<float|int>}>}, look: string,
 *     customer: string, ground: string} $facts
 * @property string $picture PNG
 * @property string $sent_to an address, or nothing
 * @property Carbon $ends_at
 * @property Carbon|null $taken_back_at
 * @property Carbon|null $seen_at
 * @property Carbon|null $created_at
 * @property ShopJob $job
 * @property Collection<int, ApprovalAnswer> $answers
 * @property Collection<int, Letter> $unsent
 */
final class Approval extends Model
{
    use MadeBySomebody;

    protected $guarded = [];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return [
            'facts' => 'array', 'picture' => LargeBytes::class, 'ends_at' => 'datetime', 'taken_back_at' => 'datetime', 'seen_at' => 'datetime',
        ];
    }

    /** @return BelongsTo<ShopJob, $this> */
    public function job(): BelongsTo
    {
        return $this->belongsTo(ShopJob::class, 'shop_job_id')->withTrashed();
    }

    /** @return HasMany<ApprovalAnswer, $this> */
    public function answers(): HasMany
    {
        return $this->hasMany(ApprovalAnswer::class)->orderBy('id');
    }

    /** @return HasMany<Letter, $this> mail that was to tell of it and was not sent */
    public function unsent(): HasMany
    {
        return $this->hasMany(Letter::class);
    }

    /** Whether its link still leads to it. */
    public function isOpen(): bool
    {
        return $this->taken_back_at === null && $this->ends_at->isFuture();
    }
}
