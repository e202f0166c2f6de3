<?php

declare(strict_types=1);

namespace NeatEdge\Core\Tests\Format;

use NeatEdge\Core\Format\Json\LayoutJson;
use NeatEdge\Core\Format\Svg\Reader;
use NeatEdge\Core\Line\PrepLine;
use NeatEdge\Core\Process\Process;
use NeatEdge\Core\Process\Processes;
use NeatEdge\Core\Sheet\Make\Order;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** Layouts that are kept come back as they went, bit for bit, and what is torn is none. */
final class LayoutJsonTest extends TestCase
{
    private const SVG = "<svg xmlns='http://www.w3.org/2000/svg' width='60mm' height='40mm' viewBox='0 0 60 40'><defs><linearGradient id='g'><stop"
        ." offset='0' stop-color='#a02020'/><stop offset='1' stop-color='#e0b040'/></linearGradient></defs><path d='M5,5 C15,0 25,0 31,7 L29,22 5.1,21 Z'"
        ." fill='url(#g)'/><circle cx='45' cy='20' r='9.3' fill='#1d5c46'/><path d='M40,20 h10' stroke='#fff' stroke-width='1.7'/></svg>";

    /** @return iterable<string, array{Process}> */
    public static function processes(): iterable
    {
        foreach (Processes::all() as $key => $process) {
            yield $key => [$process];
        }
    }

    #[Test]
    #[DataProvider('processes')]
    public function they_come_back_as_they_went(Process $process): void
    {
        $result = PrepLine::of($process->preset()->steps, $process->limits())->outcome(Reader::read(self::SVG)->artwork);
        $layouts = (new Order($result, 'Lantern „naïve" /', $process->making(), $process->limits(), $process->values(['copies' => '2'])))->layouts();
        self::assertNotSame([], $layouts);
        self::assertEquals($layouts, LayoutJson::decode(LayoutJson::encode($layouts)));
        self::assertSame(
            LayoutJson::encode($layouts),
            LayoutJson::encode(LayoutJson::decode(LayoutJson::encode($layouts)) ?? []),
            'to the last bit, and each number of its type',
        );
    }

    #[Test]
    public function what_is_torn_or_of_another_form_is_none(): void
    {
        foreach ([
            '', 'null', '{', '[]', '{"form":0,"layouts":[]}', '{"form":1}', '{"form":1,"layouts":[{"name":3}]}', serialize([new \ArrayObject]),
        ] as $text) {
            self::assertNull(LayoutJson::decode($text), $text);
        }
        self::assertSame([], LayoutJson::decode('{"form":1,"layouts":[]}'));
    }
}
