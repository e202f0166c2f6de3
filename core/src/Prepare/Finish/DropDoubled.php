<?php

declare(strict_types=1);

namespace NeatEdge\Core\Prepare\Finish;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Described\Field;
use NeatEdge\Core\Described\Values;
use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\Cubic;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Prepare\AboutStep;
use NeatEdge\Core\Prepare\Described;
use NeatEdge\Core\Prepare\Step;

/** C5: what lies exactly on another of the same paint is taken out: nobody sees it, and it would be cut twice. */
final readonly class DropDoubled implements Step
{
    use Described;

    /** @param  float  $within  mm that two outlines may differ by */
    public function __construct(private float $within = 0.05)
    {
    }

    public static function about(): AboutStep
    {
        return new AboutStep(
            'drop-doubled',
            'Take out doubled lines',
            'What lies exactly on another of the same paint goes: it would be cut twice.',
            [Field::length('within', 'Within', 0.05, most: 10.0)],
            7,
            work: 0.05,
            cuts: true,
            apart: AboutStep::KEEPS,
            byPiece: AboutStep::DRAWN,
        );
    }

    public static function from(Values $values): self
    {
        return new self($values->length('within'));
    }

    public function values(): array
    {
        return ['within' => $this->within];
    }

    public function apply(Artwork $artwork): Artwork
    {
        $gone = array_flip(self::doubled($artwork, $this->within));

        return $gone === [] ? $artwork : $artwork->withPieces(array_values(array_filter(
            $artwork->pieces,
            static fn (Piece $piece): bool => ! isset($gone[$piece->id]),
        )));
    }

    /** @return list<string> ids of the pieces that lie on another above them */
    public static function doubled(Artwork $artwork, float $within): array
    {
        $cells = [];
        $doubled = [];
        foreach (array_reverse($artwork->pieces) as $piece) {
            $box = $piece->box();
            if ($box === null || $within <= 0) {
                continue;
            }
            $name = ($piece->fill?->key() ?? '').'|'.($piece->stroke === null
                ? ''
                : $piece->stroke->paint->key().' '.round($piece->stroke->style->width, 3)).'|'.count($piece->shape->contours);
            [$gx, $gy] = [(int) floor($box->left / $within), (int) floor($box->top / $within)];
            foreach ([-1, 0, 1] as $dx) {
                foreach ([-1, 0, 1] as $dy) {
                    foreach ($cells[$name.'|'.($gx + $dx).'|'.($gy + $dy)] ?? [] as $other) {
                        if (self::same($piece->shape, $other->shape, $within)) {
                            $doubled[] = $piece->id;

                            continue 4;
                        }
                    }
                }
            }
            $cells["{$name}|{$gx}|{$gy}"][] = $piece;
        }

        return $doubled;
    }

    private static function same(Shape $a, Shape $b, float $within): bool
    {
        foreach ($a->contours as $k => $contour) {
            $other = $b->contours[$k] ?? null;
            if ($other === null || abs($contour->roughLength() - $other->roughLength()) > 4 * $within + 0.01 * $other->roughLength()
                || ! self::lies($contour, $other, $within)) {
                return false;
            }
        }

        return true;
    }

    /** Whether places along one contour all lie on another. */
    private static function lies(Contour $contour, Contour $on, float $within): bool
    {
        $chords = [];
        foreach ($on->closedSegments() as $s) {
            $before = [$s[0], $s[1]];
            for ($k = 1; $k <= 8; $k++) {
                $next = Cubic::placeOn($s, $k / 8);
                $chords[] = [...$before, ...$next];
                $before = $next;
            }
        }
        foreach ($contour->segments() as $s) {
            foreach ([0.0, 0.33, 0.67] as $t) {
                [$x, $y] = Cubic::placeOn($s, $t);
                $least = INF;
                foreach ($chords as [$ax, $ay, $bx, $by]) {
                    [$dx, $dy] = [$bx - $ax, $by - $ay];
                    $u = max(0.0, min(1.0, (($x - $ax) * $dx + ($y - $ay) * $dy) / max(1e-18, $dx * $dx + $dy * $dy)));
                    $least = min($least, hypot($x - $ax - $u * $dx, $y - $ay - $u * $dy));
                }
                if ($least > $within) {
                    return false;
                }
            }
        }

        return true;
    }
}
