<?php

declare(strict_types=1);

namespace NeatEdge\Core\PlanarMap\Rule;

use NeatEdge\Core\PlanarMap\FaceRule;

/** Another rule's labels, told only of some of a map's owners under numbers of their own: one map answers questions about different owners. */
final readonly class Among implements FaceRule
{
    /** @param  array<int, int>  $owners  the rule's owner by that of the map */
    public function __construct(private FaceRule $rule, private array $owners)
    {
    }

    public function cover(int $owner, bool $inside): void
    {
        if (isset($this->owners[$owner])) {
            $this->rule->cover($this->owners[$owner], $inside);
        }
    }

    public function label(): int
    {
        return $this->rule->label();
    }
}
