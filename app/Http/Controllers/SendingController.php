<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\Sending;
use App\Models\ShopJob;
use App\Models\StockItem;
use App\Prep\Gate;
use App\Prep\Made;
use App\Works\Kinds\Send;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\Device\Devices;
use NeatEdge\Core\Sheet\Layout\Layout;
use NeatEdge\Core\Shop\Stock;

/** O7: sheets on their way to machines. */
final class SendingController
{
    public function index(ShopJob $job): JsonResponse
    {
        return new JsonResponse([
            'machines' => StockItem::query()->where('kind', 'machine')->orderBy('id')->get()->map(static fn (StockItem $one): array => [...$one->row(), 'format' => Devices::of((string) $one->data['kind'])::about()->format, 'fits' => $one->data['kind'] === $job->process->machine()]),
            'sendings' => Sending::query()->where('shop_job_id', $job->id)->orderByDesc('id')->limit(60)->get()->map(static fn (Sending $one): array => $one->row()),
        ]);
    }

    public function store(Request $request, ShopJob $job): JsonResponse
    {
        $fields = $request->validate(['machine' => ['required', 'integer'], 'number' => ['required', 'integer', 'min:0'], 'again' => ['sometimes', 'boolean']], ['*' => 'Choose a sheet and a machine.']);
        $machine = StockItem::query()->where('kind', 'machine')->whereKey((int) $fields['machine'])->first() ?? throw Refused::because('That machine is not in the shop any more.');
        $preparation = Made::prepared($job);
        Made::holdStale($preparation, false);
        Gate::pass($job, $preparation);
        $layout = Made::ready($job)[(int) $fields['number']] ?? abort(404);
        self::hold($job, $machine, $layout);
        $kind = (string) $machine->data['kind'];
        $format = Devices::of($kind)::about()->format;
        [$bytes, $about] = ExportController::written($layout, $format, [...array_intersect_key(Made::described($job, $machine), array_flip(['blade', 'overcut', 'travel', 'gather', 'lift'])), ...($format === 'pdf' ? ['films' => 'black'] : [])]);
        // Looked for and noted in one: of two people who press at once the second is asked.
        $sending = DB::transaction(static function () use ($job, $fields, $machine, $kind, $layout, $about): Sending|JsonResponse {
            $sent = Sending::query()->where('shop_job_id', $job->id)->where('number', $fields['number'])->where('version', $job->version)->latest('id')->get()->first(static fn (Sending $one): bool => $one->work !== null && $one->work->state !== 'stopped');
            if ($sent !== null && ($fields['again'] ?? false) !== true) {
                return new JsonResponse(['message' => $sent->work?->state === 'done' ? sprintf('This sheet was sent to %s before. Send it once more?', $sent->machine) : sprintf('This sheet is on its way to %s already. Send it a second time?', $sent->machine), 'sent' => $sent->row()], 409);
            }

            return Sending::query()->create([
                'shop_job_id' => $job->id, 'version' => $job->version, 'machine' => $machine->name, 'kind' => $kind, 'address' => $machine->data['host'].':'.(int) $machine->data['port'], 'file' => "{$layout->name}.{$about->extension}",
                'title' => $layout->title, 'number' => (int) $fields['number'], 'length_mm' => $layout->length(), 'height_mm' => $layout->height, 'log' => [],
            ]);
        });
        if ($sending instanceof JsonResponse) {
            return $sending;
        }
        if (! is_dir(dirname($sending->path()))) {
            @mkdir(dirname($sending->path()), 0775, true);
        }
        if (@file_put_contents($sending->path(), $bytes) !== strlen($bytes)) {
            $sending->delete();

            return new JsonResponse(['message' => 'The file could not be kept: the disk is full. Nothing was sent.'], 507);
        }
        Send::begin($job, $sending, Devices::of($kind)::parts($bytes));

        return new JsonResponse($sending->refresh()->row(), 202);
    }

    /** Nothing goes to a machine of another kind than the process wants, or that a sheet does not fit. */
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

    public function show(Sending $sending): JsonResponse
    {
        return new JsonResponse($sending->row());
    }

    /** What is done of it so far, as the sheet lies on the bench. */
    public function done(Sending $sending): JsonResponse
    {
        $bytes = is_file($sending->path()) ? (string) file_get_contents($sending->path()) : '';

        return new JsonResponse([
            'done' => $done = $sending->work->done ?? 0, 'of' => $sending->work->of ?? 0,
            // Machines count y upwards from the lower left corner of the sheet.
            'ways' => $sending->height_mm <= 0 ? [] : array_map(static fn (array $way): array => array_map(static fn (float $v, int $k): float => round($k % 2 === 0 ? $v : $sending->height_mm - $v, 2), $way, array_keys($way)), Devices::of($sending->kind)::traced($bytes, $done)),
        ]);
    }
}
