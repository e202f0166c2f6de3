<?php

declare(strict_types=1);

namespace NeatEdge\Core\Trace;

/** The places of one border with the way along it to each. */
final readonly class Way
{
    /** @var list<float> dots from the first place to each */
    public array $at;

    /** Dots of the whole way; round where it is closed. */
    public float $length;

    /** @param  list<array{float, float}>  $places  of a closed way the first is not told again */
    public function __construct(public array $places, public bool $closed)
    {
        $at = [];
        $sum = 0.0;
        foreach ($places as $i => [$x, $y]) {
            if ($i > 0) {
                $sum += sqrt(($x - $places[$i - 1][0]) ** 2 + ($y - $places[$i - 1][1]) ** 2);
            }
            $at[] = $sum;
        }
        $n = count($places);
        $this->at = $at;
        $this->length = $sum + ($closed && $n > 1 ? hypot($places[0][0] - $places[$n - 1][0], $places[0][1] - $places[$n - 1][1]) : 0.0);
    }

    /**
     * Places between two distances from one of them, with the distance of each, the farther ones left out where the way ends.
     *
     * @param  float  $from  dots along the way from the place, less than none before it
     * @return list<array{float, float, float}>
     */
    public function around(int $i, float $from, float $to): array
    {
        $found = [];
        $n = count($this->places);
        $start = $this->at[$i];
        for ($k = $i, $round = 0.0, $steps = 0; $steps <= $n; $steps++) {
            $s = $this->at[$k] + $round - $start;
            if ($s < $from) {
                break;
            }
            if ($s <= $to) {
                $found[] = [$this->places[$k][0], $this->places[$k][1], $s];
            }
            if ($k === 0) {
                if (! $this->closed) {
                    break;
                }
                $k = $n;
                $round -= $this->length;
            }
            $k--;
        }
        $found = array_reverse($found);
        for ($k = $i + 1, $round = 0.0, $steps = 0; $steps < $n; $k++, $steps++) {
            if ($k === $n) {
                if (! $this->closed) {
                    break;
                }
                $k = 0;
                $round += $this->length;
            }
            $s = $this->at[$k] + $round - $start;
            if ($s > $to) {
                break;
            }
            if ($s >= $from) {
                $found[] = [$this->places[$k][0], $this->places[$k][1], $s];
            }
        }

        return $found;
    }

    /** From another place on, round. */
    public function from(int $i): self
    {
        return new self([...array_slice($this->places, $i), ...array_slice($this->places, 0, $i)], $this->closed);
    }
}
