<?php

declare(strict_types=1);

namespace NeatEdge\Core\Line;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Described\Field;
use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\Described\Values;
use NeatEdge\Core\Edit\About;
use NeatEdge\Core\Edit\Adding;
use NeatEdge\Core\Edit\Arranging\ArrangingRoom;
use NeatEdge\Core\Edit\Edit;
use NeatEdge\Core\Edit\Following;
use NeatEdge\Core\Edit\Layers\LayersRoom;
use NeatEdge\Core\Edit\Letters\LettersRoom;
use NeatEdge\Core\Edit\Lines\LinesRoom;
use NeatEdge\Core\Edit\Live\LiveRoom;
use NeatEdge\Core\Edit\Local;
use NeatEdge\Core\Edit\LocalToGroups;
use NeatEdge\Core\Edit\Mark;
use NeatEdge\Core\Edit\Paint\PaintRoom;
use NeatEdge\Core\Edit\Room;
use NeatEdge\Core\Edit\Shapes\ShapesRoom;
use NeatEdge\Core\Edit\Shaping\Leftovers;
use NeatEdge\Core\Edit\Shaping\ShapingRoom;
use NeatEdge\Core\Edit\Shaping\WithoutLeftovers;
use NeatEdge\Core\Edit\ShowsMarks;
use NeatEdge\Core\Edit\Soft\SoftRoom;
use NeatEdge\Core\Type\FontShelf;

/** The registry: makes an edit from what the page sends. A new edit is one class and one line in its room. */
final class Edits
{
    /** Beyond so many pieces all are read at once. */
    private const MOST_ALONE = 400;

    /** @var list<class-string<Room>> */
    private const ROOMS = [
        ArrangingRoom::class, LinesRoom::class, ShapesRoom::class, PaintRoom::class, LettersRoom::class, LayersRoom::class, LiveRoom::class, SoftRoom::class,
        ShapingRoom::class, LineRoom::class,
    ];

    /** @return array<string, class-string<Edit>> every edit there is, by kind */
    public static function kinds(): array
    {
        return array_merge(...array_map(static fn (string $room): array => $room::edits(), self::ROOMS));
    }

    /** @return array<string, About> what each kind says of itself */
    public static function catalogue(): array
    {
        $kinds = [];
        foreach (self::kinds() as $kind => $class) {
            $kinds[$kind] = $class::about($kind);
        }

        return $kinds;
    }

    /**
     * @param  array<mixed>  $fields
     * @param  string  $unit  of lengths that are typed without one
     *
     * @throws Refused
     */
    public static function make(string $kind, array $fields, FontShelf $fonts, string $unit = 'mm'): Edit
    {
        $class = self::kinds()[$kind] ?? throw Refused::unknown($kind);

        $values = Values::read([Field::words('pieces', 'Pieces', Field::PIECES), ...$class::about($kind)->fields], $fields, $unit, $fonts, $kind);
        $edit = $class::from($values);
        $leftovers = Leftovers::after($kind, $edit, $values);

        return $leftovers === null ? $edit : new WithoutLeftovers($edit, $leftovers);
    }

    /**
     * The pieces that an edit names, where it leaves all others alone; null for an edit of which that cannot be said before.
     *
     * @param  array<mixed>  $fields  as they are sent
     * @return list<string>|null
     */
    public static function only(string $kind, array $fields): ?array
    {
        $class = self::kinds()[$kind] ?? '';
        $adds = is_a($class, Adding::class, true);
        if (! $adds && (! is_a($class, Local::class, true) || ($fields['copies'] ?? false) !== false)) {
            return null;
        }
        $ids = array_values(array_filter(
            [...(is_array($fields['pieces'] ?? null) ? $fields['pieces'] : []), $fields['piece'] ?? null, $fields['along'] ?? null],
            is_string(...),
        ));

        return ($ids === [] && ! $adds) || count($ids) > self::MOST_ALONE ? null : $ids;
    }

    /** Whether it lays new pieces above all others, and leaves those alone. */
    public static function adds(string $kind): bool
    {
        return is_a(self::kinds()[$kind] ?? '', Adding::class, true);
    }

    /** Whether such an edit needs all of a group of which it names a piece. */
    public static function minds(string $kind): bool
    {
        return is_a(self::kinds()[$kind] ?? '', LocalToGroups::class, true);
    }

    /** @return list<Mark> what an edit has to show on the art before it is made */
    public static function marks(Edit $edit, Artwork $artwork): array
    {
        return $edit instanceof ShowsMarks ? $edit->marks($artwork) : [];
    }

    /** What an edit gives, with everything that follows what it changed. @throws Refused */
    public static function applied(Edit $edit, Artwork $artwork, FontShelf $fonts): Artwork
    {
        return Following::settled($artwork, $edit->apply($artwork), $fonts);
    }
}
