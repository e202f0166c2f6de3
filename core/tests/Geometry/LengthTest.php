<?php

declare(strict_types=1);

namespace NeatEdge\Core\Tests\Geometry;

use NeatEdge\Core\Geometry\InvalidLength;
use NeatEdge\Core\Geometry\Length;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

final class LengthTest extends TestCase
{
    #[Test]
    #[TestWith(['300mm', 300.0])]
    #[TestWith(['300', 300.0])]
    #[TestWith(['4in', 101.6])]
    #[TestWith(['4"', 101.6])]
    #[TestWith(['25.4/2', 12.7])]
    #[TestWith(['120mm - 2*3', 114.0])]
    #[TestWith(['2*(1cm + 5)', 30.0])]
    #[TestWith(['1,5 cm', 15.0])]
    #[TestWith(['-(3 - 10)', 7.0])]
    #[TestWith(['72pt', 25.4])]
    #[TestWith(['96PX', 25.4])]
    #[TestWith(['1in + 1', 26.4])]
    #[TestWith(['3in/2', 38.1])]
    public function a_length_is_typed_with_a_unit_and_arithmetic(string $text, float $mm): void
    {
        self::assertEqualsWithDelta($mm, Length::parse($text)->mm, 1e-9);
    }

    #[Test]
    #[TestWith(['', 'not a length'])]
    #[TestWith(['wide', 'not a length'])]
    #[TestWith(['5 furlong', 'not a unit'])]
    #[TestWith(['5mm*5mm', 'not a length'])]
    #[TestWith(['5/0', 'not a length'])]
    #[TestWith(['5/(2mm)', 'not a length'])]
    #[TestWith(['5mm/2mm', 'not a length'])]
    #[TestWith(['1,200mm', 'a thousand and some'])]
    #[TestWith(['1,200.5', 'a thousand and some'])]
    #[TestWith(['12,500,000', 'a thousand and some'])]
    #[TestWith(['40%', 'a share of nothing'])]
    #[TestWith(['(5', 'not a length'])]
    #[TestWith(['5 5', 'not a length'])]
    #[TestWith(['0', 'greater than nothing'])]
    #[TestWith(['3 - 5', 'greater than nothing'])]
    public function what_is_no_length_is_refused_in_words(string $text, string $words): void
    {
        $this->expectException(InvalidLength::class);
        $this->expectExceptionMessage($words);
        Length::positive($text);
    }

    /** @return array<string, array{string, float}> */
    public static function fractionsAndShares(): array
    {
        return [
            'a fraction of an inch' => ['1/2in', 12.7], 'with its mark' => ['3/8"', 9.525], 'a sum before its unit' => ['(40+20)/3mm', 20.0],
            'a length divided' => ['40mm/2', 20.0], 'a share of what was there' => ['40%', 20.0], 'a share in a sum' => ['50% + 5mm', 30.0],
            'a comma as a point' => ['1,25mm', 1.25], 'and with nought before it' => ['0,250', 0.25],
        ];
    }

    #[Test]
    #[DataProvider('fractionsAndShares')]
    public function fractions_and_shares_mean_what_a_shop_means_by_them(string $text, float $mm): void
    {
        self::assertEqualsWithDelta($mm, Length::parse($text, 'mm', 50.0)->mm, 1e-9);
    }

    #[Test]
    public function nought_is_a_limit_and_less_is_none(): void
    {
        self::assertSame(0.0, Length::limit('0')->mm);
        $this->expectException(InvalidLength::class);
        Length::limit('-1mm');
    }

    #[Test]
    public function bare_numbers_take_the_unit_of_the_job(): void
    {
        self::assertEqualsWithDelta(50.8, Length::parse('1 + 1', 'in')->mm, 1e-9);
        self::assertEqualsWithDelta(2.0, Length::parse('1in + 1in')->in('in'), 1e-9);
    }
}
