<?php

declare(strict_types=1);

namespace NeatEdge\Core\Prepare;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Prepare\Cure\Cured;

/** A step, done: what is known of the art by what the step says of itself (see AboutStep) is known of what it gives, whatever its own code hands on. */
final class Applied
{
    public static function step(Step $step, Artwork $before): Artwork
    {
        return self::known($step, $before, $step->apply($before));
    }

    public static function cure(TellsDeeds $step, Artwork $before): Cured
    {
        $cured = $step->cure($before);

        return $cured->on(self::known($step, $before, $cured->artwork));
    }

    /** @return array{Artwork, int} with the number of slivers that were given to their neighbours */
    public static function slivers(GivesSlivers $step, Artwork $before): array
    {
        [$after, $count] = $step->withoutSlivers($before);

        return [self::known($step, $before, $after), $count];
    }

    private static function known(Step $step, Artwork $before, Artwork $after): Artwork
    {
        $apart = match ($step::about()->apart) {
            AboutStep::MAKES => true,
            AboutStep::KEEPS => $before->apart || $after->apart,
            // Where nothing was done all is as it was.
            AboutStep::ENDS => $before->apart && $after->pieces === $before->pieces,
        };

        return $after->apart === $apart ? $after : $after->with(apart: $apart);
    }
}
