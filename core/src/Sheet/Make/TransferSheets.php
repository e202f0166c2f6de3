<?php

declare(strict_types=1);

namespace NeatEdge\Core\Sheet\Make;

use NeatEdge\Core\Described\Field;

/** Heat-transfer vinyl: as cut vinyl, always from behind, and its carrier is cut round it so that it can be pressed on. */
final class TransferSheets extends CutSheets
{
    public static function fields(): array
    {
        $fields = array_values(array_filter(parent::fields(), static fn (Field $field): bool => ! in_array($field->name, ['mirror', 'through'], true)));

        return [...$fields, Field::flag('carrier', 'Cut the carrier round it', true)];
    }

    protected static function isMirrored(Order $order): bool
    {
        return true;
    }

    protected static function cutsCarrier(Order $order): bool
    {
        return $order->is('carrier') && $order->length('weedBox') > 0;
    }
}
