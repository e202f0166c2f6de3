<?php

declare(strict_types=1);

namespace NeatEdge\Core\Tests\Format;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Check\Finding;
use NeatEdge\Core\Format\Svg\Drawing;
use NeatEdge\Core\Format\Svg\Isolated;
use NeatEdge\Core\Format\Svg\Reader;
use NeatEdge\Core\Format\Svg\SvgRefused;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

/** Where the standard decides, it decides here too. */
final class SvgStandardTest extends TestCase
{
    private static function art(string $body, string $attributes = 'width="100mm" height="100mm" viewBox="0 0 100 100"'): Artwork
    {
        return Reader::read("<svg xmlns=\"http://www.w3.org/2000/svg\" {$attributes}>{$body}</svg>")->artwork;
    }

    /** @return list<string|null> */
    private static function fills(string $body): array
    {
        return array_map(static fn (Piece $piece): ?string => $piece->fill?->colour->hex(), self::art($body)->pieces);
    }

    /** @return array<string, array{string, string}> */
    public static function cascade(): array
    {
        return [
            'a class weighs more than elements, however late they come' => ['.a{fill:#111111} svg rect{fill:#222222} rect{fill:#333333}', '#111111'],
            'an id weighs more than classes' => ['#r{fill:#111111} .a.b.c{fill:#222222}', '#111111'],
            'two classes more than one' => ['.a.b{fill:#111111} .c{fill:#222222}', '#111111'],
            'an attribute as much as a class' => ['rect[width]{fill:#111111} rect{fill:#222222}', '#111111'],
            'of the same weight the later' => ['.a{fill:#222222} .b{fill:#111111}', '#111111'],
            'important more than all' => ['.a{fill:#111111 !important} #r{fill:#222222}', '#111111'],
            'a child is a child' => ['g>rect{fill:#111111} svg>rect{fill:#222222}', '#111111'],
            'a descendant through others' => ['svg .outer rect{fill:#111111}', '#111111'],
            'not what is not meant' => ['rect:not(.a){fill:#222222} rect:not(.z){fill:#111111}', '#111111'],
            'the second of its kind' => ['rect:nth-of-type(2){fill:#222222} rect:nth-of-type(1){fill:#111111}', '#111111'],
            'the last child' => ['rect:last-child{fill:#222222} rect:first-child{fill:#111111}', '#111111'],
            'what follows another' => ['circle + rect{fill:#222222} rect + circle{fill:#222222} rect{fill:#111111}', '#111111'],
            'a comment is no rule' => ['/* .a{fill:#222222} */ .a{fill:#111111} /* never closed .a{fill:#222222}', '#111111'],
            'nor is what stands in quotes a comment' => ['.b{font-family:"/*"} .a{fill:#111111} .c{font-family:"*/"}', '#111111'],
        ];
    }

    #[Test]
    #[DataProvider('cascade')]
    public function style_rules_weigh_as_the_standard_has_it(string $css, string $colour): void
    {
        self::assertSame(
            $colour,
            self::fills("<style>{$css}</style><g class='outer'><g><rect id='r' class='a b c' width='9' height='9'/><circle r='2'/></g></g>")[0],
        );
    }

    #[Test]
    public function declarations_part_at_semicolons_that_stand_free(): void
    {
        self::assertSame(['#111111'], self::fills("<rect width='9' height='9' style=\"font-family:'a;fill:red';fill:url(#x;y) #111111;;stroke:none\"/>"));
        self::assertSame(['#111111'], self::fills("<rect width='9' height='9' style='fill:#222222;fill : #111111 ! important;fill:#333333'/>"));
        self::assertSame(['#111111'], self::fills("<rect width='9' height='9' style='/* fill:red; */fill:#111111/* ; */'/>"));
    }

