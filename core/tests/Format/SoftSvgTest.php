<?php

declare(strict_types=1);

namespace NeatEdge\Core\Tests\Format;

use NeatEdge\Core\Check\Finding;
use NeatEdge\Core\Format\Svg\Reader;
use NeatEdge\Core\Format\Svg\Writer;
use NeatEdge\Core\Seen\Seen;
use NeatEdge\Core\Tests\Support\Render;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** D13: blurs, shadows, masks and blends of files of others: what we make of them looks like what they are, or it is said what does not. */
final class SoftSvgTest extends TestCase
{
    private const STAR = 'M50 10L61 38H90L67 56L76 85L50 68L24 85L33 56L10 38H39Z';

    /** @return iterable<string, array{string, 1?: list<string>}> what stands in a drawing of a hundred units, and what is said of it */
    public static function drawings(): iterable
    {
        $star = self::STAR;
        $on = static fn (string $filter): string => "<filter id=\"f\" x=\"-1\" y=\"-1\" width=\"3\" height=\"3\" color-interpolation-filters=\"sRGB\">{$filter}</filter><path d=\"{$star}\" fill=\"#1f6f8b\" filter=\"url(#f)\"/>";
        yield 'a blur' => [$on('<feGaussianBlur stdDeviation="3"/>')];
        yield 'a blur in its group, moved and scaled' => [
            '<filter id="f"><feGaussianBlur stdDeviation="2 2"/></filter><g transform="translate(20 10) scale(.6)"><g filter="url(#f)"><path d="'.$star.'" fill="#c8402e"/></g></g>',
        ];
        yield 'a blur by its short name' => ["<path d=\"{$star}\" fill=\"#1d5c46\" style=\"filter:blur(2.5px)\"/>"];
        yield 'a blur that is clipped' => [
            '<clipPath id="c"><path d="M0 0H60V100H0Z"/></clipPath><filter id="f" x="-1" y="-1" width="3" height="3"><feGaussianBlur stdDeviation="4"/></filter>'
                ."<g clip-path=\"url(#c)\"><path d=\"{$star}\" fill=\"#1f6f8b\" filter=\"url(#f)\"/></g>",
        ];
        yield 'a shadow' => [
            '<filter id="f" x="-1" y="-1" width="3" height="3"><feDropShadow dx="4" dy="5" stdDeviation="2.5" flood-color="#331100" flood-opacity=".6"/></filter>'
                ."<path d=\"{$star}\" fill=\"#1f6f8b\" filter=\"url(#f)\"/>",
        ];
        yield 'a shadow by its short name' => ["<path d=\"{$star}\" fill=\"#e0a030\" style=\"filter:drop-shadow(3px 4px 2px rgba(0,0,0,.5))\"/>"];
        yield 'a shadow made of offset, blur and merge' => [
            $on('<feGaussianBlur in="SourceAlpha" stdDeviation="2"/><feOffset dx="3" dy="3" result="o"/><feComponentTransfer><feFuncA type="linear" slope=".5"/>'
                .'</feComponentTransfer><feMerge><feMergeNode/><feMergeNode in="SourceGraphic"/></feMerge>'),
        ];
        yield 'a shadow of a flood' => [
            $on('<feFlood flood-color="#a0301e" flood-opacity=".8" result="c"/><feGaussianBlur in="SourceAlpha" stdDeviation="3" result="b"/><feComposite in="c" in2="b" operator="in"/>'
                .'<feOffset dx="-4" dy="4"/><feBlend in="SourceGraphic"/>'),
        ];
        yield 'a shadow that falls inwards' => [
            $on('<feFlood flood-opacity="0" result="BackgroundImageFix"/><feBlend in="SourceGraphic" in2="BackgroundImageFix" result="shape"/>'
                .'<feColorMatrix in="SourceAlpha" values="0 0 0 0 0 0 0 0 0 0 0 0 0 0 0 0 0 0 127 0" result="hardAlpha"/><feOffset dx="4" dy="-3"/><feGaussianBlur stdDeviation="3"/>'
                .'<feComposite in2="hardAlpha" operator="arithmetic" k2="-1" k3="1"/>'
                .'<feColorMatrix values="0 0 0 0 0.9 0 0 0 0 0.8 0 0 0 0 0.2 0 0 0 0.8 0"/><feBlend in2="shape"/>'),
        ];
        yield 'a shadow that falls inwards, all of it moved' => [
            $on('<feFlood flood-opacity="0" result="n"/><feColorMatrix in="SourceAlpha" values="0 0 0 0 0 0 0 0 0 0 0 0 0 0 0 0 0 0 127 0" result="h"/><feOffset dx="6" dy="0"/>'
                .'<feComposite in2="h" operator="arithmetic" k2="-1" k3="1"/><feOffset dx="-12" dy="8"/>'),
        ];
        yield 'a blur of a blur' => [$on('<feGaussianBlur stdDeviation="2"/><feGaussianBlur stdDeviation="3"/>')];
        yield 'a mask that fades' => [
            '<linearGradient id="g"><stop stop-color="#fff"/><stop offset="1" stop-color="#000"/></linearGradient><mask id="m"><rect width="100" height="100" fill="url(#g)"/></mask>'
                ."<path d=\"{$star}\" fill=\"#1f6f8b\" mask=\"url(#m)\"/>",
        ];
        yield 'a mask by alpha, of half its page' => [
            '<radialGradient id="g"><stop/><stop offset="1" stop-opacity="0"/></radialGradient><mask id="m" style="mask-type:alpha" maskUnits="userSpaceOnUse" x="0" y="0" width="70" height="100">'
                ."<circle cx=\"50\" cy=\"50\" r=\"45\" fill=\"url(#g)\"/></mask><path d=\"{$star}\" fill=\"#1f6f8b\" mask=\"url(#m)\"/>",
        ];
        yield 'a soft mask on two that overlap' => [
            '<filter id="f"><feGaussianBlur stdDeviation="4"/></filter><mask id="m"><circle cx="50" cy="50" r="30" fill="#fff" filter="url(#f)"/></mask>'
                ."<g mask=\"url(#m)\"><path d=\"M0 0H100V60H0Z\" fill=\"#c8402e\"/><path d=\"{$star}\" fill=\"#1f6f8b\"/></g>",
        ];
        yield 'a blur that is half seen' => ["<filter id=\"f\"><feGaussianBlur stdDeviation=\"2\"/></filter><g opacity=\".5\"><path d=\"{$star}\" fill=\"#000\" filter=\"url(#f)\"/></g>"];
        yield 'blends' => [
            "<path d=\"M0 0H100V100H0Z\" fill=\"#e0a030\"/><path d=\"{$star}\" fill=\"#1f6f8b\" style=\"mix-blend-mode:multiply\"/><path d=\"M0 40H100V60H0Z\" fill=\"#446622\" style=\"mix-blend-mode:screen\"/>",
        ];
        yield 'a line that is blurred with its fill' => [
            "<filter id=\"f\" x=\"-1\" y=\"-1\" width=\"3\" height=\"3\" color-interpolation-filters=\"sRGB\"><feGaussianBlur stdDeviation=\"1.5\"/></filter><path d=\"{$star}\" fill=\"#fff\" stroke=\"#c8402e\" stroke-width=\"6\" filter=\"url(#f)\"/>",
        ];
        yield 'two apart that are blurred as one' => [
            '<filter id="f"><feGaussianBlur stdDeviation="2"/></filter><g filter="url(#f)"><circle cx="25" cy="50" r="12"/><circle cx="75" cy="50" r="12" fill="#c8402e"/></g>',
            ['filter', 'filter'],
        ];
    }

