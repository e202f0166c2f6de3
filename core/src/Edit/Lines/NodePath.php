<?php

declare(strict_types=1);

namespace NeatEdge\Core\Edit\Lines;

use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\Cubic;

/**
 * A contour as nodes and segments that can be changed: node i is where segment i begins; an open one has one more at its end.
 */
final class NodePath
{
    /** Sine of the angle up to which two handles count as in one line. */
    private const SMOOTH = 0.01;

    /** @var list<list<float>> */
    public array $segments;

    public bool $closed;

    public function __construct(Contour $contour)
    {
        $this->segments = $contour->segments();
        $this->closed = $contour->closed;
    }

    public function contour(): Contour
    {
        return Contour::ofSegments($this->segments, $this->closed);
    }

    public function nodes(): int
    {
        return count($this->segments) + ($this->closed ? 0 : 1);
    }

    /** @throws Refused */
    public function hold(int $node): void
    {
        if ($node >= $this->nodes()) {
            throw Refused::because('That node is not there any more.');
        }
    }

    /** The segment that leads into a node; null at the start of an open line. */
    public function into(int $node): ?int
    {
        return $node > 0 ? $node - 1 : ($this->closed ? count($this->segments) - 1 : null);
    }

    /** The segment that leads out of a node; null at the end of an open line. */
    public function outOf(int $node): ?int
    {
        return $node < count($this->segments) ? $node : null;
    }

    /** @return array{float, float} */
    public function at(int $node): array
    {
        $out = $this->outOf($node);
        if ($out !== null) {
            return [$this->segments[$out][0], $this->segments[$out][1]];
        }
        $s = $this->segments[count($this->segments) - 1];

        return [$s[6], $s[7]];
    }

    public function isLine(int $segment): bool
    {
        return Cubic::isLine($this->segments[$segment]);
    }

    /**
     * Moves a node; its handles go along. Lines stay lines.
     *
     * @param  list<bool>  $lines  which segments were lines before any node was moved
     */
    public function move(int $node, float $dx, float $dy, array $lines): void
    {
        $in = $this->into($node);
        $out = $this->outOf($node);
        if ($in !== null) {
            $s = $this->segments[$in];
            $this->segments[$in] = [$s[0], $s[1], $s[2], $s[3], $s[4] + $dx, $s[5] + $dy, $s[6] + $dx, $s[7] + $dy];
        }
        if ($out !== null) {
            $s = $this->segments[$out];
            $this->segments[$out] = [$s[0] + $dx, $s[1] + $dy, $s[2] + $dx, $s[3] + $dy, $s[4], $s[5], $s[6], $s[7]];
        }
        foreach ([$in, $out] as $segment) {
            if ($segment !== null && $lines[$segment]) {
                $this->straighten($segment);
            }
        }
    }

    /** @return list<bool> */
    public function lines(): array
    {
        return array_map(static fn (array $s): bool => Cubic::isLine($s), $this->segments);
    }

    public function straighten(int $segment): void
    {
        $s = $this->segments[$segment];
        $this->segments[$segment] = Cubic::line($s[0], $s[1], $s[6], $s[7]);
    }

    /** A line becomes a curve that looks the same, its handles at its thirds. */
    public function curve(int $segment): void
    {
        if (! $this->isLine($segment)) {
            return;
        }
        $s = $this->segments[$segment];
        [$dx, $dy] = [($s[6] - $s[0]) / 3, ($s[7] - $s[1]) / 3];
        $this->segments[$segment] = [$s[0], $s[1], $s[0] + $dx, $s[1] + $dy, $s[6] - $dx, $s[7] - $dy, $s[6], $s[7]];
    }

    /** @return array{float, float}|null from a node to its handle; null where there is none, or it lies on the node */
    public function handle(int $node, bool $out): ?array
    {
        $segment = $out ? $this->outOf($node) : $this->into($node);
        if ($segment === null) {
            return null;
        }
        $s = $this->segments[$segment];
        $v = $out ? [$s[2] - $s[0], $s[3] - $s[1]] : [$s[4] - $s[6], $s[5] - $s[7]];

        return hypot($v[0], $v[1]) < 1e-9 ? null : [$v[0], $v[1]];
    }

    /** @param  array{float, float}  $vector  from the node */
    public function setHandle(int $node, bool $out, array $vector): void
    {
        $segment = $out ? $this->outOf($node) : $this->into($node);
        if ($segment === null) {
            return;
        }
        $this->curve($segment);
        [$x, $y] = $this->at($node);
        $s = $this->segments[$segment];
        [$x, $y] = [$x + $vector[0], $y + $vector[1]];
        $this->segments[$segment] = $out ? [$s[0], $s[1], $x, $y, $s[4], $s[5], $s[6], $s[7]] : [$s[0], $s[1], $s[2], $s[3], $x, $y, $s[6], $s[7]];
    }

    /** corner, smooth or even, as its handles lie. */
    public function kind(int $node): string
    {
        $in = $this->handle($node, false);
        $out = $this->handle($node, true);
        if ($in === null || $out === null) {
            return 'corner';
        }
        [$a, $b] = [hypot(...$in), hypot(...$out)];
        $cross = ($in[0] * $out[1] - $in[1] * $out[0]) / $a / $b;
        $dot = $in[0] * $out[0] + $in[1] * $out[1];
        if (abs($cross) > self::SMOOTH || $dot > 0) {
            return 'corner';
        }

        return abs($a - $b) < 0.005 * max($a, $b) ? 'even' : 'smooth';
    }
}
