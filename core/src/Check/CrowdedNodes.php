<?php

declare(strict_types=1);

namespace NeatEdge\Core\Check;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Geometry\Point;
use NeatEdge\Core\Prepare\Widths;

/** C8: nodes that lie on or all but on each other, at which a blade stops and turns for nothing. */
final readonly class CrowdedNodes implements Rule
{
    /** mm; a machine does not tell nodes apart that lie nearer. */
    private const NEAR = 0.02;

    /** So many in a row, or this share of all, is crowded. */
    private const ROW = 4;

    public static function about(): array
    {
        return [new AboutFinding('crowded-nodes', 'Crowded nodes', 'Nodes lie all but on each other; a blade stops at each.')];
    }

    public function findings(Artwork $source, Artwork $merged): array
    {
        $near = min(self::NEAR, 2e-4 * max($merged->width, $merged->height));
        $findings = [];
        foreach ($merged->pieces as $piece) {
            $worst = [0, 0.0, 0.0];
            $count = 0;
            foreach ($piece->shape->contours as $contour) {
                $row = 0;
                foreach ($contour->segments() as $s) {
                    if (hypot($s[6] - $s[0], $s[7] - $s[1]) < $near) {
                        $row++;
                        $count++;
                        $worst = $row > $worst[0] ? [$row, $s[0], $s[1]] : $worst;
                    } else {
                        $row = 0;
                    }
                }
            }
            if ($worst[0] >= self::ROW) {
                $findings[] = new Finding(
                    'crowded-nodes',
                    Severity::Note,
                    sprintf('%d nodes lie nearer than %.3f mm to the next, %d in a row.', $count, $near, $worst[0]),
                    new Point($worst[1], $worst[2]),
                    piece: $piece->id,
                    sheet: Widths::sheet($piece),
                );
            }
        }

        return $findings;
    }
}
