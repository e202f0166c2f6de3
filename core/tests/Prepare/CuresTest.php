<?php

declare(strict_types=1);

namespace NeatEdge\Core\Tests\Prepare;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Check\Remedying;
use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\Format\Svg\Reader;
use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\Parts;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Line\Edits;
use NeatEdge\Core\Line\PrepLine;
use NeatEdge\Core\Line\Steps;
use NeatEdge\Core\Measure\Inscribed;
use NeatEdge\Core\Measure\Inside;
use NeatEdge\Core\Measure\Limits;
use NeatEdge\Core\Measure\ThinPlace;
use NeatEdge\Core\PlanarMap\Combine;
use NeatEdge\Core\Prepare\Cure\Cured;
use NeatEdge\Core\Prepare\Cure\Target;
use NeatEdge\Core\Prepare\Cure\ToLimits;
use NeatEdge\Core\Prepare\TellsDeeds;
use NeatEdge\Core\Prepare\Widths;
use NeatEdge\Core\Process\CutVinyl;
use NeatEdge\Core\Process\Processes;
use NeatEdge\Core\Stroke\Offset;
use NeatEdge\Core\Tests\Support\RealArt;
use NeatEdge\Core\Tests\Support\Share;
use NeatEdge\Core\Type\FontShelf;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** What is too narrow is brought to its limit, and nothing else moves. */
final class CuresTest extends TestCase
{
    private const ALL = [Target::LINE, Target::POINT, Target::GAP];

    private static function art(string $svg): Artwork
    {
        return Reader::read('<svg xmlns="http://www.w3.org/2000/svg" width="60mm" height="60mm" viewBox="0 0 60 60">'.$svg.'</svg>')->artwork;
    }

    private static function flat(string $svg): Artwork
    {
        return PrepLine::usual()->run(self::art($svg))->artwork();
    }

    private static function left(Artwork $art, Limits $limits): int
    {
        $widths = Widths::of($art, $limits);

        return array_sum(array_map(count(...), $widths->lines)) + array_sum(array_map(count(...), $widths->gaps));
    }

    private static function area(Artwork $art): float
    {
        return array_sum(array_map(static fn (Piece $piece): float => $piece->shape->area(), $art->pieces));
    }

    #[Test]
    public function a_thin_bar_becomes_as_wide_as_the_limit_and_no_longer(): void
    {
        $cured = ToLimits::cured(self::flat('<rect x="5" y="10" width="30" height=".4"/>'), new Limits(0.8, 0.5), self::ALL);
        $box = $cured->artwork->pieces[0]->box();
        self::assertEqualsWithDelta([30.0, 0.808], [$box?->width(), $box?->height()], 0.002);
        self::assertEqualsWithDelta(10.2, $box?->middle()->y, 0.002, 'about its middle');
        self::assertSame(4, $cured->artwork->pieces[0]->shape->nodeCount());
        self::assertSame([1, 0], [count($cured->done), count($cured->left)]);
    }

    #[Test]
    public function a_round_end_stays_round_and_where_it_was(): void
    {
        $cured = ToLimits::cured(self::flat('<rect x="5" y="10" width="30" height=".5" rx=".25"/>'), new Limits(0.8, 0.5), self::ALL);
        $shape = $cured->artwork->pieces[0]->shape;
        self::assertEqualsWithDelta([5.0, 35.0], [$shape->box()?->left, $shape->box()?->right], 0.03);
        self::assertFalse((new Inside($shape))->holds(5.03, 9.9), 'no corner');
        self::assertEqualsWithDelta(29.192 * 0.808 + M_PI * 0.404 ** 2, $shape->area(), 0.2);
    }

