<?php

declare(strict_types=1);

namespace NeatEdge\Core\Tests\Stroke;

use NeatEdge\Core\Stroke\WidthStops;
use NeatEdge\Core\Tests\Support\Bench;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

final class PressureTest extends TestCase
{
    #[Test]
    public function a_pen_leaves_few_stops_that_keep_every_place_near_to_how_it_was_pressed(): void
    {
        $presses = [
            'even' => static fn (float $t): float => 0.5,
            'rising' => static fn (float $t): float => $t,
            'a swell' => static fn (float $t): float => sin(M_PI * $t),
            'trembling' => static fn (float $t): float => 0.6 + 0.01 * sin(90 * $t),
            'three swells' => static fn (float $t): float => 0.5 + 0.45 * sin(6 * M_PI * $t),
        ];
        foreach ($presses as $name => $press) {
            $pressed = array_map(static fn (int $i): array => [$i / 400, $press($i / 400)], range(0, 400));
            $stops = WidthStops::ofPressures($pressed);
            self::assertLessThanOrEqual(['even' => 2, 'rising' => 7, 'a swell' => 14, 'trembling' => 2, 'three swells' => 40][$name], count($stops->stops), $name);
            foreach ($pressed as [$t, $p]) {
                self::assertEqualsWithDelta(0.06 + 0.94 * $p, $stops->at($t), 0.05, "{$name} at {$t}");
            }
        }
        // However it trembled, no line has more stops than can be kept.
        $wild = WidthStops::ofPressures(array_map(static fn (int $i): array => [$i / 2000, (float) ($i % 2)], range(0, 2000)));
        self::assertLessThanOrEqual(WidthStops::MOST, count($wild->stops));
        // Nor is it gone through place by place: twice the places take about twice as long, not four times.
        $took = static function (int $places): float {
            $began = hrtime(true);
            WidthStops::ofPressures(array_map(static fn (int $i): array => [$i / $places, (float) ($i % 2)], range(0, $places)));

            return (hrtime(true) - $began) / 1e9;
        };
        $took(200);
        self::assertLessThan(8.0, min($took(1600), $took(1600)) / max(1e-6, min($took(400), $took(400))), '16 were it quadratic');
    }

    #[Test]
    public function a_brush_line_is_as_wide_as_the_pen_was_pressed_and_without_a_pen_follows_its_profile(): void
    {
        $bench = new Bench;
        $points = $pressures = [];
        for ($i = 0; $i <= 60; $i++) {
            array_push($points, 10 + $i, 40 + 8 * sin($i / 10));
            $pressures[] = $i < 30 ? 0.2 : 0.8;
        }
        $id = $bench->do('brush-line', ['points' => $points, 'pressures' => $pressures, 'lineWidth' => 4, 'line' => '#1d5c46'])->made[0];
        $stops = $bench->piece($id)->stroke?->stops;
        self::assertNotNull($stops);
        self::assertEqualsWithDelta([0.06 + 0.94 * 0.2, 0.06 + 0.94 * 0.8], [$stops->at(0.2), $stops->at(0.8)], 0.04);
        $plain = $bench->do('brush-line', ['points' => $points, 'profile' => 'even', 'lineWidth' => 4])->made[0];
        self::assertNull($bench->piece($plain)->stroke?->stops);
    }
}
