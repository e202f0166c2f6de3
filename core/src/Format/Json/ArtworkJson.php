<?php

declare(strict_types=1);

namespace NeatEdge\Core\Format\Json;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Guide;
use NeatEdge\Core\Artwork\Layer;
use NeatEdge\Core\Artwork\LineStep;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Artwork\Reference;
use UnexpectedValueException;

/** Artwork as text that gives back every float bit for bit: how a job is stored. */
final class ArtworkJson
{
    private const FLAGS = JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_INVALID_UTF8_SUBSTITUTE;

    public static function encode(Artwork $artwork): string
    {
        return self::text([
            ...self::frame($artwork),
            ...($artwork->apart ? ['apart' => true] : []),
            'pieces' => array_map(PieceJson::of(...), $artwork->pieces),
        ]);
    }

    public static function decode(string $text): Artwork
    {
        $data = self::data($text);

        return self::framed($data, array_values(array_map(PieceJson::to(...), $data['pieces'])))->with(apart: ($data['apart'] ?? false) === true);
    }

    /** @return array<string, mixed> everything but the pieces */
    public static function frame(Artwork $artwork): array
    {
        return [
            'width' => $artwork->width,
            'height' => $artwork->height,
            'layers' => array_map(self::layer(...), $artwork->layers),
            'groups' => (object) $artwork->groups,
            'guides' => array_map(get_object_vars(...), $artwork->guides),
            'reference' => $artwork->reference === null ? null : get_object_vars($artwork->reference),
            'line' => $artwork->line === null ? null : array_map(
                static fn (LineStep $step): array => [...$step->toArray(), 'values' => (object) $step->values],
                $artwork->line,
            ),
        ];
    }

    /** @return array<string, mixed> what is as usual is left out */
    private static function layer(Layer $layer): array
    {
        return [
            'id' => $layer->id,
            'name' => $layer->name,
            'hidden' => $layer->hidden,
            'locked' => $layer->locked,
            ...($layer->part === '' ? [] : ['part' => $layer->part]),
            ...($layer->place === [] ? [] : ['place' => $layer->place]),
        ];
    }

    /**
     * @param  array<string, mixed>  $data  as frame() gives it; one from before there were layers has none
     * @param  list<Piece>  $pieces
     */
    public static function framed(array $data, array $pieces): Artwork
    {
        $reference = $data['reference'] ?? null;

        return new Artwork(
            (float) $data['width'],
            (float) $data['height'],
            $pieces,
            array_values(array_map(static fn (array $layer): Layer => new Layer(...$layer), $data['layers'] ?? [])),
            (array) ($data['groups'] ?? []),
            array_values(array_map(static fn (array $guide): Guide => new Guide($guide['id'], $guide['upright'], (float) $guide['at']), $data['guides'] ?? [])),
            is_array($reference) ? new Reference(...array_map(static fn (mixed $value): mixed => is_int($value) ? (float) $value : $value, $reference)) : null,
            line: is_array($data['line'] ?? null) ? self::line($data['line']) : null,
        );
    }

    /**
     * @param  array<mixed>  $rows  as LineStep::toArray() gives them
     * @return list<LineStep>
     */
    public static function line(array $rows): array
    {
        return array_values(array_map(
            static fn (array $row): LineStep => new LineStep(
                (string) $row['id'],
                (string) $row['kind'],
                (array) ($row['values'] ?? []),
                (bool) ($row['on'] ?? true),
            ),
            $rows,
        ));
    }

    /** @param  array<mixed>  $data */
    public static function text(array $data): string
    {
        $before = ini_set('serialize_precision', '-1');
        try {
            return json_encode($data, self::FLAGS);
        } finally {
            ini_set('serialize_precision', (string) $before);
        }
    }

    /** @return array<string, mixed> */
    public static function data(string $text): array
    {
        $data = json_decode($text, true, 64, JSON_THROW_ON_ERROR);

        return is_array($data) ? $data : throw new UnexpectedValueException('The stored artwork cannot be read.');
    }
}
