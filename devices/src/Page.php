<?php

declare(strict_types=1);

namespace NeatEdge\Devices;

/** One page of film: its size in mm and what is drawn on it. */
final class Page
{
    /** @var list<string> SVG of each path */
    private array $paths = [];

    public function __construct(public readonly float $width, public readonly float $height)
    {
    }

    public function add(string $path): void
    {
        $this->paths[] = $path;
    }

    public function count(): int
    {
        return count($this->paths);
    }

    /** In mm, from the upper left. */
    public function svg(): string
    {
        $k = 25.4 / 72;

        return sprintf(
            '<rect width="%.2F" height="%.2F" fill="#fff" stroke="#999" stroke-width=".2"/><g transform="matrix(%.8F 0 0 %.8F 0 %.4F)">',
            $this->width,
            $this->height,
            $k,
            -$k,
            $this->height,
        ).implode("\n", $this->paths).'</g>';
    }
}
