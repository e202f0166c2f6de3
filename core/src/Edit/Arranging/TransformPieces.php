<?php

declare(strict_types=1);

namespace NeatEdge\Core\Edit\Arranging;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Described\Field;
use NeatEdge\Core\Described\Values;
use NeatEdge\Core\Edit\About;
use NeatEdge\Core\Edit\Chosen;
use NeatEdge\Core\Edit\Local;
use NeatEdge\Core\Geometry\Length;
use NeatEdge\Core\Geometry\Matrix;

/** D7: any affine transform; copies are transformed when asked for, and the pieces stay. */
final readonly class TransformPieces implements Local
{
    /**
     * @param  list<string>  $ids
     * @param  bool  $strokes  whether stroke widths scale along
     */
    public function __construct(
        private array $ids,
        private Matrix $matrix,
        private bool $strokes = true,
        private bool $copies = false,
        private string $unit = 'mm',
    ) {
    }

    public static function about(string $kind): About
    {
        return new About(
            'Transform',
            'Move, turn, scale or skew by a matrix.',
            [
                Field::numbers('matrix', 'Matrix', 6, 6, 'six numbers a b c d e f'),
                Field::flag('strokes', 'Strokes grow along', true),
                Field::flag('copies', 'On copies', false),
            ],
        );
    }

    public static function from(Values $values): self
    {
        return new self($values->pieces(), $values->matrix('matrix'), $values->flag('strokes'), $values->flag('copies'), $values->unit);
    }

    public function label(): string
    {
        return ($this->copies ? 'A copy: '
            : '').($this->copies
            ? mb_strtolower(self::said($this->matrix, $this->unit))
            : self::said($this->matrix, $this->unit));
    }

    /** What a matrix does, as far as one word and one number can say it. */
    private static function said(Matrix $m, string $unit): string
    {
        if ($m->isTranslation()) {
            return 'Move '.Length::said(hypot($m->e, $m->f), $unit);
        }
        $across = hypot($m->a, $m->b);
        $down = hypot($m->c, $m->d);
        $upright = abs($m->b) < 1e-9 && abs($m->c) < 1e-9;
        if ($m->isSimilarity() && $m->determinant() > 0 && abs($across - 1) < 1e-9) {
            return sprintf('Turn %s°', self::short(rad2deg(atan2($m->b, $m->a))));
        }
        if ($upright && $m->a > 0 && $m->d > 0) {
            return abs($across - $down) < 1e-6 ? sprintf('Size %s %%', self::short(100 * $across)) : sprintf(
                'Size %s × %s %%',
                self::short(100 * $across),
                self::short(100 * $down),
            );
        }

        return 'Transform';
    }

    private static function short(float $number): string
    {
        return rtrim(rtrim(number_format($number, 1, '.', ''), '0'), '.');
    }

    public function apply(Artwork $artwork): Artwork
    {
        $chosen = Chosen::in($artwork, $this->ids);
        if ($this->copies) {
            [$artwork, $chosen] = CopyPieces::copied($artwork, $chosen);
        }

        return $artwork->mapped(fn (Piece $piece): Piece => self::moved($piece, $this->matrix, $this->strokes), $chosen);
    }

    /** The same angle above -180 and up to 180 degrees; one that is nothing but rounding is nothing. */
    public static function turned(float $degrees): float
    {
        $turn = $degrees - 360 * ceil(($degrees - 180) / 360);

        return abs($turn) < 1e-9 ? 0.0 : $turn;
    }

    /** With the turn of its box kept true. */
    public static function moved(Piece $piece, Matrix $matrix, bool $strokes): Piece
    {
        $turn = $piece->turn;
        if ($matrix->isSimilarity()) {
            // A flipped piece is as good as one turned by half a round that was flipped the other way.
            $turn = self::turned(($matrix->determinant() < 0 ? -$turn : $turn)
                + rad2deg(atan2($matrix->b, $matrix->a))
                + ($matrix->determinant() < 0 && $matrix->a < 0 ? 180 : 0));
        }

        return $piece->transformed($matrix, $strokes)->with(turn: $turn);
    }
}
