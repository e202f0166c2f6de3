<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\WebDriverKeys;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\PlanarMap\Combine;
use NeatEdge\Core\Recipe\Letters\Lettering;
use NeatEdge\Core\Seen\Seen;
use PHPUnit\Framework\Attributes\Group;
use PHPUnit\Framework\Attributes\Test;

/** Three pieces for the regatta, made from nothing with only the page. */
final class DrawnOnTheBenchTest extends BrowserTestCase
{
    use OnTheBench;

    #[Test]
    public function an_emblem_with_rays_round_a_lantern_a_ribbon_and_names_on_a_circle(): void
    {
        $this->emptyBench('Regatta emblem', 'screen-print', '120mm', '120mm');
        $this->open('guides');
        $this->change(fn () => $this->press('[data-test=centre-lines]'));

        // A ring of exact circles.
        $this->fill('#1f3a4d');
        $this->drawShape('ellipse', 12, 12, 90, 90);
        foreach (['width' => '4in - 1.6mm', 'x' => '60', 'y' => '120/2', 'height' => '100mm'] as $field => $text) {
            $this->put($field, $text);
        }
        $this->open('shape-values');
        $this->change(fn () => $this->type('inner', '0.96'));
        self::assertEqualsWithDelta([100.0, 100.0], $this->sides($this->lastPiece()), 1e-6);

        // One ray, repeated round the middle.
        $this->none();
        $this->fill('#d9a441');
        $this->drawShape('drop', 58, 28, 4, 12);
        $this->put('x', '60mm');
        $this->open('repeat');
        $this->change(fn () => $this->press('[data-test=repeat-ring]'));
        $this->change(fn () => $this->type('count', '24'));
        $rays = $this->lastPiece();
        self::assertCount(24, $rays->shape->contours);
        self::assertEqualsWithDelta([60.0, 60.0], $this->middle($rays), 1e-6);

        // The lantern: body, cap, foot and flame.
        $this->none();
        $this->fill('#a8452f');
        $this->drawShape('rectangle', 51, 46, 20, 26);
        $this->put('x', '60');
        $this->open('shape-values');
        foreach (['topLeft', 'topRight', 'bottomRight', 'bottomLeft'] as $corner) {
            $this->change(fn () => $this->type($corner, '6'));
        }
        $this->none();
        $this->fill('#f2d58a');
        $this->drawShape('drop', 57, 50, 8, 14);
        $this->put('x', '60');
        $this->none();
        $this->fill('#1f3a4d');
        foreach ([[54, 42, 14, 4], [54, 72, 14, 4]] as [$x, $y, $w, $h]) {
            $this->none();
            $this->drawShape('rectangle', $x, $y, $w, $h);
            $this->put('x', '60mm');
        }

        // Names outside a circle and inside another, each slid to its stop by itself.
        $this->none();
        $this->fill('#1f3a4d');
        foreach ([['82', 'MARROWBY LANTERN', false], ['88', 'ON THE WATER', true]] as [$size, $words, $inside]) {
            $this->none();
            $this->drawShape('ellipse', 21, 22, 80, 80);
            foreach (['width' => $size, 'height' => $size, 'x' => '60', 'y' => '60'] as $field => $text) {
                $this->put($field, $text);
            }
            $circle = $this->lastPiece()->id;
            $this->paintNone();
            $this->none();
            $this->letters(100, 110, $words);
            $this->open('text');
            $this->change(fn () => $this->choose('along', $circle));
            $this->change(fn () => $this->choose('family', 'Josefin Sans'));
            $this->change(fn () => $this->type('size', '7mm'));
            $this->change(fn () => $this->type('spacing', '0.4'));
            if ($inside) {
                // Inside they stay where they are on it, until they are slid to its foot.
                $this->change(fn () => $this->choose('inside', 'in'));
                $this->change(fn () => $this->type('along-share', '75'));
            }
            $text = $this->lastPiece();
            self::assertInstanceOf(Lettering::class, $text->recipe?->base);
            $box = $text->box();
            self::assertNotNull($box);
            self::assertEqualsWithDelta(60.0, ($box->left + $box->right) / 2, 0.6);
            $inside ? self::assertGreaterThan(60.0, $box->top) : self::assertLessThan(60.0, $box->bottom);
        }

        // A ribbon with a name on it.
        $this->none();
        $this->fill('#a8452f');
        $this->drawShape('banner', 26, 75, 68, 14);
        $this->put('x', '60');
        $this->open('stroke');
        $this->change(fn () => $this->type('Stroke colour', '#f6efdd'));
        $this->change(fn () => $this->type('strokeWidth', '0.5mm'));
        $this->none();
        $this->fill('#f6efdd');
        $this->letters(100, 110, 'REGATTA');
        $this->change(fn () => $this->choose('family', 'Rye'));
        $this->change(fn () => $this->type('size', '6'));
        $this->open('place');
        $this->put('x', '60');
        $this->put('y', '79mm');

        $this->keep('emblem');
        $flat = Seen::of($this->art());
        self::assertGreaterThan(9, count($flat->pieces));
        self::assertSame([], $this->complaints());
    }

