<?php

declare(strict_types=1);

namespace NeatEdge\Core\Prepare\Cure;

use Closure;
use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Geometry\Parts;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Measure\Inside;
use NeatEdge\Core\Measure\Limits;
use NeatEdge\Core\Measure\ThinPlace;
use NeatEdge\Core\PlanarMap\Combine;
use NeatEdge\Core\Prepare\Widths;
use NeatEdge\Core\Stroke\Offset;

/**
 * Brings what is too narrow to the limits: lines are thickened along their middle, tips blunted, gaps widened, or filled where there is no room for
 * more. A change that would make another place too narrow is followed by its cure; where both cannot be had, the place is left as it was, and why is said.
 */
final class ToLimits
{
    /** Above the limit by so much, so that no rounding of a file brings it under. */
    private const MARGIN = 1.01;

    /** What is still a little too narrow after a round is made so much wider in the next. */
    private const MORE = 0.03;

    /** mm that a fill of a gap lies over both its walls together. */
    private const OVER = 0.02;

    /** Cures of what cures have brought with them. */
    private const ROUNDS = 4;

    /** Other ways for what did not do. */
    private const ATTEMPTS = 4;

    /** Of more places than these not everything is tried: art of which so much is too fine needs another size, not patience. */
    private const MANY = 200;

    /** A gap under this share of its limit was never meant to be one: it is filled first. */
    private const HAIR = 0.2;

    /** A hair of a line that is no longer than so many limits is a neck between two parts: it may be cut. */
    private const NECK = 2.0;

    /** Within so many limits of a change, what is too narrow afterwards comes from it. */
    private const NEAR = 2.0;

    /** In a word a place is one of those that are cured when it lies within so many limits of its middle: feet and bowls of letters are not far off. */
    private const ON = 0.3;

    /** A place is no worse than it was when it is as wide, but for this share. */
    private const AS_WIDE = 0.97;

    /** @var array<int, Inside> by number of the piece, of the art as it is being measured */
    private array $insides = [];

    /** @param  bool  $fill  whether a gap that cannot be widened may be filled */
    private function __construct(private readonly Artwork $flat, private readonly Limits $limits, private readonly bool $fill, private readonly Widths $before)
    {
    }

    /**
     * @param  Artwork  $flat  plain fills of which no two solid ones overlap
     * @param  list<string>  $kinds  of Target: what is cured
     * @param  Closure(string, int, ThinPlace): bool|null  $only  told the kind, the number of the piece and the place; which of them are cured
     */
    public static function cured(Artwork $flat, Limits $limits, array $kinds, ?Closure $only = null, bool $fill = true): Cured
    {
        $whole = new self($flat, $limits, $fill, Widths::of($flat, $limits));
        $targets = $whole->byWord(array_values(array_filter(
            $whole->targets($whole->before, $flat),
            static fn (Target $target): bool => in_array($target->kind, $kinds, true) && ($only === null || $only(
                $target->kind,
                $target->piece,
                $target->place,
            )),
        )));
        [$art, $tried] = $whole->byCluster($targets);

        return self::told($art, $tried);
    }

    /**
     * Each cluster of the art by itself: what does not do in one is tried again there, and nowhere else.
     *
     * @param  list<Target>  $targets
     * @return array{Artwork, list<Target>} the art, and the targets as they were tried
     */
    private function byCluster(array $targets): array
    {
        if ($targets === []) {
            return [$this->flat, []];
        }
        $reach = self::NEAR * max($this->limits->line, $this->limits->gap);
        $clusters = new Clusters(
            $this->flat,
            $reach,
            array_values(array_filter(array_map(static fn (Target $target): ?Shape => $target->word?->shape, $targets))),
        );
        $own = [];
        foreach ($targets as $k => $target) {
            $own[$clusters->at($target->place->at->x, $target->place->at->y) ?? -1][] = $k;
        }
        if (isset($own[-1])) {
            // A place in none of them would be lost: all is tried as one.
            return [$this->brought($targets, count($targets)), $targets];
        }
        $tried = $targets;
        $arts = $clusters->arts(array_keys($own));
        $before = $this->before->placed($clusters->at(...));
        foreach ($arts as $cluster => [$art, $numbers]) {
            $numberOf = array_flip($numbers);
            $mine = [];
            foreach ($own[$cluster] as $k) {
                $mine[] = $tried[$k] = $targets[$k]->ofPiece($numberOf[$targets[$k]->piece]);
            }
            $one = new self($art, $this->limits, $this->fill, ($before[$cluster] ?? Widths::none())->numbered($numberOf));
            $arts[$cluster] = [$one->brought($mine, count($targets)), $numbers];
        }

        return [$clusters->with($arts), array_values($tried)];
    }

