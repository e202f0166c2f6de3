<?php

declare(strict_types=1);

namespace NeatEdge\Core\Edit\Shaping;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Described\Counted;
use NeatEdge\Core\Recipe\Called;

/** What an operation would change, in numbers: said before it is kept. */
final readonly class Outcome
{
    /** Parts narrower than this are pointed out, mm: those under the width that an edit was given are gone by then. */
    private const NARROW = 0.3;

    /** So many pieces are told by name. */
    private const FEW = 4;

    private function __construct(
        public int $before,
        public int $nodesBefore,
        public int $after,
        public int $nodesAfter,
        public int $leftovers,
        private string $names,
    ) {
    }

    public static function between(Artwork $before, Artwork $after): self
    {
        $old = $new = [];
        foreach ($before->pieces as $piece) {
            $old[$piece->id] = $piece;
        }
        foreach ($after->pieces as $piece) {
            if (isset($old[$piece->id]) && $old[$piece->id] === $piece) {
                unset($old[$piece->id]);
            } else {
                $new[] = $piece;
            }
        }
        $leftovers = 0;
        foreach (Leftovers::in($before, $after, self::NARROW) as $parts) {
            $leftovers += count(array_filter($parts, static fn (array $part): bool => $part[1]));
        }
        $nodes = static fn (array $pieces): int => array_sum(array_map(static fn (Piece $piece): int => $piece->shape->nodeCount(), $pieces));

        return new self(count($old), $nodes($old), count($new), $nodes($new), $leftovers, self::named($old, $new));
    }

    /**
     * What becomes of each, where they are few.
     *
     * @param  array<string, Piece>  $old
     * @param  list<Piece>  $new
     */
    private static function named(array $old, array $new): string
    {
        if (count($old) === 0 || count($old) > self::FEW) {
            return '';
        }
        $kept = array_flip(array_map(static fn (Piece $piece): string => $piece->id, $new));
        $changed = $gone = [];
        foreach ($old as $id => $piece) {
            $called = '"'.mb_substr(Called::name($piece), 0, 30).'"';
            isset($kept[$id]) ? $changed[] = $called : $gone[] = $called;
        }
        $list = static fn (array $names): string => count($names) < 2
            ? implode('', $names)
            : implode(', ', array_slice($names, 0, -1)).' and '.$names[count($names) - 1];

        return ($changed === [] ? '' : sprintf(
            ' %s %s.',
            $list($changed),
            count($changed) === 1 ? 'changes' : 'change',
        )).($gone === [] ? '' : sprintf(' %s %s.', $list($gone), count($gone) === 1 ? 'goes' : 'go'));
    }

    /** @return array{before: int, nodesBefore: int, after: int, nodesAfter: int, leftovers: int, says: string} */
    public function toArray(): array
    {
        $says = $this->before === 0
            ? sprintf('%s more, with %s.', Counted::of($this->after, 'piece'), Counted::of($this->nodesAfter, 'node'))
            : sprintf(
                '%s with %s would be %s with %s.',
                Counted::of($this->before, 'piece'),
                Counted::of($this->nodesBefore, 'node'),
                $this->after,
                Counted::of($this->nodesAfter, 'node'),
            );

        return [
            'before' => $this->before,
            'nodesBefore' => $this->nodesBefore,
            'after' => $this->after,
            'nodesAfter' => $this->nodesAfter,
            'leftovers' => $this->leftovers,
            'says' => $says.$this->names.($this->leftovers === 0 ? '' : sprintf(
                ' %s narrower than %.2f mm.',
                $this->leftovers === 1 ? 'One part is' : "{$this->leftovers} parts are",
                self::NARROW,
            )),
        ];
    }
}
