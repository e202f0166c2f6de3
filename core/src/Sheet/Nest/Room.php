<?php

declare(strict_types=1);

namespace NeatEdge\Core\Sheet\Nest;

/** What is laid on: a bed or roll, how far things keep from each other and from its edge, and how they may be turned. */
final readonly class Room
{
    /**
     * @param  float  $length  mm along which as little as can be is used, left to right; INF for a roll
     * @param  float  $width  mm across, top to bottom
     * @param  list<float>  $turns  degrees that a design may be turned by
     */
    public function __construct(
        public float $length,
        public float $width,
        public float $margin = 5.0,
        public float $gap = 3.0,
        public array $turns = [0.0, 90.0, 180.0, 270.0],
    ) {
    }

    /** @param  list<float>  $turns */
    public function turning(array $turns): self
    {
        return new self($this->length, $this->width, $this->margin, $this->gap, $turns);
    }

    /**
     * The turns of this room and those of every room of less freedom, from the least on: what can be laid with fewer turns can be laid with more.
     *
     * @return list<list<float>>
     */
    public function freedoms(): array
    {
        $freedoms = [];
        foreach (['none', 'half', 'quarter', 'eighth'] as $how) {
            $turns = self::turns($how);
            if (count($turns) < count($this->turns) && array_diff($turns, $this->turns) === []) {
                $freedoms[] = $turns;
            }
        }

        return [...$freedoms, $this->turns];
    }

    /**
     * @param  string  $how  none, half, quarter, eighth, free
     * @param  bool  $grain  whether the material has a direction that must run the same way in all
     * @return list<float>
     */
    public static function turns(string $how, bool $grain = false): array
    {
        $step = match ($how) {
            'half' => 180.0,
            'quarter' => 90.0,
            'eighth' => 45.0,
            'free' => 15.0,
            default => 360.0,
        };
        $turns = [];
        for ($turn = 0.0; $turn < 360.0; $turn += $step) {
            if (! $grain || fmod($turn, 180.0) === 0.0) {
                $turns[] = $turn;
            }
        }

        return $turns;
    }
}
