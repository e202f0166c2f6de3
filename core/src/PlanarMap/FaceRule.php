<?php

declare(strict_types=1);

namespace NeatEdge\Core\PlanarMap;

/**
 * Decides what a face is, while the planar map walks from face to face and says which owners begin or cease to cover.
 * It starts with no owner covering. Borders are traced between faces of different labels.
 */
interface FaceRule
{
    public const NOTHING = -1;

    public function cover(int $owner, bool $inside): void;

    /** A label of 0 or more for a face to keep, NOTHING for one to leave out. */
    public function label(): int;
}
