<?php

declare(strict_types=1);

namespace NeatEdge\Core\Edit\Letters;

use NeatEdge\Core\Described\Field;
use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\Described\Values;
use NeatEdge\Core\Type\Setting;

/** How a text is set, from what the page sent; what was not sent stays as it is. */
final class TextInput
{
    /** @return list<Field> */
    public static function fields(): array
    {
        return [
            Field::words('text', 'Letters', most: 2000),
            Field::words('family', 'Face', usual: 'Fraunces'),
            Field::flag('bold', 'Bold', false),
            Field::flag('italic', 'Italic', false),
            Field::length('size', 'Size', 12.0, 0.1, most: 5000.0),
            Field::length('capitals', 'Capitals', 0.0, 0.1, 'The height of a capital H; the size follows from it, with any font.', 5000.0)->asItIs(),
            Field::signed('spacing', 'Letter spacing', 0.0, 1000.0),
            Field::number('leading', 'Line spacing', 1.2, 0.1, 10.0),
            Field::choice('align', 'Stands from', 'start', ['start' => 'Start', 'middle' => 'Middle', 'end' => 'End']),
            Field::flag('inside', 'Inside the line', false),
            Field::choice('stand', 'On the line', 'above', ['above' => 'Above', 'on' => 'On', 'below' => 'Below']),
            Field::signed('distance', 'Distance', 0.0, 1000.0),
            Field::number('slide', 'Along the line', 0.0, -1.0, 2.0),
        ];
    }

    /** mm: as it is said, or what gives capitals of the height that was said, in the font that the letters get. */
    private static function size(Values $in, Setting $now, string $family): float
    {
        $capitals = $in->has('capitals') ? $in->length('capitals') : ($in->has('size') ? null : $now->capitals);
        if ($capitals === null) {
            return $in->length('size', $now->size);
        }
        [$font] = $in->fonts->find([$family], $in->flag('bold', $now->bold), $in->flag('italic', $now->italic));

        return $capitals / $font->capHeight();
    }

    public static function setting(Values $in, ?Setting $now): Setting
    {
        $now ??= new Setting('', 'Fraunces', false, false, 12.0);
        $family = $in->has('family') ? $in->text('family') : $now->family;
        $known = array_column($in->fonts->families(), 'family');
        if (! in_array(mb_strtolower($family), array_map(mb_strtolower(...), $known), true)) {
            throw Refused::because(sprintf('There is no font called "%s" here; add its file first.', mb_substr($family, 0, 60)));
        }
        $text = $in->has('text') ? $in->text('text') : $now->text;
        if (trim($text) === '') {
            throw Refused::because('Type some letters first.');
        }

        return $now->with(
            text: $text,
            family: $family,
            bold: $in->flag('bold', $now->bold),
            italic: $in->flag('italic', $now->italic),
            size: self::size($in, $now, $family),
            capitals: $in->has('size') && ! $in->has('capitals') ? null : ($in->has('capitals') ? $in->length('capitals') : $now->capitals),
            spacing: $in->length('spacing', $now->spacing),
            leading: $in->number('leading', $now->leading),
            align: $in->choice('align', $now->align),
            inside: $in->flag('inside', $now->inside),
            stand: $in->choice('stand', $now->stand),
            distance: $in->length('distance', $now->distance),
            slide: $in->number('slide', $now->slide),
        );
    }
}