    #[Test]
    #[Group('whole')]
    public function a_tabard_drawn_as_one_half_and_mirrored_with_brush_lines_for_its_folds(): void
    {
        $this->emptyBench("Stewards' tabard, flat", 'plain', '160mm', '180mm');
        $this->open('guides');
        $this->change(fn () => $this->press('[data-test=centre-lines]'));
        $this->open('stroke');
        $this->type('Stroke colour', '#26231d');
        $this->type('strokeWidth', '0.7mm');
        $this->fill('#e3d3a8');

        // The right half, from the neck down to the hem; both ends snap to the middle of the page.
        $this->tool('curve');
        $places = [[[80, 34]], [[96, 22], [99, 18]], [[122, 28]], [[128, 60], [127, 72]], [[132, 150]], [[80, 157]]];
        foreach ($places as $i => $place) {
            $i === 0 ? $this->drag($place) : $this->change(fn () => $this->drag($place));
            usleep(380_000);
        }
        $this->keys(WebDriverKeys::ENTER);
        $this->tool('arrange');
        $half = $this->lastPiece();
        self::assertFalse($half->shape->contours[0]->closed);
        $this->open('mirror');
        $this->change(fn () => $this->press('[data-test=mirror-upright]'));
        $whole = $this->lastPiece();
        self::assertCount(1, $whole->shape->contours);
        self::assertTrue($whole->shape->contours[0]->closed);
        self::assertEqualsWithDelta(80.0, $this->middle($whole)[0], 1e-6);
        $onAxis = 0;
        foreach ($whole->shape->contours[0]->segments() as $s) {
            $onAxis += abs($s[0] - 80) < 1e-6 ? 1 : 0;
        }
        self::assertSame(2, $onAxis, 'one node where each end meets the axis');
        self::assertSame('#e3d3a8', $whole->fill?->colour->hex(), 'what the drawer said when it was drawn');

        // A node of the half is pulled; the other half follows.
        $this->tool('nodes');
        $before = $whole->shape->area();
        $this->change(fn () => $this->drag([[132, 150], [140, 152]], 2));
        $pulled = $this->lastPiece();
        self::assertGreaterThan($before + 500, $pulled->shape->area());
        self::assertEqualsWithDelta(80.0, $this->middle($pulled)[0], 1e-6);

        // A pocket, mirrored too, and a badge on one side only.
        $this->tool('arrange');
        $this->none();
        $this->fill('#cdb987');
        $this->drawShape('rectangle', 92, 104, 28, 26);
        $this->open('shape-values');
        $this->change(fn () => $this->type('bottomRight', '5mm'));
        $this->change(fn () => $this->type('bottomLeft', '5mm'));
        $this->change(fn () => $this->press('[data-test=mirror-upright]'));
        self::assertCount(2, $this->lastPiece()->shape->contours);

        // Folds, each a stroke of the hand that tapers.
        $this->none();
        $this->tool('brush');
        $this->type('brushWidth', '1.6mm');
        foreach ([[[66, 44], [64, 62], [66, 80], [62, 98]], [[98, 46], [101, 66], [98, 86], [102, 100]], [[70, 136], [68, 144], [69, 152]], [[92, 138], [94, 146], [92, 153]]] as $line) {
            $this->change(fn () => $this->drag(self::byHand($line)));
        }
        $art = $this->art();
        $folds = array_filter($art->pieces, static fn (Piece $piece): bool => $piece->stroke?->stops !== null);
        self::assertCount(4, $folds);
        foreach (Seen::of($art->withPieces(array_values($folds)))->pieces as $fold) {
            self::assertNull($fold->stroke);
            self::assertGreaterThan(8.0, $fold->shape->area());
        }

        // Undone and done again over a reload.
        $this->change(fn () => $this->keys(WebDriverKeys::CONTROL, 'z', WebDriverKeys::NULL));
        self::$browser->navigate()->refresh();
        $this->see('[data-test=art] path');
        self::assertCount(5, $this->art()->pieces);
        $this->change(fn () => $this->keys(WebDriverKeys::CONTROL, WebDriverKeys::SHIFT, 'z', WebDriverKeys::NULL));
        self::assertCount(6, $this->art()->pieces);
        $this->keep('tabard-flat');
        self::assertSame([], $this->complaints());
    }

