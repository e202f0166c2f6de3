<?php

declare(strict_types=1);

namespace NeatEdge\Core\Format\Json;

use NeatEdge\Core\Artwork\Base;
use NeatEdge\Core\Artwork\Change;
use NeatEdge\Core\Artwork\Recipe;
use NeatEdge\Core\Recipe\Recipes;
use UnexpectedValueException;

/** How a piece is made, as plain data, and back. What is stored of a kind that is not there any more is named, not passed over. */
final class RecipeJson
{
    /** @return array<string, mixed> */
    public static function of(Recipe $recipe): array
    {
        $as = new StoredParts;

        return [
            'base' => ['is' => $recipe->base::kind(), ...$recipe->base->stored($as)], 'matrix' => $as->matrix($recipe->matrix),
            'changes' => array_map(static fn (Change $change): array => ['is' => $change::kind(), ...$change->stored($as)], $recipe->changes),
        ];
    }

    /** @param  array<string, mixed>  $data */
    public static function to(array $data): Recipe
    {
        $as = new StoredParts;

        return new Recipe(
            self::base($data['base'], $as),
            $as->toMatrix($data['matrix']),
            array_values(array_map(static fn (array $change): Change => self::change($change, $as), $data['changes'])),
        );
    }

    /** @param  array<string, mixed>  $data */
    private static function base(array $data, StoredParts $as): Base
    {
        $class = Recipes::bases()[$data['is']] ?? throw new UnexpectedValueException('The stored recipe cannot be read.');

        return $class::read($data, $as);
    }

    /** @param  array<string, mixed>  $data */
    private static function change(array $data, StoredParts $as): Change
    {
        $class = Recipes::changes()[$data['is']] ?? throw new UnexpectedValueException('The stored recipe cannot be read.');

        return $class::read($data, $as);
    }
}
