<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Description\Answers;
use App\Http\Requests\SendRequest;
use App\Http\Resources\DoneSoFarResource;
use App\Http\Resources\ProblemResource;
use App\Http\Resources\SendingResource;
use App\Http\Resources\SendingsResource;
use App\Http\Resources\StockItemResource;
use App\Models\Sending;
use App\Models\ShopJob;
use App\Models\StockItem;
use App\Prep\Dispatch;
use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\Device\Devices;

/** Sheets on their way to machines. */
final class SendingController
{
    /** Sendings of a job that are told of. */
    private const TOLD = 60;

    /** Machines of the shop, and what of the job was sent to them. */
    #[Answers(SendingsResource::class)]
    public function index(ShopJob $job): SendingsResource
    {
        return new SendingsResource([
            'machines' => StockItem::query()->where('kind', 'machine')->orderBy('id')->get()->map(static fn (StockItem $stockItem): array => [
                ...StockItemResource::row($stockItem),
                'format' => Devices::of((string) $stockItem->data['kind'])::about()->format,
                'fits' => $stockItem->data['kind'] === $job->process->machine(),
            ])->all(),
            'sendings' => Sending::query()->where('shop_job_id', $job->id)->orderByDesc('id')->limit(self::TOLD)->get()->map(SendingResource::row(...))->all(),
        ]);
    }

    /** Sends a sheet to a machine. */
    #[Answers(SendingResource::class, 202), Answers(ProblemResource::class, 409), Answers(ProblemResource::class, 507)]
    public function store(SendRequest $request, ShopJob $job): SendingResource
    {
        $fields = $request->validated();
        $machine = StockItem::query()->where('kind', 'machine')->whereKey((int) $fields['machine'])->first()
            ?? throw Refused::because('That machine is not in the shop any more.');
        $sending = Dispatch::send($job, $machine, (int) $fields['number'], ($fields['again'] ?? false) === true) ?? abort(404);

        return (new SendingResource($sending))->status(202);
    }

    /** How far it is. */
    #[Answers(SendingResource::class)]
    public function show(Sending $sending): SendingResource
    {
        return new SendingResource($sending);
    }

    /** What is done of it so far, as the sheet lies on the bench. */
    #[Answers(DoneSoFarResource::class)]
    public function done(Sending $sending): DoneSoFarResource
    {
        $bytes = $sending->bytes();
        $done = $sending->work->done ?? 0;
        // Machines count y upwards from the lower left corner of the sheet.
        $down = static fn (array $way): array => array_map(
            static fn (float $v, int $k): float => round($k % 2 === 0 ? $v : $sending->height_mm - $v, 2),
            $way,
            array_keys($way),
        );

        return new DoneSoFarResource([
            'done' => $done,
            'of' => $sending->work->of ?? 0,
            'ways' => $sending->height_mm <= 0 ? [] : array_map($down, Devices::of($sending->kind)::traced($bytes, $done)),
        ]);
    }
}
