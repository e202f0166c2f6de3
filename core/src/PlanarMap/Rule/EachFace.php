<?php

declare(strict_types=1);

namespace NeatEdge\Core\PlanarMap\Rule;

use NeatEdge\Core\PlanarMap\FaceRule;

/** Every face has a label of its own, and who covers it is remembered. What no one encloses is left out. */
final class EachFace implements FaceRule
{
    /** @var list<list<int>> by label: the shapes that cover the face, the lowest first */
    public array $covers = [];

    /** @var array<int, true> */
    private array $now = [];

    private bool $open = true;

    /** @param  int  $shapes  owners that enclose something; those that come after are borders */
    public function __construct(private readonly int $shapes)
    {
    }

    public function cover(int $owner, bool $inside): void
    {
        if ($owner >= $this->shapes) {
            return;
        }
        if ($inside) {
            $this->now[$owner] = true;
        } else {
            unset($this->now[$owner]);
        }
    }

    public function label(): int
    {
        if ($this->open) {
            // The walk begins outside everything.
            $this->open = false;

            return self::NOTHING;
        }
        $owners = array_keys($this->now);
        sort($owners);
        $this->covers[] = $owners;

        return count($this->covers) - 1;
    }
}
