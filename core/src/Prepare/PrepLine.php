<?php

declare(strict_types=1);

namespace NeatEdge\Core\Prepare;

use Closure;
use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Colour;
use NeatEdge\Core\Measure\LookDifference;

/** A line of steps over source art that is never overwritten. Each step's outcome is kept by the content that led to it. */
final readonly class PrepLine
{
    /** @param  list<Step>  $steps */
    public function __construct(private array $steps, private StepCache $cache = new MemoryCache, private ?Colour $ground = null)
    {
    }

    /** Grows whenever a step or the engine under it gives another outcome: what was kept of an earlier one is not used again. */
    public const ENGINE = 6;

    /** What steps cost in the mean of drawings with and without strokes, measured against removing what is hidden. */
    private const WORK = ['outline-strokes' => 0.5, 'join-near-blacks' => 0.05, 'solid-colours' => 1.0, 'remove-hidden' => 1.0, 'merge-by-colour' => 0.2, 'clean-nodes' => 0.1];

    private const LOOKING = 0.7;

    /** Steps that are done only where an artist chooses them: they change how the art looks. */
    private const CHOSEN = [JoinNearBlacks::class, SolidColours::class];

    /** @param  Colour|null  $ground  what see-through pieces are laid on where nothing solid lies under them; they stay as they are there when null */
    public static function standard(StepCache $cache = new MemoryCache, float $deviation = 0.005, ?Colour $ground = null): self
    {
        return new self([new OutlineStrokes, new JoinNearBlacks, new SolidColours($ground), new RemoveHidden, new MergeByColour, new CleanNodes($deviation)], $cache, $ground);
    }

    /** The standard line without the steps that are done only where an artist chooses them. */
    public static function usual(StepCache $cache = new MemoryCache): self
    {
        $line = self::standard($cache);

        return $line->only(array_map(static fn (Step $step): string => $step->key(), array_filter($line->steps, static fn (Step $step): bool => ! in_array($step::class, self::CHOSEN, true))));
    }

    /**
     * The standard line with only the named steps.
     *
     * @param  array<string>  $keys
     */
    public function only(array $keys): self
    {
        return new self(array_values(array_filter($this->steps, static fn (Step $step): bool => in_array($step->key(), $keys, true))), $this->cache, $this->ground);
    }

    /** @return list<Step> */
    public function steps(): array
    {
        return $this->steps;
    }

    /** What a step did to the look: asked for by itself, for it costs about as much as the step. */
    public function look(Artwork $before, Artwork $after): LookDifference
    {
        return Look::between($before, $after, $this->ground);
    }

    /**
     * @param  Closure(int, int, string, float): void|null  $progress  told the number of steps done, of all, what is being done, and the share of the whole work
     *                                                                 that is done, 0 to 1; may throw Stopped
     *
     * @throws Stopped
     */
    public function run(Artwork $source, ?Closure $progress = null): PrepResult
    {
        $count = count($this->steps) + 1;
        $key = hash('xxh128', self::ENGINE.($this->ground?->hex() ?? '').serialize($source));
        $artwork = $source;
        $stages = [];
        $work = array_map(fn (Step $step): float => self::WORK[$step->key()] ?? 1.0, $this->steps);
        $all = array_sum($work) + self::LOOKING;
        $done = 0.0;
        foreach ($this->steps as $i => $step) {
            if ($progress !== null) {
                $progress($i, $count, $step->label(), $done / $all);
            }
            $done += $work[$i];
            $key = hash('xxh128', $key.$step->key().json_encode($step->values(), JSON_THROW_ON_ERROR));
            $kept = $this->cache->get($key);
            if ($kept === null) {
                [$after, $slivers] = $step instanceof GivesSlivers ? $step->withoutSlivers($artwork) : [$step->apply($artwork), 0];
                $report = StepReport::of($step, $artwork, $after, $slivers);
                $this->cache->put($key, $after, $report);
            } else {
                [$after, $report] = $kept;
            }
            $stages[] = ['artwork' => $after, 'report' => $report, 'cached' => $kept !== null];
            $artwork = $after;
        }
        if ($progress !== null) {
            $progress($count - 1, $count, 'Compare the looks', $done / $all);
        }
        $look = Look::between($source, $artwork, $this->ground);
        if ($progress !== null) {
            $progress($count, $count, 'Done', 1.0);
        }

        return new PrepResult($source, $stages, $look);
    }
}