    #[Test]
    public function only_the_thin_part_of_a_piece_moves(): void
    {
        $flat = self::flat('<path d="M5 15H15V15.4H25V11H30V24H25V16H15V22H5Z"/>');
        self::assertSame(0, self::left($flat, new Limits(0.5, 0.3)));
        $cured = ToLimits::cured($flat, new Limits(1.2, 0.3), self::ALL);
        self::assertSame(0, self::left($cured->artwork, new Limits(1.2, 0.3)));
        // The neck is 0.6 by 10 mm: it takes 0.6 mm more, and the blocks beside it nothing.
        self::assertEqualsWithDelta(self::area($flat) + 0.612 * 10, self::area($cured->artwork), 0.35);
        foreach ([[5.5, 15.5], [29.5, 23.5], [26.0, 11.5]] as [$x, $y]) {
            self::assertTrue((new Inside($cured->artwork->pieces[0]->shape))->holds($x, $y));
        }
        self::assertSame($flat->pieces[0]->box()?->height(), $cured->artwork->pieces[0]->box()?->height());
    }

    #[Test]
    public function a_ring_and_a_curve_are_thickened_smoothly(): void
    {
        $cured = ToLimits::cured(
            self::flat('<circle cx="20" cy="20" r="12" fill="none" stroke="#222" stroke-width=".4"/><path d="M5 50C20 35 35 60 55 42" fill="none"'
                .' stroke="#222" stroke-width=".3"/>'),
            new Limits(0.8, 0.5),
            self::ALL,
        );
        self::assertSame(0, self::left($cured->artwork, new Limits(0.8, 0.5)));
        $ring = array_values(array_filter(Parts::of($cured->artwork->pieces[0]->shape), static fn ($part): bool => count($part->contours) === 2))[0];
        self::assertEqualsWithDelta(M_PI * (12.404 ** 2 - 11.596 ** 2), $ring->area(), 0.5);
        foreach ($ring->contours as $contour) {
            foreach ($contour->segments() as $s) {
                self::assertEqualsWithDelta(12.0, hypot($s[0] - 20, $s[1] - 20), 0.45);
            }
        }
        self::assertLessThan(60, $cured->artwork->pieces[0]->shape->nodeCount());
        self::assertLessThan(20, $ring->nodeCount(), 'no seam');
    }

    #[Test]
    public function a_frame_is_thickened_along_its_sides_and_nothing_is_drawn_across_it(): void
    {
        // Of real art: the outer corners are round, the inner ones sharp, so that the middle line is measured in parts.
        $svg = '<svg width="15" height="15" viewBox="0 0 15 15" xmlns="http://www.w3.org/2000/svg"><path d="M11.7 3.3V11.7H3.3V3.3H11.7ZM12 2H3C2.4477 2 2'
            .' 2.4477 2 3V12C2 12.5523 2.4477 13 3 13H12C12.5523 13 13 12.5523 13 12V3C13 2.4477 12.5523 2 12 2Z"/></svg>';
        $flat = PrepLine::usual()->run(Reader::read($svg)->artwork->atWidth(7.9))->artwork();
        $cured = ToLimits::cured($flat, new Limits(0.8, 0.5), self::ALL);
        self::assertSame([1, 0], [count($cured->done), count($cured->left)]);
        self::assertCount(2, $cured->artwork->pieces[0]->shape->contours);
        self::assertEqualsWithDelta(self::area($flat) + 4 * 5.1 * 0.13, self::area($cured->artwork), 0.4);
        self::assertFalse((new Inside($cured->artwork->pieces[0]->shape))->holds(3.95, 3.95));
        self::assertLessThan(50, $cured->artwork->pieces[0]->shape->nodeCount());
    }

    #[Test]
    public function only_the_places_that_are_named_are_cured(): void
    {
        $flat = self::flat('<rect x="5" y="10" width="30" height=".4"/><rect x="5" y="30" width="30" height=".4"/>');
        $step = Steps::make('thicken', ['width' => 0.8, 'keep' => 0.5, 'at' => '20,10.2']);
        self::assertInstanceOf(TellsDeeds::class, $step);
        $cured = $step->cure($flat);
        self::assertCount(1, $cured->done);
        self::assertEqualsWithDelta(30 * 0.808 + 30 * 0.4, self::area($cured->artwork), 0.01);
    }

