<?php

declare(strict_types=1);

namespace NeatEdge\Core\Format\Svg;

use DOMDocument;
use DOMElement;

/** Parses somebody's XML: no network, no external entities, no entity that grows. */
final class SafeXml
{
    /** Attributes of one element. */
    private const MOST_ATTRIBUTES = 2000;

    private const ENCODINGS = ['utf-8', 'us-ascii', 'ascii', 'iso-8859-1', 'iso-8859-15', 'windows-1252', 'utf-16'];

    /** @throws SvgRefused */
    public static function root(string $bytes, Limits $limits): DOMElement
    {
        if (strlen($bytes) > $limits->bytes) {
            throw SvgRefused::tooLarge(strlen($bytes), $limits->bytes);
        }
        if (str_starts_with($bytes, "\x1f\x8b")) {
            $bytes = self::unpacked($bytes, $limits->unpackedBytes);
        }
        $bytes = self::decoded($bytes);
        if (trim($bytes) === '') {
            throw SvgRefused::empty();
        }
        $bytes = self::withoutDoctype($bytes, $limits->entityBytes);
        self::holdAttributes($bytes);
        $before = libxml_use_internal_errors(true);
        libxml_clear_errors();
        $document = new DOMDocument;
        $read = $document->loadXML($bytes, LIBXML_NONET | LIBXML_COMPACT);
        Selector::noteFor($bytes);
        $errors = libxml_get_errors();
        libxml_clear_errors();
        libxml_use_internal_errors($before);
        foreach ($errors as $error) {
            if ($error->level === LIBXML_ERR_FATAL) {
                if (str_contains($error->message, 'depth')) {
                    throw SvgRefused::tooDeep($limits->depth, $error->line);
                }
                throw SvgRefused::notXml($error->line, self::firstLine($error->message));
            }
        }
        $root = $document->documentElement;
        if (! $read || $root === null) {
            throw SvgRefused::notXml(1, 'no element found');
        }
        if ($document->doctype !== null) {
            throw SvgRefused::notXml(1, 'a second document type');
        }
        if ($root->localName !== 'svg' || ! in_array($root->namespaceURI, ['http://www.w3.org/2000/svg', null], true)) {
            throw SvgRefused::notSvg($root->nodeName);
        }

        return $root;
    }

    /**
     * An element with very many attributes takes the parser a time that grows with their square: they are counted before.
     *
     * @throws SvgRefused
     */
    private static function holdAttributes(string $bytes): void
    {
        // Only where so much lies between two angle brackets can there be so many.
        for ($at = strpos($bytes, '<'); $at !== false; $at = strpos($bytes, '<', $at + 1)) {
            $end = strpos($bytes, '>', $at);
            if ($end === false) {
                return;
            }
            if ($end - $at > 4 * self::MOST_ATTRIBUTES && substr_count($bytes, '=', $at, $end - $at) > self::MOST_ATTRIBUTES
                && preg_match_all('/[\w:.-]\s*=\s*["\']/', substr($bytes, $at, $end - $at)) > self::MOST_ATTRIBUTES) {
                throw SvgRefused::tooManyAttributes(self::MOST_ATTRIBUTES, 1 + substr_count($bytes, "\n", 0, $at));
            }
            $at = $end;
        }
    }

    private static function firstLine(string $message): string
    {
        return mb_substr(strtok(mb_scrub($message), "\n") ?: 'unreadable', 0, 120);
    }

    private static function unpacked(string $bytes, int $limit): string
    {
        $inflate = inflate_init(ZLIB_ENCODING_GZIP);
        if ($inflate === false) {
            throw SvgRefused::broken();
        }
        $text = '';
        foreach (str_split($bytes, 8192) as $chunk) {
            $more = @inflate_add($inflate, $chunk);
            if ($more === false) {
                throw SvgRefused::broken();
            }
            $text .= $more;
            if (strlen($text) > $limit) {
                throw SvgRefused::unpacksTooLarge($limit);
            }
            if (inflate_get_status($inflate) === ZLIB_STREAM_END) {
                return $text;
            }
        }
        throw SvgRefused::broken();
    }

