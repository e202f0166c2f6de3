<?php

declare(strict_types=1);

namespace App\Mail;

use App\Models\Letter;
use Illuminate\Bus\Queueable;
use Illuminate\Contracts\Queue\ShouldBeEncrypted;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Bus\Dispatchable;
use Illuminate\Support\Facades\Mail;
use Throwable;

/**
 * One mail on its way. A worker sends it, so that whoever asked for it waits for no server of mail; one that no server takes after some tries is told of in
 * the mailbox of the shop. What stands in it may lead somebody in: it waits encrypted.
 */
final class Post implements ShouldBeEncrypted, ShouldQueue
{
    use Dispatchable, Queueable;

    public int $tries = 3;

    /** @var list<int> seconds between tries */
    public array $backoff = [10, 120];

    /**
     * @param  list<string>  $lines
     * @param  int|null  $approval  the proof of which it tells
     */
    public function __construct(private readonly string $to, private readonly string $about, private readonly array $lines, private readonly ?int $approval)
    {
        $this->onQueue('quick');
    }

    /**
     * News go out whether or not somebody's mail is at hand: what was done is kept all the same.
     *
     * @param  list<string>  $lines
     */
    public static function send(string $to, string $about, array $lines, ?int $approval = null): void
    {
        try {
            self::dispatch($to, $about, $lines, $approval);
        } catch (Throwable $lost) {
            report($lost);
            // One that failed where it was done at once has been told of.
            Letter::query()->where(['to' => $to, 'subject' => $about, 'approval_id' => $approval])->where('unsent', '!=', '')->exists()
                || Letter::unsent($to, $about, $lost, $approval);
        }
    }

    public function handle(): void
    {
        Mail::to($this->to)->send(new News($this->about, $this->lines));
    }

    public function failed(Throwable $why): void
    {
        Letter::unsent($this->to, $this->about, $why, $this->approval);
    }
}