    #[Test]
    public function a_line_takes_from_its_neighbours_what_it_needs_and_none_lies_over_another(): void
    {
        $flat = self::flat('<rect x="5" y="5" width="40" height="20" fill="#e0a030"/><rect x="5" y="25" width="40" height="20" fill="#3b8ea5"/><rect x="5"'
            .' y="24.8" width="40" height=".4" fill="#222222"/>');
        $cured = ToLimits::cured($flat, new Limits(0.8, 0.5), self::ALL);
        self::assertSame(0, self::left($cured->artwork, new Limits(0.8, 0.5)));
        self::assertEqualsWithDelta(1600.0, self::area($cured->artwork), 0.01, 'nothing is bare, nothing is doubled');
        self::assertEqualsWithDelta(1600.0, Combine::weld(array_map(static fn (Piece $piece) => $piece->shape, $cured->artwork->pieces))->area(), 0.01);
    }

    #[Test]
    public function a_gap_is_widened_from_both_sides_and_a_hair_is_filled(): void
    {
        $wide = ToLimits::cured(
            self::flat('<rect x="5" y="5" width="10" height="20"/><rect x="15.3" y="5" width="10" height="20"/>'),
            new Limits(0.8, 0.6),
            self::ALL,
        );
        $gap = static fn (Artwork $art): array => array_map(static fn ($part): float => $part->area(), Parts::of($art->pieces[0]->shape));
        self::assertEqualsWithDelta([20 * 9.847, 20 * 9.847], $gap($wide->artwork), 0.3);
        self::assertSame('widen', $wide->done[0]['how']);
        $hair = ToLimits::cured(
            self::flat('<rect x="5" y="5" width="10" height="20"/><rect x="15.05" y="5" width="10" height="20"/>'),
            new Limits(0.8, 0.6),
            self::ALL,
        );
        self::assertSame(['fill', 1], [$hair->done[0]['how'], count(Parts::of($hair->artwork->pieces[0]->shape))]);
        $never = ToLimits::cured(
            self::flat('<rect x="5" y="5" width="10" height="20"/><rect x="15.05" y="5" width="10" height="20"/>'),
            new Limits(0.8, 0.6),
            self::ALL,
            null,
            false,
        );
        self::assertSame('widen', $never->done[0]['how']);
    }

    #[Test]
    public function a_point_is_blunted_where_it_is_as_wide_as_is_needed_and_what_goes_is_given_to_what_lies_round_it(): void
    {
        $flat = self::flat('<rect x="2" y="2" width="56" height="20" fill="#e0a030"/><path d="M10 11L50 12L10 13Z" fill="#222222"/>');
        $cured = ToLimits::cured($flat, new Limits(0.8, 0.5), [Target::POINT]);
        self::assertSame(['blunt'], array_column($cured->done, 'how'));
        $tip = array_values(array_filter($cured->artwork->pieces, static fn (Piece $piece): bool => $piece->fill?->colour->hex() === '#222222'))[0];
        self::assertEqualsWithDelta(34.5, $tip->box()?->right, 0.15, 'round, where it is as wide as is needed');
        self::assertEqualsWithDelta(self::area($flat), self::area($cured->artwork), 0.01, 'nothing is left bare');
    }

    #[Test]
    public function where_both_limits_cannot_be_had_the_place_is_left_as_it_was_and_why_is_said(): void
    {
        $svg = implode('', array_map(static fn (int $k): string => sprintf('<rect x="%F" y="5" width=".5" height="20"/>', 5 + 0.9 * $k), range(0, 12)));
        $flat = self::flat($svg);
        $cured = ToLimits::cured($flat, new Limits(0.8, 0.3), [Target::LINE], null, false);
        self::assertNotSame([], $cured->left);
        self::assertMatchesRegularExpression(
            '/^a (gap|line) of \d\.\d\d mm would be left at [\d.]+, [\d.]+, where 0\.[38]0 mm are needed$/',
            $cured->left[0]['how'],
        );
        self::assertSame([], array_merge(...Widths::of($cured->artwork, new Limits(0.0, 0.3))->gaps), 'no gap is narrower than may be');
        self::assertSame(count($cured->left) + count($cured->done), count(ToLimits::cured($flat, new Limits(0.8, 0.0), [Target::LINE])->done));
    }

