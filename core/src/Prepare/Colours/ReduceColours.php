<?php

declare(strict_types=1);

namespace NeatEdge\Core\Prepare\Colours;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Described\Field;
use NeatEdge\Core\Described\Values;
use NeatEdge\Core\Measure\Colour;
use NeatEdge\Core\Measure\Limits;
use NeatEdge\Core\Prepare\AboutStep;
use NeatEdge\Core\Prepare\Described;
use NeatEdge\Core\Prepare\UnderLimits;

/** X1: cut down to so many colours; each time the two join of which it changes the picture least. Black, white and those that are named stay. */
final readonly class ReduceColours implements UnderLimits
{
    use Described;

    private const MOST = 200;

    /** Of 255: all channels beyond are white, all under the rest black. */
    private const NEARLY = 8;

    /**
     * @param  list<string>  $kept  hex
     * @param  bool  $tints  whether the process gives tints: then those of a colour count with it, and stay
     */
    public function __construct(private int $count, private array $kept = [], private bool $tints = false)
    {
    }

    public static function about(): AboutStep
    {
        return new AboutStep('reduce-colours', 'Cut down colours', 'As many colours as there are materials or inks; each time the two join of which it'
            .' changes the picture least.', [
                Field::count('count', 'Down to', 0, 0, self::MOST),
                Field::words('keep', 'Keep', Field::COLOURS, help: 'colours that stay, such as #1d5c46 #e0a030'),
            ], 32, looks: true, work: 0.3, cuts: true, apart: AboutStep::KEEPS, byPiece: AboutStep::SEEN);
    }

    public static function from(Values $values): self
    {
        $kept = array_map(static fn (Colour $colour): string => $colour->hex(), $values->colours('keep'));

        return new self($values->count('count'), $kept);
    }

    public function values(): array
    {
        return ['count' => $this->count, 'keep' => implode(' ', $this->kept)];
    }

    public function under(Limits $limits): static
    {
        return new self($this->count > 0 ? $this->count : $limits->colours, $this->kept, $limits->gradients);
    }

    public function apply(Artwork $artwork): Artwork
    {
        if ($this->count < 1) {
            return $artwork;
        }
        $areas = ColourAreas::seen($artwork);
        foreach ($this->tints ? Tints::of(array_map(strval(...), array_keys($areas)), [new Colour(255, 255, 255)], $this->kept) : [] as $tint => [$ink]) {
            $areas[$ink] += $areas[$tint];
            unset($areas[$tint]);
        }
        $plain = array_filter(array_map(strval(...), array_keys($areas)), static function (string $hex): bool {
            $c = Colour::fromHex($hex);

            return min($c->red, $c->green, $c->blue) > 255 - self::NEARLY || max($c->red, $c->green, $c->blue) < self::NEARLY;
        });

        return ColourAreas::mapped($artwork, Joining::ends(Joining::downTo($areas, $this->count, [...$plain, ...$this->kept])));
    }
}
