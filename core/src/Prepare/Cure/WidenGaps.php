<?php

declare(strict_types=1);

namespace NeatEdge\Core\Prepare\Cure;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Described\Field;
use NeatEdge\Core\Described\Values;
use NeatEdge\Core\Measure\Limits;
use NeatEdge\Core\Measure\ThinPlace;
use NeatEdge\Core\Prepare\AboutStep;
use NeatEdge\Core\Prepare\Described;
use NeatEdge\Core\Prepare\TellsDeeds;
use NeatEdge\Core\Prepare\UnderLimits;

/** Gaps narrower than the limit are widened to it from both sides. */
final readonly class WidenGaps implements TellsDeeds, UnderLimits
{
    use Described;

    /**
     * @param  float  $width  mm; the limit of the ticket when nought
     * @param  float  $keep  mm: the other limit, which no cure may break; that of the ticket when nought
     */
    public function __construct(private float $width = 0.0, private float $keep = 0.0, private bool $fill = true, private ?Places $at = null)
    {
    }

    public static function about(): AboutStep
    {
        return new AboutStep('widen-gaps', 'Widen gaps', 'Gaps narrower than the limit are widened to it from both sides.', [
            Field::length('width', 'Least gap', 0.0, 0.0, 'as the ticket says when nought', 1000.0),
            Field::length('keep', 'Least line beside', 0.0, 0.0, 'as the ticket says when nought', 1000.0),
            Field::flag('fill', 'Fill where there is no room', true, 'a gap that cannot be widened without making a line thin is filled'),
            Field::words('at', 'Only at', Field::PLACES),
        ], 72, ['merge-by-colour' => 'Widths are those of what becomes one piece: merge before.',
            'remove-hidden' => 'Only what is seen is measured: remove what is hidden before.'], true, 1.5, apart: AboutStep::MAKES);
    }

    public static function from(Values $values): self
    {
        return new self($values->length('width'), $values->length('keep'), $values->flag('fill'), Places::from($values));
    }

    public function values(): array
    {
        return ['width' => $this->width, 'keep' => $this->keep, 'fill' => $this->fill, 'at' => $this->at?->text() ?? ''];
    }

    public function under(Limits $limits): static
    {
        return new self($this->width > 0 ? $this->width : $limits->gap, $this->keep > 0 ? $this->keep : $limits->line, $this->fill, $this->at);
    }

    public function apply(Artwork $artwork): Artwork
    {
        return $this->cure($artwork)->artwork;
    }

    public function cure(Artwork $artwork): Cured
    {
        if ($this->width <= 0) {
            return new Cured($artwork);
        }
        $places = $this->at ?? Places::all();

        return ToLimits::cured(
            Flat::of($artwork),
            new Limits($this->keep, $this->width),
            [Target::GAP],
            static fn (string $kind, int $piece, ThinPlace $place): bool => $places->runThrough($place),
            $this->fill,
        );
    }
}