    #[Test]
    public function letters_of_a_word_become_bolder_alike_or_stay_as_they_are(): void
    {
        $word = static fn (string $extra = '', float $size = 10.0): Artwork => self::flat("<text x=\"2\" y=\"20\" font-family=\"Josefin Sans\" font-size=\"{$size}\" letter-spacing=\"{$extra}\">HARBOUR</text>");
        $parts = static fn (Artwork $art): array => array_map(static fn (Shape $part): float => $part->area(), Parts::of($art->pieces[0]->shape));
        $flat = $word();
        $cured = ToLimits::cured($flat, new Limits(1.2, 0.2), [Target::LINE]);
        self::assertSame([['embolden'], []], [array_values(array_unique(array_column($cured->done, 'how'))), $cured->left]);
        $whole = Offset::outset($flat->pieces[0]->shape, self::grown($flat, $cured->artwork), 'round');
        $other = Combine::cutAway($whole, [$cured->artwork->pieces[0]->shape])->area() + Combine::cutAway($cured->artwork->pieces[0]->shape, [$whole])->area();
        self::assertLessThan(0.02, $other, 'every stem by as much, with no knob on any');
        self::assertCount(7, $parts($cured->artwork));
        self::assertEqualsWithDelta(
            (1.2 * 1.01 - min([INF, ...array_map(static fn (array $deed): float => $deed['measured'] ?? INF, $cured->done)])) / 2,
            self::grown($flat, $cured->artwork),
            0.012,
            'by as much as the thinnest wants, and no more',
        );
        // Set so wide that its letters lie in clusters of their own it is one word still.
        [$wide, $close] = [$word('4'), $word()];
        $bold = array_map(static fn (Artwork $art): Artwork => ToLimits::cured($art, new Limits(1.0, 0.2), [Target::LINE])->artwork, [$wide, $close]);
        self::assertCount(7, $parts($bold[0]));
        self::assertEqualsWithDelta($parts($bold[1]), $parts($bold[0]), 0.01, 'each letter as bold as set close');
        self::assertGreaterThan(0.1, min([INF, ...array_map(static fn (float $a, float $b): float => $b - $a, $parts($wide), $parts($bold[0]))]));
        // One place that was pressed is the word's too.
        $thin = $cured->done[0]['at'] ?? [0.0, 0.0];
        $one = ToLimits::cured(
            $flat,
            new Limits(1.2, 0.2),
            [Target::LINE],
            static fn (string $kind, int $piece, ThinPlace $place): bool => hypot($place->at->x - $thin[0], $place->at->y - $thin[1]) < 0.01,
        );
        self::assertGreaterThan(
            0.1,
            min([INF, ...array_map(static fn (float $a, float $b): float => $b - $a, $parts($flat), $parts($one->artwork))]),
            'each letter of it grew',
        );
        // So tight that bolder letters would run together: not one is changed.
        $tight = $word('0');
        $left = ToLimits::cured($tight, new Limits(1.6, 0.7), [Target::LINE]);
        self::assertSame([], $left->done);
        self::assertMatchesRegularExpression(
            '/^were all letters of the word made bolder alike, a gap of .* set it larger, or in a bolder face$/',
            $left->left[0]['how'],
        );
        self::assertEqualsWithDelta($parts($tight), $parts($left->artwork), 1e-9);
    }

