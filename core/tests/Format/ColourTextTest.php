<?php

declare(strict_types=1);

namespace NeatEdge\Core\Tests\Format;

use NeatEdge\Core\Format\Svg\ColourText;
use NeatEdge\Core\Measure\Colour;
use NeatEdge\Core\Tests\Support\Render;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** Judged by what librsvg paints for the same text. */
final class ColourTextTest extends TestCase
{
    private const NAMES = 'aliceblue antiquewhite aqua aquamarine azure beige bisque black blanchedalmond blue blueviolet brown burlywood cadetblue'
        .' chartreuse chocolate coral cornflowerblue cornsilk crimson cyan darkblue darkcyan darkgoldenrod darkgray darkgreen darkgrey darkkhaki'
        .' darkmagenta darkolivegreen darkorange darkorchid darkred darksalmon darkseagreen darkslateblue darkslategray darkslategrey darkturquoise'
        .' darkviolet deeppink deepskyblue dimgray dimgrey dodgerblue firebrick floralwhite forestgreen fuchsia gainsboro ghostwhite gold'
        .' goldenrod gray green greenyellow grey honeydew hotpink indianred indigo ivory khaki lavender lavenderblush lawngreen lemonchiffon'
        .' lightblue lightcoral lightcyan lightgoldenrodyellow lightgray lightgreen lightgrey lightpink lightsalmon lightseagreen'
        .' lightskyblue lightslategray lightslategrey lightsteelblue lightyellow lime limegreen linen magenta maroon mediumaquamarine'
        .' mediumblue mediumorchid mediumpurple mediumseagreen mediumslateblue mediumspringgreen mediumturquoise mediumvioletred'
        .' midnightblue mintcream mistyrose moccasin navajowhite navy oldlace olive olivedrab orange orangered orchid'
        .' palegoldenrod palegreen paleturquoise palevioletred papayawhip peachpuff peru pink plum powderblue purple'
        .' rebeccapurple red rosybrown royalblue saddlebrown salmon sandybrown seagreen seashell sienna silver skyblue'
        .' slateblue slategray slategrey snow springgreen steelblue tan teal thistle tomato turquoise violet wheat'
        .' white whitesmoke yellow yellowgreen';

    private const OTHERS = [
        '#3fa', '#3FA8', '#19c37d', 'rgb(12, 200, 77)', 'rgb(12 200 77)', 'rgb(10%, 50%, 90%)', 'rgb(300, -20, 128)', 'hsl(0, 100%, 50%)',
        'hsl(200, 40%, 30%)', 'hsl(-60, 80%, 70%)', 'hsl(420deg, 25%, 45%)', 'HSL(90, 100%, 25%)', ' Teal ',
    ];

    #[Test]
    public function every_name_and_every_way_of_writing_gives_the_colour_that_a_renderer_paints(): void
    {
        $texts = [...explode(' ', self::NAMES), ...self::OTHERS];
        self::assertCount(148 + count(self::OTHERS), $texts);
        $across = 16;
        $cells = '';
        foreach ($texts as $i => $text) {
            $cells .= sprintf(
                '<rect x="%d" y="%d" width="10" height="10" style="fill:%s;fill-opacity:1"/>',
                $i % $across * 10,
                intdiv($i, $across) * 10,
                $text,
            );
        }
        $high = 10 * (int) ceil(count($texts) / $across);
        $painted = Render::colours(sprintf(
            '<svg xmlns="http://www.w3.org/2000/svg" width="160" height="%1$d" viewBox="0 0 160 %1$d">%2$s</svg>',
            $high,
            $cells,
        ), 160,
            array_map(static fn (int $i): array => [$i % $across * 10 + 5, intdiv($i, $across) * 10 + 5], range(0, count($texts) - 1)));
        foreach ($texts as $i => $text) {
            $read = ColourText::parse($text);
            self::assertNotNull($read, $text);
            // What is see-through is laid over the ground by the renderer; such a text is judged by its opacity below.
            if ($read[1] === 1.0) {
                self::assertEqualsWithDelta(
                    $painted[$i],
                    [$read[0]->red, $read[0]->green, $read[0]->blue],
                    preg_match('/hsl|%/i', $text) === 1 ? 1.0 : 0.0,
                    $text,
                );
            }
        }
    }

    /** @return iterable<string, array{string, float}> */
    public static function opacities(): iterable
    {
        yield 'a name' => ['navy', 1.0];
        yield 'transparent' => ['transparent', 0.0];
        yield 'four digits' => ['#0008', 8 / 15];
        yield 'eight digits' => ['#00000040', 64 / 255];
        yield 'a number' => ['rgba(0, 0, 0, .25)', 0.25];
        yield 'after a stroke' => ['rgb(0 0 0 / 40%)', 0.4];
        yield 'held to a whole' => ['hsla(0, 0%, 0%, 7)', 1.0];
        yield 'held to nothing' => ['rgba(0, 0, 0, -1)', 0.0];
    }

    #[Test, DataProvider('opacities')]
    public function an_opacity_is_read_with_the_colour(string $text, float $opacity): void
    {
        $read = ColourText::parse($text);
        self::assertNotNull($read);
        self::assertEquals(new Colour(0, 0, $text === 'navy' ? 128 : 0), $read[0]);
        self::assertEqualsWithDelta($opacity, $read[1], 1e-9);
    }

    /** @return iterable<array{string}> */
    public static function noColours(): iterable
    {
        foreach ([
            '', 'bluish', '#12', '#12345', '#gggggg', 'rgb(1, 2)', 'rgb(1, 2, 3, 4, 5)', 'rgb(a, b, c)', 'hsl(red, 10%, 10%)', 'url(#paint)',
            'rgb(1, 2, 3', '#abcdef;fill:red',
        ] as $text) {
            yield [$text];
        }
    }

    #[Test, DataProvider('noColours')]
    public function what_is_no_colour_is_not_guessed(string $text): void
    {
        self::assertNull(ColourText::parse($text));
    }
}
