<?php

declare(strict_types=1);

namespace NeatEdge\Core\Tests\Format;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Check\Finding;
use NeatEdge\Core\Format\Svg\Reader;
use NeatEdge\Core\Format\Svg\SvgRefused;
use NeatEdge\Core\Format\Svg\Writer;
use NeatEdge\Core\Geometry\FillRule;
use NeatEdge\Core\Prepare\OutlineStrokes;
use NeatEdge\Core\Tests\Support\HostileFiles;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

final class SvgReaderTest extends TestCase
{
    /** mm */
    private const PX = 25.4 / 96;

    /** @return list<Piece> */
    private static function pieces(string $body, string $attributes = 'width="100mm" height="100mm" viewBox="0 0 100 100"'): array
    {
        return Reader::read("<svg xmlns=\"http://www.w3.org/2000/svg\" xmlns:xlink=\"http://www.w3.org/1999/xlink\" {$attributes}>{$body}</svg>")
            ->artwork->pieces;
    }

    #[Test]
    #[TestWith(['width="100mm" height="50mm"', 100.0, 50.0])]
    #[TestWith(['width="10cm" height="5cm" viewBox="0 0 400 200"', 100.0, 50.0])]
    #[TestWith(['width="4in" height="2in"', 101.6, 50.8])]
    #[TestWith(['width="96" height="48px"', 25.4, 12.7])]
    #[TestWith(['width="72pt" height="6pc"', 25.4, 25.4])]
    #[TestWith(['viewBox="0 0 192 96"', 50.8, 25.4])]
    #[TestWith(['width="100%" height="100%" viewBox="0 0 192 96"', 50.8, 25.4])]
    #[TestWith(['width="50mm" viewBox="0 0 200 100"', 50.0, 25.0])]
    public function the_page_has_its_real_size(string $attributes, float $width, float $height): void
    {
        $artwork = Reader::read("<svg xmlns=\"http://www.w3.org/2000/svg\" {$attributes}/>")->artwork;
        self::assertEqualsWithDelta($width, $artwork->width, 1e-9);
        self::assertEqualsWithDelta($height, $artwork->height, 1e-9);
        $again = Reader::read(Writer::write($artwork))->artwork;
        self::assertEqualsWithDelta($width, $again->width, 1e-7);
        self::assertEqualsWithDelta($height, $again->height, 1e-7);
    }

    #[Test]
    #[TestWith(['xMidYMid meet', 25.0, 0.0, 50.0])]
    #[TestWith(['xMinYMax meet', 0.0, 0.0, 50.0])]
    #[TestWith(['xMaxYMid slice', 0.0, -25.0, 100.0])]
    #[TestWith(['none', 0.0, 0.0, 100.0])]
    public function a_view_box_fits_as_it_is_told(string $preserve, float $left, float $top, float $width): void
    {
        [$piece] = self::pieces('<rect width="10" height="10"/>', "width=\"100mm\" height=\"50mm\" viewBox=\"0 0 10 10\" preserveAspectRatio=\"{$preserve}\"");
        $box = $piece->box();
        self::assertNotNull($box);
        self::assertEqualsWithDelta([$left, $top, $width], [$box->left, $box->top, $box->width()], 1e-9);
    }

    #[Test]
    #[TestWith(['M10 10H30V30H10Z', 400.0])]
    #[TestWith(['m10 10h20v20h-20z', 400.0])]
    #[TestWith(['M10,10 30,10 30,30 10,30z', 400.0])]
    #[TestWith(['M10 10L30 10 30 30 10 30', 400.0])]
    #[TestWith(['M10 20A10 10 0 1 1 30 20A10 10 0 1 1 10 20Z', 314.159])]
    #[TestWith(['M10 20a10 10 0 1110 10 10 10 0 01-10-10z', 314.159])]
    #[TestWith(['M10 10Q20 0 30 10T50 10V30H10Z', 800.0])]
    #[TestWith(['M10 10C15 0 25 0 30 10S45 20 50 10V30H10Z', 800.0])]
    #[TestWith(['M.5.5h.5e1v5h-5z', 25.0])]
    #[TestWith(['M10-10 20-10 20-20 10-20z', 100.0])]
    public function path_data_draws_the_area_that_it_says(string $d, float $area): void
    {
        [$piece] = self::pieces("<path d=\"{$d}\"/>");
        self::assertEqualsWithDelta($area, $piece->shape->area(), 0.001 * $area);
    }