    #[Test]
    public function what_is_all_of_one_form_is_no_word_and_a_tip_of_a_letter_gets_no_ball(): void
    {
        $cross = static fn (float $x): string => sprintf('M%1$F 10h.5v4h4v.5h-4v4h-.5v-4h-4v-.5h4z', $x);
        $row = self::flat('<path d="'.implode('', array_map(static fn (int $k): string => $cross(8.0 + 12.0 * $k), range(0, 4))).'"/>');
        $cured = ToLimits::cured($row, new Limits(0.8, 0.3), [Target::LINE]);
        self::assertSame(['thicken'], array_values(array_unique(array_column($cured->done, 'how'))));
        self::assertEqualsWithDelta(
            $row->pieces[0]->box()?->height() ?? 0.0,
            $cured->artwork->pieces[0]->box()?->height() ?? 0.0,
            0.85,
            'their arms end where they ended',
        );
        $spike = static fn (float $x, float $wide): string => sprintf(
            'M%F 26q%F 1 %F 0L%F 23L%F 3L%F 23Z', $x, $wide / 2, $wide, $x + $wide / 2 + 0.5, $x + $wide / 2, $x + $wide / 2 - 0.5,
        );
        $word = self::flat('<path d="'.implode('', array_map(static fn (int $k): string => $spike(6.0 + 7.0 * $k, 4.0 + 0.3 * $k), range(0, 4))).'"/>');
        $tips = ToLimits::cured($word, new Limits(0.8, 0.1), [Target::POINT]);
        self::assertNotSame([], [...$tips->done, ...$tips->left]);
        self::assertSame([], array_diff(array_column($tips->done, 'how'), ['blunt']));
    }

    /** mm by which the outline of a piece was moved out, by its box. */
    private static function grown(Artwork $before, Artwork $after): float
    {
        return (($after->pieces[0]->box()?->width() ?? 0.0) - ($before->pieces[0]->box()?->width() ?? 0.0)) / 2;
    }

    #[Test]
    public function real_icons_scaled_so_that_they_fail_are_brought_to_their_limits(): void
    {
        $limits = new Limits(0.8, 0.5);
        $places = $done = 0;
        foreach ([...RealArt::of('icons', Share::of(12)), ...RealArt::of('strokes', Share::of(8)), ...RealArt::of('map-signs', Share::of(8)), ...RealArt::of('emoji', Share::of(8))] as $name => $svg) {
            $art = Reader::read($svg)->artwork;
            for ($width = 40.0; $width > 3; $width *= 0.85) {
                $flat = PrepLine::usual()->run($art->atWidth($width))->artwork();
                if (self::left($flat, $limits) > 0) {
                    break;
                }
            }
            $cured = ToLimits::cured($flat, $limits, self::ALL);
            $places += count($cured->done) + count($cured->left);
            $done += count($cured->done);
            self::assertLessThanOrEqual(self::left($flat, $limits), self::left($cured->artwork, $limits), $name);
        }
        self::assertGreaterThan(Share::of(50), $places);
        self::assertGreaterThan(0.95, $done / $places);
    }

