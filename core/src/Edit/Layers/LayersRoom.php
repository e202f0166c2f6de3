<?php

declare(strict_types=1);

namespace NeatEdge\Core\Edit\Layers;

use NeatEdge\Core\Edit\Room;

/** Layers, guides and the reference picture. */
final class LayersRoom implements Room
{
    public static function edits(): array
    {
        return [
            'add-layer' => AddLayer::class,
            'change-layer' => ChangeLayer::class,
            'layer-part' => LayerAsPart::class,
            'order-layer' => OrderLayer::class,
            'remove-layer' => RemoveLayer::class,
            'to-layer' => ToLayer::class,
            'guide' => SetGuide::class,
            'remove-guide' => RemoveGuide::class,
            'centre-lines' => CentreLines::class,
            'reference' => ChangeReference::class,
            'true-size' => TrueSize::class,
            'trace' => LayTraced::class,
        ];
    }
}
