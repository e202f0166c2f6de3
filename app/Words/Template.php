<?php

declare(strict_types=1);

namespace App\Words;

/**
 * An English sentence with places that are filled in, and the same in another language: `{0} is locked; unlock it first.`
 * There `{=0}` stands for what is somebody's own name for something, which is never said otherwise.
 */
final class Template
{
    /** How many letters it says itself. */
    public readonly int $weight;

    private ?string $pattern = null;

    /** @var list<string> what it says itself, in between */
    private readonly array $between;

    /** @var list<int> numbers of its places, in the order of the English sentence */
    private readonly array $places;

    public function __construct(string $english, private readonly string $said)
    {
        $parts = preg_split('/\{(\d+)\}/', $english, -1, PREG_SPLIT_DELIM_CAPTURE) ?: [];
        $this->between = array_values(array_filter($parts, static fn (int $i): bool => $i % 2 === 0, ARRAY_FILTER_USE_KEY));
        $this->places = array_map('intval', array_values(array_filter($parts, static fn (int $i): bool => $i % 2 === 1, ARRAY_FILTER_USE_KEY)));
        $this->weight = strlen((string) preg_replace('/[^\pL]/u', '', implode('', $this->between)));
    }

    /** The word that a template begins with; empty where that is filled in. */
    public static function begins(string $english): string
    {
        return str_contains((string) strstr($english, '{', true), ' ') ? self::firstOf($english) : '';
    }

    public static function firstOf(string $english): string
    {
        return (string) strstr($english, ' ', true);
    }

    /** Whether it says so much itself that nothing else can be meant, whatever it is filled with. */
    public function isSure(): bool
    {
        return $this->weight >= 16;
    }

    /** @return list<string>|null what it was filled with, in the order of the English sentence; null where it is another sentence */
    public function values(string $english): ?array
    {
        $at = 0;
        foreach ($this->between as $words) {
            $found = $words === '' ? $at : strpos($english, $words, $at);
            if ($found === false) {
                return null;
            }
            $at = $found + strlen($words);
        }
        $this->pattern ??= '/^'.implode('(.*?)', array_map(static fn (string $words): string => preg_quote($words, '/'), $this->between)).'$/su';

        return preg_match($this->pattern, $english, $values) === 1 ? array_values(array_slice($values, 1)) : null;
    }

    /** Whether what fills a place, by its number in the English sentence, is a name. */
    public function isNamed(int $i): bool
    {
        return str_contains($this->said, "{={$this->places[$i]}}");
    }

    /** Whether what fills it stands between quotation marks, so that it can be anything. */
    public function isQuoted(int $i): bool
    {
        return preg_match('/["“]$/u', $this->between[$i]) === 1;
    }

    /** @param  list<string>  $values */
    public function fill(array $values): string
    {
        $by = [];
        foreach ($this->places as $i => $place) {
            $by["{{$place}}"] = $by["{={$place}}"] = $values[$i];
        }

        return strtr($this->said, $by);
    }
}