    #[Test]
    public function islands_are_dropped_joined_or_enlarged_and_small_holes_filled(): void
    {
        $svg = '<rect x="5" y="5" width="20" height="20"/><rect x="27" y="10" width="1" height="1"/><path fill-rule="evenodd" d="M35 5H55V25H35ZM44'
            .' 14V14.6H44.6V14Z"/>';
        $flat = self::flat($svg);
        $made = static function (string $step, array $values) use ($flat): Cured {
            $step = Steps::make($step, $values);
            self::assertInstanceOf(TellsDeeds::class, $step);

            return $step->cure($flat);
        };
        $parts = static fn (Cured $cured): int => count(Parts::of($cured->artwork->pieces[0]->shape));
        self::assertSame(3, count(Parts::of($flat->pieces[0]->shape)));
        self::assertSame(2, $parts($made('islands', ['how' => 'drop', 'size' => '1.5mm'])));
        $joined = $made('islands', ['how' => 'join', 'size' => '1.5mm', 'bridge' => '0.6mm']);
        self::assertSame(2, $parts($joined));
        self::assertEqualsWithDelta(self::area($flat) + 2 * 0.6, self::area($joined->artwork), 0.2, 'by a bridge of 2 mm');
        $large = $made('islands', ['how' => 'enlarge', 'size' => '1.5mm']);
        self::assertEqualsWithDelta(self::area($flat) + 1.5 ** 2 * 1.02 - 1, self::area($large->artwork), 0.02);
        self::assertSame(3, $parts($made('islands', ['how' => 'drop', 'size' => '1.5mm', 'at' => '5,5'])), 'only at the places that are named');
        self::assertEqualsWithDelta(self::area($flat) + 0.36, self::area($made('fill-holes', ['size' => '1mm'])->artwork), 1e-3);
        self::assertEqualsWithDelta(self::area($flat), self::area($made('fill-holes', ['size' => '0.5mm'])->artwork), 1e-6);
        // A long hole has many middles: a place anywhere in it is it, and no other hole.
        $slots = Reader::read('<svg xmlns="http://www.w3.org/2000/svg" width="30mm" height="20mm" viewBox="0 0 30 20"><path fill-rule="evenodd" d="M1'
            .' 1H29V19H1ZM5 5H15V5.1H5ZM5 9H15V9.1H5Z"/></svg>')->artwork;
        $only = Steps::make('fill-holes', ['size' => '2mm', 'at' => '14.5,5.05']);
        self::assertInstanceOf(TellsDeeds::class, $only);
        self::assertEqualsWithDelta(28 * 18 - 1.0, self::area($only->cure($slots)->artwork), 1e-3);
    }

    #[Test]
    public function all_kinds_at_once_leave_nothing_or_say_what_they_left(): void
    {
        $cured = Remedying::of(
            self::art('<rect x="5" y="5" width="30" height=".3" fill="#222"/><rect x="5" y="10" width="1" height="1" fill="#222"/><rect x="5" y="20"'
                .' width="10" height="9" fill="#222"/><rect x="15.2" y="20" width="10" height="9" fill="#222"/>'),
            ['thin-line', 'thin-point', 'narrow-gap', 'island'],
            new Limits(0.8, 0.5, island: 1.5),
        );
        self::assertSame([], $cured->left);
        self::assertEqualsCanonicalizing(['thin-line', 'narrow-gap', 'island'], array_column($cured->done, 'kind'));
        self::assertSame(0, self::left($cured->artwork, new Limits(0.8, 0.5)));
    }

    #[Test]
    public function on_the_art_itself_only_the_pieces_that_show_it_change(): void
    {
        $art = self::art('<rect x="1" y="1" width="50" height="50" fill="#faf0d0"/><rect x="5" y="5" width="40" height="40" fill="#e0a030"/><path d="M2'
            .' 25H60" stroke="#223344" stroke-width=".4" fill="none"/><circle cx="50" cy="50" r="5" fill="#c33"/>');
        $fonts = FontShelf::shipped();
        $after = Edits::applied(Edits::make('mend', ['step' => 'thicken', 'line' => 0.8, 'gap' => 0.5], $fonts), $art, $fonts);
        self::assertSame([$art->pieces[0], $art->pieces[1], $art->pieces[3]], [$after->pieces[0], $after->pieces[1], $after->pieces[3]]);
        self::assertEqualsWithDelta(58 * 0.808, $after->pieces[2]->shape->area(), 0.01);
        $locked = $art->mapped(static fn (Piece $piece): Piece => $piece->with(place: $piece->place->with(locked: true)), [$art->pieces[2]->id => true]);
        try {
            Edits::applied(Edits::make('mend', ['step' => 'thicken', 'line' => 0.8, 'gap' => 0.5], $fonts), $locked, $fonts);
            self::fail('A locked piece was changed.');
        } catch (Refused $refused) {
            self::assertStringContainsString('is locked', $refused->getMessage());
        }
        // A gap that is widened is cut out of all that lies there.
        $two = self::art('<rect x="5" y="5" width="10" height="20" fill="#c33"/><rect x="15.3" y="5" width="10" height="20" fill="#c33"/>');
        $wide = Edits::applied(Edits::make('mend', ['step' => 'widen-gaps', 'line' => 0.8, 'gap' => 0.6], $fonts), $two, $fonts);
        self::assertEqualsWithDelta(400 - 20 * 0.306, self::area($wide), 0.3);
        $this->expectException(Refused::class);
        $this->expectExceptionMessage('There is nothing of that kind to mend any more.');
        Edits::applied(Edits::make('mend', ['step' => 'thicken', 'line' => 0.2, 'gap' => 0.1], $fonts), $art, $fonts);
    }

