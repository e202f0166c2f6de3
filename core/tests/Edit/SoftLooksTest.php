<?php

declare(strict_types=1);

namespace NeatEdge\Core\Tests\Edit;

use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Check\Finding;
use NeatEdge\Core\Check\Inspection;
use NeatEdge\Core\Check\Remedies;
use NeatEdge\Core\Check\Remedy;
use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\Format\Svg\Reader;
use NeatEdge\Core\Format\Svg\Writer;
use NeatEdge\Core\Line\Mend;
use NeatEdge\Core\Line\Steps;
use NeatEdge\Core\Measure\Colour;
use NeatEdge\Core\Measure\Limits;
use NeatEdge\Core\Seen\Seen;
use NeatEdge\Core\Separate\Halftone;
use NeatEdge\Core\Separate\Inks;
use NeatEdge\Core\Tests\Support\Bench;
use NeatEdge\Core\Tests\Support\Render;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

/** D13: soft edges, fades, soft clips and what is painted on them, as they are made on the bench and leave it. */
final class SoftLooksTest extends TestCase
{
    private Bench $bench;

    private string $square;

    private string $disc;

    protected function setUp(): void
    {
        $this->bench = new Bench;
        $this->square = $this->bench->shape('rectangle', 40, 40, 40, 30, ['fill' => '#c8402e']);
        $this->disc = $this->bench->shape('ellipse', 40, 40, 24, 24, ['fill' => '#123456']);
    }

    private function piece(string $id): Piece
    {
        return $this->bench->piece($id);
    }

    private function edge(): float
    {
        return $this->piece($this->square)->soft->edge ?? 0.0;
    }

    #[Test]
    public function an_edge_is_softened_and_hard_again_at_nought(): void
    {
        $this->bench->do('soften', ['pieces' => [$this->square], 'edge' => '1.5mm']);
        self::assertSame(1.5, $this->piece($this->square)->soft?->edge);
        $this->bench->do('transform', ['pieces' => [$this->square], 'matrix' => [2, 0, 0, 2, 0, 0]]);
        self::assertEqualsWithDelta(3.0, $this->edge(), 1e-9, 'it grows with its piece');
        $this->bench->do('copy', ['pieces' => [$this->square], 'x' => 5, 'y' => 5]);
        self::assertEqualsWithDelta(3.0, $this->piece($this->bench->made[0])->soft?->edge, 1e-9);
        $this->bench->do('soften', ['pieces' => [$this->square], 'edge' => 0]);
        self::assertNull($this->piece($this->square)->soft);
    }

    /** @param  array<string, mixed>  $fields */
    #[Test]
    #[TestWith([['way' => 'along', 'angle' => 0], 20.0, 40.0, 60.0])]
    #[TestWith([['way' => 'along', 'angle' => 180, 'from' => 25, 'to' => 75], 50.0, 40.0, 30.0])]
    public function a_fade_lies_across_the_box(array $fields, float $whole, float $half, float $bare): void
    {
        $this->bench->do('fade', ['pieces' => [$this->square], ...$fields]);
        $fade = $this->piece($this->square)->soft?->fade;
        self::assertNotNull($fade);
        foreach ([[$whole, 1.0], [$half, 0.5], [$bare, 0.0]] as [$x, $seen]) {
            self::assertEqualsWithDelta($seen, \NeatEdge\Core\Seen\Shade::at($fade, $x, 40.0)[3], 1e-6, "at {$x}");
        }
        $this->bench->do('fade', ['pieces' => [$this->square], 'way' => 'none']);
        self::assertNull($this->piece($this->square)->soft);
    }

    #[Test]
    public function the_uppermost_clips_with_a_soft_edge_and_comes_back(): void
    {
        $this->bench->do('soft-clip', ['pieces' => [$this->square, $this->disc], 'edge' => 2]);
        self::assertCount(1, $this->bench->art->pieces);
        $look = $this->piece($this->square)->soft;
        self::assertSame([2.0, '#ffffff'], [$look?->clips[0][0]->soft?->edge, $look?->clips[0][0]->fill?->colour->hex()]);
        $other = $this->bench->shape('ellipse', 30, 40, 30, 30, ['fill' => '#00ff00']);
        $this->bench->do('soft-clip', ['pieces' => [$this->square, $other], 'edge' => 0]);
        self::assertCount(2, $this->piece($this->square)->soft->clips ?? [], 'one in the other');
        $this->bench->do('release-soft', ['pieces' => [$this->square]]);
        self::assertCount(2, $this->bench->art->pieces);
        self::assertSame($other, $this->bench->art->pieces[1]->id, 'above what it clipped, as it was called');
        $soft = $this->piece($this->square)->soft;
        self::assertNotNull($soft);
        self::assertSame(2.0, $soft->clips[0][0]->soft?->edge, 'the first is there still');
        $this->bench->do('release-soft', ['pieces' => [$this->square]]);
        self::assertNull($this->piece($this->square)->soft);
        self::assertContains($this->disc, array_map(static fn (Piece $piece): string => $piece->id, $this->bench->art->pieces));
    }

