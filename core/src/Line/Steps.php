<?php

declare(strict_types=1);

namespace NeatEdge\Core\Line;

use NeatEdge\Core\Artwork\LineStep;
use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\Described\Values;
use NeatEdge\Core\Measure\Limits;
use NeatEdge\Core\Prepare\AboutStep;
use NeatEdge\Core\Prepare\CleanNodes;
use NeatEdge\Core\Prepare\Colours\JoinNearColours;
use NeatEdge\Core\Prepare\Colours\ReduceColours;
use NeatEdge\Core\Prepare\Cure\BluntPoints;
use NeatEdge\Core\Prepare\Cure\Islands;
use NeatEdge\Core\Prepare\Cure\SmallHoles;
use NeatEdge\Core\Prepare\Cure\Thicken;
use NeatEdge\Core\Prepare\Cure\WidenGaps;
use NeatEdge\Core\Prepare\Finish\CloseLines;
use NeatEdge\Core\Prepare\Finish\DropDoubled;
use NeatEdge\Core\Prepare\Finish\FitPage;
use NeatEdge\Core\Prepare\Finish\FlatGradients;
use NeatEdge\Core\Prepare\Finish\Mirror;
use NeatEdge\Core\Prepare\Finish\OffsetAll;
use NeatEdge\Core\Prepare\Finish\RoundAllCorners;
use NeatEdge\Core\Prepare\Finish\ScaleTo;
use NeatEdge\Core\Prepare\Finish\SoftEdges;
use NeatEdge\Core\Prepare\Finish\Stack;
use NeatEdge\Core\Prepare\JoinNearBlacks;
use NeatEdge\Core\Prepare\MergeByColour;
use NeatEdge\Core\Prepare\OutlineStrokes;
use NeatEdge\Core\Prepare\RemoveHidden;
use NeatEdge\Core\Prepare\SolidColours;
use NeatEdge\Core\Prepare\Step;
use NeatEdge\Core\Prepare\UnderLimits;
use NeatEdge\Core\Type\FontShelf;

/** The registry of steps. A new step is one class and one line here. */
final class Steps
{
    /** @var list<class-string<Step>> */
    private const ALL = [
        ScaleTo::class, CloseLines::class, DropDoubled::class, OutlineStrokes::class, SoftEdges::class, FlatGradients::class, SolidColours::class,
        JoinNearBlacks::class, JoinNearColours::class, ReduceColours::class, RemoveHidden::class, FitPage::class, MergeByColour::class,
        Islands::class, SmallHoles::class, BluntPoints::class, Thicken::class, WidenGaps::class, RoundAllCorners::class, OffsetAll::class,
        CleanNodes::class, Stack::class, Mirror::class, TouchUp::class,
    ];

    /** @return array<string, AboutStep> by kind, in the order in which they are proposed */
    public static function catalogue(): array
    {
        $steps = [];
        foreach (self::ALL as $class) {
            $about = $class::about();
            $steps[$about->kind] = $about;
        }

        return $steps;
    }

    public static function about(string $kind): AboutStep
    {
        return self::catalogue()[$kind] ?? throw Refused::because('There is no such step.');
    }

    /**
     * @param  array<mixed>  $values  as they were typed or stored
     * @param  string  $unit  of lengths without one
     *
     * @throws Refused
     */
    public static function make(string $kind, array $values = [], string $unit = 'mm', ?FontShelf $fonts = null): Step
    {
        foreach (self::ALL as $class) {
            if ($class::about()->kind === $kind) {
                return $class::from(Values::read($class::about()->fields, $values, $unit, $fonts));
            }
        }
        throw Refused::because('There is no such step.');
    }

    /** A step as it is stored in a line, made; with what it leaves to the ticket taken from there. */
    public static function of(LineStep $step, ?Limits $limits = null): Step
    {
        $made = self::make($step->kind, $step->values);

        return $made instanceof UnderLimits && $limits !== null ? $made->under($limits) : $made;
    }
}
