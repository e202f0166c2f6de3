<?php

declare(strict_types=1);

namespace NeatEdge\Core\Sheet\Nest;

/** What of a sheet is taken, band by band. */
final class Occupied
{
    /** @var list<list<float>> packed from, to, in mm, rising */
    private array $rows;

    public function __construct(int $bands)
    {
        $this->rows = array_fill(0, max(1, $bands), []);
    }

    /**
     * The leftmost place at which something fits with its top on a band.
     *
     * @param  float  $below  mm: places further right are of no use
     * @return float|null mm from the left
     */
    public function leftmost(Bands $part, int $band, float $below): ?float
    {
        $own = $part->rows;
        $count = count($own);
        if ($band + $count > count($this->rows)) {
            return null;
        }
        $x = 0.0;
        $rows = $this->rows;
        // A row that nothing stood in the way of is asked again only when another has moved the part on; the widest is asked first.
        for ($clear = 0, $r = $part->widest; $clear < $count; $r = $r + 1 === $count ? 0 : $r + 1) {
            $taken = $rows[$band + $r];
            if ($taken === []) {
                $clear++;

                continue;
            }
            $runs = $own[$r];
            $before = $x;
            $n = count($taken);
            for ($k = 0, $m = count($runs); $k < $m; $k += 2) {
                $a = $runs[$k];
                $length = $runs[$k + 1] - $a - 1e-9;
                $from = $x + $a + 1e-9;
                $moved = false;
                for ($i = 0; $i < $n; $i += 2) {
                    if ($taken[$i + 1] > $from) {
                        if ($taken[$i] >= $from + $length) {
                            break;
                        }
                        $x = $taken[$i + 1] - $a;
                        $from = $taken[$i + 1] + 1e-9;
                        $moved = true;
                    }
                }
                if ($moved && $k > 0) {
                    // The runs before it stand elsewhere now.
                    $k = -2;
                }
            }
            if ($x > $below) {
                return null;
            }
            $clear = $x > $before ? 1 : $clear + 1;
        }

        return $x;
    }

    public function put(Bands $part, int $band, float $x): void
    {
        foreach ($part->rows as $r => $runs) {
            for ($k = 0, $n = count($runs); $k < $n; $k += 2) {
                self::insert($this->rows[$band + $r], $x + $runs[$k], $x + $runs[$k + 1]);
            }
        }
    }

    /** What stands between bands takes all that it touches. @param  float  $at  bands from the top */
    public function putBetween(Bands $part, float $at, float $x): void
    {
        foreach ([(int) floor($at + 1e-9), (int) ceil($at - 1e-9)] as $band) {
            $from = max(0, -$band);
            foreach (array_slice($part->rows, $from) as $r => $runs) {
                $k = $band + $from + $r;
                if (! isset($this->rows[$k])) {
                    break;
                }
                for ($i = 0, $n = count($runs); $i < $n; $i += 2) {
                    self::insert($this->rows[$k], $x + $runs[$i], $x + $runs[$i + 1]);
                }
            }
        }
    }

    /** @param  list<float>  $row */
    private static function insert(array &$row, float $from, float $to): void
    {
        $levels = [];
        $done = false;
        for ($i = 0, $n = count($row); $i < $n; $i += 2) {
            if ($row[$i + 1] < $from - 1e-9) {
                array_push($levels, $row[$i], $row[$i + 1]);
            } elseif ($row[$i] > $to + 1e-9) {
                if (! $done) {
                    array_push($levels, $from, $to);
                    $done = true;
                }
                array_push($levels, $row[$i], $row[$i + 1]);
            } else {
                $from = min($from, $row[$i]);
                $to = max($to, $row[$i + 1]);
            }
        }
        if (! $done) {
            array_push($levels, $from, $to);
        }
        $row = $levels;
    }
}
