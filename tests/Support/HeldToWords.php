<?php

declare(strict_types=1);

namespace Tests\Support;

use App\Words\Words;
use Illuminate\Testing\TestResponse;
use PHPUnit\Framework\Assert;

/** Every sentence of every answer is in every catalogue: whoever adds one is told here that another language wants it too. */
final class HeldToWords
{
    /** Days as examples of how they are written. */
    private const SAME = '/^\d{1,2} \w+ \d{4}$|^\w+ \d{1,2}, \d{4}$/';

    /** @param  TestResponse<\Symfony\Component\HttpFoundation\Response>  $answer */
    public static function check(string $address, TestResponse $answer): void
    {
        $row = str_contains($address, 'openapi') || Words::asked(request()) !== 'en' ? null : json_decode((string) $answer->getContent(), true);
        if (! is_array($row)) {
            return;
        }
        foreach (array_diff(array_keys(Words::LANGUAGES), ['en']) as $language) {
            $words = Words::in($language);
            $before = count($words->missed());
            $words->row($row);
            $missed = array_values(array_filter(array_slice($words->missed(), $before), static fn (string $said): bool => preg_match(self::SAME, $said) !== 1));
            Assert::assertSame([], $missed, "lang/server/{$language}.json does not have what {$address} says");
        }
    }
}
