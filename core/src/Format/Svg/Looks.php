<?php

declare(strict_types=1);

namespace NeatEdge\Core\Format\Svg;

use Closure;
use NeatEdge\Core\Artwork\Blend;
use NeatEdge\Core\Artwork\Paint;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Artwork\SoftLook;
use NeatEdge\Core\Check\Severity;
use NeatEdge\Core\Format\Notes;
use NeatEdge\Core\Geometry\Box;
use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\Matrix;
use NeatEdge\Core\Geometry\Point;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Measure\Colour;

/**
 * What a drawing says of how its elements look as a whole: soft edges, shadows, blends. What cannot be kept is named.
 *
 * @phpstan-import-type Filtered from Filters
 */
final class Looks
{
    /** Whether the filter mixes in linear light. */
    private bool $linear = false;

    /** @param  Closure(): (Point|null)  $place  of the element, for what is said of it */
    public function __construct(
        private readonly Canvas $canvas,
        private readonly Notes $notes,
        private readonly Definitions $definitions,
        private readonly Closure $place,
    ) {
    }

    /** @return list<Filtered>|null layers that an element's filter makes of it; null where it has none that is taken, which is said */
    public function filter(Scope $scope): ?array
    {
        $text = $scope->style->get('filter');
        if (Definitions::reference($text) === null && preg_match('/^[a-z-]+\(/', $text) !== 1) {
            return null;
        }
        $layers = Filters::read($text, $this->definitions, $scope, $this->linear);
        if ($layers === null) {
            $this->notes->add(
                'filter',
                'A filter that is neither a soft edge nor a shadow is not taken: what it is on is drawn without it.',
                Severity::Serious,
                ($this->place)(),
            );
        }

        return $layers;
    }

    /**
     * Makes of what was drawn since a mark what its filter makes of it, within what clips it.
     *
     * @param  list<Filtered>  $layers
     */
    public function apply(array $layers, int $mark, Scope $scope): void
    {
        $softens = array_filter($layers, static fn (array $layer): bool => $layer['edge'] > 0) !== [];
        $this->canvas->severalTogether($mark);
        $pieces = $this->canvas->takeSince($mark);
        if ($softens && count($pieces) > 1) {
            $this->notes->once(
                'filter',
                'What is blurred as one is blurred piece by piece: where pieces touch, a seam may show.',
                Severity::Warning,
                ($this->place)(),
            );
        }
        $many = array_filter($pieces, static fn (Piece $piece): bool => $piece->fill?->gradient !== null || ($piece->fill !== null && $piece->stroke !== null));
        if ($this->linear && (count($layers) > 1 || count($pieces) > 1 || $many !== [])) {
            $this->notes->once(
                'filter',
                'Soft colours that its file mixes in linear light are mixed as screens do it: where they run into each other they may be a little darker.',
                Severity::Note,
                ($this->place)(),
            );
        }
        $m = $scope->matrix;
        $scale = $m->meanScale();
        $moved = static fn (array $by): Matrix => Matrix::translation($m->a * $by['dx'] + $m->c * $by['dy'], $m->b * $by['dx'] + $m->d * $by['dy']);
        foreach ($layers as $layer) {
            $move = $moved($layer);
            $from = $this->canvas->mark();
            foreach ($pieces as $piece) {
                $piece = $piece->transformed($move);
                $soft = $piece->soft ?? new SoftLook;
                $look = $layer['edge'] <= 0 ? $piece->soft
                    : $soft->with(edge: min(SoftLook::WIDEST, hypot($soft->edge, $layer['edge'] * $scale)));
                $this->canvas->add(
                    $piece->shape,
                    self::inColour($piece->fill, $layer['colour']),
                    $piece->stroke?->with(paint: self::inColour($piece->stroke->paint, $layer['colour']) ?? $piece->stroke->paint),
                    $piece->name,
                    $look,
                    $piece->blend,
                );
            }
            foreach ($layer['less'] as $less) {
                $this->canvas->seenThrough($from, self::allBut($pieces, $moved($less), $less['edge'] * $scale));
            }
            $this->canvas->fade($from, $layer['opacity']);
        }
        if ($scope->clips !== []) {
            $this->canvas->put($this->canvas->takeSince($mark), $scope->clips);
        }
    }

    /**
     * A clip that is light everywhere but where pieces lie.
     *
     * @param  list<Piece>  $pieces
     * @return non-empty-list<Piece>
     */
    private static function allBut(array $pieces, Matrix $move, float $edge): array
    {
        $boxes = array_map(static fn (Piece $piece): ?Box => $piece->box()?->grown($piece->stroke?->widths()[1] ?? 0.0), $pieces);
        $box = Box::around(...array_values(array_filter($boxes))) ?? new Box(0.0, 0.0, 1.0, 1.0);
        $box = $box->grown($box->width() + $box->height());
        $black = new Colour(0, 0, 0);
        $dark = array_map(static fn (Piece $piece): Piece => $piece->transformed($move)->with(
            fill: $piece->fill === null ? null : new Paint($black, $piece->fill->opacity),
            stroke: $piece->stroke?->with(paint: new Paint($black, $piece->stroke->paint->opacity)),
            soft: $edge > 0 ? new SoftLook(min(SoftLook::WIDEST, $edge)) : null,
        ), array_slice($pieces, 0, SoftLook::MOST_PIECES - 1));

        $all = Shape::of(Contour::rectangle($box->left, $box->top, $box->width(), $box->height()));

        return [new Piece('k', $all, new Paint(new Colour(255, 255, 255))), ...$dark];
    }

    private static function inColour(?Paint $paint, ?Colour $colour): ?Paint
    {
        return $paint === null || $colour === null ? $paint : new Paint($colour, $paint->opacity);
    }

    /** Lays what was drawn since a mark by the blend that the element asks for, as far as one of ours is the same. */
    public function blend(Scope $scope, int $mark): void
    {
        $name = $scope->style->get('mix-blend-mode');
        if (in_array($name, ['', 'normal'], true)) {
            return;
        }
        $blend = Blend::tryFrom($name);
        if ($blend === null) {
            $says = sprintf('The blend mode "%s" is taken as plain painting.', mb_substr($name, 0, 30));
            $this->notes->add('blend', $says, Severity::Warning, ($this->place)());

            return;
        }
        // A group is blended as one: only what is seen of it.
        $this->canvas->severalTogether($mark);
        $this->canvas->blend($mark, $blend);
    }
}
