<?php

declare(strict_types=1);

namespace NeatEdge\Core\PlanarMap\Rule;

use NeatEdge\Core\PlanarMap\FaceRule;

/** Split all: one label for every set of owners that covers some face. */
final class EachCover implements FaceRule
{
    /** @var array<int, true> */
    private array $covering = [];

    /** @var array<string, int> */
    private array $labels = [];

    /** @var list<list<int>> owners by label, lowest first */
    public array $covers = [];

    public function cover(int $owner, bool $inside): void
    {
        if ($inside) {
            $this->covering[$owner] = true;
        } else {
            unset($this->covering[$owner]);
        }
    }

    public function label(): int
    {
        if ($this->covering === []) {
            return self::NOTHING;
        }
        $owners = array_keys($this->covering);
        sort($owners);
        $key = implode(',', $owners);
        if (! isset($this->labels[$key])) {
            $this->labels[$key] = count($this->covers);
            $this->covers[] = $owners;
        }

        return $this->labels[$key];
    }
}
