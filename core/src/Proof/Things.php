<?php

declare(strict_types=1);

namespace NeatEdge\Core\Proof;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Described\Refused;

/** The things that ship, drawn by us. A new one is one class and one line here. */
final class Things
{
    /** @var list<class-string<Thing>> */
    private const ALL = [Things\Mug::class, Things\Tabard::class, Things\Lantern::class, Things\Window::class, Things\Tag::class, Things\Quay::class];

    /** @return array<string, array{label: string, says: string}> by key */
    public static function all(): array
    {
        $all = [];
        foreach (self::ALL as $thing) {
            $all[$thing::key()] = ['label' => $thing::label(), 'says' => $thing::says()];
        }

        return $all;
    }

    /** @throws Refused */
    public static function artwork(string $key): Artwork
    {
        foreach (self::ALL as $thing) {
            if ($thing::key() === $key) {
                return $thing::drawn();
            }
        }
        throw Refused::because('There is no such thing to show art on.');
    }

    /** @throws Refused */
    public static function product(string $key): Product
    {
        return Product::of(self::artwork($key)) ?? throw Refused::because('That has no place for art.');
    }
}
