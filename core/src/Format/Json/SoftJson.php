<?php

declare(strict_types=1);

namespace NeatEdge\Core\Format\Json;

use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Artwork\SoftLook;

/** A soft look as plain data, and back. */
final class SoftJson
{
    /** @return array<string, mixed> */
    public static function of(SoftLook $look): array
    {
        return array_filter([
            'edge' => $look->edge === 0.0 ? null : $look->edge,
            'fade' => $look->fade === null ? null : PieceJson::gradient($look->fade),
            'clips' => $look->clips === [] ? null : array_map(static fn (array $clip): array => array_map(PieceJson::of(...), $clip), $look->clips),
        ], static fn (mixed $value): bool => $value !== null);
    }

    /** @param  array<string, mixed>  $data */
    public static function to(array $data): SoftLook
    {
        return new SoftLook(
            (float) ($data['edge'] ?? 0.0),
            isset($data['fade']) ? PieceJson::toGradient($data['fade']) : null,
            array_values(array_filter(array_map(
                static fn (array $clip): array => array_values(array_map(static fn (array $piece): Piece => PieceJson::to($piece), $clip)),
                $data['clips'] ?? [],
            ))),
        );
    }
}