    #[Test]
    public function what_is_mixed_in_linear_light_is_told(): void
    {
        $blur = static fn (string $more): array => array_map(static fn (Finding $one): string => $one->message, Reader::read(
            "<svg xmlns=\"http://www.w3.org/2000/svg\" viewBox=\"0 0 100 100\" width=\"60mm\" height=\"60mm\"><filter id=\"f\" {$more}><feGaussianBlur stdDeviation=\"2\"/></filter>"
                .'<path d="'.self::STAR.'" fill="#fff" stroke="#c00" filter="url(#f)"/></svg>',
        )->findings);
        self::assertStringContainsString('linear light', $blur('')[0] ?? '');
        self::assertSame([], $blur('color-interpolation-filters="sRGB"'));
    }

    /** @param  list<string>  $kinds */
    #[Test]
    #[DataProvider('drawings')]
    public function it_looks_as_it_did(string $inside, array $kinds = []): void
    {
        $svg = "<svg xmlns=\"http://www.w3.org/2000/svg\" viewBox=\"0 0 100 100\" width=\"60mm\" height=\"60mm\">{$inside}</svg>";
        $drawing = Reader::read($svg);
        self::assertSame($kinds, array_map(static fn (Finding $one): string => $one->kind, $drawing->findings));
        $places = [];
        for ($y = 5; $y < 300; $y += 9) {
            for ($x = 4; $x < 300; $x += 8) {
                $places[] = [$x, $y];
            }
        }
        $shown = Render::colours($svg, 300, $places);
        foreach (['on the bench' => $drawing->artwork, 'prepared' => Seen::of($drawing->artwork)] as $where => $art) {
            $written = Writer::write($art);
            self::assertTrue(Render::looksSame($svg, $written, 300), $where);
            // One of both renderers draws nothing at all of what has this primitive.
            if (str_contains($svg, 'feDropShadow')) {
                continue;
            }
            // What is soft may be off everywhere by too little for that.
            $off = 0;
            foreach (Render::colours($written, 300, $places) as $i => $colour) {
                $off += abs($colour[0] - $shown[$i][0]) + abs($colour[1] - $shown[$i][1]) + abs($colour[2] - $shown[$i][2]);
            }
            // Many soft edges over each other round a little more.
            $most = str_contains((string) $this->dataName(), 'inwards') ? 2.0 : 1.2;
            self::assertLessThan($most, $off / count($places) / 3, "in the mean, {$where}");
        }
    }