    #[Test]
    public function a_pattern_without_a_size_is_none_and_what_is_written_behind_it_shows(): void
    {
        $pattern = '<circle cx="2" cy="2" r="1" fill="#ff0000"/></pattern>';
        self::assertSame(
            ['#00ff00'],
            self::fills("<pattern id='p' width='0' height='4' patternUnits='userSpaceOnUse'>{$pattern}<rect width='9' height='9' fill='url(#p) #00ff00'/>"),
        );
        self::assertSame(['#00ff00'], self::fills("<pattern id='p'>{$pattern}<rect width='9' height='9' fill='url(#p) #00ff00'/>"));
        self::assertSame([], self::fills("<pattern id='p'>{$pattern}<rect width='9' height='9' fill='url(#p)'/>"));
        // The size may come from the pattern that it refers to.
        self::assertSame(
            ['#ff0000'],
            self::fills("<pattern id='q' width='4' height='4' patternUnits='userSpaceOnUse'>{$pattern}<pattern id='p' href='#q'/><rect width='9' height='9' fill='url(#p) #00ff00'/>"),
        );
    }

    #[Test]
    public function marker_is_a_property_of_style_and_no_attribute(): void
    {
        $marker = '<marker id="m" markerWidth="4" markerHeight="4"><rect width="4" height="4" fill="#ff0000"/></marker>';
        self::assertSame([null], self::fills("{$marker}<path d='M10 10L50 50' fill='none' stroke='#000' marker='url(#m)'/>"));
        self::assertSame([null, '#ff0000', '#ff0000'], self::fills("{$marker}<path d='M10 10L50 50' fill='none' stroke='#000' style='marker:url(#m)'/>"));
        self::assertSame([null, '#ff0000'], self::fills("{$marker}<path d='M10 10L50 50' fill='none' stroke='#000' marker-end='url(#m)'/>"));
    }