    #[Test]
    #[TestWith(['<rect x="5" y="5" width="20" height="10"/>', 200.0])]
    #[TestWith(['<rect width="20" height="10" rx="5"/>', 178.5398])]
    #[TestWith(['<rect width="20" height="10" rx="50" ry="2"/>', 182.8319])]
    #[TestWith(['<circle cx="9" cy="9" r="5"/>', 78.5398])]
    #[TestWith(['<ellipse cx="9" cy="9" rx="5" ry="2"/>', 31.4159])]
    #[TestWith(['<polygon points="0,0 10,0 10,10"/>', 50.0])]
    #[TestWith(['<polyline points="0 0 10 0 10 10"/>', 50.0])]
    #[TestWith(['<circle cx="50%" cy="50%" r="10%"/>', 314.1593])]
    #[TestWith(['<rect width="1cm" height="1cm"/>', 1428.7644])]
    public function basic_shapes_have_their_area(string $element, float $area): void
    {
        [$piece] = self::pieces($element);
        self::assertEqualsWithDelta($area, $piece->shape->area(), 0.001 * $area);
    }

    #[Test]
    public function transforms_nest_from_the_outside_in(): void
    {
        [$piece] = self::pieces('<g transform="translate(10 20)"><g transform="scale(2) rotate(90)"><rect width="5" height="3" transform="matrix(1 0 0 1 1'
            .' 0)"/></g></g>');
        $box = $piece->box();
        self::assertNotNull($box);
        self::assertEqualsWithDelta([4.0, 22.0, 10.0, 32.0], [$box->left, $box->top, $box->right, $box->bottom], 1e-9);
    }

    #[Test]
    public function a_stroke_scales_with_its_transform_and_its_pen_is_kept_where_it_is_no_circle(): void
    {
        [$even, $uneven, $fixed] = self::pieces('<g stroke="red" stroke-width="2" fill="none"><path transform="scale(3)" d="M0 0h5"/><path'
            .' transform="scale(3 1)" d="M0 0h5"/><path vector-effect="non-scaling-stroke" transform="scale(9)" d="M0 0h5"/></g>');
        self::assertEqualsWithDelta(6.0, $even->stroke?->style->width, 1e-9);
        self::assertNull($even->stroke?->pen);
        self::assertEqualsWithDelta(3.0, $uneven->stroke?->pen?->a, 1e-9);
        self::assertEqualsWithDelta(2 * 25.4 / 96, $fixed->stroke?->style->width, 1e-9);
    }

    #[Test]
    #[TestWith(['<path d="M0 0h9v9z" fill="#0f0" style="fill:#00f"/>', '#0000ff'])]
    #[TestWith(['<style>.a{fill:#f00}</style><path class="b a" fill="#0f0" d="M0 0h9v9z"/>', '#ff0000'])]
    #[TestWith(['<style>#x{fill:#00f} .a{fill:#f00} path{fill:#0f0}</style><path id="x" class="a" d="M0 0h9v9z"/>', '#0000ff'])]
    #[TestWith(['<style>.a{fill:#f00 !important}</style><path class="a" style="fill:#0f0" d="M0 0h9v9z"/>', '#ff0000'])]
    #[TestWith(['<style>.a{fill:#f00} .a{fill:#0f0}</style><path class="a" d="M0 0h9v9z"/>', '#00ff00'])]
    #[TestWith(['<style>g.k > path.a{fill:#f00} path{fill:#0f0}</style><g class="k"><path class="a" d="M0 0h9v9z"/></g>', '#ff0000'])]
    #[TestWith(['<style><![CDATA[ rect, path { fill : rgb(0, 50%, 255) } ]]></style><path d="M0 0h9v9z"/>', '#0080ff'])]
    #[TestWith(['<style>@media print{path{fill:#123456}} path:hover{fill:#654321}</style><path fill="teal" d="M0 0h9v9z"/>', '#008080'])]
    #[TestWith(['<g fill="navy"><path d="M0 0h9v9z"/></g>', '#000080'])]
    #[TestWith(['<g fill="navy"><path fill="inherit" d="M0 0h9v9z"/></g>', '#000080'])]
    #[TestWith(['<g color="#abc" fill="currentColor"><path d="M0 0h9v9z"/></g>', '#aabbcc'])]
    #[TestWith(['<g color="#abc" fill="currentColor"><path color="#f00" d="M0 0h9v9z"/></g>', '#ff0000'])]
    #[TestWith(['<path fill="hsl(120, 100%, 25%)" d="M0 0h9v9z"/>', '#008000'])]
    #[TestWith(['<path fill="url(#none) #abcdef" d="M0 0h9v9z"/>', '#abcdef'])]
    #[TestWith(['<path d="M0 0h9v9z"/>', '#000000'])]
    public function colours_follow_the_cascade(string $body, string $colour): void
    {
        [$piece] = self::pieces($body);
        self::assertSame($colour, $piece->fill?->colour->hex());
    }

