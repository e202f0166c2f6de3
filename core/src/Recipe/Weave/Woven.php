<?php

declare(strict_types=1);

namespace NeatEdge\Core\Recipe\Weave;

use NeatEdge\Core\Artwork\Base;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Artwork\Recipe;
use NeatEdge\Core\Artwork\Stored;
use NeatEdge\Core\Geometry\Shape;

/** P8: what is left of a strand that is woven with others. It keeps the strand as it was drawn, so that its crossings can be turned again. */
final readonly class Woven extends Base
{
    /**
     * @param  string  $weave  what tells one weave from another: the same for all its strands
     * @param  Piece  $strand  as it was before, not woven itself
     * @param  array{gap: float, pattern: string, start: string, parts: string, turn: list<array{float, float}>}  $values  how it was woven; the places in
     *     mm, as the strand lay then
     */
    public function __construct(public string $weave, public Piece $strand, public array $values, private Shape $shape)
    {
    }

    public static function kind(): string
    {
        return 'woven';
    }

    public function stored(Stored $as): array
    {
        return ['weave' => $this->weave, 'strand' => $as->piece($this->strand), 'values' => $this->values, 'shape' => $as->shape($this->shape)];
    }

    public static function read(array $data, Stored $as): self
    {
        $v = $data['values'];
        $values = [
            'gap' => (float) $v['gap'],
            'pattern' => $v['pattern'],
            'start' => $v['start'],
            'parts' => $v['parts'],
            'turn' => array_values(array_map(static fn (array $place): array => [(float) $place[0], (float) $place[1]], $v['turn'])),
        ];

        return new self($data['weave'], $as->toPiece($data['strand']), $values, $as->toShape($data['shape']));
    }

    /** Strands that are copied together are a weave of their own. */
    public function apart(string $copy): self
    {
        return $this->in('w'.hash('xxh32', "{$this->weave} {$copy}"));
    }

    /** How it was woven, as the tool takes it: its turned crossings where they lie now. */
    public function told(Recipe $recipe): array
    {
        $turn = array_map(static function (array $place) use ($recipe): string {
            $at = $recipe->matrix->apply($place[0], $place[1]);

            return sprintf('%.4F,%.4F', $at->x, $at->y);
        }, $this->values['turn']);

        return ['shaped' => ['kind' => 'weave', 'values' => [...array_diff_key($this->values, ['turn' => 1]), 'turn' => implode(' ', $turn)]]];
    }

    public function shape(): Shape
    {
        return $this->shape;
    }

    /** The same in another weave, as a copy is. */
    public function in(string $weave): self
    {
        return new self($weave, $this->strand, $this->values, $this->shape);
    }

    public function withShape(Shape $shape): self
    {
        return new self($this->weave, $this->strand, $this->values, $shape);
    }
}
