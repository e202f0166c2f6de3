<?php

declare(strict_types=1);

namespace NeatEdge\Core\Format;

use NeatEdge\Core\Described\Field;
use NeatEdge\Core\Format\Svg\Drawing;

/** A file as it came in: the drawing that was understood, the picture of it that is kept as the customer's, and what can be said about how it is taken. */
final readonly class Arrived
{
    /**
     * @param  string  $svg  what the customer's file shows, as far as a browser can draw it
     * @param  list<Field>  $fields  what can be chosen of how it is taken, with what is proposed as usual
     * @param  string  $says  what comes of the choice, in one sentence
     * @param  int  $pages  of the file; more than one are asked about
     */
    public function __construct(public Drawing $drawing, public string $svg, public array $fields = [], public string $says = '', public int $pages = 1)
    {
    }
}
