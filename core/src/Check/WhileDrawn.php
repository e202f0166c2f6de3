<?php

declare(strict_types=1);

namespace NeatEdge\Core\Check;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Geometry\Box;
use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Line\PrepLine;
use NeatEdge\Core\Measure\Limits;
use NeatEdge\Core\PlanarMap\Combine;
use NeatEdge\Core\Seen\Extent;
use NeatEdge\Core\Seen\Seen;

/**
 * Checks of what was just drawn: of the changed pieces and of what they touch, as it would come out of a plain line now. All else on the bench is left alone,
 * so that an answer comes while the hand still draws.
 */
final readonly class WhileDrawn
{
    /** How much of what lies around is looked at, in largest limits: enough that where it is cut off shows in no measure inside. */
    private const AROUND = 4.0;

    /**
     * @param  Box|null  $region  which the findings are about, mm; null when nothing of the pieces is seen
     * @param  list<Finding>  $findings
     */
    private function __construct(public ?Box $region, public array $findings)
    {
    }

    /**
     * @param  Artwork  $part  of the bench: the changed pieces and all whose boxes touch theirs
     * @param  list<string>  $changed  ids
     */
    public static function of(Artwork $part, array $changed, Limits $limits): self
    {
        $own = array_values(array_filter($part->pieces, static fn (Piece $piece): bool => in_array($piece->id, $changed, true) && ! $part->hides($piece)));
        $alone = $part->withPieces($own);
        $box = Extent::of($alone);
        if ($box === null) {
            return new self(null, []);
        }
        $reach = max($limits->line, $limits->gap, 0.1);
        $region = $box->grown($reach);
        $source = Seen::of($part->withPieces(self::within($part, array_fill_keys($changed, true), $box->grown(self::AROUND * $reach))));
        $flat = PrepLine::usual()->only(['outline-strokes', 'remove-hidden', 'merge-by-colour'])->run($source)->artwork();
        $drawn = array_filter(Inspection::catalogue(), static fn (AboutFinding $about): bool => $about->drawn);
        $seen = Seen::of($alone);
        $findings = array_filter(
            Inspection::of($alone, $source, $flat, $limits),
            static fn (Finding $finding): bool => isset($drawn[$finding->kind])
                && self::concerns($finding, $region)
                && ($finding->kind !== 'outside-page' || $seen->piece((string) $finding->piece) !== null),
        );

        return new self($region, array_values($findings));
    }

    /**
     * The pieces, of those that reach far only what lies near.
     *
     * @param  array<string, true>  $changed
     * @return list<Piece>
     */
    private static function within(Artwork $part, array $changed, Box $window): array
    {
        $frame = Shape::of(Contour::rectangle($window->left, $window->top, $window->width(), $window->height()));
        $pieces = [];
        foreach ($part->pieces as $piece) {
            $box = $piece->box();
            if (isset($changed[$piece->id]) || $box === null || $window->contains($box) || ! $piece->isSolid()) {
                $pieces[] = $piece;

                continue;
            }
            $shape = $window->overlaps($box) ? Combine::keepOverlap([$piece->shape, $frame], $part->tolerance()) : new Shape([]);
            if (! $shape->isEmpty()) {
                $pieces[] = $piece->withShape($shape);
            }
        }

        return $pieces;
    }

    /** Whether its place, or any of its stretch, lies there. */
    private static function concerns(Finding $finding, Box $region): bool
    {
        foreach ([...($finding->at === null ? [] : [$finding->at]), ...array_merge(...$finding->ribbon)] as $p) {
            if ($p->x >= $region->left && $p->x <= $region->right && $p->y >= $region->top && $p->y <= $region->bottom) {
                return true;
            }
        }

        return $finding->at === null;
    }
}
