<?php

declare(strict_types=1);

namespace NeatEdge\Core\Line;

use Closure;
use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\LineStep;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\Measure\Colour;
use NeatEdge\Core\Measure\Limits;
use NeatEdge\Core\Measure\LookDifference;
use NeatEdge\Core\Prepare\AboutStep;
use NeatEdge\Core\Prepare\Applied;
use NeatEdge\Core\Prepare\CleanNodes;
use NeatEdge\Core\Prepare\GivesSlivers;
use NeatEdge\Core\Prepare\JoinNearBlacks;
use NeatEdge\Core\Prepare\Look;
use NeatEdge\Core\Prepare\MergeByColour;
use NeatEdge\Core\Prepare\OutlineStrokes;
use NeatEdge\Core\Prepare\RemoveHidden;
use NeatEdge\Core\Prepare\SolidColours;
use NeatEdge\Core\Prepare\Step;
use NeatEdge\Core\Prepare\StepReport;
use NeatEdge\Core\Prepare\TellsDeeds;
use NeatEdge\Core\Seen\SingleCuts;

/** A line of steps over source art that is never overwritten. Each step's outcome is kept by the content that led to it. */
final readonly class PrepLine
{
    /** Grows whenever a step or the engine under it gives another outcome: what was kept of an earlier one is not used again. */
    public const ENGINE = 11;

    private const LOOKING = 0.7;

    /** Steps of the plain line, with those that are done only where an artist chooses them. */
    private const STANDARD = ['outline-strokes', 'join-near-blacks', 'solid-colours', 'remove-hidden', 'merge-by-colour', 'clean-nodes'];

    /**
     * @param  list<Step>  $steps
     * @param  list<string>  $ids  of the steps in their line
     * @param  Colour|null  $ground  what see-through pieces are laid on where nothing solid lies under them; they stay as they are there when null
     */
    public function __construct(private array $steps, private StepCache $cache = new MemoryCache, public ?Colour $ground = null, private array $ids = [])
    {
    }

    /**
     * The steps of a stored line that are on.
     *
     * @param  list<LineStep>  $line
     * @param  Limits|null  $limits  of the ticket, for values that are left to it
     *
     * @throws Refused for a step that is not known, or values that it cannot be made from
     */
    public static function of(array $line, ?Limits $limits = null, StepCache $cache = new MemoryCache): self
    {
        $steps = $ids = [];
        $ground = null;
        foreach ($line as $step) {
            if ($step->on) {
                $steps[] = $made = Steps::of($step, $limits);
                $ids[] = $step->id;
                $ground = $made instanceof SolidColours ? $made->ground : $ground;
            }
        }

        return new self($steps, $cache, $ground, $ids);
    }

    public static function standard(StepCache $cache = new MemoryCache, float $deviation = CleanNodes::USUAL, ?Colour $ground = null): self
    {
        return new self(
            [new OutlineStrokes, new JoinNearBlacks, new SolidColours($ground), new RemoveHidden, new MergeByColour, new CleanNodes($deviation)],
            $cache,
            $ground,
            self::STANDARD,
        );
    }

    /** The standard line without the steps that are done only where an artist chooses them. */
    public static function usual(StepCache $cache = new MemoryCache): self
    {
        return self::standard($cache)->only(array_keys(array_filter(Steps::catalogue(), static fn (AboutStep $about): bool => ! $about->looks)));
    }

    /**
     * The same line with only the named steps.
     *
     * @param  array<string>  $keys
     */
    public function only(array $keys): self
    {
        $steps = array_filter($this->steps, static fn (Step $step): bool => in_array($step->key(), $keys, true));

        return new self(array_values($steps), $this->cache, $this->ground, array_values(array_intersect_key($this->ids, $steps)));
    }

    /** @return list<Step> */
    public function steps(): array
    {
        return $this->steps;
    }

    /** Whether what comes out is seen from behind. */
    public function isMirrored(): bool
    {
        return count(array_filter($this->steps, static fn (Step $step): bool => $step->key() === 'mirror')) % 2 === 1;
    }

    /** What a step did to the look: asked for by itself, for it costs about as much as the step. */
    public function look(Artwork $before, Artwork $after): LookDifference
    {
        return Look::between($before, $after, $this->ground);
    }

    /**
     * @param  Closure(int, int, string, float): void|null  $progress  told the number of steps done, of all, what is being done, and the share of the whole
     *     work
     *                                                                 that is done, 0 to 1; may throw Stopped
     *
     * @throws \NeatEdge\Core\Patience\Stopped
     */
    public function run(Artwork $source, ?Closure $progress = null): PrepResult
    {
        $count = count($this->steps) + 1;
        $key = hash('xxh128', self::ENGINE.serialize($source));
        $artwork = $source;
        $stages = [];
        $work = array_map(static fn (Step $step): float => $step::about()->work, $this->steps);
        $all = array_sum($work) + self::LOOKING;
        $done = 0.0;
        foreach ($this->steps as $i => $step) {
            if ($progress !== null) {
                $progress($i, $count, $step->label(), $done / $all);
            }
            $done += $work[$i];
            $key = hash('xxh128', $key.$step->key().json_encode($step->values(), JSON_THROW_ON_ERROR));
            $kept = $this->cache->get($key);
            [$after, $report] = $kept ?? self::done($step, $artwork);
            if ($kept === null) {
                $this->cache->put($key, $after, $report);
            }
            $stages[] = ['id' => $this->ids[$i] ?? $step->key(), 'artwork' => $after, 'report' => $report, 'cached' => $kept !== null];
            $artwork = $after;
        }
        if ($progress !== null) {
            $progress($count - 1, $count, 'Compare the looks', $done / $all);
        }
        $result = new PrepResult($source, $stages, new LookDifference(0.0, 0.0));
        $look = Look::between($source->atWidth($result->judged()->width), $result->judged(), $this->ground);
        if ($progress !== null) {
            $progress($count, $count, 'Done', 1.0);
        }

        return new PrepResult($source, $stages, $look);
    }

    /** What comes out of it, by what is kept of each step: without reports, and without comparing looks. */
    public function outcome(Artwork $source): Artwork
    {
        $key = hash('xxh128', self::ENGINE.serialize($source));
        foreach ($this->steps as $step) {
            $key = hash('xxh128', $key.$step->key().json_encode($step->values(), JSON_THROW_ON_ERROR));
            $kept = $this->cache->get($key);
            if ($kept === null) {
                $kept = self::done($step, $source);
                $this->cache->put($key, ...$kept);
            }
            $source = $kept[0];
        }

        return $source;
    }

    /**
     * What would come out if nothing had some colours: what lies under inks that are printed on others.
     *
     * @param  list<string>  $hexes  #rrggbb, as colours are when hidden parts are removed
     */
    public function outcomeWithout(Artwork $source, array $hexes): Artwork
    {
        foreach ($this->steps as $i => $step) {
            if ($step instanceof RemoveHidden) {
                $before = (new self(array_slice($this->steps, 0, $i), $this->cache))->outcome($source);
                $left = array_filter($before->pieces, static fn (Piece $piece): bool => ! in_array($piece->fill?->colour->hex(), $hexes, true));

                return (new self(array_slice($this->steps, $i), $this->cache))->outcome($before->withPieces(array_values($left)));
            }
        }

        return $this->outcome($source);
    }

    /**
     * A step is done on what is painted; lines that are cut once are laid on what it gives, unless it takes them along itself.
     *
     * @return array{Artwork, StepReport}
     */
    private static function done(Step $step, Artwork $before): array
    {
        [$painted, $cuts] = $step::about()->cuts ? [$before, []] : SingleCuts::apart($before);
        [$after, $report] = self::onPainted($step, $painted);

        return [SingleCuts::laidOn($after, $cuts), $report];
    }

    /** @return array{Artwork, StepReport} */
    private static function onPainted(Step $step, Artwork $before): array
    {
        if ($step instanceof TellsDeeds) {
            $cured = Applied::cure($step, $before);

            return [$cured->artwork, StepReport::of($step, $before, $cured->artwork, 0, $cured)];
        }
        [$after, $slivers] = $step instanceof GivesSlivers ? Applied::slivers($step, $before) : [Applied::step($step, $before), 0];

        return [$after, StepReport::of($step, $before, $after, $slivers)];
    }
}
