<?php

declare(strict_types=1);

namespace NeatEdge\Core\Check;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Measure\Colour;
use NeatEdge\Core\Measure\Limits;
use NeatEdge\Core\Prepare\Colours\ColourAreas;
use NeatEdge\Core\Prepare\Colours\Joining;
use NeatEdge\Core\Prepare\Colours\Tints;

/** C6: more colours than materials or inks, and colours that are hardly told apart. */
final readonly class ColourCount implements Rule
{
    /** CIEDE2000 under which two colours are taken for one that was meant. */
    private const NEAR = 3.0;

    public function __construct(private Limits $limits)
    {
    }

    public static function about(): array
    {
        return [
            new AboutFinding('too-many-colours', 'Too many colours', 'There are more colours than the job has materials or inks.', 'colours'),
            new AboutFinding('near-colour', 'Near colour', 'Two colours are hardly told apart; each becomes a sheet of its own.'),
        ];
    }

    public function findings(Artwork $source, Artwork $merged): array
    {
        $areas = ColourAreas::seen($merged);
        $findings = [];
        // Where tints are dots, those of a colour are no colour more.
        $tints = $this->limits->gradients ? Tints::of(array_map(strval(...), array_keys($areas)), [new Colour(255, 255, 255)]) : [];
        $count = count($areas) - count($tints);
        if ($this->limits->colours > 0 && $count > $this->limits->colours) {
            $findings[] = new Finding('too-many-colours', Severity::Serious, sprintf('%d colours are seen; the job has %d.', $count, $this->limits->colours));
        }
        foreach (Joining::near($areas, self::NEAR) as $step) {
            if (Colour::fromHex($step['from'])->isNearBlack() && Colour::fromHex($step['to'])->isNearBlack()) {
                // Near-blacks have a finding of their own.
                continue;
            }
            $at = null;
            $id = null;
            foreach ($merged->pieces as $piece) {
                if ($piece->fill?->colour->hex() === $step['from']) {
                    [$at, $id] = [$piece->box()?->middle(), $piece->id];
                }
            }
            $findings[] = new Finding(
                'near-colour',
                Severity::Warning,
                sprintf('%s is hardly told from %s and becomes a sheet of its own.', $step['from'], $step['to']),
                $at,
                piece: $id,
                sheet: $step['from'],
            );
        }

        return $findings;
    }
}
