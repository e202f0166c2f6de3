<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Description\Answers;
use App\Http\Requests\AcceptNoticeRequest;
use App\Http\Requests\JudgeFindingsRequest;
use App\Http\Resources\JobWordsResource;
use App\Models\Person;
use App\Models\ShopJob;
use App\Prep\Judging;

/** What was found or left out, and what somebody says of it. */
final class FindingController
{
    /** Somebody looked at what was left out or replaced and can do without it; or takes that back. */
    #[Answers(JobWordsResource::class)]
    public function accept(AcceptNoticeRequest $request, ShopJob $job, int $notice): JobWordsResource
    {
        $reason = $request->validated('accepted');

        return new JobWordsResource(Judging::notice($job, $notice, $reason === null ? null : trim($reason), Person::asking()?->name) ?? abort(404));
    }

    /** Somebody looked at findings, accepts them with a reason, or takes that back. */
    #[Answers(JobWordsResource::class)]
    public function judge(JudgeFindingsRequest $request, ShopJob $job): JobWordsResource
    {
        $fields = $request->validated();
        $reason = isset($fields['accepted']) ? trim($fields['accepted']) : null;

        return new JobWordsResource(Judging::findings(
            $job,
            (int) $fields['preparation'],
            array_map(intval(...), array_values($fields['findings'])),
            $reason,
            (bool) ($fields['open'] ?? false),
            Person::asking()?->name,
        ) ?? abort(404));
    }
}
