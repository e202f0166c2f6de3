<?php

declare(strict_types=1);

namespace NeatEdge\Core\Tests\Edit;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Described\Field;
use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\Edit\Letters\TextInput;
use NeatEdge\Core\Edit\NewPiece;
use NeatEdge\Core\Edit\Shaping\Leftovers;
use NeatEdge\Core\Format\Json\ArtworkDifference;
use NeatEdge\Core\Format\Json\ArtworkJson;
use NeatEdge\Core\Format\Json\StoredForm;
use NeatEdge\Core\Line\Edits;
use NeatEdge\Core\Tests\Support\Bench;
use NeatEdge\Core\Tests\Support\Share;
use NeatEdge\Core\Type\FontShelf;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;

/** What holds for every kind of edit there is, also for those that come after this test was written. */
final class EveryEditTest extends TestCase
{
    private static ?FontShelf $fonts = null;

    private static ?Artwork $art = null;

    private static function fonts(): FontShelf
    {
        return self::$fonts ??= FontShelf::shipped();
    }

    /** @return list<string> */
    private static function registered(): array
    {
        return array_keys(Edits::kinds());
    }

    /** A bench with one piece of every sort. */
    private static function bench(): Bench
    {
        // Artwork is never changed, only replaced: one is enough for all.
        return new Bench(self::$art ??= self::laid());
    }

    private static function laid(): Artwork
    {
        $bench = new Bench;
        $bench->shape('star', 30, 30, 30, 30, ['fill' => '#aa3311', 'line' => '#222222', 'lineWidth' => 1]);
        $bench->line([10, 80, 20, 60, 40, 60, 50, 80]);
        $bench->line([70, 70, 70, 70, 100, 70, 100, 70, 100, 70, 100, 100, 100, 100, 100, 100, 70, 100, 70, 100, 70, 100, 70, 70, 70, 70], true);
        $bench->do('text', ['text' => 'Wharf', 'family' => 'Zilla Slab', 'size' => 8, 'x' => 110, 'y' => 40]);
        $bench->do('text', ['text' => 'Ale', 'family' => 'Zilla Slab', 'size' => 5, 'along' => $bench->order()[1]]);
        $bench->do('link-copy', ['pieces' => [$bench->order()[0]], 'x' => 70]);
        $bench->do('add-layer', ['name' => 'Above']);
        $bench->do('guide', ['upright' => true, 'at' => 25]);
        $bench->shape('rectangle', 130, 90, 30, 20, ['layer' => $bench->art->layers[1]->id]);
        $bench->shape('ellipse', 135, 92, 20, 20, ['layer' => $bench->art->layers[1]->id]);
        $bench->do('group', ['pieces' => array_slice($bench->order(), -2)]);
        $bench->shape('rectangle', 130, 20, 30, 20, ['layer' => $bench->art->layers[1]->id]);
        $bench->shape('ellipse', 130, 20, 20, 16, ['layer' => $bench->art->layers[1]->id]);
        $bench->do('soft-clip', ['pieces' => array_slice($bench->order(), -2), 'edge' => 2]);
        // Called by what they are, the lowest first.
        foreach (['star', 'copy', 'line', 'square', 'text', 'along', 'oblong', 'disc', 'soft'] as $i => $name) {
            $bench->do('mark', ['pieces' => [$bench->order()[$i]], 'name' => $name]);
        }

        return $bench->art;
    }