    #[Test]
    public function opacities_multiply_from_group_to_paint(): void
    {
        [$piece] = self::pieces('<g opacity=".5"><path opacity="50%" fill-opacity=".4" fill="rgba(0,0,0,.5)" d="M0 0h9v9z"/></g>');
        self::assertEqualsWithDelta(0.05, $piece->fill?->opacity, 1e-9);
    }

    #[Test]
    public function a_group_is_see_through_as_a_whole(): void
    {
        [$low, $high] = self::pieces('<g opacity=".5"><rect width="20" height="20" fill="red"/><rect x="10" width="20" height="20" fill="blue"/></g>');
        self::assertEqualsWithDelta([200.0, 0.5, 400.0, 0.5], [$low->shape->area(), $low->fill?->opacity, $high->shape->area(), $high->fill?->opacity], 1e-9);
        [$fill, $line] = self::pieces('<rect x="10" y="10" width="20" height="20" fill="red" stroke="blue" stroke-width="4" opacity=".5"/>');
        self::assertEqualsWithDelta([256.0, 320.0], [$fill->shape->area(), $line->shape->area()], 1e-9);
    }

    #[Test]
    public function what_is_not_shown_is_not_drawn(): void
    {
        $pieces = self::pieces('<path display="none" d="M0 0h9v9z"/><g visibility="hidden"><path d="M0 0h9v9z"/><path id="seen" visibility="visible" d="M0'
            .' 0h9v9z"/></g><path fill="none" d="M0 0h9v9z"/><g opacity="0"><path d="M0 0h9v9z"/></g><defs><path d="M0 0h9v9z"/></defs>');
        self::assertSame(['seen'], array_map(static fn (Piece $piece): string => $piece->name, $pieces));
    }

    #[Test]
    public function copies_take_the_style_of_where_they_are_used(): void
    {
        $pieces = self::pieces('<defs><path id="leaf" d="M0 0h2v2h-2z"/><g id="twig"><use href="#leaf"/><use xlink:href="#leaf" x="5"/></g></defs><use'
            .' href="#twig" y="10" fill="green" transform="scale(2)"/>');
        self::assertCount(2, $pieces);
        self::assertSame('#008000', $pieces[1]->fill?->colour->hex());
        self::assertEqualsWithDelta([10.0, 20.0], [$pieces[1]->box()->left ?? 0, $pieces[1]->box()->top ?? 0], 1e-9);
    }

    #[Test]
    public function a_symbol_and_an_inner_svg_are_fitted_and_cut_to_their_viewport(): void
    {
        [$symbol, $inner] = self::pieces('<symbol id="s" viewBox="0 0 10 10"><rect x="-5" width="15" height="10"/></symbol><use href="#s" x="10" y="10"'
            .' width="20" height="20"/><svg x="50" y="50" width="10" height="10"><circle r="50"/></svg>');
        self::assertEqualsWithDelta([10.0, 10.0, 400.0], [$symbol->box()->left ?? 0, $symbol->box()->top ?? 0, $symbol->shape->area()], 1e-6);
        self::assertEqualsWithDelta([50.0, 50.0, 100.0], [$inner->box()->left ?? 0, $inner->box()->top ?? 0, $inner->shape->area()], 1e-6);
    }

