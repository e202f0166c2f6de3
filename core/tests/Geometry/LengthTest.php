<?php

declare(strict_types=1);

namespace NeatEdge\Core\Tests\Geometry;

use NeatEdge\Core\Geometry\InvalidLength;
use NeatEdge\Core\Geometry\Length;
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
    #[TestWith(['5/2mm', 'not a length'])]
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

    #[Test]
    public function bare_numbers_take_the_unit_of_the_job(): void
    {
        self::assertEqualsWithDelta(50.8, Length::parse('1 + 1', 'in')->mm, 1e-9);
        self::assertEqualsWithDelta(2.0, Length::parse('1in + 1in')->in('in'), 1e-9);
    }
}
