<?php

declare(strict_types=1);

namespace App\Http\Resources;

/**
 * Why something was refused or did not work, in one sentence that is meant to be read.
 *
 * @phpstan-import-type JobRow from JobResource
 * @phpstan-import-type SendingRow from SendingResource
 *
 * @phpstan-type ProblemRow array{
 *     message: string,
 *     // By field, where a form was not in order.
 *     fields?: array<string, string>,
 *     // Where a job is not ready: what is open. Somebody can let it go by name.
 *     gate?: bool,
 *     sentence?: string,
 *     open?: list<string>,
 *     // What was sent before, where a sheet would be sent a second time.
 *     sent?: SendingRow,
 *     // The newer state of the job, where another window was faster.
 *     job?: JobRow,
 *     ...
 * }
 */
final class ProblemResource extends Resource
{
}
