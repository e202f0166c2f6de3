<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;

/**
 * What a customer said of a proof.
 *
 * @property int $id
 * @property int $approval_id
 * @property string $kind approved or changes
 * @property string $by who, as they typed it
 * @property string $words
 * @property list<array{x: float, y: float, words: string, on?: array{float, float}|null}> $pins places on what was shown, mm from the upper left corner of
 *     its picture; of art on a thing with the place on the art that they mean
 * @property Carbon|null $settled_at when somebody of the shop said that it is done
 * @property Carbon|null $created_at
 * @property Approval $approval
 * @property int|null $settled_by
 * @property-read Person|null $settler
 */
final class ApprovalAnswer extends Model
{
    public const APPROVED = 'approved';

    public const CHANGES = 'changes';

    protected $guarded = [];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['pins' => 'array', 'settled_at' => 'datetime'];
    }

    /** @return BelongsTo<Approval, $this> */
    public function approval(): BelongsTo
    {
        return $this->belongsTo(Approval::class);
    }

    /** @return BelongsTo<Person, $this> who said that it is done */
    public function settler(): BelongsTo
    {
        return $this->belongsTo(Person::class, 'settled_by');
    }
}
