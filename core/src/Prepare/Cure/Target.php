<?php

declare(strict_types=1);

namespace NeatEdge\Core\Prepare\Cure;

use NeatEdge\Core\Measure\ThinPlace;

/** A place that is to be brought to its limit, and the ways in which that is tried, one after the other. */
final class Target
{
    public const LINE = 'thin-line';

    public const POINT = 'thin-point';

    public const GAP = 'narrow-gap';

    private int $way = 0;

    /** Why the last way that was tried would not do. */
    public string $why = '';

    /**
     * @param  string  $kind  as the finding is called
     * @param  int  $piece  number of the piece
     * @param  list<string>  $ways  thicken, part, blunt, widen, fill, embolden
     * @param  Word|null  $word  that is brought to the limit alike, with all its places
     * @param  list<ThinPlace>  $places  these
     */
    public function __construct(
        public readonly string $kind,
        public readonly int $piece,
        public readonly ThinPlace $place,
        private readonly array $ways,
        public readonly ?Word $word = null,
        public readonly array $places = [],
    ) {
    }

    /** The same, of the piece as it is numbered elsewhere. */
    public function ofPiece(int $piece): self
    {
        return new self($this->kind, $piece, $this->place, $this->ways, $this->word, $this->places);
    }

    /** How it is brought to its limit; null when all that could be tried was. */
    public function way(): ?string
    {
        return $this->ways[$this->way] ?? null;
    }

    public function failed(string $why): void
    {
        $this->way++;
        $this->why = $why;
    }

    /** Whether a place lies within a distance, mm, of one that is to be cured: not merely in the same word. */
    public function isAbout(float $x, float $y, float $near): bool
    {
        foreach ($this->places as $place) {
            if ((new self($this->kind, $this->piece, $place, []))->distanceTo($x, $y) < $near) {
                return true;
            }
        }

        return $this->places === [] && $this->distanceTo($x, $y) < $near;
    }

    /** mm from a place to the middle line of this one; nothing within its word. */
    public function distanceTo(float $x, float $y): float
    {
        if ($this->word?->holds($x, $y) === true) {
            return 0.0;
        }
        $least = hypot($this->place->at->x - $x, $this->place->at->y - $y);
        foreach ($this->place->middle as $point) {
            $least = min($least, hypot($point->x - $x, $point->y - $y));
        }

        return $least;
    }
}
