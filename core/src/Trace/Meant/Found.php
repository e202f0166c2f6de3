<?php

declare(strict_types=1);

namespace NeatEdge\Core\Trace\Meant;

/** What was meant, found so often and at these places. */
final readonly class Found
{
    /**
     * @param  string  $key  by which it is switched off
     * @param  string  $label  such as "3 circles"
     * @param  float  $moves  how far it moves anything, in dots or mm as its places
     * @param  list<array{float, float}>  $at  a place of each
     */
    public function __construct(public string $key, public string $label, public float $moves, public array $at)
    {
    }
}
