<?php

declare(strict_types=1);

namespace NeatEdge\Core\Sheet\Make;

use NeatEdge\Core\Described\Field;
use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\Sheet\Layout\Layout;

/** O10, O11: what a process promises, as layouts. */
interface Making
{
    /** @return list<Field> what the shop chooses */
    public static function fields(): array;

    /**
     * @return list<Layout> in the order in which they are made
     *
     * @throws Refused
     */
    public static function layouts(Order $order): array;

    /**
     * What is laid copy by copy, for a search that takes its time and for hands.
     *
     * @return array<string, list<Design>> by the colour of their sheet, or under ""; nothing where nothing is laid
     */
    public static function designs(Order $order): array;
}