    /**
     * Thin places of a word are one target: its letters become bolder alike, or stay as they are. Knobs on single stems are no cure.
     *
     * @param  list<Target>  $targets
     * @return list<Target>
     */
    private function byWord(array $targets): array
    {
        $words = $out = $own = [];
        foreach ($targets as $target) {
            if ($target->kind !== Target::LINE && $target->kind !== Target::POINT) {
                $out[] = $target;

                continue;
            }
            $words[$target->piece] ??= Word::among(Parts::of($this->flat->pieces[$target->piece]->shape));
            $in = null;
            foreach ($words[$target->piece] as $k => $word) {
                $in = $in === null && $word->holds($target->place->at->x, $target->place->at->y) ? $k : $in;
            }
            if ($in === null) {
                $out[] = $target;
            } elseif ($target->kind === Target::POINT) {
                // A tip may be blunted; a ball at its end is another letter.
                $out[] = new Target(Target::POINT, $target->piece, $target->place, ['blunt']);
            } else {
                $own[$target->piece][$in][] = $target->place;
            }
        }
        foreach ($own as $piece => $byWord) {
            foreach ($byWord as $k => $places) {
                usort($places, static fn (ThinPlace $a, ThinPlace $b): int => $a->width <=> $b->width);
                $out[] = new Target(Target::LINE, $piece, $places[0], ['embolden'], $words[$piece][$k], $places);
            }
        }

        return $out;
    }

    /**
     * @param  array<int, true>|null  $only  numbers of pieces
     * @return list<Target>
     */
    private function targets(Widths $widths, Artwork $art, ?array $only = null): array
    {
        $targets = [];
        foreach ($widths->lines as $i => $places) {
            foreach ($art->pieces[$i]->isSolid() && ($only === null || isset($only[$i])) ? $places : [] as $place) {
                $kind = $place->pointed ? Target::POINT : Target::LINE;
                $targets[] = new Target($kind, $i, $place, match (true) {
                    $place->pointed => ['blunt', 'thicken'],
                    $place->width < self::HAIR * $this->limits->line && $place->length < self::NECK * $this->limits->line => ['thicken', 'part'],
                    default => ['thicken'],
                });
            }
        }
        foreach ($widths->gaps as $i => $places) {
            foreach ($art->pieces[$i]->isSolid() && ($only === null || isset($only[$i])) ? $places : [] as $place) {
                $targets[] = new Target(Target::GAP, $i, $place, match (true) {
                    ! $this->fill => ['widen'],
                    $place->typical < self::HAIR * $this->limits->gap => ['fill', 'widen'],
                    default => ['widen', 'fill'],
                });
            }
        }

        return $targets;
    }

    /**
     * @param  list<Target>  $targets
     * @param  int  $all  how many there are in the whole art
     */
    private function brought(array $targets, int $all): Artwork
    {
        $art = $this->flat;
        $attempts = $all > self::MANY ? 2 : self::ATTEMPTS;
        for ($attempt = 0; $attempt < $attempts; $attempt++) {
            $active = array_values(array_filter($targets, static fn (Target $target): bool => $target->way() !== null));
            if ($active === []) {
                $art = $this->flat;
                break;
            }
            [$art, $trouble] = $this->made($active, $all > self::MANY ? 2 : self::ROUNDS);
            $failed = false;
            foreach ($trouble as [$place, $says]) {
                foreach ($this->causes($active, $place) as $target) {
                    $target->failed($says);
                    $failed = true;
                }
            }
            if (! $failed) {
                break;
            }
            if ($attempt === $attempts - 1) {
                // No more ways are tried: what was last seen to do harm is left out of it.
                [$art] = $this->made(array_values(array_filter($targets, static fn (Target $target): bool => $target->way() !== null && $target->why === '')));
                foreach ($targets as $target) {
                    while ($target->why !== '' && $target->way() !== null) {
                        $target->failed($target->why);
                    }
                }
            }
        }

        return $art;
    }

