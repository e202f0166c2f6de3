<?php

declare(strict_types=1);

namespace NeatEdge\Core\Tests\Property;

use NeatEdge\Core\Tests\Support\ShapingLaws;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** The laws of shaping on random selections; bin/laws shaping does the same for many thousands. */
final class ShapingLawsTest extends TestCase
{
    #[Test]
    public function every_operation_keeps_its_laws(): void
    {
        for ($seed = 1; $seed <= 40; $seed++) {
            $broken = array_filter(ShapingLaws::errors($seed), static fn (float $error): bool => $error > 1);
            self::assertSame([], $broken, "seed {$seed}");
        }
    }
}
