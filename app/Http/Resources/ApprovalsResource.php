<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\Approval;
use Illuminate\Http\Request;

/**
 * What a customer was shown of a job, and where it stands with them.
 *
 * @phpstan-import-type ApprovalRow from ApprovalResource
 *
 * @phpstan-type ApprovalsRow array{
 *     standing: ApprovalStandingRow,
 *     // The state of the job as it is now, as a key: what was approved holds for its own.
 *     state: string,
 *     approvals: list<ApprovalRow>,
 * }
 * @phpstan-type ApprovalStandingRow 'none'|'waiting'|'seen'|'changes'|'earlier'|'approved'
 */
final class ApprovalsResource extends Resource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        return [...$this->resource, 'approvals' => array_map(static fn (Approval $one): array => ApprovalResource::row($one), $this->resource['approvals'])];
    }
}
