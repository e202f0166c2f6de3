<?php

declare(strict_types=1);

namespace NeatEdge\Core\Format\Svg;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Check\Finding;
use NeatEdge\Core\Seen\Extent;

/** What was read from an SVG: the artwork in mm, and by name everything that was left out of it. */
final readonly class Drawing
{
    /** The kind of the finding on a file that does not say how large it is. */
    public const NO_SIZE = 'no-size';

    /**
     * @param  list<Finding>  $findings
     * @param  bool  $statesSize  whether the file says how large it is, in lengths; else its numbers were taken as pixels
     */
    public function __construct(public Artwork $artwork, public array $findings, public bool $statesSize = true)
    {
    }

    /** The same with a page that is the box of its art, instead of the one that the file states. */
    public function framedByArt(): self
    {
        $box = Extent::of($this->artwork);
        if ($box === null || $box->width() <= 0 || $box->height() <= 0) {
            return $this;
        }

        return new self(
            $this->artwork->framed($box),
            array_map(static fn (Finding $finding): Finding => $finding->scaled(1.0, -$box->left, -$box->top), $this->findings),
            $this->statesSize,
        );
    }

    /** The same at a finished width of the page, in mm; who types one has said how large it is. */
    public function atWidth(?float $width): self
    {
        if ($width === null) {
            return $this;
        }
        $scale = $width / $this->artwork->width;
        $findings = array_filter($this->findings, static fn (Finding $finding): bool => $finding->kind !== self::NO_SIZE);

        return new self($this->artwork->atWidth($width), array_values(array_map(static fn (Finding $finding): Finding => $finding->scaled($scale), $findings)), true);
    }
}
