<?php

declare(strict_types=1);

namespace NeatEdge\Core\Edit\Arranging;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Described\Field;
use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\Described\Values;
use NeatEdge\Core\Edit\About;
use NeatEdge\Core\Edit\Chosen;
use NeatEdge\Core\Edit\LocalToGroups;
use NeatEdge\Core\Geometry\Matrix;

/** Spreads pieces so that the gaps between them, or the steps from middle to middle, are equal. A whole group moves as one. */
final readonly class DistributePieces implements LocalToGroups
{
    /**
     * @param  list<string>  $ids
     * @param  bool  $gaps  equal gaps; equal steps from middle to middle when false
     * @param  string  $inside  id of the group that was entered
     * @param  float|null  $by  mm of each gap or step; what fits between the outermost, or on the page, when null
     */
    public function __construct(
        private array $ids,
        private bool $across,
        private bool $gaps,
        private bool $onPage,
        private ?float $by,
        private string $inside = '',
    ) {
    }

    public static function about(string $kind): About
    {
        return new About(
            'Distribute',
            'Even out gaps or distances.',
            [
                Field::choice('way', 'Way', 'across', ['across' => 'Across', 'down' => 'Down']),
                Field::choice('of', 'Even', 'gaps', ['gaps' => 'Gaps', 'middles' => 'Middles']),
                Field::choice('to', 'Within', 'selection', ['selection' => 'What is chosen', 'page' => 'The page']),
                Field::signed('by', 'Gap'),
                Field::words('inside', 'Within the group'),
            ],
        );
    }

    public static function from(Values $values): self
    {
        return new self(
            $values->pieces(),
            $values->choice('way') === 'across',
            $values->choice('of') === 'gaps',
            $values->choice('to') === 'page',
            $values->has('by') ? $values->length('by') : null,
            $values->text('inside'),
        );
    }

    public function label(): string
    {
        return 'Distribute';
    }

    public function apply(Artwork $artwork): Artwork
    {
        $units = [];
        foreach (Chosen::units($artwork, Chosen::in($artwork, $this->ids, 2), $this->inside) as $unit) {
            $box = Chosen::box($unit);
            $units[] = [$this->across ? $box->left : $box->top, $this->across ? $box->width() : $box->height(), $unit];
        }
        $least = $this->onPage || $this->by !== null ? 2 : 3;
        if (count($units) < $least) {
            throw Refused::because('To spread between the outermost, choose at least three pieces or groups.');
        }
        usort($units, static fn (array $a, array $b): int => $a[0] + $a[1] / 2 <=> $b[0] + $b[1] / 2);
        $n = count($units);
        [$first, $last] = [$units[0], $units[$n - 1]];
        [$from, $to] = $this->onPage ? [0.0, $this->across ? $artwork->width : $artwork->height] : [$first[0], $last[0] + $last[1]];
        $sizes = array_sum(array_column($units, 1));
        $gap = $this->by ?? ($to - $from - $sizes) / ($n - 1);
        $step = $this->by ?? ($to - $last[1] / 2 - $from - $first[1] / 2) / ($n - 1);
        $moves = [];
        $at = $from;
        foreach ($units as $i => [$start, $size, $unit]) {
            $wanted = $this->gaps ? $at : $from + $first[1] / 2 + $i * $step - $size / 2;
            $matrix = $this->across ? Matrix::translation($wanted - $start, 0) : Matrix::translation(0, $wanted - $start);
            foreach ($unit as $piece) {
                $moves[$piece->id] = $matrix;
            }
            $at += $size + $gap;
        }

        return $artwork->mapped(static fn (Piece $piece): Piece => $piece->transformed($moves[$piece->id]), $moves);
    }
}
