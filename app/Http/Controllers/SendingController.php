<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Jobs\RunSending;
use App\Models\Sending;
use App\Models\ShopJob;
use App\Models\StockItem;
use App\Prep\Made;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use NeatEdge\Core\Device\Devices;
use NeatEdge\Core\Edit\EditRefused;

/** O7: sheets on their way to machines. */
final class SendingController
{
    public function index(ShopJob $job): JsonResponse
    {
        return new JsonResponse([
            'machines' => StockItem::query()->where('kind', 'machine')->orderBy('id')->get()->map(static fn (StockItem $one): array => [...$one->row(), 'format' => Devices::of((string) $one->data['kind'])::about()->format]),
            'sendings' => Sending::query()->where('shop_job_id', $job->id)->orderByDesc('id')->limit(60)->get()->map(static fn (Sending $one): array => $one->row()),
        ]);
    }

    public function store(Request $request, ShopJob $job): JsonResponse
    {
        $fields = $request->validate(['machine' => ['required', 'integer'], 'number' => ['required', 'integer', 'min:0'], 'again' => ['sometimes', 'boolean']], ['*' => 'Choose a sheet and a machine.']);
        $machine = StockItem::query()->where('kind', 'machine')->whereKey((int) $fields['machine'])->first() ?? throw EditRefused::because('That machine is not in the shop any more.');
        if (Made::isStale($job)) {
            throw EditRefused::because('The job was changed since these sheets were made. Prepare it again before it goes to a machine.');
        }
        $layout = Made::layouts($job)[(int) $fields['number']] ?? abort(404);
        $sent = Sending::query()->where('shop_job_id', $job->id)->where('number', $fields['number'])->where('version', $job->version)->whereNotIn('status', ['cancelled'])->latest('id')->first();
        if ($sent !== null && ($fields['again'] ?? false) !== true) {
            return new JsonResponse(['message' => $sent->status === 'done' ? sprintf('This sheet was sent to %s before. Send it once more?', $sent->machine) : sprintf('This sheet is on its way to %s already. Send it a second time?', $sent->machine), 'sent' => $sent->row()], 409);
        }
        $kind = (string) $machine->data['kind'];
        $format = Devices::of($kind)::about()->format;
        [$bytes, $about] = ExportController::written($layout, $format, ['blade' => $machine->data['blade'] ?? 0.0, 'overcut' => $machine->data['overcut'] ?? 0.3, ...($format === 'pdf' ? ['films' => 'black'] : [])]);
        $sending = Sending::query()->create([
            'shop_job_id' => $job->id, 'version' => $job->version, 'machine' => $machine->name, 'kind' => $kind, 'address' => $machine->data['host'].':'.(int) $machine->data['port'], 'file' => "{$layout->name}.{$about->extension}",
            'title' => $layout->title, 'number' => (int) $fields['number'], 'status' => 'new', 'of' => Devices::of($kind)::parts($bytes), 'length_mm' => $layout->length(), 'log' => [],
        ]);
        if (! is_dir(dirname($sending->path()))) {
            @mkdir(dirname($sending->path()), 0775, true);
        }
        file_put_contents($sending->path(), $bytes);
        $sending->update(['status' => 'waiting']);
        RunSending::dispatch($sending->id);

        return new JsonResponse($sending->refresh()->row(), 202);
    }

    public function show(Sending $sending): JsonResponse
    {
        return new JsonResponse($sending->row());
    }

    public function pause(Sending $sending): JsonResponse
    {
        Sending::query()->whereKey($sending->id)->where('status', 'running')->update(['asked' => 'pause']);
        Sending::query()->whereKey($sending->id)->where('status', 'waiting')->update(['status' => 'paused']);

        return $this->show($sending->refresh());
    }

    /** On from where it stopped. */
    public function go(Sending $sending): JsonResponse
    {
        if (Sending::query()->whereKey($sending->id)->whereIn('status', ['paused', 'stopped'])->update(['status' => 'waiting', 'asked' => '', 'error' => '']) > 0) {
            RunSending::dispatch($sending->id);
        }

        return $this->show($sending->refresh());
    }

    public function cancel(Sending $sending): JsonResponse
    {
        Sending::query()->whereKey($sending->id)->where('status', 'running')->update(['asked' => 'cancel']);
        Sending::query()->whereKey($sending->id)->whereIn('status', ['waiting', 'paused', 'stopped'])->update(['status' => 'cancelled']);

        return $this->show($sending->refresh());
    }
}