    /** @return iterable<string, array{string, array<string, mixed>}> a call of each kind that can be made on that bench */
    public static function calls(): iterable
    {
        $bench = self::bench();
        $named = array_column(array_map(static fn (Piece $piece): array => [$piece->name, $piece->id], $bench->art->pieces), 1, 0);
        [$star, $line, $square, $text, $oblong, $disc, $soft] = array_map(
            static fn (string $name): string => $named[$name],
            ['star', 'line', 'square', 'text', 'oblong', 'disc', 'soft'],
        );
        $layer = $bench->art->layers[1]->id;
        $guide = $bench->art->guides[0]->id;
        $stops = [['at' => 0, 'colour' => '#ff0000'], ['at' => 1, 'colour' => '#0000ff']];
        $own = [
            'weld' => ['pieces' => [$oblong, $disc]], 'cut-away' => ['pieces' => [$oblong, $disc]], 'keep-overlap' => ['pieces' => [$oblong, $disc]],
            'keep-difference' => ['pieces' => [$oblong, $disc]], 'split-all' => ['pieces' => [$oblong, $disc]],
            'move' => ['pieces' => [$star], 'x' => 5],
            'transform' => ['pieces' => [$star], 'matrix' => [0, 1, -1, 0, 60, 0]],
            'place' => ['pieces' => [$star], 'width' => '12mm'],
            'flip' => ['pieces' => [$line], 'way' => 'across'],
            'align' => ['pieces' => [$star, $square], 'edge' => 'top'],
            'distribute' => ['pieces' => [$star, $square], 'way' => 'across', 'by' => 3],
            'order' => ['pieces' => [$star], 'to' => 'front'], 'mark' => ['pieces' => [$star], 'name' => 'Ray'], 'add-layer' => ['name' => 'Third'],
            'change-layer' => ['layer' => $layer, 'name' => 'Top'],
            'layer-part' => ['layer' => $layer, 'part' => 'place', 'lies' => 'round', 'width' => '180mm'],
            'order-layer' => ['layer' => $layer, 'way' => 'down'],
            'remove-layer' => ['layer' => $layer],
            'to-layer' => ['pieces' => [$star], 'layer' => $layer],
            'guide' => ['upright' => false, 'at' => 12], 'remove-guide' => ['guide' => $guide], 'draw-shape' => ['shape' => 'heart', 'x' => 5, 'y' => 5],
            'shape-values' => ['pieces' => [$star], 'points' => 9],
            'knob' => ['pieces' => [$star], 'knob' => 'inner', 'x' => 30, 'y' => 31],
            'draw-line' => ['coords' => [0, 0, 3, 3, 6, 3, 9, 0]],
            'continue-line' => ['piece' => $line, 'end' => true, 'coords' => [50, 80, 55, 85, 60, 85, 65, 80]],
            'brush-line' => ['points' => [0, 0, 5, 1, 10, 0, 15, 3, 20, 0]],
            'move-nodes' => ['piece' => $square, 'nodes' => [[0, 1]], 'x' => 2],
            'move-handle' => ['piece' => $line, 'nodes' => [[0, 0]], 'out' => true, 'x' => 22, 'y' => 50],
            'bend-segment' => ['piece' => $line, 'segments' => [[0, 0]], 't' => 0.5, 'x' => 30, 'y' => 50],
            'add-node' => ['piece' => $line, 'segments' => [[0, 0]], 't' => 0.4],
            'delete-nodes' => ['piece' => $square, 'nodes' => [[0, 1]]],
            'node-kind' => ['piece' => $square, 'nodes' => [[0, 1]], 'to' => 'smooth'],
            'segment-kind' => ['piece' => $square, 'segments' => [[0, 0]], 'to' => 'curve'],
            'break-at' => ['piece' => $square, 'nodes' => [[0, 1], [0, 3]]],
            'delete-segment' => ['piece' => $square, 'segments' => [[0, 0]]],
            'close-line' => ['piece' => $line],
            'reverse-line' => ['piece' => $line],
            'round-corners' => ['piece' => $square, 'radius' => 4],
            'mirror-half' => ['pieces' => [$line], 'x' => 60],
            'repeat' => ['pieces' => [$square], 'as' => 'row', 'count' => 3, 'stepX' => 12],
            'fill' => ['pieces' => [$star], 'gradient' => ['kind' => 'radial', 'axis' => [30, 30, 45, 30], 'stops' => $stops]],
            'stroke' => ['pieces' => [$star], 'width' => '2mm', 'profile' => 'swell'],
            'blend' => ['pieces' => [$star], 'blend' => 'multiply'],
            'recolour' => ['colour' => '#aa3311', 'to' => '#11aa33'],
            'soften' => ['pieces' => [$star], 'edge' => '0.8mm'],
            'fade' => ['pieces' => [$star], 'way' => 'outwards', 'start' => 20, 'end' => 90],
            'soft-clip' => ['pieces' => [$oblong, $disc], 'edge' => 2],
            'paint-clip' => ['pieces' => [$star], 'points' => [10, 10, 20, 22, 30, 18], 'does' => 'takes', 'width' => 4, 'hardness' => 30],
            'release-soft' => ['pieces' => [$soft]],
            'harden' => ['pieces' => [$soft], 'level' => 40],
            'text' => ['text' => 'Pier', 'family' => 'Zilla Slab'],
            'set-text' => ['pieces' => [$text], 'size' => 11],
            'clip' => ['pieces' => [$oblong, $disc]],
            'compound' => ['pieces' => [$oblong, $disc]],
            'ungroup' => ['pieces' => [$oblong, $disc]],
            'group' => ['pieces' => [$star, $square]],
            'copy' => ['pieces' => [$star], 'x' => 4],
            'link-copy' => ['pieces' => [$star], 'x' => 4],
            'remove' => ['pieces' => [$star]],
            'bake' => ['pieces' => [$star]], 'centre-lines' => [],
            'outline-strokes' => ['pieces' => [$star]],
            'cells' => ['pieces' => [$oblong, $disc], 'lift' => '135,92'],
            'fill-enclosed' => ['pieces' => [$square], 'at' => '80,80', 'fill' => '#c33'],
            'weave' => ['pieces' => [$oblong, $disc], 'gap' => '0.5mm'],
            'part' => ['pieces' => [$square], 'angle' => 45],
            'inset' => ['pieces' => [$square], 'distance' => 2],
            'outset' => ['pieces' => [$square], 'distance' => '1/8in', 'join' => 'bevel'],
            'ring' => ['pieces' => [$square], 'inner' => 1, 'outer' => 2],
            'cut-border' => ['pieces' => [$oblong, $disc], 'distance' => 3],
            'drop-shade' => ['pieces' => [$square], 'distance' => 4],
            'spread-behind' => ['pieces' => [$disc], 'by' => 1],
            'wrap' => ['pieces' => [$text], 'shape' => 'arc', 'amount' => '20%'],
            'line-insert' => ['what' => 'thicken', 'values' => ['width' => '1mm']],
            'line-remove' => ['step' => 'clean-nodes'],
            'line-move' => ['step' => 'clean-nodes', 'at' => 0],
            'line-copy' => ['step' => 'clean-nodes'],
            'line-cure' => ['what' => 'islands', 'values' => ['how' => 'drop']],
            'line-switch' => ['step' => 'solid-colours', 'on' => true],
            'line-set' => ['step' => 'clean-nodes', 'values' => ['deviation' => '0.02mm']],
            'line-use' => ['steps' => [['kind' => 'outline-strokes'], ['kind' => 'mirror', 'on' => false]]],
            'mend' => ['step' => 'thicken', 'line' => '1.5mm', 'gap' => '0.1mm'],
            'merge-by-colour' => ['pieces' => [$oblong, $disc]], 'pull-apart' => ['pieces' => [$star, $square], 'by' => 3],
        ];
        foreach ($own as $kind => $fields) {
            yield $kind => [$kind, $fields];
        }
    }

