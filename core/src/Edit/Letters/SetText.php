<?php

declare(strict_types=1);

namespace NeatEdge\Core\Edit\Letters;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Described\Field;
use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\Described\Values;
use NeatEdge\Core\Edit\About;
use NeatEdge\Core\Edit\Chosen;
use NeatEdge\Core\Edit\Local;
use NeatEdge\Core\Recipe\Letters\Lettering;
use NeatEdge\Core\Type\Typesetter;

/** D8: other letters, another font, size, spacing or place on the line for texts that are still text. */
final readonly class SetText implements Local
{
    /** @param  list<string>  $ids */
    public function __construct(private array $ids, private Values $values)
    {
    }

    public static function about(string $kind): About
    {
        return new About(
            'Change a text',
            'Words, face, size and how it stands.',
            [...TextInput::fields(), Field::words('along', 'Along the piece', Field::PIECE)],
        );
    }

    public static function from(Values $values): self
    {
        return new self($values->pieces(), $values);
    }

    public function label(): string
    {
        return $this->values->has('text') ? sprintf('Letters “%s”', mb_strimwidth(DrawText::name($this->values->text('text')), 0, 20, '…')) : 'Change a text';
    }

    public function apply(Artwork $artwork): Artwork
    {
        $in = $this->values;
        $line = null;
        if ($in->has('along') && $in->text('along') !== 'none') {
            $line = $artwork->piece($in->text('along')) ?? throw Refused::missingPiece($in->text('along'));
        }

        return $artwork->mapped(function (Piece $piece) use ($in, $line): Piece {
            $recipe = $piece->recipe;
            if ($recipe === null || ! $recipe->base instanceof Lettering) {
                throw Refused::because('It is no text any more: its letters are plain curves.');
            }
            $now = $recipe->base;
            $setting = TextInput::setting($in, $now->setting);
            $follows = $now->follows;
            if ($line !== null) {
                $contour = $line->shape->contours[0] ?? throw Refused::because('That piece has no line to stand on.');
                $setting = $setting->with(along: $contour->transformed($recipe->matrix->inverse()), align: $in->has('align') ? $setting->align : 'middle');
                $follows = $line->id;
            } elseif ($in->has('along')) {
                [$setting, $follows] = [$setting->with(along: null), null];
            }
            if ($setting->along !== null && $line !== null && ! $in->has('slide')) {
                $setting = $setting->with(slide: Typesetter::bestSlide($setting->along, $setting->inside));
            } elseif ($setting->inside !== $now->setting->inside && ! $in->has('slide')) {
                // On the other side the line runs the other way: the letters stay where they are on it.
                $setting = $setting->with(slide: 1 - $setting->slide);
            }
            $made = $piece->withRecipe($recipe->withBase(Lettering::set($setting, $follows, $in->fonts)));

            // It goes on being called by its letters, unless it was given a name.
            $made = $piece->name === DrawText::name($now->setting->text) ? $made->with(name: DrawText::name($setting->text)) : $made;

            return $made->shape->isEmpty() ? throw Refused::because('None of these letters leaves a mark; the line may be too short for them.') : $made;
        }, Chosen::in($artwork, $this->ids));
    }
}
