<?php

declare(strict_types=1);

namespace NeatEdge\Core\Edit\Layers;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Field;
use NeatEdge\Core\Edit\About;
use NeatEdge\Core\Edit\Edit;
use NeatEdge\Core\Edit\EditRefused;
use NeatEdge\Core\Edit\Input;

/** S3: scales the reference picture so that a marked distance is as long as was typed; the first mark stays where it is. */
final readonly class TrueSize implements Edit
{
    /** @param  array{float, float, float, float}  $marks  x and y of both, mm on the bench */
    public function __construct(private array $marks, private float $length)
    {
    }

    public static function about(string $kind): About
    {
        return new About('True size', 'Set the reference picture by a known distance on it.', [Field::words('marks', 'Both ends', Field::DATA), Field::length('length', 'Distance', 10.0, 0.01)], 0);
    }

    public static function from(Input $input): self
    {
        $n = $input->numbers('marks', 4, 4);

        return new self([$n[0], $n[1], $n[2], $n[3]], $input->length('length', null, 0.01));
    }

    public function label(): string
    {
        return 'Set the reference to true size';
    }

    public function apply(Artwork $artwork): Artwork
    {
        $reference = $artwork->reference ?? throw EditRefused::because('There is no reference picture yet.');
        [$x, $y, $bx, $by] = $this->marks;
        $now = hypot($bx - $x, $by - $y);
        if ($now < 0.01) {
            throw EditRefused::because('The two marks lie on one another; mark a distance on the picture.');
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
