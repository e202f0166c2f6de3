<?php

declare(strict_types=1);

namespace NeatEdge\Core\Recipe\Basic;

use LogicException;

/**
 * Knobs of basic shapes, in their own space: the middle at nought, mm. Each lies where its value is, and a drag of it sets that value to where it is let
 * go.
 */
final class ShapeKnobs
{
    /** Share of the lesser half side at which a knob of something that is nought lies, so that it can be taken hold of. */
    private const BEGIN = 1 / 6;

    /** Share of a ring's radius under which its hole shuts. */
    private const SHUT = 0.08;

    /**
     * @param  array<string, float|string|bool>  $values
     * @return array<string, array{string, float, float}> label, x and y, by name
     */
    public static function of(ShapeKind $kind, array $values): array
    {
        $v = static fn (string $name): float => (float) ($values[$name] ?? 0.0);
        [$w, $h] = [$v('width') / 2, $v('height') / 2];
        $round = static fn (float $angle, float $share): array => [$w * $share * cos($angle), $h * $share * sin($angle)];
        switch ($kind) {
            case ShapeKind::Rectangle:
                return ['corners' => ['Corners', -$w + max($v('topLeft'), min($w, $h) * self::BEGIN), -$h]];
            case ShapeKind::Star:
                return ['inner' => ['Inner ratio', ...$round(M_PI / max(2.0, $v('points')) - M_PI / 2, $v('inner'))]];
            case ShapeKind::Ellipse:
                [$from, $to] = [deg2rad($v('start')), deg2rad($v('start') + $v('sweep'))];
                $whole = $v('sweep') >= 360.0;

                return [
                    'inner' => ['Inner ratio', ...$round(($from + $to) / 2, max($v('inner'), 0.06))],
                    'end' => ['End', ...$round($to, 1.0)],
                    ...($whole ? [] : ['start' => ['Start', ...$round($from, 1.0)]]),
                ];
            case ShapeKind::Banner:
                return ['depth' => ['Fold depth', 0.0, $h - $v('depth')]];
            case ShapeKind::Arrow:
                return ['head' => ['Head', $w - $v('head'), -$v('shaft') / 2]];
            case ShapeKind::Heart:
                return ['cleft' => ['Cleft', 0.0, -$h + 2 * $h * $v('cleft')]];
            case ShapeKind::Polygon:
            case ShapeKind::Drop:
            case ShapeKind::Line:
                return [];
        }
    }

    /**
     * Values that a knob sets where it is dragged to, within the bounds of their fields.
     *
     * @param  array<string, float|string|bool>  $values
     * @return array<string, float>|null null where the shape has no such knob
     */
    public static function dragged(ShapeKind $kind, array $values, string $knob, float $x, float $y): ?array
    {
        if (! isset(self::of($kind, $values)[$knob])) {
            return null;
        }
        $v = static fn (string $name): float => (float) ($values[$name] ?? 0.0);
        [$w, $h] = [max(1e-9, $v('width') / 2), max(1e-9, $v('height') / 2)];
        $far = hypot($x / $w, $y / $h);
        $turn = rad2deg(atan2($y / $h, $x / $w));
        $set = match ($knob) {
            'corners' => array_fill_keys(['topLeft', 'topRight', 'bottomRight', 'bottomLeft'], min($w, $h, $x + $w)),
            'inner' => ['inner' => $kind === ShapeKind::Ellipse && $far < self::SHUT ? 0.0 : $far],
            'end' => ['sweep' => self::full($turn - $v('start'))],
            'start' => ['start' => $turn, 'sweep' => self::full($v('start') + $v('sweep') - $turn)],
            'depth' => ['depth' => min(1.9 * $h, $h - $y)],
            'head' => ['head' => min(2 * $w, $w - $x), 'shaft' => min(2 * $h, -2 * $y)],
            'cleft' => ['cleft' => ($y + $h) / (2 * $h)],
            default => throw new LogicException("The knob {$knob} is told and sets nothing."),
        };
        foreach ($kind->fields() as $field) {
            if (isset($set[$field->name])) {
                $set[$field->name] = max($field->least, min($field->most, $set[$field->name]));
            }
        }

        return $set;
    }

    /** Degrees of a turn, more than nought and at most a whole one. */
    private static function full(float $degrees): float
    {
        $rest = fmod(fmod($degrees, 360.0) + 360.0, 360.0);

        return $rest < 1e-9 ? 360.0 : $rest;
    }
}