    /** @param  list<string>  $fills */
    #[Test]
    #[TestWith([
        '<switch><rect requiredExtensions="http://elsewhere.test/x" width="9" height="9" fill="#ff0000"/><rect width="9" height="9" fill="#00ff00"/></switch>',
        ['#00ff00'],
    ])]
    #[TestWith(['<switch><rect requiredExtensions="" width="9" height="9" fill="#ff0000"/><rect width="9" height="9" fill="#00ff00"/></switch>', ['#00ff00']])]
    #[TestWith([
        '<switch><rect requiredFeatures="http://www.w3.org/TR/SVG11/feature#Nonsense" width="9" height="9" fill="#ff0000"/><rect width="9" height="9"'
            .' fill="#00ff00"/></switch>',
        ['#ff0000'],
    ])]
    #[TestWith([
        '<switch><rect systemLanguage="de" width="9" height="9" fill="#ff0000"/><rect systemLanguage="en-GB, fr" width="9" height="9"'
            .' fill="#00ff00"/></switch>',
        ['#00ff00'],
    ])]
    #[TestWith([
        '<rect requiredExtensions="http://elsewhere.test/x" width="9" height="9" fill="#ff0000"/><rect width="9" height="9" fill="#00ff00"/>',
        ['#00ff00'],
    ])]
    #[TestWith(['<g systemLanguage="de"><rect width="9" height="9" fill="#ff0000"/></g><rect width="9" height="9" fill="#00ff00"/>', ['#00ff00']])]
    public function what_is_shown_under_a_condition_is_decided_by_it(string $body, array $fills): void
    {
        self::assertSame($fills, self::fills($body));
    }

    #[Test]
    public function letters_have_all_their_contours_and_stand_apart_as_they_are_told(): void
    {
        $shape = static fn (string $text, string $more = ''): Piece => self::art("<text y='50' font-size='40' {$more}>{$text}</text>")->pieces[0];
        self::assertCount(2, $shape('o')->shape->contours, 'an o has its hole');
        self::assertCount(3, $shape('B')->shape->contours);
        self::assertCount(2, $shape('i')->shape->contours, 'an i its dot');
        $one = $shape('o')->shape->area();
        self::assertEqualsWithDelta(3 * $one, $shape('ooo')->shape->area(), 1e-3);
        $width = static fn (string $more): float => $shape('ooo', $more)->box()?->width() ?? 0.0;
        self::assertEqualsWithDelta($width('') + 2 * 5.0, $width('letter-spacing="5"'), 1e-6);
        self::assertEqualsWithDelta($width('') - 2 * 3.0, $width('letter-spacing="-3"'), 1e-6);
    }

    /** @return array<string, array{string, array{float, float}, bool}> */
    public static function sizes(): array
    {
        $px = 25.4 / 96;

        return [
            'both sides' => ['width="80mm" height="40mm"', [80.0, 40.0], true],
            'one side and a view box' => ['width="80mm" viewBox="0 0 200 100"', [80.0, 40.0], true],
            'only a view box' => ['viewBox="0 0 200 100"', [200 * $px, 100 * $px], false],
            'percentages' => ['width="100%" height="100%" viewBox="0 0 200 100"', [200 * $px, 100 * $px], false],
            'nothing' => ['', [60 * $px, 30 * $px], false],
            'one side alone' => ['width="500"', [60 * $px, 30 * $px], false],
        ];
    }

    /** @param  array{float, float}  $size */
    #[Test]
    #[DataProvider('sizes')]
    public function a_file_is_as_large_as_it_says_or_said_to_say_nothing(string $attributes, array $size, bool $states): void
    {
        $drawing = Reader::read("<svg xmlns='http://www.w3.org/2000/svg' {$attributes}><rect x='-20' y='10' width='60' height='30'/><video/></svg>");
        self::assertEqualsWithDelta($size, [$drawing->artwork->width, $drawing->artwork->height], 1e-6);
        self::assertSame($states, $drawing->statesSize);
        $kinds = array_map(static fn (Finding $finding): string => $finding->kind, $drawing->findings);
        self::assertSame($states ? ['video'] : [Drawing::NO_SIZE, 'video'], $kinds);
        $typed = $drawing->framedByArt()->atWidth(120.0);
        self::assertEqualsWithDelta(
            [120.0, 60.0, 0.0, 120.0],
            [$typed->artwork->width, $typed->artwork->height, $typed->artwork->pieces[0]->box()?->left, $typed->artwork->pieces[0]->box()?->right],
            1e-6,
        );
        self::assertTrue($typed->statesSize);
        self::assertSame(['video'], array_map(static fn (Finding $finding): string => $finding->kind, $typed->findings));
    }

    #[Test]
    public function the_file_as_a_picture_fills_the_frame_that_its_page_has(): void
    {
        $root = static function (string $svg, ?\NeatEdge\Core\Geometry\Box $box = null): \SimpleXMLElement {
            $xml = simplexml_load_string(Isolated::picture($svg, $box));

            return $xml === false ? throw new \LogicException : $xml;
        };
        $of = static fn (\SimpleXMLElement $xml): array => array_map(strval(...), [$xml['width'], $xml['height'], $xml['viewBox']]);
        self::assertSame(
            ['80mm', '40mm', '0 0 200 100'],
            $of($root('<svg xmlns="http://www.w3.org/2000/svg" width="80mm" height="40mm" viewBox="0 0 200 100"/>')),
        );
        self::assertSame(
            ['200', '100', '0 0 200 100'],
            $of($root('<svg xmlns="http://www.w3.org/2000/svg" width="100%" height="100%" viewBox="0 0 200 100"/>')),
        );
        self::assertSame(
            ['60', '30', '-20 10 60 30'],
            $of($root('<svg xmlns="http://www.w3.org/2000/svg"><rect/></svg>', new \NeatEdge\Core\Geometry\Box(-20, 10, 40, 40))),
        );
        self::assertSame(
            ['80mm', '40mm', '0 0 302.362204724 151.181102362'],
            $of($root('<svg xmlns="http://www.w3.org/2000/svg" width="80mm" height="40mm"/>')),
        );
        $this->expectException(SvgRefused::class);
        Isolated::picture('<html/>');
    }

    #[Test]
    public function a_picture_that_claims_more_dots_than_anybody_unpacks_is_left_out_by_its_measure(): void
    {
        $chunk = static fn (string $type, string $data): string => pack('N', strlen($data)).$type.$data.pack('N', crc32($type.$data));
        $png = static fn (int $side): string => base64_encode("\x89PNG\r\n\x1a\n".$chunk(
            'IHDR',
            pack('NNCCCCC', $side, $side, 8, 2, 0, 0, 0),
        ).$chunk('IDAT', (string) gzcompress('')).$chunk('IEND', ''));
        $read = static fn (int $side): Drawing => Reader::read("<svg xmlns='http://www.w3.org/2000/svg' width='9mm' height='9mm'><image width='5' height='5' href='data:image/png;base64,{$png($side)}'/></svg>");
        self::assertCount(1, $read(500)->artwork->pieces);
        self::assertSame([], $read(20_000)->artwork->pieces);
        self::assertStringContainsString('claims 20000 by 20000 dots', $read(20_000)->findings[0]->message);
    }

    /** CPU time that grows with the length of a style sheet and not with its square. */
    #[Test]
    #[TestWith(['comments'])]
    #[TestWith(['descendants'])]
    #[TestWith(['selectors'])]
    #[TestWith(['declarations'])]
    #[TestWith(['style attribute'])]
    #[TestWith(['siblings'])]
    #[TestWith(['rules on many'])]
    public function a_long_style_sheet_costs_no_more_than_its_length(string $what): void
    {
        $n = 60_000;
        $css = match ($what) {
            'comments' => str_repeat('/**/', intdiv($n, 4)).'.a{fill:red}',
            'descendants' => str_repeat('.a ', intdiv($n, 3)).'{fill:red}'.str_repeat(str_repeat('.a ', 23).'.a{fill:red}', 100),
            'selectors' => rtrim(str_repeat('.abcd,', intdiv($n, 6)), ',').'{fill:red}',
            'declarations' => '.a{'.str_repeat('fill:red;', intdiv($n, 9)).'}',
            'siblings' => '.a:nth-child(3n+1):nth-last-of-type(2n){fill:red}',
            'rules on many' => str_repeat('.a{fill:red}', intdiv($n, 12)),
            default => '',
        };
        $body = match ($what) {
            'style attribute' => "<rect width='5' height='5' style='".str_repeat('fill:red;', intdiv($n, 9))."'/>",
            'siblings', 'rules on many' => str_repeat("<rect class='a' width='5' height='5'/>", 6000),
            'descendants' => str_repeat("<g class='a'>", 60)."<rect class='a' width='5' height='5'/>".str_repeat('</g>', 60),
            default => "<rect class='a' width='5' height='5'/>",
        };
        $cpu = static function (): float {
            $usage = getrusage();

            return $usage === false ? 0.0 : $usage['ru_utime.tv_sec'] + $usage['ru_utime.tv_usec'] / 1e6;
        };
        $start = $cpu();
        self::assertNotSame([], self::art("<style>{$css}</style>{$body}")->pieces);
        self::assertLessThan(3.0, $cpu() - $start);
    }

    #[Test]
    public function a_style_sheet_beyond_all_measure_is_left_out_by_name(): void
    {
        $drawing = Reader::read("<svg xmlns='http://www.w3.org/2000/svg' width='9mm' height='9mm'><style>".str_repeat('.a{fill:red}', 30_000)
            .'</style><rect class="a" width="5" height="5"/></svg>');
        self::assertSame('#000000', $drawing->artwork->pieces[0]->fill?->colour->hex());
        self::assertSame(
            ['Left out a style sheet of more than 300 kB.'],
            array_map(static fn (Finding $finding): string => $finding->message, $drawing->findings),
        );
    }
}
