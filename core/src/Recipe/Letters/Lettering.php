<?php

declare(strict_types=1);

namespace NeatEdge\Core\Recipe\Letters;

use NeatEdge\Core\Artwork\Base;
use NeatEdge\Core\Artwork\Leaders;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Artwork\Recipe;
use NeatEdge\Core\Artwork\References;
use NeatEdge\Core\Artwork\Stored;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Type\FontShelf;
use NeatEdge\Core\Type\Setting;
use NeatEdge\Core\Type\Typesetter;

/** D8: text that is still text. Its outlines are kept beside it, so that nothing but a change of the text needs its font. */
final readonly class Lettering extends Base
{
    /**
     * @param  string|null  $follows  id of the piece whose line it stands on
     * @param  int  $cut  letters that did not fit their line and are left out
     */
    public function __construct(public Setting $setting, public ?string $follows, private Shape $shape, public int $cut = 0)
    {
    }

    public static function kind(): string
    {
        return 'text';
    }

    public function stored(Stored $as): array
    {
        return [
            'setting' => [...get_object_vars($this->setting), 'along' => $this->setting->along === null ? null : $as->contour($this->setting->along)],
            'follows' => $this->follows,
            'shape' => $as->shape($this->shape),
            'cut' => $this->cut,
        ];
    }

    public static function read(array $data, Stored $as): self
    {
        $set = $data['setting'];
        $setting = new Setting(
            $set['text'], $set['family'], $set['bold'], $set['italic'], (float) $set['size'], (float) $set['spacing'], (float) $set['leading'],
            $set['align'],
            $set['along'] === null ? null : $as->toContour($set['along']),
            $set['inside'],
            $set['stand'],
            (float) $set['slide'],
            (float) ($set['distance'] ?? 0.0),
            isset($set['capitals']) ? (float) $set['capitals'] : null,
        );

        return new self($setting, $data['follows'], $as->toShape($data['shape']), (int) ($data['cut'] ?? 0));
    }

    public function label(): string
    {
        return 'Letters';
    }

    public function said(): string
    {
        return 'text';
    }

    public function follows(): array
    {
        return $this->follows === null ? [] : [$this->follows];
    }

    public function following(array $ids): self
    {
        return new self($this->setting, $ids[0] ?? null, $this->shape, $this->cut);
    }

    public function led(Piece $piece, Recipe $recipe, Leaders $leaders): Piece
    {
        if ($this->follows === null) {
            return $piece;
        }
        $line = $leaders->now($this->follows);
        if ($line === null) {
            return References::following($piece, [$this->follows => null]);
        }
        $before = $leaders->before($this->follows);
        if ($before === null || $before->shape === $line->shape || $line->shape->isEmpty()) {
            return $piece;
        }
        $back = $recipe->matrix->inverse();
        // A line that was moved or bent takes along what stands on it. Turned round, outlined, welded, cut, it is another line in its place, and what
        // stands there stays.
        $setting = StandingOn::isBent($before->shape, $line->shape)
            ? $this->setting->with(along: $line->shape->contours[0]->transformed($back))
            : StandingOn::same($this->setting, $line->shape->transformed($back));

        return $piece->withRecipe($recipe->withBase(self::set($setting, $this->follows, $leaders->fonts())));
    }

    public function told(Recipe $recipe): array
    {
        $along = $this->setting->along;

        return ['text' => [
            ...array_diff_key(get_object_vars($this->setting), ['along' => 1]),
            'onLine' => $along !== null,
            'follows' => $this->follows,
            'stops' => $along === null ? [] : Typesetter::stops($this->setting->inside ? $along->reversed() : $along),
        ]];
    }

    public static function set(Setting $setting, ?string $follows, FontShelf $fonts): self
    {
        [$shape, $cut] = Typesetter::set($setting, $fonts);

        return new self($setting, $follows, $shape, $cut);
    }

    public function shape(): Shape
    {
        return $this->shape;
    }
}
