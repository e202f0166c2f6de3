<?php

declare(strict_types=1);

namespace NeatEdge\Core\Check;

use NeatEdge\Core\Line\PrepResult;
use NeatEdge\Core\Measure\Limits;

/** C12: more of what is seen looks otherwise than the ticket lets pass. */
final readonly class LookChanged implements ResultRule
{
    public function __construct(private Limits $limits)
    {
    }

    public static function about(): array
    {
        return [new AboutFinding(
            'look-changed',
            'Look changed',
            'What goes out looks otherwise than what came in, by more than the ticket lets pass.',
            'look',
        )];
    }

    public function onResult(PrepResult $result): array
    {
        $percent = $result->look->seenPercent();

        return $result->look->isNone() || $percent <= $this->limits->look ? [] : [new Finding(
            'look-changed',
            Severity::Warning,
            sprintf(
                '%.2f %% of what is seen looks otherwise than it came in (%.1f mm²); %s %% may.',
                $percent,
                $result->look->seen,
                rtrim(rtrim(sprintf('%.3f', $this->limits->look), '0'), '.'),
            ),
            // Accepted is this much and no more.
            sheet: sprintf('%.1f %%', ceil(10 * $percent) / 10),
        )];
    }
}
