<?php

declare(strict_types=1);

namespace App\People;

use App\Mail\News;
use App\Models\Letter;
use App\Models\Person;
use App\Words\Words;
use Illuminate\Bus\Queueable;
use Illuminate\Contracts\Auth\CanResetPassword;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Bus\Dispatchable;
use Illuminate\Support\Facades\Mail;
use Illuminate\Support\Facades\Password;
use Throwable;

/**
 * Mails a link by which somebody chooses a password: the first, or another in place of one that was forgotten. A worker does it, and looks whether there is
 * such a person: whoever asked for it learns nothing by the time that the answer took.
 */
final class SendPasswordLink implements ShouldQueue
{
    use Dispatchable, Queueable;

    /** How often it is tried where no mail goes out. */
    public int $tries = 3;

    /** @var list<int> seconds between tries */
    public array $backoff = [10, 120];

    /**
     * @param  string  $language  of who asked
     * @param  string  $root  under which the shop was asked: one of its own names, see OwnPageOnly
     */
    public function __construct(private readonly string $address, private readonly string $language, private readonly string $root)
    {
        $this->onQueue('quick');
    }

    public function handle(): void
    {
        if (! Person::query()->where('email', $this->address)->whereNull('left_at')->exists()) {
            return;
        }
        $words = Words::in($this->language);
        $root = $this->root;
        Password::broker()->sendResetLink(['email' => $this->address], static function (CanResetPassword $person, string $token) use ($words, $root): void {
            $address = $person->getEmailForPasswordReset();
            Mail::to($address)->send(News::secret($words->say('Your password at Neat Edge'), [
                $words->say('With this link you choose a password. It leads there for an hour, and once.'),
                $root.'/password/'.$token.'?address='.rawurlencode($address),
                $words->say('Who did not ask for it need not do anything.'),
            ]));
        });
    }

    public function failed(Throwable $why): void
    {
        Letter::unsent($this->address, Words::in($this->language)->say('Your password at Neat Edge'), $why);
    }
}