    /** @param  array<string, mixed>  $fields */
    #[Test]
    #[DataProvider('calls')]
    public function an_edit_is_stored_taken_back_and_done_again_to_the_same_state(string $kind, array $fields): void
    {
        $before = self::bench()->art;
        $edit = Edits::make($kind, $fields, self::fonts());
        self::assertMatchesRegularExpression('/^[A-Z][^\n]{2,60}$/u', $edit->label());
        $after = Edits::applied($edit, $before, self::fonts());
        $ahead = ArtworkDifference::between($before, $after);
        self::assertFalse($ahead->isNothing(), 'it does something');
        StoredForm::holdAll($ahead, $after);
        $stored = static fn (ArtworkDifference $difference): ArtworkDifference => ArtworkDifference::fromArray(ArtworkJson::data(ArtworkJson::text($difference->toArray())));
        $again = $stored($ahead)->on($before);
        self::assertSame(ArtworkJson::encode($after), ArtworkJson::encode($again));
        self::assertSame(ArtworkJson::encode($before), ArtworkJson::encode($stored(ArtworkDifference::between($after, $before))->on($again)));
        // The same edit on the same art gives the same art: what is replayed is what was made.
        self::assertSame(
            ArtworkJson::encode($after),
            ArtworkJson::encode(Edits::applied(Edits::make($kind, $fields, self::fonts()), self::bench()->art, self::fonts())),
        );
    }

