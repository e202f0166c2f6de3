<?php

declare(strict_types=1);

namespace App\Prep;

use App\Models\Contents;
use App\Models\DiskFull;
use App\Models\Sending;
use App\Models\ShopJob;
use App\Models\StockItem;
use App\Works\Kinds\Send;
use Illuminate\Support\Facades\DB;
use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\Device\Devices;
use NeatEdge\Core\Format\Formats;
use NeatEdge\Core\Sheet\Layout\Layout;
use NeatEdge\Core\Shop\Stock;

/** Sheets go to machines. */
final class Dispatch
{
    /** What of a machine decides how a file for it is written. */
    private const OF_MACHINE = ['blade', 'overcut', 'travel', 'gather', 'lift'];

    /**
     * @param  int  $number  of the sheet
     * @param  bool  $again  whether it may go a second time
     * @return Sending|null null where there is no such sheet
     *
     * @throws Refused|NotReady|SentBefore|DiskFull
     */
    public static function send(ShopJob $job, StockItem $machine, int $number, bool $again): ?Sending
    {
        Gate::leave($job, Made::prepared($job));
        $layout = Made::ready($job)[$number] ?? null;
        if ($layout === null) {
            return null;
        }
        self::hold($job, $machine, $layout);
        $kind = (string) $machine->data['kind'];
        $format = Devices::of($kind)::about()->format;
        $values = [...array_intersect_key(Made::described($job, $machine), array_flip(self::OF_MACHINE)), ...($format === 'pdf' ? ['films' => 'black'] : [])];
        $bytes = Written::ready($job, new WantedFile($format, $values, $number));
        $content = Contents::put($bytes);
        $sending = self::noted($job, $machine, $number, $layout, Formats::about($format)->extension, $content, $again);
        Send::begin($job, $sending, Devices::of($kind)::parts($bytes));

        return $sending->refresh();
    }

    /** Looked for and noted in one: of two people who press at once the second is asked. @throws SentBefore */
    private static function noted(ShopJob $job, StockItem $machine, int $number, Layout $layout, string $extension, string $content, bool $again): Sending
    {
        return DB::transaction(static function () use ($job, $machine, $number, $layout, $extension, $content, $again): Sending {
            $same = Sending::query()->where('shop_job_id', $job->id)->where('number', $number)->where('version', $job->version)->latest('id')->get();
            $sent = $same->first(static fn (Sending $sending): bool => $sending->work !== null && $sending->work->state !== 'stopped');
            if ($sent !== null && ! $again) {
                throw new SentBefore($sent);
            }

            return Sending::query()->create([
                'shop_job_id' => $job->id, 'version' => $job->version, 'machine' => $machine->name, 'kind' => (string) $machine->data['kind'],
                'address' => $machine->data['host'].':'.(int) $machine->data['port'], 'file' => "{$layout->name}.{$extension}",
                'title' => $layout->title, 'number' => $number, 'length_mm' => $layout->length(), 'height_mm' => $layout->height, 'log' => [],
                'content' => $content,
            ]);
        });
    }

    /** Nothing goes to a machine of another kind than the process wants, or that a sheet does not fit. @throws Refused */
    private static function hold(ShopJob $job, StockItem $machine, Layout $layout): void
    {
        $wanted = $job->process->machine();
        if ($machine->data['kind'] !== $wanted) {
            throw Refused::because(sprintf('%s is no %s: %s does not make %s.', $machine->name, $wanted, $machine->name, lcfirst($job->process->label())));
        }
        $says = Stock::misfit($machine->data, $layout);
        if ($says !== null) {
            throw Refused::because("{$machine->name}: {$says}");
        }
    }
}