    #[Test]
    public function a_mark_redrawn_over_a_locked_picture_set_to_true_size(): void
    {
        $this->emptyBench('Boathouse mark, redrawn', 'cut-vinyl', '150mm', '100mm');
        $this->open('reference');
        $this->see('[data-field=reference]')->setFileDetector(new \Facebook\WebDriver\Remote\LocalFileDetector)->sendKeys($this->photo());
        $this->see('[data-test=reference]');
        // The sail in the picture is 300 dots high; the boathouse says that it is 60 mm.
        $this->press('[data-test=mark]');
        $at = $this->onPicture(300, 60);
        $to = $this->onPicture(300, 360);
        $this->drag([$at, $to], 2);
        $this->change(fn () => $this->type('trueLength', '6cm'));
        $reference = $this->art()->reference;
        self::assertNotNull($reference);
        self::assertEqualsWithDelta(0.2 * 600, $reference->width, 0.5);
        self::assertTrue($reference->locked);

        // The sail, over the picture, corner by corner.
        $this->fill('#2c6e63');
        $this->tool('curve');
        foreach ([[300, 60], [300, 360], [120, 360], [300, 60]] as $i => [$x, $y]) {
            $i === 0 ? $this->drag([$this->onPicture($x, $y)], 2) : $this->change(fn () => $this->drag([$this->onPicture($x, $y)], 2));
            usleep(380_000);
        }
        $sail = $this->lastPiece();
        self::assertTrue($sail->shape->contours[0]->closed);
        self::assertEqualsWithDelta(0.5 * 36 * 60, $sail->shape->area(), 25.0);
        $this->tool('nodes');
        // Its long side bellies out like the painted one.
        $this->change(fn () => $this->drag([$this->onPicture(210, 210), $this->onPicture(185, 190)], 2));
        self::assertGreaterThan($sail->shape->area() + 40, $this->lastPiece()->shape->area());
        $this->tool('arrange');

        // The hull: a ring's lower half; the sun beside it.
        $this->none();
        $this->fill('#1f3a4d');
        [$x, $y] = $this->onPicture(90, 310);
        $this->drawShape('ellipse', $x, $y, 84, 28);
        $this->open('shape-values');
        $this->change(fn () => $this->type('sweep', '180'));
        $this->none();
        $this->fill('#d9a441');
        [$x, $y] = $this->onPicture(400, 60);
        $this->drawShape('ellipse', $x, $y, 20, 20);

        // Hidden and shown in one press; it reaches no sheet.
        $this->change(fn () => $this->keys('g'));
        self::assertSame(0, $this->howMany('[data-test=reference]'));
        $this->keep('boathouse-mark');
        $this->keys(WebDriverKeys::CONTROL, WebDriverKeys::ENTER, WebDriverKeys::NULL);
        $this->see('[data-sheet]', 30);
        self::assertSame(3, $this->howMany('[data-sheet]'));
        self::assertSame([], $this->complaints());
    }

