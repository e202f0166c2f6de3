<?php

declare(strict_types=1);

namespace App\Http\Resources;

/**
 * One page of the jobs that somebody looks for.
 *
 * @phpstan-import-type ApprovalStandingRow from ApprovalsResource
 * @phpstan-import-type WorkStateRow from WorkResource
 *
 * @phpstan-type JobPageRow array{
 *     jobs: list<ListedJobRow>,
 *     // Jobs that are found, and all there are; both are counted to a thousand, and one more stands for more.
 *     found: int,
 *     all: int,
 *     page: int,
 *     // Whether there is a job that is none of the demo.
 *     own: bool,
 * }
 * @phpstan-type ListedJobRow array{
 *     id: int, title: string, customer: string, due: string|null, process: string, processLabel: string, width: float, height: float, demo: bool, version: int,
 *     created: string,
 *     updated: string,
 *     state: 'new'|WorkStateRow,
 *     // Whether it was changed since it was prepared.
 *     stale: bool,
 *     ready: bool,
 *     customerSays: ApprovalStandingRow,
 *     findings: int,
 *     sheets: int,
 * }
 */
final class JobPageResource extends Resource
{
}
