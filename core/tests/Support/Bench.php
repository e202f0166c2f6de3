<?php

declare(strict_types=1);

namespace NeatEdge\Core\Tests\Support;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Format\Json\ArtworkDifference;
use NeatEdge\Core\Format\Json\ArtworkJson;
use NeatEdge\Core\Format\Json\StoredForm;
use NeatEdge\Core\Line\Edits;
use NeatEdge\Core\Type\FontShelf;
use PHPUnit\Framework\Assert;

/** A bench to draw on in tests: every edit is also stored as a difference and read back, forward and back. */
final class Bench
{
    /** @var list<string> ids that the last edit made */
    public array $made = [];

    private static ?FontShelf $fonts = null;

    public function __construct(public Artwork $art = new Artwork(200.0, 150.0, []))
    {
    }

    /** @param  array<string, mixed>  $fields */
    public function do(string $kind, array $fields = []): self
    {
        self::$fonts ??= FontShelf::shipped();
        $before = $this->art;
        $after = Edits::applied(Edits::make($kind, $fields, self::$fonts), $before, self::$fonts);
        StoredForm::holdAll(ArtworkDifference::between($before, $after), $after);
        foreach ([[$before, $after], [$after, $before]] as [$from, $to]) {
            $stored = ArtworkJson::data(ArtworkJson::text(ArtworkDifference::between($from, $to)->toArray()));
            Assert::assertSame(ArtworkJson::encode($to), ArtworkJson::encode(ArtworkDifference::fromArray($stored)->on($from)), "{$kind} is stored whole");
        }
        $old = array_map(static fn (Piece $piece): string => $piece->id, $before->pieces);
        $this->made = array_values(array_diff(array_map(static fn (Piece $piece): string => $piece->id, $after->pieces), $old));
        $this->art = $after;

        return $this;
    }

    /** @param  array<string, mixed>  $fields */
    public function shape(string $shape, float $x, float $y, float $width, float $height, array $fields = []): string
    {
        return $this->do('draw-shape', ['shape' => $shape, 'x' => $x, 'y' => $y, 'width' => $width, 'height' => $height, ...$fields])->made[0];
    }

    /** @param  list<float>  $coords */
    public function line(array $coords, bool $closed = false): string
    {
        return $this->do('draw-line', ['coords' => $coords, 'closed' => $closed])->made[0];
    }

    public function piece(string $id): Piece
    {
        return $this->art->piece($id) ?? throw new \LogicException("There is no {$id}.");
    }

    /** @return array{float, float, float, float} left, top, width, height */
    public function box(string $id): array
    {
        $box = $this->piece($id)->box() ?? throw new \LogicException("{$id} has no box.");

        return [$box->left, $box->top, $box->width(), $box->height()];
    }

    /** @return list<string> names or ids, the lowest first */
    public function order(): array
    {
        return array_map(static fn (Piece $piece): string => $piece->id, $this->art->pieces);
    }
}