    #[Test]
    public function a_clip_path_cuts_fills_and_strokes(): void
    {
        [$fill, $line] = self::pieces('<clipPath id="c"><circle cx="10" cy="10" r="5"/></clipPath><g clip-path="url(#c)"><rect width="10"'
            .' height="20"/><path d="M0 10h20" stroke="red" stroke-width="2"/></g>');
        self::assertEqualsWithDelta(M_PI * 25 / 2, $fill->shape->area(), 0.02);
        self::assertEqualsWithDelta(19.9, $line->shape->area(), 0.1);
        self::assertNull($line->stroke);
    }

    #[Test]
    public function the_fill_rule_is_kept(): void
    {
        [$piece] = self::pieces('<path fill-rule="evenodd" d="M0 0h9v9h-9zM3 3h3v3h-3z"/>');
        self::assertSame(FillRule::Evenodd, $piece->shape->rule);
    }

    #[Test]
    #[TestWith(['<foreignObject width="5" height="5"><p xmlns="http://www.w3.org/1999/xhtml">x</p></foreignObject>', 'foreignObject'])]
    #[TestWith(['<image href="data:image/svg+xml;base64,AA==" width="5" height="5"/>', 'image'])]
    #[TestWith(['<image href="data:image/png;base64,A&lt;A" width="5" height="5"/>', 'image'])]
    #[TestWith(['<image href="../secret.png" width="5" height="5"/>', 'external-reference'])]
    #[TestWith(['<pattern id="g" width="1e-4" height="1e-4"><rect width="1" height="1"/></pattern><path fill="url(#g)" d="M0 0h9v9z"/>', 'pattern'])]
    #[TestWith(['<text><textPath href="#nowhere">Lantern</textPath></text>', 'text'])]
    #[TestWith(['<video/>', 'video'])]
    public function what_is_no_geometry_is_left_out_and_named(string $body, string $kind): void
    {
        $drawing = Reader::read("<svg xmlns=\"http://www.w3.org/2000/svg\" width=\"9px\" height=\"9px\" viewBox=\"0 0 9 9\">{$body}</svg>");
        self::assertSame([], $drawing->artwork->pieces);
        self::assertSame([$kind], array_map(static fn (Finding $finding): string => $finding->kind, $drawing->findings));
    }

    #[Test]
    #[TestWith(['<filter id="m"/><path filter="url(#m)" d="M0 0h9v9z"/>', 'filter'])]
    #[TestWith(['<filter id="m"><feTurbulence baseFrequency="1"/></filter><path filter="url(#m)" d="M0 0h9v9z"/>', 'filter'])]
    #[TestWith(['<path style="filter:hue-rotate(90deg)" d="M0 0h9v9z"/>', 'filter'])]
    #[TestWith(['<path clip-path="inset(2px)" d="M0 0h9v9z"/>', 'clip-path'])]
    #[TestWith(['<path style="mix-blend-mode:hue" d="M0 0h9v9z"/>', 'blend'])]
    public function what_is_drawn_without_an_effect_is_named_with_its_place(string $body, string $kind): void
    {
        $drawing = Reader::read("<svg xmlns=\"http://www.w3.org/2000/svg\" width=\"9px\" height=\"9px\" viewBox=\"0 0 9 9\">{$body}</svg>");
        self::assertEqualsWithDelta(40.5 * self::PX ** 2, $drawing->artwork->pieces[0]->shape->area(), 1e-6);
        self::assertCount(1, $drawing->findings);
        self::assertSame($kind, $drawing->findings[0]->kind);
        self::assertEqualsWithDelta(4.5 * self::PX, $drawing->findings[0]->at?->x, 1e-9);
    }