    /** @param  list<Target>  $targets  as they were tried */
    private static function told(Artwork $art, array $targets): Cured
    {
        $done = $left = [];
        foreach ($targets as $target) {
            $how = $target->way() ?? ($target->word === null ? $target->why : self::ofWord($target->why));
            foreach ($target->places === [] ? [$target->place] : $target->places as $place) {
                $row = [
                    'kind' => $target->kind,
                    'at' => [$place->at->x, $place->at->y],
                    'measured' => $place->pointed ? $place->typical : $place->width,
                    'how' => $how,
                ];
                $target->way() === null ? $left[] = $row : $done[] = $row;
            }
        }

        return new Cured($art, $done, $left);
    }

    private static function ofWord(string $why): string
    {
        return "were all letters of the word made bolder alike, {$why}; set it larger, or in a bolder face";
    }

    /**
     * The art with all targets brought to their limits, and what came of that too.
     *
     * @param  list<Target>  $targets
     * @return array{Artwork, list<array{ThinPlace, string}>} the art, and what is wrong with it that was not before
     */
    private function made(array $targets, int $rounds = self::ROUNDS): array
    {
        $art = $this->flat;
        $now = $targets;
        $all = [];
        $before = PHP_INT_MAX;
        for ($round = 1; ; $round++) {
            $this->insides = [];
            $patches = new Patches;
            foreach ($now as $target) {
                $this->patch($target, $art, $patches, self::MARGIN + self::MORE * ($round - 1));
            }
            [$art, $touched] = $patches->on($art);
            $all += $touched;
            $after = Widths::of($art, $this->limits, $all);
            $trouble = $this->trouble($after, $targets);
            if ($trouble === [] || $round === $rounds || count($trouble) > $before) {
                return [$art, $trouble];
            }
            $before = count($trouble);
            $now = $this->again($targets, $trouble, $after, $art);
            if ($now === []) {
                return [$art, $trouble];
            }
        }
    }

    /**
     * What is to be made in another round: a word as a whole, all else place by place.
     *
     * @param  list<Target>  $targets  of the first round
     * @param  list<array{ThinPlace, string}>  $trouble  what is wrong after the last
     * @return list<Target>
     */
    private function again(array $targets, array $trouble, Widths $after, Artwork $art): array
    {
        $places = array_map(static fn (array $row): int => spl_object_id($row[0]), $trouble);
        $words = array_values(array_filter($targets, static fn (Target $target): bool => $target->word !== null));
        $later = [];
        foreach ($this->targets($after, $art) as $target) {
            if (! in_array(spl_object_id($target->place), $places, true)) {
                continue;
            }
            foreach ($words as $word) {
                if ($word->distanceTo($target->place->at->x, $target->place->at->y) === 0.0) {
                    if ($target->kind === Target::LINE && $target->piece === $word->piece) {
                        $later[spl_object_id($word)] = $word;
                    }

                    continue 2;
                }
            }
            $later[spl_object_id($target)] = $target;
        }

        return array_values($later);
    }