    #[Test]
    public function pieces_that_miss_each_other_by_a_hair_cost_little_and_are_joined_along_all_of_it(): void
    {
        $body = implode(
            '',
            array_map(static fn (float $x): string => sprintf('<rect x="%.4F" y="5" width="59.86" height="46.02" fill="#c33"/>', $x), [5.0, 64.8607, 124.7214]),
        );
        $art = Reader::read("<svg xmlns=\"http://www.w3.org/2000/svg\" viewBox=\"0 0 199.58 158.06\">{$body}</svg>")->atWidth(1200.0)->artwork;
        memory_reset_peak_usage();
        $before = memory_get_usage();
        $result = PrepLine::of(Processes::of('cut-vinyl')->preset()->steps, (new CutVinyl)->limits())->outcome($art);
        self::assertLessThan(100_000_000, memory_get_peak_usage() - $before);
        self::assertCount(1, $result->pieces);
        self::assertCount(1, $result->pieces[0]->shape->contours, 'neither gap is left, nor a needle of one');
        self::assertLessThan(24, $result->nodeCount());
        self::assertEqualsWithDelta((3 * 59.86 + 0.0014) * 46.02 * (1200 / 199.58) ** 2, $result->pieces[0]->shape->area(), 1.0);
    }

    #[Test]
    public function a_place_inside_is_found_however_thin_a_shape_is(): void
    {
        foreach ([[[0, 0], [600, 0], [600, 0.0007], [0, 0.0007]], [[0, 0], [500, 300], [500, 300.001], [0, 0.001]]] as $corners) {
            $shape = Shape::of(Contour::polygon($corners));
            [$x, $y, $radius] = Inscribed::in($shape, 0.02);
            self::assertTrue(Inscribed::holds($shape, $x, $y));
            self::assertGreaterThan(0.0002, $radius);
        }
    }

    #[Test]
    public function a_remedy_that_goes_piece_by_piece_is_made_on_the_pieces_of_the_art_and_leaves_all_others(): void
    {
        $fonts = FontShelf::shipped();
        $art = Reader::read('<svg xmlns="http://www.w3.org/2000/svg" width="60mm" height="60mm" viewBox="0 0 60 60"><path id="a" d="M5 5H25V25H5z" fill="#0a0b0c"/><path id="b" d="M5 5H25V25H5z" fill="#0a0b0c"/>'
            .'<path id="c" d="M30 5H50" stroke="#000000" fill="none"/><circle id="d" cx="40" cy="40" r="9" fill="#cc3300"/></svg>')->artwork;
        $mend = static fn (string $step, array $values = []): Artwork => Edits::applied(Edits::make('mend', ['step' => $step, 'values' => $values], $fonts), $art, $fonts);
        $once = $mend('drop-doubled');
        self::assertCount(3, $once->pieces, 'of two that lie on each other one goes');
        self::assertSame($art->piece('p4'), $once->piece('p4'));
        $black = $mend('join-near-blacks');
        self::assertCount(4, $black->pieces);
        self::assertSame(['#000000', '#000000', '#cc3300'], [$black->pieces[0]->fill?->colour->hex(), $black->pieces[1]->fill?->colour->hex(), $black->pieces[3]->fill?->colour->hex()]);
        self::assertSame('#000000', $black->pieces[2]->stroke?->paint->colour->hex(), 'a line stays a line');
    }
}
