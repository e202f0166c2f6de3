<?php

declare(strict_types=1);

namespace NeatEdge\Core\Edit\Letters;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Recipe;
use NeatEdge\Core\Described\Field;
use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\Described\Values;
use NeatEdge\Core\Edit\About;
use NeatEdge\Core\Edit\Adding;
use NeatEdge\Core\Edit\NewPiece;
use NeatEdge\Core\Geometry\Matrix;
use NeatEdge\Core\Recipe\Letters\Lettering;
use NeatEdge\Core\Recipe\Letters\StandingOn;
use NeatEdge\Core\Type\FontShelf;
use NeatEdge\Core\Type\Setting;
use NeatEdge\Core\Type\Typesetter;

/** D8: a new text at a place, or along the line of a piece. */
final readonly class DrawText implements Adding
{
    /** @param  string|null  $along  id of the piece whose line it stands on */
    public function __construct(
        private Setting $setting,
        private float $x,
        private float $y,
        private ?string $along,
        private bool $slid,
        private bool $pressed,
        private NewPiece $new,
        private FontShelf $fonts,
    ) {
    }

    public static function about(string $kind): About
    {
        return new About(
            'Set text',
            'Letters on the bench or along a line.',
            [
                ...TextInput::fields(),
                Field::signed('x', 'Left'),
                Field::signed('y', 'Baseline'),
                Field::words('along', 'Along the piece', Field::PIECE),
                Field::flag('pressed', 'Where the place is', false, 'On the line nearest to the place, the right way up, on the side that the place lies on.'),
                ...NewPiece::fields(),
            ],
            0,
        );
    }

    public static function from(Values $values): self
    {
        $along = $values->has('along') ? $values->text('along') : null;
        $setting = TextInput::setting($values, null);
        if ($along !== null && ! $values->has('align')) {
            $setting = $setting->with(align: 'middle');
        }

        return new self(
            $setting,
            $values->length('x'),
            $values->length('y'),
            $along,
            $values->has('slide'),
            $values->flag('pressed'),
            NewPiece::from($values),
            $values->fonts,
        );
    }

    /** A text is called by its first letters. */
    public static function name(string $text): string
    {
        return mb_substr(trim((string) preg_replace('/\s+/u', ' ', $text)), 0, 40);
    }

    public function label(): string
    {
        return sprintf('Letters “%s”', mb_strimwidth(self::name($this->setting->text), 0, 20, '…'));
    }

    public function apply(Artwork $artwork): Artwork
    {
        $setting = $this->setting;
        $matrix = Matrix::translation($this->x, $this->y);
        if ($this->along !== null) {
            $line = $artwork->piece($this->along) ?? throw Refused::missingPiece($this->along);
            $contour = $line->shape->contours[0] ?? throw Refused::because('That piece has no line to stand on.');
            $setting = $this->pressed
                ? StandingOn::pressed($setting, $line->shape, $this->x, $this->y)
                : $setting->with(along: $contour, slide: $this->slid ? $setting->slide : Typesetter::bestSlide($contour, $setting->inside));
            $matrix = Matrix::identity();
        }
        $lettering = Lettering::set($setting, $this->along, $this->fonts);
        if ($lettering->shape()->isEmpty()) {
            throw Refused::because('None of these letters leaves a mark; the line may be too short for them.');
        }

        return $this->new->laid($artwork, self::name($setting->text), new Recipe($lettering, $matrix));
    }
}
