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
use NeatEdge\Core\Geometry\Box;
use NeatEdge\Core\Geometry\Matrix;

/** Lines pieces up with an edge or the middle of them all, of one of them, or of the page. A whole group moves as one. */
final readonly class AlignPieces implements LocalToGroups
{
    /**
     * @param  list<string>  $ids
     * @param  string  $edge  left, centre, right, top, middle or bottom
     * @param  string  $inside  id of the group that was entered
     * @param  string  $to  selection, page, or the id of the piece that stays
     */
    public function __construct(private array $ids, private string $edge, private string $to, private string $inside = '')
    {
    }

    public static function about(string $kind): About
    {
        return new About(
            'Align',
            'Lay edges or middles on one line.',
            [
                Field::choice(
                    'edge',
                    'Edge',
                    'left',
                    ['left' => 'Left', 'centre' => 'Centre', 'right' => 'Right', 'top' => 'Top', 'middle' => 'Middle', 'bottom' => 'Bottom'],
                ),
                Field::words('to', 'To', usual: 'selection', help: 'selection, page, or the id of a piece'),
                Field::words('inside', 'Within the group'),
            ],
        );
    }

    public static function from(Values $values): self
    {
        return new self($values->pieces(), $values->choice('edge'), $values->text('to') ?: 'selection', $values->text('inside'));
    }

    public function label(): string
    {
        return 'Align';
    }

    public function apply(Artwork $artwork): Artwork
    {
        $chosen = Chosen::in($artwork, $this->ids, $this->to === 'page' ? 1 : 2);
        $target = match ($this->to) {
            'selection' => Chosen::box($chosen),
            'page' => new Box(0, 0, $artwork->width, $artwork->height),
            default => Chosen::box([$chosen[$this->to] ?? throw Refused::missingPiece($this->to)]),
        };
        $moves = [];
        foreach (Chosen::units($artwork, $chosen, $this->inside) as $unit) {
            $stays = array_filter($unit, fn (Piece $piece): bool => $piece->id === $this->to) !== [];
            $box = Chosen::box($unit);
            $matrix = $stays ? Matrix::identity() : Matrix::translation(...match ($this->edge) {
                'left' => [$target->left - $box->left, 0.0],
                'right' => [$target->right - $box->right, 0.0],
                'centre' => [$target->middle()->x - $box->middle()->x, 0.0],
                'top' => [0.0, $target->top - $box->top],
                'bottom' => [0.0, $target->bottom - $box->bottom],
                default => [0.0, $target->middle()->y - $box->middle()->y],
            });
            foreach ($unit as $piece) {
                $moves[$piece->id] = $matrix;
            }
        }

        return $artwork->mapped(static fn (Piece $piece): Piece => $piece->transformed($moves[$piece->id]), $moves);
    }
}
