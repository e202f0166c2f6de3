<?php

declare(strict_types=1);

namespace NeatEdge\Core\Prepare\Finish;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Described\Field;
use NeatEdge\Core\Described\Values;
use NeatEdge\Core\Flat\Harden;
use NeatEdge\Core\Prepare\AboutStep;
use NeatEdge\Core\Prepare\Described;
use NeatEdge\Core\Prepare\Step;

/** D13: what is soft becomes hard, as no knife gives another edge: along the line where so much is seen, along its own outline, or it is left out. */
final readonly class SoftEdges implements Step
{
    use Described;

    public const HOW = ['harden' => 'Harden where so much is seen', 'outline' => 'Keep the outline', 'drop' => 'Leave the piece out'];

    /** @param  'harden'|'outline'|'drop'  $how */
    public function __construct(public string $how = 'harden', public float $level = 50.0)
    {
    }

    public static function about(): AboutStep
    {
        return new AboutStep(
            'soft-edges',
            'Soft edges',
            'What is soft becomes hard, along a line that a knife can follow.',
            self::fields(),
            12,
            looks: true,
            work: 0.5,
            apart: AboutStep::ENDS,
            byPiece: AboutStep::DRAWN,
        );
    }

    /** @return list<Field> */
    public static function fields(): array
    {
        return [
            Field::choice('how', 'Soft pieces', 'harden', self::HOW),
            Field::number('level', 'Seen along the line, %', 50.0, 2.0, 98.0)->where('how', ['harden']),
        ];
    }

    public static function from(Values $values): self
    {
        /** @var 'harden'|'outline'|'drop' $how */
        $how = $values->choice('how');

        return new self($how, $values->number('level'));
    }

    public function values(): array
    {
        return ['how' => $this->how, 'level' => $this->level];
    }

    public function apply(Artwork $artwork): Artwork
    {
        $tolerance = $artwork->tolerance();
        $pieces = [];
        foreach ($artwork->pieces as $piece) {
            $hard = Harden::piece($piece, $this->how, $this->level / 100, $tolerance);
            if ($hard !== null) {
                $pieces[] = $hard;
            }
        }

        return $artwork->withPieces($pieces);
    }
}