    #[Test]
    public function a_filter_of_no_known_sort_is_named_and_what_it_is_on_is_drawn_hard(): void
    {
        foreach ([
            '<feMorphology radius="2"/>',
            '<feGaussianBlur stdDeviation="2 9"/>',
            '<feGaussianBlur stdDeviation="2"/><feConvolveMatrix/>',
            '<feImage href="x.png"/>',
            '<feFlood flood-color="#00c000"/>',
            '<feFlood flood-color="#00c000" result="a"/><feMerge><feMergeNode in="a"/></feMerge>',
            '<feFlood flood-color="#00c000" result="a"/><feMerge><feMergeNode in="a"/><feMergeNode in="SourceGraphic"/></feMerge>',
            '<feFlood flood-color="#00c000"/><feOffset dx="3"/>',
        ] as $filter) {
            $drawing = Reader::read('<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 100 100" width="60mm" height="60mm"><filter id="f">'.$filter
                .'</filter><path d="'.self::STAR.'" filter="url(#f)"/></svg>');
            self::assertSame(['filter'], array_map(static fn (Finding $one): string => $one->kind, $drawing->findings), $filter);
            self::assertNull($drawing->artwork->pieces[0]->soft);
        }
    }

    #[Test]
    public function no_more_room_is_worked_out_for_a_soft_edge_than_it_takes(): void
    {
        // Renderers work out dots for all of a filter's region: a small blur on a large page must not cost a page.
        $inside = '<path d="M200 200h20v20z" fill="#1f6f8b" stroke="#000" stroke-width="2" style="filter:blur(3px)"/>';
        $written = Writer::write(Reader::read("<svg xmlns=\"http://www.w3.org/2000/svg\" width=\"1000mm\" height=\"1000mm\" viewBox=\"0 0 1000 1000\">{$inside}</svg>")->artwork);
        self::assertSame(1, preg_match('/<filter [^>]*x="([\d.]+)" y="([\d.]+)" width="([\d.]+)" height="([\d.]+)"/', $written, $found), $written);
        [$x, $wide] = [(float) ($found[1] ?? 0), (float) ($found[3] ?? 0)];
        self::assertLessThan(60.0, $wide);
        // All of the blur and of the line with its points is in it.
        self::assertLessThan(200 - 3 * 3 - 1, $x);
        self::assertGreaterThan(220 + 3 * 3 + 4, $x + $wide);
    }
}
