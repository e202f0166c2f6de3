<?php

declare(strict_types=1);

namespace NeatEdge\Core\Edit;

/** The registry: makes an edit from what the page sends. A new edit is one class and one line here. */
final class Edits
{
    /**
     * @param  array<mixed>  $fields
     *
     * @throws EditRefused
     */
    public static function make(string $kind, array $fields): Edit
    {
        $ids = array_values(array_filter(is_array($fields['pieces'] ?? null) ? $fields['pieces'] : [], is_string(...)));
        $combine = CombineKind::tryFrom($kind);

        return match (true) {
            $combine !== null => new CombinePieces($combine, $ids),
            $kind === 'remove' => new RemovePieces($ids),
            default => throw EditRefused::unknown($kind),
        };
    }
}
