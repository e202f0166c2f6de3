<?php

declare(strict_types=1);

namespace NeatEdge\Core\Line;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Described\Field;
use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\Described\Values;
use NeatEdge\Core\Measure\Inscribed;
use NeatEdge\Core\Measure\Inside;
use NeatEdge\Core\Prepare\AboutStep;
use NeatEdge\Core\Prepare\Cure\Cured;
use NeatEdge\Core\Prepare\Described;
use NeatEdge\Core\Prepare\TellsDeeds;
use NeatEdge\Core\Type\FontShelf;

/**
 * Hand edits made on what the line gives, kept as a step of it. Each is tied to the pieces that it was made on by their paint and a place well inside
 * them; when what comes before changes it is carried over to the pieces that are there now, and one that no longer applies is named and left out.
 *
 * @phpstan-type Tie array{paint: string, at: array{float, float}, outline: string}
 * @phpstan-type Kept array{edit: array<string, mixed>, ties: array<string, Tie>, on: bool}
 */
final readonly class TouchUp implements TellsDeeds
{
    use Described;

    public const MOST = 500;

    /** Fields of edits that name pieces. */
    private const NAMES = ['piece', 'knife', 'along'];

    /** Kinds that change the line, not the art. */
    private const NOT_HERE = [
        'line-insert', 'line-remove', 'line-move', 'line-copy', 'line-switch', 'line-set', 'line-use', 'line-cure', 'reference', 'true-size',
    ];

    /** @param  list<Kept>  $edits */
    private function __construct(private array $edits, private FontShelf $fonts, private string $unit)
    {
    }

    public static function about(): AboutStep
    {
        return new AboutStep(
            'touch-up',
            'Touch up',
            'Hand edits made on what the line gives; they are carried over when what comes before changes.',
            [Field::data('edits', 'Edits')],
            99,
            ['clean-nodes' => 'Nodes that were set by hand should not be cleaned away.'],
            true,
            0.3,
            cuts: true,
        );
    }

    public static function from(Values $values): self
    {
        $rows = $values->data('edits') ?? [];
        if (! is_array($rows) || ! array_is_list($rows) || count($rows) > self::MOST) {
            throw Refused::because(sprintf('At most %d hand edits are kept in one step.', self::MOST));
        }
        $edits = [];
        foreach ($rows as $i => $row) {
            $edits[] = self::row($row) ?? throw Refused::because(sprintf('Hand edit %d cannot be read.', $i + 1));
        }

        return new self($edits, $values->fonts, $values->unit);
    }

    /** @return Kept|null null where it cannot be read */
    private static function row(mixed $row): ?array
    {
        $edit = is_array($row) ? ($row['edit'] ?? null) : null;
        $ties = is_array($row) ? ($row['ties'] ?? []) : null;
        if (! is_array($row) || ! is_array($edit) || ! is_string($edit['kind'] ?? null) || ! is_array($ties)) {
            return null;
        }
        if (! isset(Edits::kinds()[$edit['kind']]) || in_array($edit['kind'], self::NOT_HERE, true)) {
            return null;
        }
        $held = [];
        foreach ($ties as $id => $tie) {
            $tie = self::tie($tie);
            if ($tie === null) {
                return null;
            }
            $held[(string) $id] = $tie;
        }

        return ['edit' => $edit, 'ties' => $held, 'on' => (bool) ($row['on'] ?? true)];
    }

    /** @return Tie|null null where it cannot be read */
    private static function tie(mixed $tie): ?array
    {
        $at = is_array($tie) ? ($tie['at'] ?? null) : null;
        if (! is_array($tie) || ! is_string($tie['paint'] ?? null) || ! is_string($tie['outline'] ?? null)) {
            return null;
        }

        return is_array($at) && is_numeric($at[0] ?? null) && is_numeric($at[1] ?? null)
            ? ['paint' => $tie['paint'], 'at' => [(float) $at[0], (float) $at[1]], 'outline' => $tie['outline']]
            : null;
    }

    public function values(): array
    {
        return ['edits' => $this->edits];
    }

    public function apply(Artwork $artwork): Artwork
    {
        return $this->cure($artwork)->artwork;
    }

    public function cure(Artwork $artwork): Cured
    {
        $done = $left = [];
        foreach ($this->edits as $kept) {
            if (! $kept['on']) {
                continue;
            }
            $tie = $kept['ties'] === [] ? null : $kept['ties'][array_key_first($kept['ties'])];
            $row = ['kind' => 'touch-up', 'at' => $tie['at'] ?? null, 'measured' => null];
            try {
                $edit = Edits::make($kept['edit']['kind'], self::carried($kept, $artwork), $this->fonts, $this->unit);
                $artwork = Edits::applied($edit, $artwork, $this->fonts);
                $done[] = [...$row, 'how' => $edit->label()];
            } catch (Refused $refused) {
                $left[] = [
                    ...$row,
                    'how' => sprintf('%s no longer applies: %s', Edits::catalogue()[$kept['edit']['kind']]->label, lcfirst($refused->getMessage())),
                ];
            }
        }

        return new Cured($artwork, $done, $left);
    }

    /**
     * An edit as it is kept: with what the pieces that it names are known by.
     *
     * @param  array<string, mixed>  $edit  as it is sent
     * @return Kept
     */
    public static function tied(array $edit, Artwork $artwork): array
    {
        $ties = [];
        foreach (self::named($edit) as $id) {
            $piece = $artwork->piece($id);
            if ($piece !== null) {
                [$x, $y] = Inscribed::in($piece->shape, 0.05);
                $ties[$id] = ['paint' => self::paint($piece), 'at' => [$x, $y], 'outline' => self::outline($piece)];
            }
        }

        return ['edit' => $edit, 'ties' => $ties, 'on' => true];
    }

    /**
     * The edit on the pieces that are there now.
     *
     * @param  Kept  $kept
     * @return array<string, mixed>
     */
    private static function carried(array $kept, Artwork $artwork): array
    {
        $to = [];
        foreach ($kept['ties'] as $id => $tie) {
            $piece = self::find((string) $id, $tie, $artwork);
            if ($piece === null) {
                throw Refused::because(sprintf('the piece in %s that it was made on is gone.', $tie['paint']));
            }
            if ((isset($kept['edit']['nodes']) || isset($kept['edit']['segments'])) && self::outline($piece) !== $tie['outline']) {
                throw Refused::because('the outline whose nodes it moved is another now.');
            }
            $to[(string) $id] = $piece->id;
        }
        $edit = $kept['edit'];
        foreach (self::NAMES as $name) {
            if (is_string($edit[$name] ?? null)) {
                $edit[$name] = $to[$edit[$name]] ?? $edit[$name];
            }
        }
        if (is_array($edit['pieces'] ?? null)) {
            $edit['pieces'] = array_map(static fn (mixed $id): mixed => is_string($id) ? ($to[$id] ?? $id) : $id, $edit['pieces']);
        }

        return $edit;
    }

    /** @param  Tie  $tie */
    private static function find(string $id, array $tie, Artwork $artwork): ?Piece
    {
        $own = $artwork->piece($id);
        if ($own !== null && self::paint($own) === $tie['paint']) {
            return $own;
        }
        foreach (array_reverse($artwork->pieces) as $piece) {
            if (self::paint($piece) === $tie['paint'] && (new Inside($piece->shape))->holds(...$tie['at'])) {
                return $piece;
            }
        }

        return null;
    }

    /**
     * @param  array<string, mixed>  $edit
     * @return list<string>
     */
    private static function named(array $edit): array
    {
        $pieces = is_array($edit['pieces'] ?? null) ? $edit['pieces'] : [];

        return array_values(array_unique(array_filter(
            [...$pieces, ...array_map(static fn (string $name): mixed => $edit[$name] ?? null, self::NAMES)],
            static fn (mixed $id): bool => is_string($id) && $id !== '',
        )));
    }

    private static function paint(Piece $piece): string
    {
        return ($piece->fill ?? $piece->stroke?->paint)?->key() ?? '';
    }

    private static function outline(Piece $piece): string
    {
        $rounded = array_map(
            static fn ($contour): array => array_map(static fn (float $mm): float => round($mm, 3), $contour->coords),
            $piece->shape->contours,
        );

        return hash('xxh64', json_encode($rounded, JSON_THROW_ON_ERROR));
    }
}
