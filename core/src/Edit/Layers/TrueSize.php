<?php

declare(strict_types=1);

namespace NeatEdge\Core\Edit\Layers;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Described\Field;
use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\Described\Values;
use NeatEdge\Core\Edit\About;
use NeatEdge\Core\Edit\Edit;

/** S3: scales the reference picture so that a marked distance is as long as was typed; the first mark stays where it is. */
final readonly class TrueSize implements Edit
{
    /** @param  array{float, float, float, float}  $marks  x and y of both, mm on the bench */
    public function __construct(private array $marks, private float $length)
    {
    }

    public static function about(string $kind): About
    {
        return new About(
            'True size',
            'Set the reference picture by a known distance on it.',
            [Field::numbers('marks', 'Both ends', 4, 4), Field::length('length', 'Distance', 10.0, 0.01)->needed()],
            0,
        );
    }

    public static function from(Values $values): self
    {
        $n = $values->numbers('marks');

        return new self([$n[0], $n[1], $n[2], $n[3]], $values->length('length'));
    }

    public function label(): string
    {
        return 'Set the reference to true size';
    }

    public function apply(Artwork $artwork): Artwork
    {
        $reference = $artwork->reference ?? throw Refused::because('There is no reference picture yet.');
        [$x, $y, $bx, $by] = $this->marks;
        $now = hypot($bx - $x, $by - $y);
        if ($now < 0.01) {
            throw Refused::because('The two marks lie on one another; mark a distance on the picture.');
        }
        $factor = $this->length / $now;

        return $artwork->with(reference: $reference->with(
            x: $x + ($reference->x - $x) * $factor,
            y: $y + ($reference->y - $y) * $factor,
            width: $reference->width * $factor,
            height: $reference->height * $factor,
        ));
    }
}
