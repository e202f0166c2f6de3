<?php

declare(strict_types=1);

namespace NeatEdge\Core\Format\Svg;

/** One character of a text with what its elements say about its place, in user units. */
final class TextCharacter
{
    public ?float $x = null;

    public ?float $y = null;

    public float $dx = 0.0;

    public float $dy = 0.0;

    public float $rotate = 0.0;

    /** Added to its advance, and its width times this, to fill a given length. */
    public float $stretch = 0.0;

    public float $wide = 1.0;

    /** @param  int|null  $path  number of the line it stands on */
    public function __construct(public readonly string $text, public readonly Scope $scope, public readonly ?int $path)
    {
    }
}
