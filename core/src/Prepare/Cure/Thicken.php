<?php

declare(strict_types=1);

namespace NeatEdge\Core\Prepare\Cure;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Field;
use NeatEdge\Core\Edit\Input;
use NeatEdge\Core\Measure\Limits;
use NeatEdge\Core\Measure\ThinPlace;
use NeatEdge\Core\Prepare\AboutStep;
use NeatEdge\Core\Prepare\Described;
use NeatEdge\Core\Prepare\TellsDeeds;
use NeatEdge\Core\Prepare\UnderLimits;

/** Lines thinner than the limit are brought to it along their middle; nothing else moves. */
final readonly class Thicken implements TellsDeeds, UnderLimits
{
    use Described;

    /**
     * @param  float  $width  mm; the limit of the ticket when nought
     * @param  float  $keep  mm: the other limit, which no cure may break; that of the ticket when nought
     */
    public function __construct(private float $width = 0.0, private float $keep = 0.0, private ?Places $at = null)
    {
    }

    public static function about(): AboutStep
    {
        return new AboutStep('thicken', 'Thicken lines', 'Lines thinner than the limit are brought to it along their middle; nothing else moves.', [
            Field::length('width', 'Least line', 0.0, 0.0, 'as the ticket says when nought'),
            Field::length('keep', 'Least gap beside', 0.0, 0.0, 'as the ticket says when nought'),
            Field::words('at', 'Only at', Field::PLACES),
        ], 70, ['merge-by-colour' => 'Widths are those of what becomes one piece: merge before.', 'remove-hidden' => 'Only what is seen is measured: remove what is hidden before.'], true, 1.5);
    }

    public static function from(Input $input): self
    {
        return new self($input->length('width', 0.0, 0.0, 1000.0), $input->length('keep', 0.0, 0.0, 1000.0), Places::from($input));
    }

    public function values(): array
    {
        return ['width' => $this->width, 'keep' => $this->keep, 'at' => $this->at?->text() ?? ''];
    }

    public function under(Limits $limits): static
    {
        return new self($this->width > 0 ? $this->width : $limits->line, $this->keep > 0 ? $this->keep : $limits->gap, $this->at);
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

        return ToLimits::cured(Flat::of($artwork), new Limits($this->width, $this->keep), [Target::LINE], static fn (string $kind, int $piece, ThinPlace $place): bool => $places->runThrough($place), true);
    }
}
