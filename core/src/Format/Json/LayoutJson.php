<?php

declare(strict_types=1);

namespace NeatEdge\Core\Format\Json;

use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Geometry\Box;
use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Sheet\Layout\Layer;
use NeatEdge\Core\Sheet\Layout\Layout;
use NeatEdge\Core\Sheet\Layout\Role;
use Throwable;

/** Layouts as they are kept: plain data that only this reads, never objects of the language. */
final class LayoutJson
{
    /** Of the form below: what carries another is made anew. */
    private const FORM = 1;

    /** @param  list<Layout>  $layouts */
    public static function encode(array $layouts): string
    {
        $before = ini_set('serialize_precision', '-1');
        try {
            return json_encode(
                ['form' => self::FORM, 'layouts' => array_map(self::of(...), $layouts)],
                JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES,
            );
        } finally {
            ini_set('serialize_precision', (string) $before);
        }
    }

    /** @return list<Layout>|null nothing for what is torn, or of another form */
    public static function decode(string $text): ?array
    {
        try {
            $data = json_decode($text, true, 512, JSON_THROW_ON_ERROR);

            return is_array($data) && ($data['form'] ?? 0) === self::FORM && is_array($data['layouts'] ?? null) ? array_map(
                self::to(...),
                array_values($data['layouts']),
            ) : null;
        } catch (Throwable) {
            // Whatever is wrong with it, it is worked out anew.
            return null;
        }
    }

    /** @return array<string, mixed> */
    private static function of(Layout $layout): array
    {
        $trim = $layout->trim;

        return [
            ...get_object_vars($layout),
            'layers' => array_map(self::layer(...), $layout->layers),
            'trim' => $trim === null ? null : [$trim->left, $trim->top, $trim->right, $trim->bottom],
        ];
    }

    /** @return array<string, mixed> */
    private static function layer(Layer $layer): array
    {
        return [
            ...get_object_vars($layer), 'role' => $layer->role->value,
            'areas' => array_map(PieceJson::of(...), $layer->areas),
            'lines' => array_map(static fn (Contour $line): array => PieceJson::contour($line), $layer->lines),
        ];
    }

    /** @param  array<string, mixed>  $data */
    private static function to(array $data): Layout
    {
        return new Layout(...[
            ...$data,
            'layers' => array_map(self::toLayer(...), $data['layers'] ?? []),
            'trim' => ($data['trim'] ?? null) === null ? null : new Box(...$data['trim']),
        ]);
    }

    /** @param  array<string, mixed>  $data */
    private static function toLayer(array $data): Layer
    {
        return new Layer(...[
            ...$data, 'role' => Role::from($data['role']),
            'areas' => array_map(static fn (array $piece): Piece => PieceJson::to($piece), $data['areas']),
            'lines' => array_map(static fn (array $line): Contour => PieceJson::toContour($line), $data['lines']),
        ]);
    }
}
