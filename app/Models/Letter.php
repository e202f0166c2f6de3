<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Support\Carbon;
use Throwable;

/**
 * A mail that went to the stand-in mailbox, instead of out into the world; or one that no server took, without its words.
 *
 * @property int $id
 * @property string $to
 * @property string $subject
 * @property string $words
 * @property bool $secret whether it leads somebody in
 * @property string $unsent why no server took it; nothing of one that is here by intent
 * @property int|null $approval_id the proof of which it was to tell, where it was not sent
 * @property Carbon $created_at
 */
final class Letter extends Model
{
    public const UPDATED_AT = null;

    /** Letters that are kept; the oldest go first. */
    private const MOST = 500;

    protected $guarded = [];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['secret' => 'boolean'];
    }

    /** @param  array<string, mixed>  $columns */
    public static function keep(array $columns): void
    {
        self::query()->create($columns);
        $last = self::query()->orderByDesc('id')->skip(self::MOST)->value('id');
        if (is_int($last)) {
            self::query()->where('id', '<=', $last)->delete();
        }
    }

    /** Told to the shop: what stood in it is not kept, for it may lead somebody in. */
    public static function unsent(string $to, string $about, Throwable $why, ?int $approval = null): void
    {
        self::keep([
            'to' => mb_substr($to, 0, 200), 'subject' => mb_substr($about, 0, 200), 'words' => '', 'secret' => false, 'approval_id' => $approval,
            'unsent' => mb_substr(trim((string) preg_replace('/\s+/', ' ', mb_scrub($why->getMessage()))) ?: $why::class, 0, 400),
        ]);
    }
}
