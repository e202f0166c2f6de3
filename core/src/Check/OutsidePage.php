<?php

declare(strict_types=1);

namespace NeatEdge\Core\Check;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Geometry\Box;
use NeatEdge\Core\Geometry\Point;
use NeatEdge\Core\Seen\Extent;

/** S5: art that lies outside the page, wholly or in part: what a viewer of the file does not see is cut all the same. */
final readonly class OutsidePage implements SeesCuts
{
    /** mm that art may reach over the page. */
    private const LEAST = 0.01;

    /** mm from which on it is seen that a viewer of the file cuts it off. */
    private const SEEN = 0.1;

    public static function about(): array
    {
        return [new AboutFinding('outside-page', 'Outside the page', 'Art lies outside the page and is cut or printed all the same.', drawn: true)];
    }

    public function findings(Artwork $source, Artwork $merged): array
    {
        $page = new Box(0.0, 0.0, $source->width, $source->height);
        $tolerance = $source->tolerance();
        $groups = ['wholly' => [], 'partly' => []];
        foreach ($source->pieces as $piece) {
            $box = Extent::piece($piece, $tolerance);
            if ($box === null) {
                continue;
            }
            $over = max(-$box->left, -$box->top, $box->right - $page->right, $box->bottom - $page->bottom);
            if ($over > self::LEAST) {
                $groups[$page->overlaps($box) ? 'partly' : 'wholly'][] = [$over, $piece, $box];
            }
        }
        $findings = [];
        foreach ($groups as $how => $rows) {
            if ($rows === []) {
                continue;
            }
            usort($rows, static fn (array $a, array $b): int => $b[0] <=> $a[0]);
            [$over, $piece, $box] = $rows[0];
            $findings[] = self::finding($how === 'wholly', count($rows), $over, $piece, $box);
        }

        return $findings;
    }

    private static function finding(bool $wholly, int $count, float $over, Piece $piece, Box $box): Finding
    {
        $what = $count === 1 ? ($wholly ? 'A piece lies' : 'A piece reaches') : sprintf('%d pieces %s', $count, $wholly ? 'lie' : 'reach');

        return new Finding(
            'outside-page',
            $wholly ? Severity::Serious : ($over > self::SEEN ? Severity::Warning : Severity::Note),
            sprintf(
                '%s %s the page, by up to %.2f mm: it is cut or printed all the same. Take it out, or let the page be that of the art.',
                $what,
                $wholly ? 'outside' : 'beyond',
                $over,
            ),
            $box->middle(),
            $over,
            0.0,
            piece: $piece->id,
            ribbon: [[
                new Point($box->left, $box->top),
                new Point($box->right, $box->top),
                new Point($box->right, $box->bottom),
                new Point($box->left, $box->bottom),
            ]],
        );
    }
}
