<?php

declare(strict_types=1);

namespace NeatEdge\Core\Format\Svg;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Check\Finding;
use NeatEdge\Core\Geometry\Box;
use NeatEdge\Core\Seen\Extent;

/** What was read from an SVG: the artwork in mm, and by name everything that was left out of it. */
final readonly class Drawing
{
    /** The kind of the finding on a file that does not say how large it is. */
    public const NO_SIZE = 'no-size';

    /** Where the page of the file lies on the artwork, mm. */
    public Box $file;

    /**
     * @param  list<Finding>  $findings
     * @param  bool  $statesSize  whether the file says how large it is, in lengths; else its numbers were taken as pixels
     * @param  Box|null  $file  where the page of the file lies, mm; the artwork's page when null
     * @param  Box|null  $viewBox  what of the file its page shows, in its own units, where it does not say so itself
     */
    public function __construct(public Artwork $artwork, public array $findings, public bool $statesSize = true, ?Box $file = null, public ?Box $viewBox = null)
    {
        $this->file = $file ?? new Box(0.0, 0.0, $artwork->width, $artwork->height);
    }

    /** The same with a page that is the box of its art, instead of the one that the file states. */
    public function framedByArt(): self
    {
        $box = Extent::of($this->artwork);
        if ($box === null || $box->width() <= 0 || $box->height() <= 0) {
            return $this;
        }
        $file = $this->file;

        return new self(
            $this->artwork->framed($box),
            array_map(static fn (Finding $finding): Finding => $finding->scaled(1.0, -$box->left, -$box->top), $this->findings),
            $this->statesSize,
            new Box($file->left - $box->left, $file->top - $box->top, $file->right - $box->left, $file->bottom - $box->top),
            $this->viewBox,
        );
    }

    /** The same where the file has no page at all: that is the box of its art then. */
    public function withoutPage(float $unit): self
    {
        $box = Extent::of($this->artwork);
        if ($box === null || $box->width() <= 0 || $box->height() <= 0) {
            return $this;
        }
        $framed = $this->framedByArt();

        return new self(
            $framed->artwork,
            $framed->findings,
            false,
            null,
            new Box($box->left / $unit, $box->top / $unit, $box->right / $unit, $box->bottom / $unit),
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
        $file = $this->file;

        return new self(
            $this->artwork->atWidth($width),
            array_values(array_map(static fn (Finding $finding): Finding => $finding->scaled($scale), $findings)),
            true,
            new Box($file->left * $scale, $file->top * $scale, $file->right * $scale, $file->bottom * $scale),
            $this->viewBox,
        );
    }
}
