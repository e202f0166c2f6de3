<?php

declare(strict_types=1);

namespace NeatEdge\Core\Edit\Layers;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Layer;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Artwork\Place;
use NeatEdge\Core\Described\Field;
use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\Described\Values;
use NeatEdge\Core\Edit\About;
use NeatEdge\Core\Edit\Edit;
use NeatEdge\Core\Edit\FreeIds;
use NeatEdge\Core\Geometry\Matrix;

/** D14: lays what the reference picture was traced to, over it, on a layer of its own. */
final readonly class LayTraced implements Edit
{
    /**
     * @param  Artwork|null  $traced  as it lies in the picture, whose true size it was traced at
     * @param  float  $left  mm that it lies right of the picture's left edge
     * @param  float  $wide  mm that the whole picture was wide when it was traced
     * @param  list<float>  $within  left, top, width and height on the page, mm, of what is kept; all of it when empty
     */
    public function __construct(
        private ?Artwork $traced,
        private float $left,
        private float $top,
        private float $wide,
        private array $within,
        private string $layer,
    ) {
    }

    public static function about(string $kind): About
    {
        return new About(
            'Trace the reference picture',
            'Lay the curves that the picture was traced to over it.',
            [
                Field::data('traced', 'What was traced'),
                Field::words('within', 'Only what lies in', Field::LENGTHS, help: 'left, top, width and height on the page'),
                Field::words('layer', 'Layer'),
            ],
            0,
        );
    }

    public static function from(Values $values): self
    {
        // The application traced it and kept what came of it: only it can give that.
        $traced = $values->map('traced');
        $art = $traced['artwork'] ?? null;
        $number = static fn (string $name): float => is_numeric($traced[$name] ?? null) ? (float) $traced[$name] : 0.0;

        return new self(
            $art instanceof Artwork ? $art : null,
            $number('left'),
            $number('top'),
            $number('wide'),
            $values->lengths('within'),
            trim($values->text('layer')),
        );
    }

    public function label(): string
    {
        return 'Trace the picture';
    }

    public function apply(Artwork $artwork): Artwork
    {
        $reference = $artwork->reference ?? throw Refused::because('There is no reference picture yet.');
        if ($this->traced === null || $this->wide <= 0) {
            throw Refused::because('Trace the picture first.');
        }
        if (count($artwork->layers) >= AddLayer::MOST) {
            throw Refused::because(sprintf('There are %d layers already.', AddLayer::MOST));
        }
        if ($this->within !== [] && count($this->within) !== 4) {
            throw Refused::because('What is kept lies in a box: left, top, width and height.');
        }
        // It may have been moved and sized since.
        $scale = $reference->width / $this->wide;
        $matrix = Matrix::translation($reference->x + $scale * $this->left, $reference->y + $scale * $this->top)->after(Matrix::scaling($scale, $scale));
        $ids = FreeIds::in($artwork);
        $layer = new Layer($ids->next('l'), $this->layer !== '' ? $this->layer : 'Traced');
        $pieces = [];
        foreach ($this->traced->pieces as $piece) {
            $laid = $piece->transformed($matrix)->with(place: new Place($layer->id));
            if ($this->isKept($laid)) {
                $pieces[] = $laid->with(id: $ids->next());
            }
        }
        if ($pieces === []) {
            throw Refused::because($this->within === [] ? 'The picture was traced to nothing.' : 'Nothing that was traced lies in that box.');
        }

        return $artwork->with(layers: [...$artwork->layers, $layer], pieces: [...$artwork->pieces, ...$pieces]);
    }

    /** Whether all of it lies in the box that was drawn. */
    private function isKept(Piece $piece): bool
    {
        $box = $piece->box();
        if ($this->within === [] || $box === null) {
            return $box !== null;
        }
        [$x, $y, $width, $height] = $this->within;

        return $box->left >= $x && $box->top >= $y && $box->right <= $x + $width && $box->bottom <= $y + $height;
    }
}