    /**
     * As a hand draws through places: in many small steps, rounded at each.
     *
     * @param  list<array{float, float}>  $places
     * @return list<array{float, float}>
     */
    private static function byHand(array $places): array
    {
        for ($round = 0; $round < 3; $round++) {
            $next = [$places[0]];
            for ($i = 1; $i < count($places); $i++) {
                [[$ax, $ay], [$bx, $by]] = [$places[$i - 1], $places[$i]];
                array_push($next, [0.75 * $ax + 0.25 * $bx, 0.75 * $ay + 0.25 * $by], [0.25 * $ax + 0.75 * $bx, 0.25 * $ay + 0.75 * $by]);
            }
            $places = [...$next, $places[count($places) - 1]];
        }

        return $places;
    }

    /** @return array{float, float} mm on the bench of a dot of the picture */
    private function onPicture(float $x, float $y): array
    {
        $reference = $this->art()->reference;
        self::assertNotNull($reference);

        return [$reference->x + $x * $reference->width / 600, $reference->y + $y * $reference->height / 400];
    }

    /** A poor picture of a mark, as a customer would send one. */
    private function photo(): string
    {
        $picture = imagecreatetruecolor(600, 400);
        self::assertNotFalse($picture);
        $colours = [];
        foreach ([[236, 230, 214], [70, 130, 118], [52, 78, 98], [222, 178, 92]] as [$red, $green, $blue]) {
            $colours[] = (int) imagecolorallocate($picture, $red, $green, $blue);
        }
        [$paper, $green, $blue, $gold] = $colours;
        imagefill($picture, 0, 0, $paper);
        imagefilledpolygon($picture, [300, 60, 300, 360, 120, 360, 160, 240, 200, 170], $green);
        imagefilledarc($picture, 300, 365, 420, 140, 0, 180, $blue, IMG_ARC_PIE);
        imagefilledellipse($picture, 450, 110, 100, 100, $gold);
        imagefilter($picture, IMG_FILTER_GAUSSIAN_BLUR);
        $path = self::$folder.'/boathouse.png';
        imagepng($picture, $path);

        return $path;
    }

    private function none(): void
    {
        $this->tool('arrange');
        $this->keys(WebDriverKeys::ESCAPE);
        self::until(fn (): ?bool => $this->howMany('[data-chosen]') === 0 ?: null, 'nothing to be chosen', 5.0);
    }

    /** The colour of what is drawn next. */
    private function fill(string $colour): void
    {
        $this->open('fill');
        $this->type('Fill colour', $colour);
    }

    /** A line to stand on needs no paint. */
    private function paintNone(): void
    {
        $this->open('fill');
        // The next piece begins with the paint of the one before: it may have none already.
        if ($this->lastPiece()->fill !== null) {
            $this->change(fn () => $this->press('[data-section=fill] [aria-label=None]'));
        }
    }

    /** @return array{float, float} */
    private function sides(Piece $piece): array
    {
        $box = $piece->box();

        return [$box?->width() ?? 0.0, $box?->height() ?? 0.0];
    }

    /** @return array{float, float} */
    private function middle(Piece $piece): array
    {
        $middle = Combine::weld([new Shape($piece->shape->contours)])->box()?->middle();

        return [$middle->x ?? 0.0, $middle->y ?? 0.0];
    }
}