    /** @param  array<string, mixed>  $fields */
    #[Test]
    #[DataProvider('calls')]
    public function an_edit_leaves_alone_what_it_is_not_about(string $kind, array $fields): void
    {
        if ($kind === 'remove-layer') {
            self::assertCount(1, Edits::applied(Edits::make($kind, $fields, self::fonts()), self::bench()->art, self::fonts())->layers);

            return;
        }
        // Another star, far off and in a colour of its own, is about nothing.
        $bench = self::bench();
        $bystander = $bench->shape('polygon', 180, 130, 10, 10, ['fill' => '#0f0f0f']);
        $after = Edits::applied(Edits::make($kind, $fields, self::fonts()), $bench->art, self::fonts());
        self::assertSame($bench->piece($bystander), $after->piece($bystander));
        self::assertSame([$bench->art->width, $bench->art->height], [$after->width, $after->height]);
    }

    /** @param  array<string, mixed>  $fields */
    #[Test]
    #[DataProvider('calls')]
    public function locked_pieces_and_pieces_that_are_gone_are_not_touched(string $kind, array $fields): void
    {
        $ids = [...(array) ($fields['pieces'] ?? []), ...(isset($fields['piece']) ? [$fields['piece']] : [])];
        if ($ids === []) {
            self::assertArrayNotHasKey('pieces', $fields);

            return;
        }
        $bench = self::bench();
        $locked = $bench->art->mapped(static fn (Piece $piece): Piece => $piece->with(place: $piece->place->with(locked: true)), array_flip($ids));
        if ($kind !== 'mark') {
            self::assertRefused($kind, $fields, $locked, '/locked/');
        }
        self::assertRefused(
            $kind,
            $fields,
            $bench->art->withPieces(array_values(array_filter($bench->art->pieces, static fn (Piece $piece): bool => ! in_array($piece->id, $ids, true)))),
            '/not on the bench any more/',
        );
    }

    /** @param  array<string, mixed>  $fields */
    private static function assertRefused(string $kind, array $fields, Artwork $art, string $words): void
    {
        try {
            Edits::applied(Edits::make($kind, $fields, self::fonts()), $art, self::fonts());
            self::fail("{$kind} was made.");
        } catch (Refused $refused) {
            self::assertMatchesRegularExpression($words, $refused->getMessage(), $kind);
        }
    }

    #[Test]
    public function every_kind_that_is_registered_is_tried_here(): void
    {
        $elsewhere = [
            'paste', 'reference', 'true-size', 're-square', 'join-ends', 'join-lines', 'release-clip', 'separate', 'trim', 'extend', 'lift-hole',
            'fill-hole', 'clean-nodes', 'trace',
        ];
        self::assertEqualsCanonicalizing(self::registered(), [...array_keys(iterator_to_array(self::calls())), ...$elsewhere]);
    }

    /** What an edit reads of what was sent, it says that it takes; and it reads all that it says. */
    #[Test]
    public function every_edit_takes_the_fields_that_it_describes_and_no_others(): void
    {
        foreach (Edits::kinds() as $kind => $class) {
            $fields = array_map(static fn (Field $field): string => $field->name, $class::about($kind)->fields);
            self::assertSame($fields, array_values(array_unique($fields)), "{$kind} describes each field once");
            self::assertMatchesRegularExpression('/^[A-Z][^\n]+\.$/u', $class::about($kind)->says, $kind);
            $code = '';
            /** @var class-string $one */
            foreach ([$class, NewPiece::class, TextInput::class, Leftovers::class] as $one) {
                $file = (string) (new \ReflectionClass($one))->getFileName();
                $code .= $one === $class || str_contains($code, (new \ReflectionClass($one))->getShortName().'::') ? file_get_contents($file) : '';
            }
            preg_match_all(
                '/\$(?:this->)?in(?:put)?->(?:has|text|flag|choice|number|length|angle|matrix|numbers|places|spots?|path|colour|percentage|nested|raw)\(\'(\w+)\'/',
                $code,
                $found,
            );
            foreach (array_keys(Edits::kinds(), $class, true) as $sister) {
                array_push($fields, ...array_map(static fn (Field $field): string => $field->name, $class::about($sister)->fields));
            }
            $read = array_diff(
                $found[1],
                ['pieces', 'kind', 'fromHere'],
                $kind === 'fill' ? ['stops', 'axis', 'spread'] : [],
            ); // what a gradient consists of is one field
            self::assertSame([], array_values(array_diff($read, $fields)), "{$kind} reads what it does not describe");
        }
    }

