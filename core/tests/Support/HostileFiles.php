<?php

declare(strict_types=1);

namespace NeatEdge\Core\Tests\Support;

/** Broken and hostile drawings of our own making. Each must be answered with one sentence, quickly and in little memory. */
final class HostileFiles
{
    private const OPEN = '<svg xmlns="http://www.w3.org/2000/svg" xmlns:xlink="http://www.w3.org/1999/xlink" width="10mm" height="10mm" viewBox="0 0 10 10">';

    /** @return array<string, array{string, string}> name => file, and words that the answer must hold */
    public static function refused(): array
    {
        $svg = static fn (string $body): string => self::OPEN.$body.'</svg>';
        $doctype = static fn (string $subset): string => "<?xml version=\"1.0\"?><!DOCTYPE svg [{$subset}]>".$svg('<text>&a;</text>');

        return [
            'nothing at all' => ['', 'empty'],
            'only spaces' => ["  \n\t ", 'empty'],
            'plain text' => ['This is a letter, not a drawing.', 'damaged at line'],
            'binary noise' => [implode('', array_map(chr(...), range(0, 255))), 'damaged at line'],
            'a picture renamed' => ["\x89PNG\r\n\x1a\n".str_repeat("\0", 100), 'damaged at line'],
            'a web page' => ['<html><body><svg/></body></html>', 'not SVG'],
            'other xml' => ['<?xml version="1.0"?><plan/>', 'not SVG'],
            'cut off in the middle' => [substr($svg('<path d="M0 0L5 5"/>'), 0, -12), 'damaged at line'],
            'tags crossed' => [self::OPEN.'<g><path d="M0 0"/></svg></g>', 'damaged at line'],
            'an attribute twice' => [self::OPEN.'<path d="M0 0" d="M1 1"/></svg>', 'damaged at line'],
            'unknown entity' => [$svg('<title>&nowhere;</title>'), 'damaged at line'],
            'external entity' => [$doctype('<!ENTITY a SYSTEM "file:///etc/passwd">'), 'external entity'],
            'external entity from the net' => [$doctype('<!ENTITY a PUBLIC "x" "http://127.0.0.1/a">'), 'external entity'],
            'external parameter entity' => [$doctype('<!ENTITY % a SYSTEM "http://127.0.0.1/a.dtd"> %a;'), 'external entity'],
            'entities in entities' => [$doctype('<!ENTITY b "bbbbbbbbbb"><!ENTITY a "&b;&b;&b;&b;&b;&b;&b;&b;">'), 'by means of other entities'],
            'an entity that grows' => [
                str_replace('<text>&a;</text>', str_repeat('<text>&a;</text>', 5000), $doctype('<!ENTITY a "'.str_repeat('x', 5000).'">')),
                'grow to more than',
            ],
            'entity with markup' => [$doctype('<!ENTITY a "<script>alert(1)</script>">'), 'by means of other entities'],
            'document type without end' => ['<!DOCTYPE svg [ <!ENTITY a "b" <svg/>', 'document type does not end'],
            'nested too deep' => [self::OPEN.str_repeat('<g>', 250).'<path d="M0 0h1"/>'.str_repeat('</g>', 250).'</svg>', 'nested more than'],
            'nested far too deep' => [self::OPEN.str_repeat('<g>', 50_000).str_repeat('</g>', 50_000).'</svg>', 'nested more than'],
            'uses itself' => [$svg('<g id="a"><use href="#a"/></g>'), 'uses itself'],
            'two that use each other' => [
                $svg('<defs><g id="a"><use href="#b"/></g><g id="b"><use xlink:href="#a"/></g></defs><use href="#a"/>'),
                'uses itself',
            ],
            'copies of copies of copies' => [$svg('<defs><path id="l0" d="M0 0h1v1z"/>'.implode('', array_map(
                static fn (int $k): string => "<g id=\"l{$k}\">".str_repeat('<use href="#l'.($k - 1).'"/>', 12).'</g>', range(1, 9),
            )).'</defs><use href="#l9"/>'), 'more than'],
            'a clip in its own circle' => [
                $svg('<clipPath id="a" clip-path="url(#a)"><path d="M0 0h9v9z"/></clipPath><path clip-path="url(#a)" d="M0 0h5v5z"/>'),
                'uses itself',
            ],
            'more attributes than an element has' => [
                $svg('<path '.implode(' ', array_map(static fn (int $k): string => "a{$k}='1'", range(1, 2100))).' d="M0 0h1"/>'),
                'attributes',
            ],
            'no size' => ['<svg xmlns="http://www.w3.org/2000/svg" width="0" height="10"><path d="M0 0h1v1z"/></svg>', 'no size'],
            'as large as a town' => ['<svg xmlns="http://www.w3.org/2000/svg" width="900000mm" height="10mm"><path d="M0 0h1v1z"/></svg>', 'm large'],
            'more bytes than are read' => [self::OPEN.'<!--'.str_repeat('padding ', 2_600_000).'--></svg>', 'too large'],
            'a zip bomb' => [(string) gzencode(self::OPEN.str_repeat(' ', 70_000_000).'</svg>', 9), 'unpacks to more than'],
            'damaged svgz' => [substr((string) gzencode($svg('<path d="M0 0h1"/>')), 0, 40)."\xff\xff\xff", 'damaged'],
            'a strange encoding' => ['<?xml version="1.0" encoding="UTF-7"?>'.$svg(''), 'encoding'],
            'a path without end' => [$svg('<path d="M0 0'.str_repeat('h1v1', 1_050_000).'"/>'), 'segments'],
            'a second document type' => ['<!DOCTYPE svg><!DOCTYPE svg [<!ENTITY a SYSTEM "file:///etc/passwd">]>'.$svg('&a;'), 'damaged at line'],
        ];
    }

    /** @return array<string, array{string, string}> name => file that is taken, and the kind of finding that names what was left out */
    public static function takenWithoutTheBadPart(): array
    {
        $svg = static fn (string $body): string => self::OPEN.'<path id="good" d="M1 1h3v3z"/>'.$body.'</svg>';

        return [
            'script' => [$svg('<script>alert(1)</script>'), 'script'],
            'event handler' => [$svg('<path onclick="alert(1)" d="M5 5h1v1z"/>'), 'script'],
            'picture from outside' => [$svg('<image href="http://127.0.0.1/x.png" width="5" height="5"/>'), 'external-reference'],
            'copy from outside' => [$svg('<use href="other.svg#a"/>'), 'external-reference'],
            'paint from outside' => [$svg('<path fill="url(http://127.0.0.1/p.svg#a)" d="M5 5h1v1z"/>'), 'external-reference'],
            'import in a style sheet' => [$svg('<style>@import url(http://127.0.0.1/a.css); path{fill:red}</style>'), 'style'],
            'foreign content' => [$svg('<foreignObject width="5" height="5"><b xmlns="http://www.w3.org/1999/xhtml">x</b></foreignObject>'), 'foreignObject'],
            'a path that breaks off' => [$svg('<path d="M5 5h2v2 q"/>'), 'path-data'],
            'numbers beyond all bounds' => [$svg('<path d="M5 5h1e300v2z"/>'), 'path-data'],
            'a colour nobody knows' => [$svg('<path fill="very blue" d="M5 5h1v1z"/>'), 'colour'],
            'a copy of nothing' => [$svg('<use href="#gone"/>'), 'missing-reference'],
        ];
    }
}
