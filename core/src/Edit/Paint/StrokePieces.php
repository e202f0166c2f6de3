<?php

declare(strict_types=1);

namespace NeatEdge\Core\Edit\Paint;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Paint;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Artwork\Side;
use NeatEdge\Core\Artwork\Stroke;
use NeatEdge\Core\Described\Field;
use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\Described\Values;
use NeatEdge\Core\Edit\About;
use NeatEdge\Core\Edit\Chosen;
use NeatEdge\Core\Edit\Local;
use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Measure\Colour;
use NeatEdge\Core\Stroke\Cap;
use NeatEdge\Core\Stroke\EndKind;
use NeatEdge\Core\Stroke\Join;
use NeatEdge\Core\Stroke\LineEnds;
use NeatEdge\Core\Stroke\StrokeStyle;
use NeatEdge\Core\Stroke\WidthStops;

/** D9: gives pieces a stroke, changes parts of it, or takes it away. What is not named stays as it is. */
final readonly class StrokePieces implements Local
{
    private const USES = ['drawn' => 'Drawn, as wide as it is', 'cut' => 'Cut once, along itself'];

    /** @param  list<string>  $ids */
    public function __construct(private array $ids, private ?Values $values)
    {
    }

    public static function about(string $kind): About
    {
        return new About('Stroke', 'Width, colour, ends, corners, dashes and side.', [
            Field::colour('colour', 'Colour', none: true), Field::length('width', 'Width', 1.0, 0.001, most: 1000.0)->asItIs(),
            Field::choice('cap', 'Ends', '', array_column(Cap::cases(), 'value', 'value')),
            Field::choice('join', 'Corners', '', array_column(Join::cases(), 'value', 'value')),
            Field::number('miter', 'Mitre limit', 4.0, 1.0, 100.0)->asItIs(),
            Field::words('dashes', 'Dashes', Field::LENGTHS, help: 'on and off in turn, such as 4mm 2mm'),
            Field::share('opacity', 'Opacity', 1.0)->asItIs(), Field::signed('dashOffset', 'Dashes begin at')->asItIs(),
            Field::choice('side', 'Side', '', array_column(Side::cases(), 'value', 'value')), Field::choice('profile', 'Profile', '', WidthStops::labels()),
            Field::rows(
                'stops',
                'Width stops',
                [Field::share('at', 'How far along', 0.0)->needed(), Field::number('width', 'Times as wide', 1.0, 0.0, 10.0)->needed()],
                0,
                WidthStops::MOST,
            ),
            Field::choice('use', 'The line is', '', self::USES),
            Field::choice('start', 'Begins with', '', EndKind::labels()), Field::choice('finish', 'Ends with', '', EndKind::labels()),
            Field::number('endSize', 'Size of its ends', 4.0, LineEnds::LEAST, LineEnds::MOST)->asItIs(),
        ]);
    }

    public static function from(Values $values): self
    {
        $self = new self($values->pieces(), $values->none('colour') ? null : $values);
        $self->stroke(null);

        return $self;
    }

    public function label(): string
    {
        return match (true) {
            $this->values === null => 'No stroke',
            $this->values->has('stops'), $this->values->has('profile') => 'Width along the line',
            $this->values->has('use') => 'Drawn or cut once',
            $this->values->has('start'), $this->values->has('finish'), $this->values->has('endSize') => 'Ends of a line',
            $this->values->has('width') => 'Stroke width',
            default => 'Stroke',
        };
    }

    public function apply(Artwork $artwork): Artwork
    {
        return $artwork->mapped(
            fn (Piece $piece): Piece => $piece->with(stroke: self::settled($this->stroke($piece->stroke), $piece)),
            Chosen::in($artwork, $this->ids),
        );
    }

    /** With one width where a closed line begins and ends. */
    private static function settled(?Stroke $stroke, Piece $piece): ?Stroke
    {
        $closed = $piece->shape->contours !== [] && array_filter($piece->shape->contours, static fn (Contour $contour): bool => ! $contour->closed) === [];

        return $stroke?->stops === null || ! $closed ? $stroke : $stroke->with(stops: $stroke->stops->closed());
    }

    private function stroke(?Stroke $now): ?Stroke
    {
        $in = $this->values;
        if ($in === null) {
            return null;
        }
        $now ??= new Stroke(new Paint(Colour::ink()), new StrokeStyle(1.0));
        $style = $now->style;
        $opacity = $in->number('opacity', $now->paint->gradient === null ? $now->paint->opacity : 1.0);
        $paint = $now->paint;
        $colour = $in->colour('colour');
        if ($colour !== null) {
            $paint = new Paint($colour, $opacity);
        } elseif ($in->has('opacity')) {
            $paint = FillPieces::atOpacity($paint, $opacity) ?? $paint;
        }
        // A typed width holds on the bench: a pen that was stretched is round again.
        $pen = $in->has('width') ? null : $now->pen;
        $dashes = $in->has('dashes') ? self::dashes($in) : $style->dashes;

        return new Stroke(
            $paint,
            new StrokeStyle(
                $in->length('width', $style->width),
                Cap::from($in->choice('cap', $style->cap->value)),
                Join::from($in->choice('join', $style->join->value)),
                $in->number('miter', $style->miterLimit),
                $dashes,
                $in->length('dashOffset', $style->dashOffset),
            ),
            $pen,
            Side::from($in->choice('side', $now->side->value)),
            self::stops($in, $now->stops),
            $in->has('use') ? $in->choice('use') === 'cut' : $now->cut,
            self::ends($in, $now->ends),
        );
    }

    private static function ends(Values $in, ?LineEnds $now): ?LineEnds
    {
        $now ??= new LineEnds(EndKind::Plain, EndKind::Plain);
        $ends = new LineEnds(
            EndKind::from($in->choice('start', $now->start->value)),
            EndKind::from($in->choice('finish', $now->finish->value)),
            $in->number('endSize', $now->size),
        );

        return $ends->isNone() ? null : $ends;
    }

    /** @return list<float> mm */
    private static function dashes(Values $in): array
    {
        $dashes = $in->lengths('dashes');
        if ($dashes !== [] && array_sum($dashes) < 0.01) {
            throw Refused::because('Dashes of no length cannot be drawn.');
        }

        return count($dashes) % 2 === 1 ? [...$dashes, ...$dashes] : $dashes;
    }

    private static function stops(Values $in, ?WidthStops $now): ?WidthStops
    {
        $profiles = WidthStops::profiles();
        if ($in->has('profile')) {
            $stops = $profiles[$in->choice('profile')][1];

            return $stops === [] ? null : new WidthStops($stops);
        }
        if (! $in->has('stops')) {
            return $now;
        }
        $widths = [];
        foreach ($in->rows('stops') as $stop) {
            $widths[] = [$stop->number('at'), $stop->number('width')];
        }
        usort($widths, static fn (array $a, array $b): int => $a[0] <=> $b[0]);

        return $widths === [] ? null : new WidthStops($widths);
    }
}