    #[Test]
    public function what_a_step_cut_off_stays_off_when_it_is_hardened(): void
    {
        $this->bench->do('soften', ['pieces' => [$this->square], 'edge' => 1]);
        $cut = Steps::make('remove-hidden')->apply(Seen::of($this->bench->art));
        self::assertTrue($cut->pieces[0]->fill?->soft !== null, 'as soft as it was, but for what the disc hides');
        $hard = Steps::make('soft-edges')->apply($cut)->pieces[0];
        self::assertEqualsWithDelta(40 * 30 - M_PI * 144, $hard->shape->area(), 6.0);
    }

    #[Test]
    public function a_line_that_is_cut_once_clips_nothing_and_is_never_soft(): void
    {
        $line = $this->bench->line([30, 30, 30, 30, 50, 30, 50, 30, 50, 30, 50, 50, 50, 50, 50, 50, 30, 30, 30, 30], true);
        $this->bench->do('fill', ['pieces' => [$line], 'colour' => 'none']);
        $this->bench->do('stroke', ['pieces' => [$line], 'colour' => '#000000', 'width' => 1, 'use' => 'cut']);
        foreach ([['soft-clip', ['pieces' => [$this->square, $line]]], ['soften', ['pieces' => [$line], 'edge' => 1]]] as [$kind, $fields]) {
            try {
                $this->bench->do($kind, $fields);
                self::fail($kind);
            } catch (Refused) {
                self::assertNull($this->piece($line)->soft);
            }
        }
    }

    #[Test]
    public function an_outline_without_a_fill_is_refused_until_it_is_filled_and_a_line_clips_by_its_stroke(): void
    {
        $this->bench->do('fill', ['pieces' => [$this->disc], 'colour' => 'none']);
        $this->bench->do('stroke', ['pieces' => [$this->disc], 'colour' => '#000000', 'width' => 2]);
        try {
            $this->bench->do('soft-clip', ['pieces' => [$this->square, $this->disc]]);
            self::fail('it clips');
        } catch (Refused $refused) {
            self::assertStringContainsString('no fill', $refused->getMessage());
        }
        $this->bench->do('soft-clip', ['pieces' => [$this->square, $this->disc], 'fill' => true]);
        self::assertEqualsWithDelta(M_PI * 144, $this->piece($this->square)->soft?->clips[0][0]->shape->area(), 0.5);
        $line = $this->bench->do('brush-line', ['points' => [20, 40, 30, 44, 40, 38, 60, 40], 'lineWidth' => 6, 'profile' => 'even'])->made[0];
        $this->bench->do('soft-clip', ['pieces' => [$this->square, $line], 'edge' => 0]);
        $clips = $this->piece($this->square)->soft->clips ?? [];
        self::assertEqualsWithDelta(275.0, $clips[1][0]->shape->area(), 20.0, '41 mm, 6 mm wide, with its round ends');
    }

    #[Test]
    public function strokes_of_a_soft_brush_stay_lines_and_are_undone_one_by_one(): void
    {
        $this->bench->do('paint-clip', ['pieces' => [$this->square], 'points' => [20, 40, 60, 40], 'width' => 8, 'hardness' => 0, 'strength' => 60]);
        $before = $this->bench->art;
        $this->bench->do('paint-clip', ['pieces' => [$this->square], 'points' => [40, 30, 40, 50], 'does' => 'adds', 'width' => 4, 'hardness' => 100]);
        $clip = $this->piece($this->square)->soft?->clips[0] ?? [];
        self::assertCount(3, $clip, 'all of it, and two strokes');
        self::assertSame([2.0, 0.6, '#000000'], [$clip[1]->soft?->edge, $clip[1]->stroke?->paint->opacity, $clip[1]->stroke?->paint->colour->hex()]);
        self::assertSame([null, 1.0, '#ffffff'], [$clip[2]->soft, $clip[2]->stroke?->paint->opacity, $clip[2]->stroke?->paint->colour->hex()]);
        // As another renderer shows it: four tenths under the first, all of it where it was brought back.
        $page = $this->bench->art->with(pieces: [$this->piece($this->square)]);
        $colours = Render::colours(Writer::write($page), 800, [[100, 160], [160, 160], [100, 120]]);
        self::assertEqualsWithDelta(0xC8, $colours[1][0], 3.0);
        self::assertEqualsWithDelta(0xC8 * 0.4 + 0xE9 * 0.6, $colours[0][0], 8.0);
        self::assertEqualsWithDelta(0x40, $colours[2][1], 4.0, 'beside the strokes it is whole');
        self::assertCount(2, $before->piece($this->square)->soft?->clips[0] ?? []);
    }

