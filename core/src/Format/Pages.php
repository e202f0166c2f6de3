<?php

declare(strict_types=1);

namespace NeatEdge\Core\Format;

/** Turns pages of files that are programs or collections, such as PDF and PostScript, into SVG. What does it lies outside the core: it runs other programs. */
interface Pages
{
    /**
     * @param  string  $bytes  that begin with %PDF- or %!
     * @param  int  $page  from 1
     * @return array{svg: string, pages: int, notes: list<array{string, string}>} the page; how many there are; what it does not keep, a kind and a sentence
     *     each
     *
     * @throws FileRefused
     */
    public function page(string $bytes, int $page): array;
}
