<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Models\Sending;
use App\Prep\Broken;
use App\Prep\Holder;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Database\Query\Builder;
use Illuminate\Foundation\Queue\Queueable;
use NeatEdge\Core\Device\Devices;
use NeatEdge\Core\Device\LineLost;
use NeatEdge\Core\Device\MachineRefused;
use NeatEdge\Core\Device\Paused;
use NeatEdge\Lines\StreamLine;
use Throwable;

/** Sends one file to its machine; what is acknowledged is stored before more is sent. A line that breaks is gone on with a few times; a machine that refuses waits for a person. */
final class RunSending implements ShouldQueue
{
    use Queueable;

    public int $tries = 1;

    /** How often a broken line is gone on with by itself, and seconds between. */
    private const TRIES = 4;

    private const WAIT = 0.5;

    public function __construct(private readonly int $sending)
    {
        $this->onQueue('machines');
    }

    public function handle(): void
    {
        $held = Sending::query()->find($this->sending)?->heldBy();
        if ($held !== null) {
            Sending::query()->whereKey($this->sending)->where('status', 'waiting')->update(['error' => sprintf('It waits: "%s" lies half done at %s. Go on with that or cancel it first.', $held->title, $held->machine)]);

            return;
        }
        // One holder of a sending, and one sending at a machine: what finds the machine at work comes when that is done.
        $taken = Sending::query()->whereKey($this->sending)->where('status', 'waiting')
            ->whereNotExists(static fn (Builder $query) => $query->from('sendings as others')->whereColumn('others.address', 'sendings.address')->whereColumn('others.id', '!=', 'sendings.id')->where('others.status', 'running'))
            ->update(['status' => 'running', 'error' => '', 'asked' => '', 'worker' => Holder::own()]);
        if ($taken === 0) {
            return;
        }
        $sending = Sending::query()->findOrFail($this->sending);
        try {
            $this->sendAll($sending);
        } finally {
            $sending->letNext();
        }
    }

    private function sendAll(Sending $sending): void
    {
        $bytes = is_file($sending->path()) ? (string) file_get_contents($sending->path()) : '';
        if ($bytes === '') {
            $this->stop($sending, 'The file is not kept any more; send the sheet anew.');

            return;
        }
        $sending->note($sending->done === 0 ? 'Begun' : "Goes on from part {$sending->done} of {$sending->of}");
        $sending->save();
        $why = '';
        for ($try = 0; $try < self::TRIES; $try++) {
            if ($try > 0) {
                usleep((int) (1e6 * self::WAIT * $try));
            }
            $stream = @stream_socket_client("tcp://{$sending->address}", $code, $words, 5.0);
            if ($stream === false) {
                $why = sprintf('%s does not answer at %s.', $sending->machine, $sending->address);

                continue;
            }
            try {
                Devices::of($sending->kind)::send($bytes, $sending->word(), new StreamLine($stream), $sending->done, fn (int $done) => $this->kept($sending, $done));
                $sending->note('Done');
                $sending->update(['status' => 'done', 'done' => $sending->of]);

                return;
            } catch (Paused) {
                $asked = Sending::query()->whereKey($sending->id)->value('asked');
                $sending->note($asked === 'cancel' ? "Cancelled after part {$sending->done}" : "Paused after part {$sending->done}");
                // What was asked came meanwhile: it is not what was read, and has to be told as changed.
                $sending->forceFill(['asked' => $asked])->syncOriginalAttribute('asked')->update(['status' => $asked === 'cancel' ? 'cancelled' : 'paused', 'asked' => '']);

                return;
            } catch (LineLost $lost) {
                $why = $lost->getMessage();
                $sending->note("{$why} {$sending->done} of {$sending->of} parts are done");
                $sending->save();
            } catch (MachineRefused $refused) {
                $why = $refused->getMessage();
                // Whoever was there before may just be leaving.
                if ($refused->isBusy && $try + 1 < self::TRIES) {
                    continue;
                }
                $this->stop($sending, $refused->getMessage());

                return;
            } finally {
                fclose($stream);
            }
        }
        $this->stop($sending, "{$why} Go on when it is back: {$sending->done} of {$sending->of} parts are done.");
    }

    /** Stored before anything further is sent. */
    private function kept(Sending $sending, int $done): void
    {
        $sending->done = $done;
        Sending::query()->whereKey($sending->id)->toBase()->update(['done' => $done]);
        if (Sending::query()->whereKey($sending->id)->value('asked') !== '') {
            throw new Paused;
        }
    }

    private function stop(Sending $sending, string $why): void
    {
        $sending->note("Stopped: {$why}");
        $sending->update(['status' => 'stopped', 'error' => mb_substr($why, 0, 480)]);
    }

    public function failed(?Throwable $problem): void
    {
        Broken::ended(function () use ($problem): void {
            $sending = Sending::query()->whereKey($this->sending)->where('status', 'running')->where('worker', Holder::own())->first();
            if ($sending === null) {
                return;
            }
            $this->stop($sending, sprintf('%s %d of %d parts are done. Go on with it.', Broken::why($problem, 'Sending broke off'), $sending->done, $sending->of));
            $sending->letNext();
        });
    }
}