    #[Test]
    #[TestWith(['<linearGradient id="g"/><path fill="url(#g)" d="M0 0h9v9z"/>'])]
    #[TestWith(['<linearGradient id="g"><stop/><stop offset="1" stop-color="#fff"/></linearGradient><path fill="none" stroke="url(#g)" d="M0 0h9"/>'])]
    #[TestWith(['<pattern id="g"/><path fill="url(#g)" d="M0 0h9v9z"/>'])]
    #[TestWith(['<mask id="m"/><path mask="url(#m)" d="M0 0h9v9z"/>'])]
    #[TestWith(['<clipPath id="m"/><path clip-path="url(#m)" d="M0 0h9v9z"/>'])]
    #[TestWith(['<marker id="m"/><path marker-end="url(#m)" fill="none" d="M0 0h9v9z"/>'])]
    #[TestWith(['<text x="5" y="9">   </text>'])]
    public function what_shows_nothing_by_the_standard_draws_nothing(string $body): void
    {
        $drawing = Reader::read("<svg xmlns=\"http://www.w3.org/2000/svg\" width=\"9px\" height=\"9px\" viewBox=\"0 0 9 9\">{$body}</svg>");
        self::assertSame([[], []], [$drawing->artwork->pieces, $drawing->findings]);
    }

    #[Test]
    public function a_line_of_fixed_width_keeps_it_under_a_transform(): void
    {
        [$piece] = self::pieces('<g transform="scale(3 1)"><path d="M0 10H20" stroke="red" stroke-width="2" vector-effect="non-scaling-stroke"/></g>');
        [$outline] = (new OutlineStrokes)->apply(new Artwork(100, 100, [$piece]))->pieces;
        self::assertEqualsWithDelta(60 * 2 * self::PX, $outline->shape->area(), 1e-6);
    }

    #[Test]
    public function a_transform_turns_about_its_origin(): void
    {
        [$piece] = self::pieces('<rect x="40" y="40" width="20" height="20" transform="rotate(45)" transform-origin="50 50"/>');
        self::assertEqualsWithDelta([50 - 10 * M_SQRT2, 50 + 10 * M_SQRT2], [$piece->box()->left ?? 0, $piece->box()->right ?? 0], 1e-9);
    }

    #[Test]
    public function a_gradient_stays_paint_in_mm_and_goes_along_when_the_art_is_scaled(): void
    {
        [$piece] = self::pieces('<linearGradient id="g" gradientUnits="userSpaceOnUse" x1="20" x2="60"><stop stop-color="red"/><stop offset="1"'
            .' stop-color="blue"/></linearGradient><rect width="80" height="10" fill="url(#g)"/>');
        $gradient = (new Artwork(100, 100, [$piece]))->atWidth(200)->pieces[0]->fill?->gradient;
        self::assertNotNull($gradient);
        self::assertEqualsWithDelta(40.0, $gradient->matrix->apply($gradient->axis[0], 0)->x, 1e-9);
        self::assertSame('#800080', $piece->fill?->colour->hex(), 'the mean stands for it');
    }

    #[Test]
    public function a_picture_is_kept_as_a_reference_and_cut_with_its_frame(): void
    {
        $png = 'data:image/png;base64,iVBORw0KGgoAAAANSUhEUgAAAAIAAAABCAIAAAB7QOjdAAAADklEQVR4nGP4z8AARBAAABL7Af9WnVAaAAAAAElFTkSuQmCC';
        $drawing = Reader::read("<svg xmlns=\"http://www.w3.org/2000/svg\" viewBox=\"0 0 100 100\" width=\"100mm\"><clipPath id=\"c\"><circle cx=\"30\" cy=\"20\" r=\"10\"/></clipPath><image clip-path=\"url(#c)\" href=\"{$png}\" x=\"10\" y=\"10\" width=\"40\"/></svg>");
        [$piece] = $drawing->artwork->pieces;
        self::assertSame($png, $piece->fill?->picture?->reference);
        self::assertSame([40.0, 20.0], [$piece->fill->picture->width, $piece->fill->picture->height]);
        self::assertEqualsWithDelta(M_PI * 100, $piece->shape->area(), 0.1);
        self::assertSame(['image'], array_map(static fn (Finding $finding): string => $finding->kind, $drawing->findings));
        $again = Reader::read(Writer::write($drawing->artwork))->artwork->pieces[0];
        self::assertSame($png, $again->fill?->picture?->reference);
        self::assertEqualsWithDelta($piece->shape->area(), $again->shape->area(), 0.001);
    }

