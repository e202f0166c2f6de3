<?php

declare(strict_types=1);

namespace NeatEdge\Core\Format\Svg;

use NeatEdge\Core\Geometry\Box;

/**
 * A customer's file as it is, for a browser to draw as a picture: only its size is written on it, so that it fills the frame that it is given. It is never
 * part of a page: as a picture it runs nothing and fetches nothing.
 */
final class Isolated
{
    /**
     * @param  Box|null  $viewBox  what of it is shown, where it does not say so itself
     *
     * @throws SvgRefused
     */
    public static function picture(string $bytes, ?Box $viewBox = null, ?Limits $limits = null): string
    {
        $root = SafeXml::root($bytes, $limits ?? new Limits);
        $given = new Viewport(300.0, 150.0);
        $box = Viewport::viewBox($root);
        if ($box === null) {
            $width = $given->length($root->getAttribute('width'), 'x') ?? $given->width;
            $height = $given->length($root->getAttribute('height'), 'y') ?? $given->height;
            $box = $viewBox === null ? [0.0, 0.0, $width, $height] : [$viewBox->left, $viewBox->top, $viewBox->width(), $viewBox->height()];
            $root->setAttribute('viewBox', implode(' ', array_map(static fn (float $n): string => Writer::number($n, 9), $box)));
        }
        // Without lengths of its own it takes those of its frame, and fills it as its page did.
        foreach (['width', 'height'] as $side) {
            $stated = $given->length($root->getAttribute($side), 'x');
            if ($stated === null || str_contains($root->getAttribute($side), '%')) {
                $root->removeAttribute($side);
            }
        }
        if (! $root->hasAttribute('width') && ! $root->hasAttribute('height')) {
            $root->setAttribute('width', Writer::number($box[2], 9));
            $root->setAttribute('height', Writer::number($box[3], 9));
        }
        if (! $root->hasAttribute('xmlns')) {
            $root->setAttribute('xmlns', 'http://www.w3.org/2000/svg');
        }

        return (string) $root->ownerDocument?->saveXML($root);
    }
}
