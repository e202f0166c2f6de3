<?php

declare(strict_types=1);

namespace NeatEdge\Core\Tests\Check;

use NeatEdge\Core\Check\Foretold;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

final class ForetoldTest extends TestCase
{
    /**
     * @param  array{float, float}|null  $at
     * @param  list<list<array{float, float}>>  $ribbon
     * @return array<string, mixed>
     */
    private static function row(string $kind, ?array $at, array $ribbon = [], string $sheet = '#000000', string $severity = 'warning'): array
    {
        return ['kind' => $kind, 'severity' => $severity, 'sheet' => $sheet, ...($at === null ? [] : ['at' => $at]), 'ribbon' => $ribbon];
    }

    #[Test]
    public function a_place_is_the_same_where_it_lies_on_its_sheet_and_is_of_its_kind(): void
    {
        $before = [
            self::row('thin-line', [10, 10]),
            self::row('thin-line', [50, 10]),
            self::row('narrow-gap', [50, 10]),
            self::row('thin-line', [90, 10], [], '#ff0000'),
        ];
        $after = [self::row('thin-line', [10.3, 10.2]), self::row('narrow-gap', [50, 14]), self::row('narrow-gap', [20, 14]), self::row('thin-line', [90, 10])];
        $told = Foretold::between($before, $after, [0, 1, 3]);
        self::assertSame([2, 1, ['narrow-gap' => 1, 'thin-line' => 1]], [$told->cures, $told->leaves, $told->makes]);
        self::assertSame(
            [['kind' => 'narrow-gap', 'label' => 'Narrow gap', 'count' => 1], ['kind' => 'thin-line', 'label' => 'Thin line', 'count' => 1]],
            $told->toArray()['makes'],
        );
    }

    #[Test]
    public function a_stretch_of_which_a_part_is_left_is_left_though_its_middle_moved(): void
    {
        $before = [self::row('thin-line', [50, 10], [[[0, 9.8], [100, 9.8], [100, 10.2], [0, 10.2]]])];
        $after = [
            self::row('thin-line', [5, 10], [[[0, 9.8], [10, 9.8], [10, 10.2], [0, 10.2]]]),
            self::row('thin-line', [95, 10], [[[90, 9.8], [100, 9.8], [100, 10.2], [90, 10.2]]]),
        ];
        $told = Foretold::between($before, $after, [0]);
        self::assertSame([0, 1, []], [$told->cures, $told->leaves, $told->makes], 'two ends of one stretch are nothing new');
    }

    #[Test]
    public function what_is_only_good_to_know_is_not_made_and_what_has_no_place_is_of_all(): void
    {
        $before = [self::row('look-changed', null)];
        $after = [self::row('look-changed', null), self::row('crowded-nodes', [1, 1], severity: 'note')];
        $told = Foretold::between($before, $after, [0]);
        self::assertSame([0, 1, []], [$told->cures, $told->leaves, $told->makes]);
        $elsewhere = Foretold::between([...$before, self::row('near-black', [50, 50])], [self::row('near-black', [53, 50])], [0]);
        self::assertSame([1, 0, []], [$elsewhere->cures, $elsewhere->leaves, $elsewhere->makes], 'what was only moved is nothing new');
        self::assertTrue(Foretold::between($before, [], [0])->isBetterThan($told));
        self::assertFalse($told->isBetterThan($told));
    }

    #[Test]
    public function each_of_many_is_found_again(): void
    {
        $before = [];
        for ($i = 0; $i < 4000; $i++) {
            $before[] = self::row('thin-line', [$i % 80 * 5, intdiv($i, 80) * 5], $i % 400 === 0 ? [[[$i % 80 * 5, 0], [$i % 80 * 5 + 300, 3]]] : []);
        }
        $left = array_values(array_filter($before, static fn (int $i): bool => $i % 4 === 1, ARRAY_FILTER_USE_KEY));
        $told = Foretold::between($before, $left, array_keys($before));
        self::assertSame([4000, []], [$told->cures + $told->leaves, $told->makes]);
        self::assertGreaterThanOrEqual(1000, $told->leaves);
        self::assertLessThan(1300, $told->leaves);
    }
}
