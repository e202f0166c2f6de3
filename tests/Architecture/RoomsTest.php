<?php

declare(strict_types=1);

namespace Tests\Architecture;

use PHPat\Selector\Selector;
use PHPat\Test\Attributes\TestRule;
use PHPat\Test\Builder\Rule;
use PHPat\Test\PHPat;

/** Each room of the core knows only the rooms above it, and the core knows nothing of the application round it. */
final class RoomsTest
{
    private const ROOMS = [
        'Patience', 'Geometry', 'PlanarMap', 'Stroke', 'Measure', 'Type', 'Described', 'Artwork', 'Recipe', 'Trace', 'Seen', 'Flat', 'Edit', 'Prepare',
        'Line', 'Check', 'Separate', 'Device', 'Sheet', 'Format', 'Process', 'Shop', 'Proof',
    ];

    /** Neighbours that know nothing of each other either way: of the room, what it must not know above. */
    private const APART = [['Prepare', 'Edit']];

    /** @return iterable<Rule> */
    #[TestRule]
    public function each_room_knows_only_those_above(): iterable
    {
        foreach (self::ROOMS as $i => $room) {
            $others = array_filter(
                self::ROOMS,
                static fn (string $name, int $k): bool => $k > $i || in_array([$room, $name], self::APART, true),
                ARRAY_FILTER_USE_BOTH,
            );
            $below = array_map(static fn (string $name) => Selector::inNamespace("NeatEdge\\Core\\{$name}"), array_values($others));
            if ($below !== []) {
                yield PHPat::rule()
                    ->classes(Selector::inNamespace("NeatEdge\\Core\\{$room}"))
                    ->shouldNotDependOn()
                    ->classes(...$below)
                    ->because('each room of the core knows only the rooms above it');
            }
        }
    }

    #[TestRule]
    public function the_core_stands_alone(): Rule
    {
        return PHPat::rule()
            ->classes(Selector::inNamespace('NeatEdge\Core'))
            ->excluding(Selector::inNamespace('NeatEdge\Core\Tests'))
            ->shouldNotDependOn()
            ->classes(
                Selector::inNamespace('Illuminate'),
                Selector::inNamespace('App'),
                Selector::inNamespace('NeatEdge\Console'),
                Selector::inNamespace('Symfony\Component\Console'),
                Selector::inNamespace('Symfony\Component\Process'),
                Selector::inNamespace('Symfony\Component\HttpFoundation'),
            )
            ->because('the core has no framework, no HTTP, no database');
    }

    #[TestRule]
    public function what_is_stored_and_made_knows_no_http(): Rule
    {
        return PHPat::rule()
            ->classes(
                Selector::inNamespace('App\Models'),
                Selector::inNamespace('App\Prep'),
                Selector::inNamespace('App\Works'),
                Selector::inNamespace('App\Drawn'),
                Selector::inNamespace('App\Policies'), Selector::inNamespace('App\Events'), Selector::inNamespace('App\Listeners'),
            )
            ->shouldNotDependOn()
            ->classes(Selector::inNamespace('App\Http'), Selector::inNamespace('Illuminate\Http'), Selector::inNamespace('Symfony\Component\HttpFoundation'))
            ->because('what a shop keeps and makes is the same for a page, a program and a worker');
    }

    #[TestRule]
    public function what_a_page_draws_is_made_of_art_alone(): Rule
    {
        return PHPat::rule()
            ->classes(Selector::inNamespace('App\Drawn'))
            ->shouldNotDependOn()
            ->classes(
                Selector::inNamespace('App\Models'),
                Selector::inNamespace('App\Prep'),
                Selector::inNamespace('App\Works'),
                Selector::inNamespace('Illuminate'),
            )
            ->because('it is stored with each piece, and must be the same whoever asks');
    }

    #[TestRule]
    public function the_description_ships_with_nothing_that_only_tests_have(): Rule
    {
        return PHPat::rule()
            ->classes(Selector::inNamespace('App'))
            ->excluding(Selector::inNamespace('App\Http\Description'))
            ->shouldNotDependOn()
            ->classes(Selector::inNamespace('PHPStan'), Selector::inNamespace('Opis'))
            ->because('the parser of types is there for development alone');
    }

    #[TestRule]
    public function machines_know_nothing_but_the_bytes_that_are_sent(): Rule
    {
        return PHPat::rule()
            ->classes(Selector::inNamespace('NeatEdge\Devices'))
            ->shouldNotDependOn()
            ->classes(
                Selector::inNamespace('NeatEdge\Core'),
                Selector::inNamespace('App'),
                Selector::inNamespace('Illuminate'),
                Selector::inNamespace('NeatEdge\Console'),
            )
            ->because('a stand-in that shared code with the sender would prove nothing');
    }

    #[TestRule]
    public function the_command_line_starts_without_the_framework(): Rule
    {
        return PHPat::rule()
            ->classes(Selector::inNamespace('NeatEdge\Console'))
            ->shouldNotDependOn()
            ->classes(Selector::inNamespace('Illuminate'), Selector::inNamespace('App'))
            ->because('a script that calls it must not wait for the web application');
    }
}
