<?php

declare(strict_types=1);

namespace NeatEdge\Core\Check;

use NeatEdge\Core\Geometry\Point;
use NeatEdge\Core\Line\PrepResult;

/** What was done by hand on what the line gives, and cannot be carried over to what it gives now. */
final readonly class HandWork implements ResultRule
{
    public static function about(): array
    {
        return [new AboutFinding('hand-work-lost', 'Hand work lost', 'An edit by hand no longer applies to what the line gives.')];
    }

    public function onResult(PrepResult $result): array
    {
        $findings = [];
        foreach ($result->stages as $stage) {
            foreach ($stage['report']->left as $left) {
                if ($left['kind'] === 'touch-up') {
                    $findings[] = new Finding(
                        'hand-work-lost',
                        Severity::Serious,
                        ucfirst($left['how']),
                        $left['at'] === null ? null : new Point(...$left['at']),
                    );
                }
            }
        }

        return $findings;
    }
}
