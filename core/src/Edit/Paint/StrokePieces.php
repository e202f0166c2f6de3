<?php

declare(strict_types=1);

namespace NeatEdge\Core\Edit\Paint;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Colour;
use NeatEdge\Core\Artwork\Field;
use NeatEdge\Core\Artwork\Paint;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Artwork\Side;
use NeatEdge\Core\Artwork\Stroke;
use NeatEdge\Core\Edit\About;
use NeatEdge\Core\Edit\Chosen;
use NeatEdge\Core\Edit\EditRefused;
use NeatEdge\Core\Edit\Input;
use NeatEdge\Core\Edit\Local;
use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Stroke\Cap;
use NeatEdge\Core\Stroke\Join;
use NeatEdge\Core\Stroke\StrokeStyle;
use NeatEdge\Core\Stroke\WidthStops;

/** D9: gives pieces a stroke, changes parts of it, or takes it away. What is not named stays as it is. */
final readonly class StrokePieces implements Local
{
    private const USES = ['drawn' => 'Drawn, as wide as it is', 'cut' => 'Cut once, along itself'];

    /** @param  list<string>  $ids */
    public function __construct(private array $ids, private ?Input $input)
    {
    }

    public static function about(string $kind): About
    {
        return new About('Stroke', 'Width, colour, ends, corners, dashes and side.', [Field::words('colour', 'Colour', Field::COLOUR), Field::length('width', 'Width', 1.0), Field::words('cap', 'Ends'), Field::words('join', 'Corners'), Field::number('miter', 'Mitre limit', 4.0), Field::words('dashes', 'Dashes', Field::DATA), Field::share('opacity', 'Opacity', 1.0), Field::length('dashOffset', 'Dashes begin at', 0.0, -1e5), Field::words('side', 'Side'), Field::words('profile', 'Profile'), Field::words('stops', 'Width stops', Field::DATA), Field::choice('use', 'The line is', 'drawn', self::USES)]);
    }

    public static function from(Input $input): self
    {
        $self = new self($input->pieces(), $input->has('colour') && $input->text('colour', 20) === 'none' ? null : $input);
        $self->stroke(null);

        return $self;
    }

    /** @throws EditRefused for what is no colour such as #1d5c46 */
    public static function colour(string $text): Colour
    {
        return preg_match('/^#[0-9a-f]{6}$/i', $text) === 1 ? Colour::fromHex(strtolower($text)) : throw EditRefused::because('A colour is written as # and six digits, such as #1d5c46.');
    }

    public function label(): string
    {
        return match (true) {
            $this->input === null => 'No stroke',
            $this->input->has('stops'), $this->input->has('profile') => 'Width along the line',
            $this->input->has('use') => 'Drawn or cut once',
            $this->input->has('width') => 'Stroke width',
            default => 'Stroke',
        };
    }

    public function apply(Artwork $artwork): Artwork
    {
        return $artwork->mapped(fn (Piece $piece): Piece => $piece->with(stroke: self::settled($this->stroke($piece->stroke), $piece)), Chosen::in($artwork, $this->ids));
    }

    /** With one width where a closed line begins and ends. */
    private static function settled(?Stroke $stroke, Piece $piece): ?Stroke
    {
        $closed = $piece->shape->contours !== [] && array_filter($piece->shape->contours, static fn (Contour $contour): bool => ! $contour->closed) === [];

        return $stroke?->stops === null || ! $closed ? $stroke : $stroke->with(stops: $stroke->stops->closed());
    }

    private function stroke(?Stroke $now): ?Stroke
    {
        $in = $this->input;
        if ($in === null) {
            return null;
        }
        $now ??= new Stroke(new Paint(Colour::ink()), new StrokeStyle(1.0));
        $style = $now->style;
        $opacity = $in->number('opacity', $now->paint->gradient === null ? $now->paint->opacity : 1.0, 0.0, 1.0);
        $paint = $now->paint;
        if ($in->has('colour')) {
            $paint = new Paint(self::colour($in->text('colour', 20)), $opacity);
        } elseif ($in->has('opacity')) {
            $paint = FillPieces::atOpacity($paint, $opacity) ?? $paint;
        }
        // A typed width holds on the bench: a pen that was stretched is round again.
        $pen = $in->has('width') ? null : $now->pen;
        $dashes = $in->has('dashes') ? self::dashes($in) : $style->dashes;

        return new Stroke(
            $paint,
            new StrokeStyle(
                $in->length('width', $style->width, 0.001, 1000.0),
                Cap::from($in->choice('cap', array_column(Cap::cases(), 'value'), $style->cap->value)),
                Join::from($in->choice('join', array_column(Join::cases(), 'value'), $style->join->value)),
                $in->number('miter', $style->miterLimit, 1.0, 100.0),
                $dashes,
                $in->length('dashOffset', $style->dashOffset),
            ),
            $pen,
            Side::from($in->choice('side', array_column(Side::cases(), 'value'), $now->side->value)),
            self::stops($in, $now->stops),
            $in->has('use') ? $in->choice('use', array_keys(self::USES)) === 'cut' : $now->cut,
        );
    }

    /** @return list<float> mm */
    private static function dashes(Input $in): array
    {
        $text = trim($in->text('dashes'));
        $out = [];
        foreach (preg_split('/[\\s;]+/', $text, -1, PREG_SPLIT_NO_EMPTY) ?: [] as $part) {
            $out[] = (new Input(['dash' => $part], $in->fonts, $in->unit))->length('dash', null, 0.0, 1000.0);
        }
        if (count($out) > 20 || ($out !== [] && array_sum($out) < 0.01)) {
            throw EditRefused::because('Dashes are up to twenty lengths in turn, on and off, such as 4mm 2mm.');
        }

        return count($out) % 2 === 1 ? [...$out, ...$out] : $out;
    }

    private static function stops(Input $in, ?WidthStops $now): ?WidthStops
    {
        $profiles = WidthStops::profiles();
        if ($in->has('profile')) {
            $stops = $profiles[$in->choice('profile', array_keys($profiles))][1];

            return $stops === [] ? null : new WidthStops($stops);
        }
        if (! $in->has('stops')) {
            return $now;
        }
        $out = [];
        foreach ($in->nested('stops') ?? [] as $stop) {
            $pair = (new Input(['stop' => $stop], $in->fonts))->numbers('stop', 2, 2);
            if ($pair[0] < 0 || $pair[0] > 1 || $pair[1] < 0 || $pair[1] > 10) {
                throw EditRefused::because('A width stop lies on the line, and is nought to ten times as wide as the stroke.');
            }
            $out[] = [$pair[0], $pair[1]];
        }
        if (count($out) > WidthStops::MOST) {
            throw EditRefused::because(sprintf('A line takes at most %d width stops.', WidthStops::MOST));
        }
        usort($out, static fn (array $a, array $b): int => $a[0] <=> $b[0]);

        return $out === [] ? null : new WidthStops($out);
    }
}
