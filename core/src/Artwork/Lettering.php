<?php

declare(strict_types=1);

namespace NeatEdge\Core\Artwork;

use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Type\FontShelf;
use NeatEdge\Core\Type\Setting;
use NeatEdge\Core\Type\Typesetter;

/** D8: text that is still text. Its outlines are kept beside it, so that nothing but a change of the text needs its font. */
final readonly class Lettering implements Base
{
    /**
     * @param  string|null  $follows  id of the piece whose line it stands on
     * @param  int  $cut  letters that did not fit their line and are left out
     */
    public function __construct(public Setting $setting, public ?string $follows, private Shape $shape, public int $cut = 0)
    {
    }

    public static function set(Setting $setting, ?string $follows, FontShelf $fonts): self
    {
        [$shape, $cut] = Typesetter::set($setting, $fonts);

        return new self($setting, $follows, $shape, $cut);
    }

    public function shape(): Shape
    {
        return $this->shape;
    }
}
