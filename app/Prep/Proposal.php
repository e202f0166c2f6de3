<?php

declare(strict_types=1);

namespace App\Prep;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\Format\Json\ArtworkDifference;
use NeatEdge\Core\Format\Json\StoredForm;
use NeatEdge\Core\Format\Json\StoredFormRefused;

/** What a request would make of a job: worked out before anything is locked, stored only if the job is still as it was read. */
final readonly class Proposal
{
    /**
     * @param  ArtworkDifference|null  $ahead  what of the art changes
     * @param  ArtworkDifference|null  $back  the way back, of a new state
     * @param  string  $label  what the history calls it
     * @param  int|null  $revision  a state that is there already, to be put in force
     * @param  array<string, mixed>  $columns  of the job
     * @param  bool  $tells  whether other windows are stale by it
     * @param  array<int, array<string, mixed>>  $notices  of the customer's file that become others, by their number
     * @param  array<int, array<string, mixed>>  $noticesBefore  as they were, where it is a new state
     */
    private function __construct(
        public ?ArtworkDifference $ahead,
        public ?ArtworkDifference $back,
        public string $label,
        public ?int $revision,
        public array $columns,
        public bool $tells,
        public array $notices = [],
        public array $noticesBefore = [],
    ) {
    }

    /**
     * @param  array<string, mixed>  $columns
     *
     * @throws Refused when it cannot be stored
     */
    public static function state(string $label, Artwork $before, Artwork $after, array $columns = []): self
    {
        $ahead = ArtworkDifference::between($before, $after);
        if ($ahead->isNothing()) {
            // A number typed again, a swatch pressed again: what is wished is so already.
            return self::ticket($columns, false);
        }
        self::hold($ahead, $after);

        return new self($ahead, ArtworkDifference::between($after, $before), $label, null, $columns, true);
    }

    /**
     * A new state that has but more pieces, above all others; it may have been worked out on a part of the bench.
     *
     * @param  list<string>  $order  ids of all pieces that lie there, the lowest first
     *
     * @throws Refused when it cannot be stored
     */
    public static function above(string $label, Artwork $before, Artwork $after, array $order): self
    {
        $new = array_diff_key(ArtworkDifference::between($before, $after)->pieces, array_flip($order));
        $ids = array_map(strval(...), array_keys($new));
        $ahead = new ArtworkDifference($new, [...$order, ...$ids], null);
        self::hold($ahead, $after);

        return new self($ahead, new ArtworkDifference(array_fill_keys($ids, null), $order, null), $label, null, [], true);
    }

    /** @throws Refused */
    private static function hold(ArtworkDifference $ahead, Artwork $after): void
    {
        try {
            StoredForm::holdAll($ahead, $after);
        } catch (StoredFormRefused $refused) {
            throw Refused::because($refused->getMessage());
        }
    }

    /**
     * @param  array{making?: array<string, mixed>, notices?: array<int, array<string, mixed>>}  $beside  what of the job is then otherwise beside its art;
     *     see Revision
     */
    public static function inForce(int $revision, ArtworkDifference $difference, array $beside = []): self
    {
        // Where only the laying is another, the art that windows know is still the art.
        return new self(
            $difference,
            null,
            '',
            $revision,
            isset($beside['making']) ? ['making' => $beside['making']] : [],
            ! isset($beside['making']) || ! $difference->isNothing(),
            $beside['notices'] ?? [],
        );
    }

    /**
     * A new state that also changes what is said of the customer's file.
     *
     * @param  array<int, array<string, mixed>>  $notices  as they are then, by their number
     * @param  array<int, array<string, mixed>>  $was  as they were
     *
     * @throws Refused when it cannot be stored
     */
    public static function telling(string $label, Artwork $before, Artwork $after, array $notices, array $was): self
    {
        $state = self::state($label, $before, $after);

        return new self($state->ahead, $state->back, $label, null, [], $state->tells, $notices, $was);
    }

    /** @param  array<string, mixed>  $columns */
    public static function ticket(array $columns, bool $tells): self
    {
        return new self(null, null, '', null, $columns, $tells);
    }

    public static function nothing(): self
    {
        return self::ticket([], false);
    }
}