    private static function decoded(string $bytes): string
    {
        foreach (["\xFF\xFE" => 'UTF-16LE', "\xFE\xFF" => 'UTF-16BE'] as $mark => $encoding) {
            if (str_starts_with($bytes, $mark)) {
                $bytes = mb_convert_encoding(substr($bytes, 2), 'UTF-8', $encoding);

                return preg_replace('/^(<\?xml[^>]*?)\sencoding=("|\')[^"\']*\2/', '$1', $bytes) ?? $bytes;
            }
        }
        if (str_starts_with($bytes, "\xEF\xBB\xBF")) {
            $bytes = substr($bytes, 3);
        }
        if (str_starts_with($bytes, "\x00<") || str_starts_with($bytes, "\x00\x00") || str_starts_with($bytes, "<\x00")) {
            throw SvgRefused::encoding('UTF-16 or UTF-32, no mark');
        }
        if (preg_match('/^\s*<\?xml[^>]*?\sencoding\s*=\s*["\']([^"\']*)/', $bytes, $found) === 1 && ! in_array(strtolower($found[1]), self::ENCODINGS, true)) {
            throw SvgRefused::encoding($found[1]);
        }

        return ltrim($bytes);
    }

    /** Plain text entities, such as drawing programs declare for namespaces, are written out; all others are refused. */
    private static function withoutDoctype(string $bytes, int $limit): string
    {
        $at = stripos($bytes, '<!DOCTYPE');
        if ($at === false) {
            return $bytes;
        }
        $open = strpos($bytes, '[', $at);
        $close = strpos($bytes, '>', $at);
        if ($close === false) {
            throw SvgRefused::notXml(1, 'the document type does not end');
        }
        $entities = [];
        if ($open !== false && $open < $close) {
            if (preg_match('/\]\s*>/', $bytes, $found, PREG_OFFSET_CAPTURE, $open) !== 1) {
                throw SvgRefused::notXml(1, 'the document type does not end');
            }
            $subset = substr($bytes, $open + 1, $found[0][1] - $open - 1);
            $entities = self::entities($subset);
            $close = $found[0][1] + strlen($found[0][0]) - 1;
        }
        $text = substr($bytes, 0, $at).str_repeat("\n", substr_count($bytes, "\n", $at, $close - $at)).substr($bytes, $close + 1);
        if ($entities === []) {
            return $text;
        }
        $grown = strlen($text);
        foreach ($entities as $name => $value) {
            $grown += substr_count($text, $name) * strlen($value);
            if ($grown > strlen($text) + $limit) {
                throw SvgRefused::entitiesGrow($limit);
            }
        }

        return strtr($text, $entities);
    }

    /** @return array<string, string> reference => text */
    private static function entities(string $subset): array
    {
        $subset = preg_replace('/<!--.*?-->/s', '', $subset) ?? '';
        preg_match_all('/<!ENTITY\s+(%\s*)?([^\s"\'>]+)\s+(?:(SYSTEM|PUBLIC)\b|"([^"]*)"|\'([^\']*)\')/i', $subset, $found, PREG_SET_ORDER);
        if (count($found) !== preg_match_all('/<!ENTITY/i', $subset)) {
            throw SvgRefused::notXml(1, 'an entity declaration that cannot be read');
        }
        $entities = [];
        foreach ($found as $one) {
            $name = mb_scrub($one[2]);
            if (($one[3] ?? '') !== '') {
                throw SvgRefused::externalEntity($name);
            }
            $value = ($one[4] ?? '') !== '' ? $one[4] : ($one[5] ?? '');
            if (trim($one[1]) !== '' || str_contains($value, '&') || str_contains($value, '%') || str_contains($value, '<')) {
                throw SvgRefused::nestedEntity($name);
            }
            $entities["&{$one[2]};"] = $value;
        }

        return $entities;
    }
}
