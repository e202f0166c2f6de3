<?php

declare(strict_types=1);

namespace NeatEdge\Bench;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Paint;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Format\Svg\Writer;
use NeatEdge\Core\Measure\Colour;
use NeatEdge\Core\Tests\Support\RandomArt;

/** CPU of the whole line against that of its dearest step, on art of about 10,000 nodes in 30 colours; and of art with many see-through groups. */
final class WholeLine
{
    private const TIMES = 3;

    /** @return iterable<array{string, string, string}> */
    public function figures(): iterable
    {
        $folder = sys_get_temp_dir().'/neat-edge-line-'.getmypid();
        mkdir($folder);
        try {
            file_put_contents("{$folder}/in.svg", self::art());
            $visible = $this->cpu(['visible', "{$folder}/in.svg", '-o', "{$folder}/out.svg"]);
            $line = $this->cpu(['prepare', "{$folder}/in.svg", '--replace', '--out-dir', "{$folder}/ready"]);
            $check = $this->cpu(['check', "{$folder}/in.svg", '--fail-on=never']);
            yield [
                '10,000 nodes, 30 colours: visible, the whole line',
                sprintf('%.2f, %.2f s', $visible, $line),
                sprintf('%.1f times (at most 4)', $line / $visible),
            ];
            yield ['the same: check (merge and measure)', sprintf('%.2f s', $check), sprintf('%.1f times visible', $check / $visible)];
            foreach ([[20, 12, 'at most 3 s'], [40, 20, 'at most 6 s']] as [$groups, $each, $target]) {
                file_put_contents("{$folder}/arms.svg", self::arms($groups, $each));
                yield [
                    "arms of {$groups} see-through groups, {$each} charges in each: visible",
                    sprintf('%.2f s', $this->cpu(['visible', "{$folder}/arms.svg", '-o', "{$folder}/out.svg"])),
                    $target,
                ];
            }
        } finally {
            exec('rm -rf '.escapeshellarg($folder));
        }
        yield from (new LineChanges)->figures();
    }

    private static function art(): string
    {
        $side = 10 * sqrt(1250);
        $pieces = [];
        foreach (Works::shapes(1250) as $i => $shape) {
            $k = $i % 30;
            $pieces[] = new Piece("p{$i}", $shape, new Paint(new Colour((37 * $k + 20) % 256, (91 * $k + 60) % 256, (151 * $k + 90) % 256)));
        }

        return Writer::write(new Artwork($side, $side, $pieces));
    }

    /** A shield with groups that one can see through, their charges taken by use, and solid charges between. */
    private static function arms(int $groups, int $each): string
    {
        $art = new RandomArt(3);
        $body = '<defs>';
        for ($k = 0; $k < 12; $k++) {
            $d = '';
            $points = [];
            for ($j = 0; $j < 20; $j++) {
                $r = $art->between(2, 6);
                $points[] = [$r * cos(M_PI * $j / 10), $r * sin(M_PI * $j / 10)];
            }
            foreach ($points as $j => [$x, $y]) {
                [$u, $v] = $points[($j + 1) % 20];
                $d .= $j === 0 ? sprintf('M%.2f %.2f', $x, $y) : '';
                $d .= sprintf('C%.2f %.2f %.2f %.2f %.2f %.2f', $x - 0.11 * $y, $y + 0.11 * $x, $u + 0.11 * $v, $v - 0.11 * $u, $u, $v);
            }
            $body .= "<path id='c{$k}' d='{$d}z'/>";
        }
        $body .= "<clipPath id='s'><path d='M20 20H180V110C180 160 140 185 100 195C60 185 20 160 20 110z'/></clipPath></defs><g clip-path='url(#s)'><rect"
            ." width='200' height='200' fill='#ddd'/>";
        $charge = static fn (float $from, float $to): string => sprintf(
            "<use href='#c%d' x='%.2f' y='%.2f' fill='#%06x'/>",
            $art->pick(12),
            $art->between($from, $to),
            $art->between($from, $to),
            $art->pick(0xFFFFFF),
        );
        for ($g = 0; $g < $groups; $g++) {
            $body .= sprintf("<g opacity='%.2f' transform='translate(%.2f %.2f)'>", $art->between(0.3, 0.9), $art->between(20, 150), $art->between(20, 150));
            for ($j = 0; $j < $each; $j++) {
                $body .= $charge(0, 30);
            }
            $body .= '</g>'.$charge(20, 180).$charge(20, 180).$charge(20, 180);
        }

        return "<svg xmlns='http://www.w3.org/2000/svg' width='200mm' height='200mm' viewBox='0 0 200 200'>{$body}</g></svg>";
    }

    /**
     * @param  list<string>  $words
     * @return float seconds of CPU, the median
     */
    private function cpu(array $words): float
    {
        return Timed::median(array_map(static fn (): float => Timed::cpu([dirname(__DIR__, 2).'/bin/neat-edge', ...$words]), range(1, self::TIMES)));
    }
}