    /**
     * Shapes that are live, linked copies, letters, letters on a line, open lines, groups, clipped and stroked pieces: every tool of shaping takes them
     * all.
     */
    #[Test]
    public function every_tool_of_shaping_takes_every_sort_of_piece(): void
    {
        $bench = self::bench();
        $named = array_column(array_map(static fn (Piece $piece): array => [$piece->name, $piece->id], $bench->art->pieces), 1, 0);
        $bench->do('clip', ['pieces' => [$named['square'], $bench->shape('ellipse', 85, 85, 25, 25)]]);
        $named['clipped'] = $named['square'];
        $tools = [
            'weld' => [],
            'cells' => ['rest' => 'lift'],
            'part' => ['sectors' => 3],
            'inset' => ['distance' => 0.05],
            'outset' => ['distance' => 1],
            'ring' => ['inner' => 0.05, 'outer' => 0.3],
            'cut-border' => [], 'drop-shade' => [], 'spread-behind' => [], 'wrap' => ['amount' => 0.1],
        ];
        foreach ($named as $name => $id) {
            foreach ($tools as $kind => $fields) {
                if ($name === 'line' && in_array($kind, ['cells', 'part'], true)) {
                    // An open line by itself encloses nothing, and rays from its middle need not meet it.
                    continue;
                }
                $before = $bench->art;
                $after = Edits::applied(Edits::make($kind, ['pieces' => [$id], ...$fields], self::fonts()), $before, self::fonts());
                StoredForm::holdAll(ArtworkDifference::between($before, $after), $after);
                self::assertNotSame(ArtworkJson::encode($before), ArtworkJson::encode($after), "{$kind} on {$name}");
                foreach ($after->pieces as $piece) {
                    self::assertFalse($piece->shape->isEmpty(), "{$kind} on {$name} leaves no empty piece");
                }
            }
        }
    }

    /** Whatever is sent: it is made, or refused in one sentence; nothing else is ever thrown. */
    #[Test]
    public function nonsense_is_refused_in_one_sentence_whatever_it_is(): void
    {
        $random = new Randomizer(new Mt19937(20261126));
        $nonsense = [
            null, true, false, 0, -1, 7, 1e300, -1e-300, NAN, INF, '', 'x', '5mm', '1,200', '40%', '1/0', "\xC3\x28", str_repeat('9', 5000), [],
            [[]], [[0, 0]], [[-1, 5]], [['x']],
            ['a' => 1],
            [1e300],
            [0, 0, 0, 0, 0, 0],
            '#ff0000',
            'none',
            '<b>',
            ['kind' => 'linear'],
            ['stops' => []],
        ];
        $names = [
            'pieces', 'piece', 'x', 'y', 'width', 'height', 'matrix', 'coords', 'nodes', 'segments', 'contour', 'segment', 'node', 't', 'to', 'edge',
            'way', 'of', 'by', 'shape', 'as', 'kind', 'count', 'colour', 'gradient', 'opacity', 'stops', 'dashes', 'profile', 'text', 'family',
            'size', 'along', 'slide', 'layer', 'guide', 'at', 'upright', 'name', 'angle', 'radius', 'reach', 'points', 'from', 'inside', 'side',
            'art', 'picture', 'strength', 'near', 'fill', 'line', 'lineWidth', 'originX', 'join', 'drop', 'lift', 'paint', 'rest', 'meet', 'mend',
            'leftover', 'slices', 'sectors', 'distance', 'steps', 'spacing', 'gap', 'pattern', 'turn', 'amount', 'frame', 'knife', 'deviation',
            'dropHoles', 'scale',
        ];
        $bench = self::bench()->art;
        $calls = iterator_to_array(self::calls());
        $made = $refused = 0;
        foreach (self::registered() as $kind) {
            $whole = $calls[$kind][1] ?? ['pieces' => [$bench->pieces[0]->id]];
            for ($i = 0; $i < Share::of(15); $i++) {
                $fields = $whole;
                foreach ((array) $random->pickArrayKeys($names, $random->getInt(1, 4)) as $key) {
                    $fields[$names[$key]] = $nonsense[$random->getInt(0, count($nonsense) - 1)];
                }
                try {
                    $after = Edits::applied(Edits::make($kind, $fields, self::fonts()), $bench, self::fonts());
                    StoredForm::holdIds($after);
                    $made++;
                } catch (Refused $problem) {
                    self::assertMatchesRegularExpression('/^["A-Z(][^\n]+\.$/u', mb_scrub($problem->getMessage()), $kind);
                    $refused++;
                }
            }
        }
        self::assertGreaterThan(Share::of(200), $made);
        self::assertGreaterThan(Share::of(300), $refused);
    }
}
