<?php

declare(strict_types=1);

namespace App\Works\Kinds;

use App\Models\Sending;
use App\Models\ShopJob;
use App\Models\Work;
use App\Works\Hold;
use App\Works\Kind;
use App\Works\Works;
use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\Device\Devices;
use NeatEdge\Core\Device\LineLost;
use NeatEdge\Core\Device\MachineRefused;
use NeatEdge\Core\Device\Paused;
use NeatEdge\Core\Patience\Stopped;
use NeatEdge\Lines\StreamLine;

/**
 * Sends one file to its machine; what is acknowledged is stored before more is sent. A line that breaks is gone on with a few times; a machine that refuses
 * waits for a person.
 */
final class Send extends Kind
{
    /** How often a broken line is gone on with by itself, and seconds between. */
    private const TRIES = 4;

    /** Seconds after which it is stored how far it came, where the machine counts itself. */
    private const TOLD = 0.1;

    private const WAIT = 0.5;

    public function key(): string
    {
        return 'send';
    }

    public function produces(): bool
    {
        return true;
    }

    public function label(): string
    {
        return 'Send';
    }

    public function queue(): string
    {
        return 'machines';
    }

    public static function begin(ShopJob $job, Sending $sending, int $parts): Work
    {
        return Works::start(new self, $job, "{$sending->title} at {$sending->machine}", [
            'sending' => $sending->id,
            'parts' => $parts,
        ], lane: "machine {$sending->address}", also: static function (Work $work) use ($sending, $parts): void {
            $work->update(['of' => $parts]);
            $sending->update(['work_id' => $work->id]);
        });
    }

    public function pauses(): bool
    {
        return true;
    }

    public function goesOn(Work $work): bool
    {
        return in_array($work->state, ['paused', 'failed'], true);
    }

    /** Another sheet that its machine was left in the middle of: whatever came between would take its place away. */
    public function heldUp(Work $work): ?string
    {
        $held = $work->done > 0 ? null
            : Work::query()->where('lane', $work->lane)
                ->whereKeyNot($work->id)
                ->whereIn('state', ['running', 'paused', 'failed'])
                ->where('done', '>', 0)
                ->oldest('id')
                ->first();
        $sending = $held === null ? null : self::sending($held);

        return $sending === null ? null : sprintf(
            'It waits: "%s" lies half done at %s. Go on with that or cancel it first.',
            $sending->title,
            $sending->machine,
        );
    }

    public function run(Work $work, Hold $hold): ?array
    {
        $sending = self::sending($work) ?? throw Refused::because('The sheet is not there any more.');
        $bytes = $sending->bytes();
        if ($bytes === '') {
            throw $this->stopped($sending, 'The file is not kept any more; send the sheet anew.');
        }
        $sending->noted($work->done === 0 ? 'Begun' : "Goes on from part {$work->done} of {$work->of}");
        $why = '';
        for ($try = 0; $try < self::TRIES; $try++) {
            if ($try > 0) {
                usleep((int) (1e6 * self::WAIT * $try));
            }
            $stream = @stream_socket_client("tcp://{$sending->address}", $code, $words, 5.0);
            if ($stream === false) {
                $why = sprintf('%s does not answer at %s.', $sending->machine, $sending->address);
                $hold->goesOn();

                continue;
            }
            try {
                // Stored before anything further is sent, and only by who holds it; of what the machine counts itself, ten times a second.
                $told = 0.0;
                Devices::of($sending->kind)::send(
                    $bytes,
                    $sending->word(),
                    new StreamLine($stream),
                    $work->done,
                    static function (int $done, bool $must = true) use ($hold, $work, &$told): void {
                        if ($must || microtime(true) - $told >= self::TOLD) {
                            $hold->tell($done, $work->of);
                            $told = microtime(true);
                        }
                    },
                );
                $sending->noted('Done');

                return null;
            } catch (Paused|Stopped $asked) {
                $sending->noted(($asked instanceof Stopped ? 'Cancelled' : 'Paused')." after block {$work->done}");
                throw $asked;
            } catch (LineLost $lost) {
                $why = $lost->getMessage();
                $sending->noted("{$why} {$work->done} of {$work->of} blocks are done");
            } catch (MachineRefused $refused) {
                $why = $refused->getMessage();
                // Whoever was there before may just be leaving.
                if ($refused->isBusy && $try + 1 < self::TRIES) {
                    continue;
                }
                throw $this->stopped($sending, $why);
            } finally {
                fclose($stream);
            }
        }
        throw $this->stopped($sending, "{$why} Go on when it is back: {$work->done} of {$work->of} blocks are done.");
    }

    private function stopped(Sending $sending, string $why): Refused
    {
        $sending->noted("Stopped: {$why}");

        return Refused::because($why);
    }

    protected function brokeOff(): string
    {
        return 'Sending broke off.';
    }

    protected function kept(Work $work, string $why): string
    {
        $words = $why === self::CUT_OFF ? 'The server was stopped while this was sent;' : $why;
        self::sending($work)?->noted("Stopped: {$words}");

        return "{$words} {$work->done} of {$work->of} blocks are done. Go on with it.";
    }

    private static function sending(Work $work): ?Sending
    {
        return Sending::query()->where('work_id', $work->id)->first();
    }
}
