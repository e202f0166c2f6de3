<?php

declare(strict_types=1);

namespace NeatEdge\Core\Prepare\Cure;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Described\Field;
use NeatEdge\Core\Described\Values;
use NeatEdge\Core\Measure\Limits;
use NeatEdge\Core\Measure\ThinPlace;

/** What steps have in common that bring lines to the least width: what they take, and how it is made. A step says by CURES which kind of Target it is about. */
trait CuresLines
{
    /**
     * @param  float  $width  mm; the limit of the ticket when nought
     * @param  float  $keep  mm: the least gap, which no cure may break; that of the ticket when nought
     */
    public function __construct(private readonly float $width = 0.0, private readonly float $keep = 0.0, private readonly ?Places $at = null)
    {
    }

    /** @return list<Field> */
    private static function fields(): array
    {
        return [
            Field::length('width', 'Least line', 0.0, 0.0, 'as the ticket says when nought', 1000.0),
            Field::length('keep', 'Least gap beside', 0.0, 0.0, 'as the ticket says when nought', 1000.0),
            Field::words('at', 'Only at', Field::PLACES),
        ];
    }

    public static function from(Values $values): self
    {
        return new self($values->length('width'), $values->length('keep'), Places::from($values));
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

        return ToLimits::cured(
            Flat::of($artwork),
            new Limits($this->width, $this->keep),
            static::CURES,
            static fn (string $kind, int $piece, ThinPlace $place): bool => $places->runThrough($place),
        );
    }
}
