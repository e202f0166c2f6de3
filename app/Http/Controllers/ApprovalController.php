<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Events\JobStands;
use App\Http\Description\Answers;
use App\Http\Requests\SettleRequest;
use App\Http\Requests\ShareRequest;
use App\Http\Resources\ApprovalResource;
use App\Http\Resources\ApprovalsResource;
use App\Http\ShownLinks;
use App\Models\Approval;
use App\Models\ApprovalAnswer;
use App\Models\ShopJob;
use App\Prep\Approvals;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Auth;

/** Proofs that a customer was shown, and what came back. */
final class ApprovalController
{
    private const SHOWN = 20;

    /** Of one job, the latest first, and where it stands with its customer. */
    #[Answers(ApprovalsResource::class)]
    public function index(ShopJob $job): ApprovalsResource
    {
        return new ApprovalsResource([
            'standing' => Approvals::standing($job),
            'state' => Approvals::state($job),
            'approvals' => Approval::query()->where('shop_job_id', $job->id)->with('answers', 'unsent')->orderByDesc('id')->limit(self::SHOWN)->get()->all(),
        ]);
    }

    /** Keeps the proof as it is, and makes a link to it, which is told this once. */
    #[Answers(ApprovalResource::class, 201)]
    public function store(ShareRequest $request, ShopJob $job): ApprovalResource
    {
        [$approval, $secret] = Approvals::share(
            $job,
            (string) $request->validated('ground'),
            (int) ($request->validated('days') ?? 30),
            trim((string) $request->validated('to')),
            ShownLinks::address(...),
            $request->boolean('onThing'),
        );

        return (new ApprovalResource($approval))->telling($secret)->status(201);
    }

    /** Its picture, as it was shared. */
    #[Answers(type: 'image/png')]
    public function picture(Approval $approval): Response
    {
        return new Response($approval->picture, 200, ['Content-Type' => 'image/png', 'Cache-Control' => 'private, max-age=86400, immutable']);
    }

    /** Takes the link back: it leads nowhere any more. */
    #[Answers(status: 204)]
    public function destroy(Approval $approval): Response
    {
        Approvals::takeBack($approval);

        return response()->noContent();
    }

    /** Whether what was asked for is done. */
    #[Answers(ApprovalResource::class)]
    public function settle(SettleRequest $request, ApprovalAnswer $answer): ApprovalResource
    {
        $settled = $request->boolean('settled');
        $answer->update(['settled_at' => $settled ? now() : null, 'settled_by' => $settled ? Auth::id() : null]);
        JobStands::dispatch($answer->approval->shop_job_id);

        return new ApprovalResource($answer->approval->load('answers'));
    }
}