    private function patch(Target $target, Artwork $art, Patches $patches, float $margin): void
    {
        $i = $target->piece;
        $gap = $target->kind === Target::GAP;
        $inside = $this->insides[$i] ??= new Inside($art->pieces[$i]->shape);
        $width = ($gap ? $this->limits->gap : $this->limits->line) * $margin;
        $tolerance = $art->tolerance();
        $way = $target->way();
        if ($way === 'embolden' && $target->word !== null) {
            // From the letters as they were: what is made anew in another round holds what was made before.
            $patches->add($i, Offset::outset($target->word->shape, max(0.0, $width - $target->place->width) / 2, 'round', $tolerance));

            return;
        }
        if ($way === 'blunt') {
            [$cut, $stays] = Tip::of($target->place, $width, $tolerance);
            if (! $cut->isEmpty()) {
                $patches->take($i, Combine::cutAway($cut, [$stays], $tolerance), true);
            }

            return;
        }
        if ($way === 'fill') {
            // Over both walls by a little: a fill that only just reaches them leaves needles along all its length, each a place to be cured in its turn.
            $widest = max(array_map(static fn (array $row): float => $row === [] ? 0.0 : max(array_column($row, 2)), $target->place->rows) ?: [0.0]);
            $width = min($width, max(1.02 * $widest, $widest + self::OVER));
        }
        if ($way === 'part') {
            $patches->take($i, (new MiddleStrokes($inside, false, $width, $tolerance))->of($target->place), true);

            return;
        }
        $strokes = $width <= 0.0 ? new Shape([]) : (new MiddleStrokes(
            $inside,
            $gap,
            $width,
            $tolerance,
            $gap ? $this->limits->gap : $this->limits->line,
        ))->of($target->place);
        if ($strokes->isEmpty()) {
            return;
        }
        $way === 'widen' ? $patches->take($i, $strokes) : $patches->add($i, $strokes);
    }

    /**
     * What is too narrow afterwards and was not, or is still.
     *
     * @param  list<Target>  $targets  what was to be cured
     * @return list<array{ThinPlace, string}>
     */
    private function trouble(Widths $after, array $targets): array
    {
        $troubles = [];
        foreach ([false, true] as $gap) {
            $limit = $gap ? $this->limits->gap : $this->limits->line;
            foreach ($gap ? $after->gaps : $after->lines as $i => $places) {
                foreach ($places as $place) {
                    $kind = $gap ? Target::GAP : ($place->pointed ? Target::POINT : Target::LINE);
                    if (! $this->wasThere($place, $i, $gap, $targets)) {
                        $troubles[] = [
                            $place,
                            sprintf(
                                '%s of %.2f mm would be left at %.1f, %.1f, where %.2f mm are needed',
                                $kind === Target::GAP ? 'a gap' : ($kind === Target::POINT ? 'a point' : 'a line'),
                                $place->width,
                                $place->at->x,
                                $place->at->y,
                                $limit,
                            ),
                        ];
                    }
                }
            }
        }

        return $troubles;
    }

    /**
     * Whether a place was as narrow before and is none of those that are cured.
     *
     * @param  list<Target>  $targets
     */
    private function wasThere(ThinPlace $place, int $i, bool $gap, array $targets): bool
    {
        $limit = $gap ? $this->limits->gap : $this->limits->line;
        $inWord = false;
        foreach ($targets as $target) {
            if ($target->piece === $i && ($target->kind === Target::GAP) === $gap && $target->isAbout(
                $place->at->x,
                $place->at->y,
                $target->word === null ? $limit : self::ON * $limit,
            )) {
                return false;
            }
            // What is thin in a bolder word was thinner before, if too short to be told: a foot, a tip that is round now.
            if (! $gap && $target->word !== null && $target->piece === $i && $target->word->holds($place->at->x, $place->at->y)) {
                $inWord = true;
            }
        }
        if ($inWord) {
            return true;
        }
        foreach (($gap ? $this->before->gaps : $this->before->lines)[$i] ?? [] as $old) {
            if ($place->width >= self::AS_WIDE * $old->width
                && (new Target('', $i, $old, []))->distanceTo($place->at->x, $place->at->y) < self::NEAR * $limit) {
                return true;
            }
        }

        return false;
    }

    /**
     * The targets that a place which is too narrow afterwards comes from: the nearest, and any that are about as near.
     *
     * @param  list<Target>  $targets
     * @return list<Target>
     */
    private function causes(array $targets, ThinPlace $place): array
    {
        $reach = self::NEAR * max($this->limits->line, $this->limits->gap);
        $far = array_map(static fn (Target $target): float => $target->distanceTo($place->at->x, $place->at->y), $targets);
        asort($far);
        $first = array_key_first($far);

        return $first === null || $far[$first] > $reach ? [] : [$targets[$first]];
    }
}
