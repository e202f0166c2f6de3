<?php

declare(strict_types=1);

namespace NeatEdge\Core\Artwork;

use NeatEdge\Core\Geometry\Matrix;

/**
 * D13: how softly a piece is seen: all of it is blurred, then fades, then is seen through its clips, one after the other. A clip is a small drawing: where it
 * is light the piece is seen, where it is dark or bare it is not, as a mask of SVG by luminance has it. So a clip may be soft and fade itself, and what
 * is painted on it by hand are lines.
 */
final readonly class SoftLook
{
    /** mm; a wider edge is no edge any more. */
    public const WIDEST = 500.0;

    /** Clips of one piece, one in the other. */
    public const MOST_CLIPS = 8;

    /** Pieces of one clip. */
    public const MOST_PIECES = 500;

    /**
     * @param  float  $edge  mm: the standard deviation of the Gaussian that the piece with its paint is blurred by; 0 for a hard edge
     * @param  Gradient|null  $fade  how much is seen where: only the opacities of its stops count
     * @param  list<non-empty-list<Piece>>  $clips  the lowest piece first; plain pieces, whose own soft looks count
     */
    public function __construct(public float $edge = 0.0, public ?Gradient $fade = null, public array $clips = [])
    {
    }

    public function with(mixed ...$changes): self
    {
        /** @var array<string, mixed> $all */
        $all = [...get_object_vars($this), ...$changes];

        return new self(...$all);
    }

    /** Whether it is as hard and whole as if it had none. */
    public function isNone(): bool
    {
        return $this->edge <= 0.0 && $this->fade === null && $this->clips === [];
    }

    /** Moved, turned or scaled along; where that is unlike both ways, its edge takes the mean of both. */
    public function transformed(Matrix $matrix): self
    {
        return new self(
            $this->edge * $matrix->meanScale(),
            $this->fade?->transformed($matrix),
            array_map(static fn (array $clip): array => array_map(static fn (Piece $piece): Piece => $piece->transformed($matrix), $clip), $this->clips),
        );
    }
}
