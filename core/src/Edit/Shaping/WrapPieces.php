<?php

declare(strict_types=1);

namespace NeatEdge\Core\Edit\Shaping;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Artwork\Recipe;
use NeatEdge\Core\Artwork\References;
use NeatEdge\Core\Described\Field;
use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\Described\Values;
use NeatEdge\Core\Edit\About;
use NeatEdge\Core\Edit\Chosen;
use NeatEdge\Core\Edit\Edit;
use NeatEdge\Core\Edit\Mark;
use NeatEdge\Core\Edit\ShowsMarks;
use NeatEdge\Core\Geometry\Box;
use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\Cubic;
use NeatEdge\Core\Geometry\Matrix;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Recipe\Border\BorderAround;
use NeatEdge\Core\Recipe\Wrap\Net;
use NeatEdge\Core\Recipe\Wrap\Perspective;
use NeatEdge\Core\Recipe\Wrap\RoundThing;
use NeatEdge\Core\Recipe\Wrap\Wrap;

/** P12: the chosen pieces are bent together by one frame: by number, or with four sides drawn. It stays adjustable until it is turned into plain curves. */
final readonly class WrapPieces implements Edit, ShowsMarks
{
    public const KINDS = [
        'arc' => 'Arch, both sides', 'arch' => 'Arch over a straight base', 'bulge' => 'Bulge', 'flag' => 'Wave', 'cone' => 'Taper', 'round' => 'Round thing',
        'flat' => 'Flat thing at an angle',
        'net' => 'Net of knots',
        'drawn' => 'Drawn sides',
    ];

    /**
     * @param  list<string>  $ids
     * @param  list<list<float>>|null  $sides  of a drawn frame
     */
    public function __construct(
        private array $ids,
        private string $kind,
        private float $amount,
        private ?array $sides,
        private bool $off,
        private ?RoundThing $round = null,
        private ?NetPulled $net = null,
    ) {
    }

    public static function about(string $kind): About
    {
        return new About('Wrap', 'Bend by a frame with curved sides.', [
            Field::choice('shape', 'Frame', 'arc', self::KINDS),
            Field::share('amount', 'Amount', 0.3, -1.0, 1.0)->where('shape', ['arc', 'arch', 'bulge', 'flag', 'cone', 'flat']),
            Field::words('frame', 'Sides', Field::PATH, help: 'one closed line of four segments, clockwise from the upper left corner; of a net its lines'),
            ...self::roundFields(),
            ...NetPulled::fields(),
            Field::flag('off', 'Off', false),
        ], under: About::BORDERS, key: 'F');
    }

    /** @return list<Field> measures of a round thing */
    private static function roundFields(): array
    {
        return array_map(static fn (Field $field): Field => $field->where('shape', ['round']), [
            Field::length('round', 'Diameter', 82.0, 1.0, 'of what it is laid round; above, where it is not the same below', 20_000.0),
            Field::length('below', 'Diameter below', 0.0, 0.0, 'as above when nought', 20_000.0),
            Field::length('height', 'Height of it', 95.0, 1.0, 'upright, from one diameter to the other', 20_000.0),
            Field::angle('above', 'Seen from above', 0.0, 0.0, 80.0),
            Field::angle('turn', 'Turned round', 0.0, -180.0, 180.0),
        ]);
    }

    public static function from(Values $values): self
    {
        // A diameter says that it is one.
        $kind = $values->has('round') && ! $values->has('shape') ? 'round' : $values->choice('shape');
        $sides = null;
        if (($kind === 'drawn' || ($kind === 'flat' && $values->has('frame'))) && ! $values->flag('off')) {
            $line = $values->path('frame')[0] ?? null;
            $segments = $line?->segments() ?? [];
            if (count($segments) !== 4) {
                throw Refused::because('A drawn frame has four sides: one closed line of four segments, clockwise from the upper left corner.');
            }
            $sides = [$segments[0], Cubic::reversed($segments[2]), Cubic::reversed($segments[3]), $segments[1]];
        }

        $top = $values->length('round');
        $bottom = $values->length('below');
        $round = $kind === 'round' ? new RoundThing(
            $top, $bottom > 0.0 ? $bottom : $top, $values->length('height'), $values->number('above'), $values->number('turn'),
        ) : null;

        $net = $kind === 'net' ? NetPulled::from($values) : null;

        return new self($values->pieces(), $kind, $values->number('amount'), $sides, $values->flag('off'), $round, $net);
    }

    public function label(): string
    {
        return $this->off ? 'Wrap off' : 'Wrap: '.mb_strtolower(self::KINDS[$this->kind]);
    }

    public function apply(Artwork $artwork): Artwork
    {
        $chosen = Chosen::in($artwork, $this->ids);
        if ($this->off) {
            $flat = static fn (Piece $one): Piece => $one->recipe?->change(Wrap::class) === null ? $one : $one->withRecipe($one->recipe->without(Wrap::class));

            return $artwork->mapped(static fn (Piece $piece): Piece => self::withClips($piece, $flat), $chosen);
        }
        $box = self::frameBox($chosen);
        $sides = $this->sidesOf($box);
        $flat = $this->kind === 'flat' ? self::corners($sides) : null;
        $net = $this->net?->of($box, $chosen);
        $fold = (new Wrap($box, $sides, Matrix::identity(), [], $this->round, $flat, $net))->fold();
        if ($fold !== null) {
            throw Refused::because(sprintf('The frame folds over itself at %.1f, %.1f; bend it less.', ...$fold));
        }

        $values = $this->round === null ? ['shape' => $this->kind, 'amount' => $this->amount] : [
            'shape' => 'round', 'round' => $this->round->top, 'below' => $this->round->bottom, 'height' => $this->round->height,
            'above' => $this->round->above, 'turn' => $this->round->turn,
        ];
        $values = $net === null ? $values : ['shape' => 'net', 'across' => count($net->columns), 'down' => count($net->rows)];
        $wrapped = $artwork->mapped(function (Piece $piece) use ($box, $sides, $chosen, $values, $flat, $net): Piece {
            $leaders = array_intersect(References::of($piece), array_keys($chosen));
            if ($piece->recipe?->base instanceof BorderAround && $leaders !== []) {
                // It goes round what was bent by itself.
                return $piece;
            }
            // What follows a piece that is bent along would be bent twice.
            $piece = References::following($piece, array_fill_keys($leaders, null));

            return self::withClips($piece, function (Piece $one) use ($box, $sides, $values, $flat, $net): Piece {
                $recipe = Recipe::of($one);
                $lay = $recipe->change(Wrap::class)->lay ?? $recipe->matrix;

                return $one->withRecipe($recipe->changed(new Wrap($box, $sides, $lay, $values, $this->round, $flat, $net)));
            });
        }, $chosen);
        $seen = array_filter($wrapped->pieces, static fn (Piece $piece): bool => isset($chosen[$piece->id]) && ! $piece->shape->isEmpty());
        if ($this->round !== null && $seen === []) {
            throw Refused::because('None of it can be seen from there; turn it.');
        }

        return $wrapped;
    }

    /**
     * The same done to a piece and to all that it is seen through.
     *
     * @param  callable(Piece): Piece  $do
     */
    private static function withClips(Piece $piece, callable $do): Piece
    {
        $clip = $piece->clip === null ? null : self::withClips($piece->clip, $do);
        $look = $piece->soft?->with(clips: array_map(
            static fn (array $one): array => array_map(static fn (Piece $part): Piece => self::withClips($part, $do), $one),
            $piece->soft->clips,
        ));

        return $do($piece->with(clip: $clip, soft: $look));
    }

    /** @return list<list<float>> see Wrap */
    private function sidesOf(Box $box): array
    {
        $amount = $this->round === null && $this->net === null ? $this->amount : 0.0;

        return $this->sides ?? Wrap::frame($this->kind === 'flat' ? 'cone' : $this->kind, $box, $amount);
    }

    /**
     * Where a flat thing's corners are seen; that its sides are bent says nothing of it.
     *
     * @param  list<list<float>>  $sides
     */
    private static function corners(array $sides): Perspective
    {
        [$top, $bottom] = $sides;

        return new Perspective([$top[0], $top[1], $top[6], $top[7], $bottom[6], $bottom[7], $bottom[0], $bottom[1]]);
    }

    /**
     * Round what was there before it was wrapped, where all were wrapped by one frame.
     *
     * @param  array<string, Piece>  $chosen
     */
    private static function frameBox(array $chosen): Box
    {
        $boxes = [];
        foreach ($chosen as $piece) {
            $wrap = $piece->recipe?->change(Wrap::class);
            $boxes[$wrap === null ? '' : serialize($wrap->box)] = $wrap?->box;
        }
        $only = count($boxes) === 1 ? array_values($boxes)[0] : null;

        return $only ?? Chosen::box($chosen);
    }

    public function marks(Artwork $artwork): array
    {
        $chosen = Chosen::in($artwork, $this->ids);
        if ($this->round !== null) {
            return [];
        }
        $box = self::frameBox($chosen);
        if ($this->net !== null) {
            return $this->net->marks($box, $chosen);
        }
        [$top, $bottom, $left, $right] = $this->sidesOf($box);
        $frame = Contour::ofSegments(array_map(Net::handled(...), [$top, $right, Cubic::reversed($bottom), Cubic::reversed($left)]), true);
        $marks = [new Mark(
            'frame',
            $top[0],
            $top[1],
            '',
            Shape::of($frame),
            implode(' ', array_map(static fn (float $n): string => (string) round($n, 4), array_slice($frame->coords, 0, 24))),
        )];
        $flat = $this->kind === 'flat' ? self::corners([$top, $bottom, $left, $right]) : null;
        $fold = (new Wrap($box, [$top, $bottom, $left, $right], Matrix::identity(), flat: $flat))->fold();

        return $fold === null ? $marks : [...$marks, new Mark('fault', $fold[0], $fold[1], 'The frame folds over itself here.')];
    }
}