    #[Test]
    public function a_missing_font_is_replaced_and_named_once(): void
    {
        $drawing = Reader::read('<svg xmlns="http://www.w3.org/2000/svg" width="99" height="99" viewBox="0 0 99 99"><g font-family="Wharf Roman"'
            .' font-size="9"><text y="9">Ale</text><text y="29">Stew</text></g></svg>');
        self::assertCount(2, $drawing->artwork->pieces);
        self::assertCount(1, $drawing->findings);
        self::assertSame('missing-font', $drawing->findings[0]->kind);
        self::assertStringContainsString('"Wharf Roman"', $drawing->findings[0]->message);
    }

    #[Test]
    public function letters_that_kern_stand_closer_and_spacing_drives_them_apart(): void
    {
        $width = static function (string $attributes, string $text): float {
            $piece = self::pieces("<text y='50' font-size='40' {$attributes}>{$text}</text>")[0];

            return $piece->box()?->width() ?? 0.0;
        };
        self::assertLessThan($width('', 'A') + $width('', 'V') - 1.0, $width('', 'AV'));
        self::assertEqualsWithDelta($width('', 'nnn') + 10, $width("letter-spacing='5'", 'nnn'), 1e-6);
    }

    #[Test]
    public function plain_entities_of_drawing_programs_are_written_out(): void
    {
        $drawing = Reader::read('<?xml version="1.0"?><!DOCTYPE svg PUBLIC "-//W3C//DTD SVG 1.1//EN" "http://www.w3.org/Graphics/SVG/1.1/DTD/svg11.dtd"'
            .' [<!ENTITY ns_svg "http://www.w3.org/2000/svg"><!ENTITY red "#ff0000">]><svg xmlns="&ns_svg;" viewBox="0 0 9 9"><path fill="&red;" d="M0'
            .' 0h9v9z"/></svg>');
        self::assertSame('#ff0000', $drawing->artwork->pieces[0]->fill?->colour->hex());
    }

    #[Test]
    public function a_compressed_or_wide_file_is_read_as_well(): void
    {
        $svg = '<?xml version="1.0" encoding="UTF-16"?><svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 9 9"><path d="M0 0h9v9z"/></svg>';
        self::assertCount(1, Reader::read((string) gzencode(str_replace('UTF-16', 'UTF-8', $svg)))->artwork->pieces);
        self::assertCount(1, Reader::read("\xFF\xFE".mb_convert_encoding($svg, 'UTF-16LE', 'UTF-8'))->artwork->pieces);
    }

    /** @return array<string, array{string, string}> */
    public static function refused(): array
    {
        return HostileFiles::refused();
    }

    #[Test]
    #[DataProvider('refused')]
    public function a_hostile_file_is_refused_in_one_sentence(string $file, string $words): void
    {
        try {
            Reader::read($file);
            self::fail('It was taken.');
        } catch (SvgRefused $refused) {
            self::assertStringContainsString($words, $refused->getMessage());
            self::assertMatchesRegularExpression('/^[A-Z][^\n]+\.$/u', $refused->getMessage());
        }
    }

    /** @return array<string, array{string, string}> */
    public static function takenInPart(): array
    {
        return HostileFiles::takenWithoutTheBadPart();
    }

    #[Test]
    #[DataProvider('takenInPart')]
    public function a_bad_part_is_left_out_and_named_and_the_good_part_kept(string $file, string $kind): void
    {
        $drawing = Reader::read($file);
        self::assertSame('good', $drawing->artwork->pieces[0]->name ?? null);
        self::assertContains($kind, array_map(static fn (Finding $finding): string => $finding->kind, $drawing->findings));
        self::assertStringNotContainsString('alert', Writer::write($drawing->artwork));
        self::assertStringNotContainsString('127.0.0.1', Writer::write($drawing->artwork));
    }
}
