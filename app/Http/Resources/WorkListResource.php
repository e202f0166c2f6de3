<?php

declare(strict_types=1);

namespace App\Http\Resources;

/**
 * What is due, by day and machine.
 *
 * @phpstan-import-type ApprovalStandingRow from ApprovalsResource
 *
 * @phpstan-type WorkListRow array{jobs: list<DueJobRow>}
 * @phpstan-type DueJobRow array{
 *     id: int, title: string, customer: string, due: string|null, processLabel: string,
 *     // Of which kind, as its process says.
 *     machine: string, machineLabel: string,
 *     standing: 'fresh'|'busy'|'broken'|'stale'|'open'|'ready', customerSays: ApprovalStandingRow,
 *     // Whom it waits for; the shop itself while it is being prepared.
 *     waitsFor: 'customer'|'artist'|'machine'|'shop',
 *     findings: int, sheets: int, updated: string|null,
 * }
 */
final class WorkListResource extends Resource
{
}
