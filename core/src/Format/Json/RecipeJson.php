<?php

declare(strict_types=1);

namespace NeatEdge\Core\Format\Json;

use NeatEdge\Core\Artwork\Base;
use NeatEdge\Core\Artwork\BasicShape;
use NeatEdge\Core\Artwork\BorderAround;
use NeatEdge\Core\Artwork\Change;
use NeatEdge\Core\Artwork\Contours;
use NeatEdge\Core\Artwork\Lettering;
use NeatEdge\Core\Artwork\LinkedCopy;
use NeatEdge\Core\Artwork\MirrorHalf;
use NeatEdge\Core\Artwork\Recipe;
use NeatEdge\Core\Artwork\RoundCorners;
use NeatEdge\Core\Artwork\ShapeKind;
use NeatEdge\Core\Artwork\StepAndRepeat;
use NeatEdge\Core\Artwork\Woven;
use NeatEdge\Core\Artwork\Wrap;
use NeatEdge\Core\Geometry\Box;
use NeatEdge\Core\Geometry\Matrix;
use NeatEdge\Core\Type\Setting;
use UnexpectedValueException;

/** How a piece is made, as plain data, and back. */
final class RecipeJson
{
    /** @return array<string, mixed> */
    public static function of(Recipe $recipe): array
    {
        return ['base' => self::base($recipe->base), 'matrix' => PieceJson::matrix($recipe->matrix), 'changes' => array_map(self::change(...), $recipe->changes)];
    }

    /** @param  array<string, mixed>  $data */
    public static function to(array $data): Recipe
    {
        return new Recipe(self::toBase($data['base']), new Matrix(...PieceJson::floats($data['matrix'])), array_values(array_map(self::toChange(...), $data['changes'])));
    }

    /** @return array<string, mixed> */
    private static function base(Base $base): array
    {
        return match (true) {
            $base instanceof BasicShape => ['is' => 'basic', 'kind' => $base->kind->value, 'values' => $base->values],
            $base instanceof Lettering => [
                'is' => 'text',
                'setting' => [...get_object_vars($base->setting), 'along' => $base->setting->along === null ? null : PieceJson::contour($base->setting->along)],
                'follows' => $base->follows,
                'shape' => PieceJson::shape($base->shape()),
                'cut' => $base->cut,
            ],
            $base instanceof LinkedCopy => ['is' => 'linked', 'source' => $base->source, 'x' => $base->x, 'y' => $base->y, 'shape' => PieceJson::shape($base->shape())],
            $base instanceof BorderAround => ['is' => 'border', 'sources' => $base->sources, 'values' => $base->values, 'shape' => PieceJson::shape($base->shape())],
            $base instanceof Woven => ['is' => 'woven', 'weave' => $base->weave, 'strand' => PieceJson::of($base->strand), 'values' => $base->values, 'shape' => PieceJson::shape($base->shape())],
            $base instanceof Contours => ['is' => 'contours', 'shape' => PieceJson::shape($base->shape())],
            default => throw new UnexpectedValueException('A recipe cannot be stored: '.$base::class),
        };
    }

    /** @param  array<string, mixed>  $data */
    private static function toBase(array $data): Base
    {
        return match ($data['is']) {
            'basic' => new BasicShape(ShapeKind::from($data['kind']), array_map(static fn (mixed $value): mixed => is_int($value) ? (float) $value : $value, $data['values'])),
            'text' => new Lettering(self::setting($data['setting']), $data['follows'], PieceJson::toShape($data['shape']), (int) ($data['cut'] ?? 0)),
            'linked' => new LinkedCopy($data['source'], (float) $data['x'], (float) $data['y'], PieceJson::toShape($data['shape'])),
            'border' => self::toBorder($data),
            'woven' => self::toWoven($data),
            'contours' => new Contours(PieceJson::toShape($data['shape'])),
            default => throw new UnexpectedValueException('The stored recipe cannot be read.'),
        };
    }

    /** @param  array<string, mixed>  $data */
    private static function toBorder(array $data): BorderAround
    {
        $sources = array_values(array_map(strval(...), $data['sources']));
        if ($sources === []) {
            throw new UnexpectedValueException('The stored recipe cannot be read.');
        }

        return new BorderAround($sources, array_map(static fn (mixed $value): mixed => is_int($value) ? (float) $value : $value, $data['values']), PieceJson::toShape($data['shape']));
    }

    /** @param  array<string, mixed>  $data */
    private static function toWoven(array $data): Woven
    {
        $v = $data['values'];
        $values = ['gap' => (float) $v['gap'], 'pattern' => $v['pattern'], 'start' => $v['start'], 'parts' => $v['parts'], 'turn' => array_values(array_map(static fn (array $place): array => [(float) $place[0], (float) $place[1]], $v['turn']))];

        return new Woven($data['weave'], PieceJson::to($data['strand']), $values, PieceJson::toShape($data['shape']));
    }

    /** @param  array<string, mixed>  $data */
    private static function setting(array $data): Setting
    {
        $along = $data['along'] === null ? null : PieceJson::toContour($data['along']);

        return new Setting(
            $data['text'], $data['family'], $data['bold'], $data['italic'], (float) $data['size'], (float) $data['spacing'], (float) $data['leading'],
            $data['align'], $along, $data['inside'], $data['stand'], (float) $data['slide'], (float) ($data['distance'] ?? 0.0),
        );
    }

    /** @return array<string, mixed> */
    private static function change(Change $change): array
    {
        return match (true) {
            $change instanceof RoundCorners => ['is' => 'corners', 'corners' => $change->corners],
            $change instanceof MirrorHalf => ['is' => 'mirror', 'x' => $change->x, 'y' => $change->y, 'angle' => $change->angle, 'reach' => $change->reach, 'side' => $change->side],
            $change instanceof StepAndRepeat => ['is' => 'repeat', 'values' => $change->values],
            $change instanceof Wrap => ['is' => 'wrap', 'box' => array_values(get_object_vars($change->box)), 'sides' => $change->sides, 'lay' => PieceJson::matrix($change->lay), 'values' => $change->values],
            default => throw new UnexpectedValueException('A recipe cannot be stored: '.$change::class),
        };
    }

    /** @param  array<string, mixed>  $data */
    private static function toChange(array $data): Change
    {
        if ($data['is'] === 'repeat') {
            $v = $data['values'];

            return new StepAndRepeat([$v[0], $v[1], $v[2], (float) $v[3], (float) $v[4], (float) $v[5], (float) $v[6], (float) $v[7], $v[8]]);
        }

        if ($data['is'] === 'wrap') {
            return new Wrap(new Box(...PieceJson::floats($data['box'])), array_values(array_map(PieceJson::floats(...), $data['sides'])), new Matrix(...PieceJson::floats($data['lay'])), $data['values']);
        }

        return match ($data['is']) {
            'corners' => new RoundCorners(array_values(array_map(static fn (array $corner): array => [$corner[0], $corner[1], (float) $corner[2]], $data['corners']))),
            'mirror' => new MirrorHalf((float) $data['x'], (float) $data['y'], (float) $data['angle'], (float) $data['reach'], (int) ($data['side'] ?? 0)),
            default => throw new UnexpectedValueException('The stored recipe cannot be read.'),
        };
    }
}