    #[Test]
    public function what_leaves_as_svg_comes_back_as_it_was(): void
    {
        $star = $this->bench->shape('star', 120, 60, 50, 50, ['fill' => '#1f6f8b', 'line' => '#222222', 'lineWidth' => 1]);
        $this->bench->do('soften', ['pieces' => [$star], 'edge' => 1]);
        $this->bench->do('fade', ['pieces' => [$star], 'way' => 'outwards', 'end' => 20]);
        $this->bench->do('blend', ['pieces' => [$star], 'blend' => 'multiply']);
        $this->bench->do('soft-clip', ['pieces' => [$this->square, $this->disc], 'edge' => 2]);
        $this->bench->do('paint-clip', ['pieces' => [$this->square], 'points' => [30, 35, 50, 45], 'width' => 6]);
        $svg = Writer::write($this->bench->art);
        $drawing = Reader::read($svg);
        self::assertSame([], array_map(static fn (Finding $one): string => $one->message, $drawing->findings));
        self::assertCount(2, $drawing->artwork->pieces);
        [$square, $back] = $drawing->artwork->pieces;
        self::assertEqualsWithDelta(1.0, $back->soft?->edge, 1e-6);
        self::assertSame('multiply', $back->blend->value);
        self::assertCount(2, $square->soft?->clips[0] ?? [], 'the disc and the stroke');
        self::assertTrue(Render::looksSame($svg, Writer::write($drawing->artwork), 600));
    }

    #[Test]
    public function work_that_is_cut_is_told_of_it_and_each_remedy_ends_it(): void
    {
        $this->bench->do('soften', ['pieces' => [$this->square], 'edge' => 1]);
        $seen = Seen::of($this->bench->art);
        $kinds = static fn (Limits $limits, $art): array => array_values(array_unique(array_filter(
            array_map(static fn (Finding $one): string => $one->kind, Inspection::of($art, $art, $art, $limits)),
            static fn (string $kind): bool => $kind === 'soft-edge',
        )));
        $cut = new Limits(0.5, 0.5);
        self::assertSame(['soft-edge'], $kinds($cut, $seen));
        self::assertSame([], $kinds($cut->with(gradients: true), $seen), 'what prints tones prints it');
        $remedies = Remedies::of('soft-edge');
        self::assertSame(['harden', 'outline', 'drop'], array_map(static fn (Remedy $one): string => $one->values['how'] ?? 'harden', $remedies));
        foreach ($remedies as $remedy) {
            $after = Steps::make($remedy->step, $remedy->values)->apply($seen);
            self::assertSame([], $kinds($cut, $after));
            self::assertCount(($remedy->values['how'] ?? '') === 'drop' ? 1 : 2, $after->pieces);
            // On the bench likewise.
            $mended = Mend::from(\NeatEdge\Core\Described\Values::read(Mend::about('mend')->fields, ['step' => $remedy->step, 'values' => $remedy->values]))->apply($this->bench->art);
            self::assertSame([], array_filter($mended->pieces, static fn (Piece $piece): bool => $piece->soft !== null));
        }
        $box = Steps::make('soft-edges', ['how' => 'outline'])->apply($seen)->pieces[0]->box();
        self::assertEqualsWithDelta([20.0, 60.0], [$box?->left, $box?->right], 1e-6);
    }

    #[Test]
    public function on_a_screen_it_is_one_field_of_dots_of_its_ink(): void
    {
        $this->bench->do('fill', ['pieces' => [$this->square], 'colour' => '#000000']);
        $this->bench->do('fade', ['pieces' => [$this->square], 'way' => 'along']);
        $art = Seen::of($this->bench->art->with(pieces: [$this->piece($this->square)]));
        $inks = Inks::of($art, new Colour(255, 255, 255));
        self::assertSame(['#000000'], array_map(static fn (Colour $one): string => $one->hex(), $inks->inks));
        $dots = $inks->tints(0, $art, new Halftone(30, 22.5), false);
        self::assertCount(1, $dots);
        $area = static fn (float $from, float $to): float => array_sum(array_map(
            static fn ($dot): float => $dot->box()->middle()->x >= $from && $dot->box()->middle()->x < $to ? (new \NeatEdge\Core\Geometry\Shape([$dot]))->area() : 0.0,
            $dots[0]->shape->contours,
        ));
        // At an eighth of the way an eighth is missing: beyond half, dots are holes, and are not asked.
        self::assertEqualsWithDelta(0.25, $area(48.0, 52.0) / (4 * 30), 0.04);
        self::assertEqualsWithDelta(0.10, $area(54.0, 58.0) / (4 * 30), 0.03);
    }
}
