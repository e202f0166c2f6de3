<?php

declare(strict_types=1);

namespace NeatEdge\Core\Format\Json;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Piece;

/** What leads from one artwork to another: how a revision is stored. It grows with what was changed, not with the artwork. */
final readonly class ArtworkDifference
{
    /**
     * @param  array<string, array<string, mixed>|null>  $pieces  by id as PieceJson has them; null for one that is gone
     * @param  list<string>|null  $order  ids, the lowest first, where the order or the pieces changed
     * @param  array<string, mixed>|null  $frame  as ArtworkJson::frame(), where it changed
     */
    public function __construct(public array $pieces, public ?array $order, public ?array $frame)
    {
    }

    /** A piece that is the same object, or says the same, was not changed. */
    public static function between(Artwork $before, Artwork $after): self
    {
        $old = [];
        foreach ($before->pieces as $piece) {
            $old[$piece->id] = $piece;
        }
        $pieces = [];
        foreach ($after->pieces as $piece) {
            $was = $old[$piece->id] ?? null;
            if ($was !== $piece) {
                $data = PieceJson::of($piece);
                if ($was === null || PieceJson::of($was) !== $data) {
                    $pieces[$piece->id] = $data;
                }
            }
            unset($old[$piece->id]);
        }
        foreach ($old as $id => $piece) {
            $pieces[$id] = null;
        }
        [$from, $to] = [self::order($before), self::order($after)];
        [$was, $is] = [ArtworkJson::frame($before), ArtworkJson::frame($after)];

        return new self($pieces, $from === $to ? null : $to, ArtworkJson::text($was) === ArtworkJson::text($is) ? null : $is);
    }

    /** What leads from before this one to after the next, where that one follows on it. */
    public function then(self $next): self
    {
        return new self(array_replace($this->pieces, $next->pieces), $next->order ?? $this->order, $next->frame ?? $this->frame);
    }

    public function isNothing(): bool
    {
        return $this->pieces === [] && $this->order === null && $this->frame === null;
    }

    public function on(Artwork $artwork): Artwork
    {
        $pieces = [];
        foreach ($artwork->pieces as $piece) {
            $pieces[$piece->id] = $piece;
        }
        foreach ($this->pieces as $id => $data) {
            if ($data === null) {
                unset($pieces[$id]);
            } else {
                $pieces[$id] = PieceJson::to($data);
            }
        }
        $order = $this->order ?? array_keys($pieces);

        return ArtworkJson::framed(
            $this->frame ?? ArtworkJson::frame($artwork),
            array_values(array_map(static fn (int|string $id): Piece => $pieces[$id], $order)),
        );
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return array_filter(['pieces' => $this->pieces, 'order' => $this->order, 'frame' => $this->frame], static fn (?array $part): bool => $part !== null);
    }

    /** @param  array<string, mixed>  $data */
    public static function fromArray(array $data): self
    {
        return new self($data['pieces'] ?? [], $data['order'] ?? null, $data['frame'] ?? null);
    }

    /** @return list<string> */
    private static function order(Artwork $artwork): array
    {
        return array_map(static fn (Piece $piece): string => $piece->id, $artwork->pieces);
    }
}
