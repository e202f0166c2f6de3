<?php

declare(strict_types=1);

namespace NeatEdge\Core\Format\Svg;

use DomainException;

/** A file that is not taken, with the reason in one sentence. */
final class SvgRefused extends DomainException
{
    public static function tooLarge(int $bytes, int $limit): self
    {
        return new self(sprintf('The file is too large: %.1f MB, where at most %.1f MB are read.', $bytes / 1e6, $limit / 1e6));
    }

    public static function unpacksTooLarge(int $limit): self
    {
        return new self(sprintf('The compressed file unpacks to more than %.1f MB.', $limit / 1e6));
    }

    public static function broken(): self
    {
        return new self('The compressed file is damaged and cannot be unpacked.');
    }

    public static function empty(): self
    {
        return new self('The file is empty.');
    }

    public static function notXml(int $line, string $why): self
    {
        return new self(sprintf('The file is damaged at line %d: %s. Save it again from the program that made it.', $line, rtrim(trim($why), '.')));
    }

    public static function notSvg(string $root): self
    {
        return new self(sprintf('The file is XML but not SVG: its outermost element is <%s>.', mb_substr($root, 0, 40)));
    }

    public static function encoding(string $name): self
    {
        return new self(sprintf('The file is written in the encoding "%s"; save it as UTF-8.', mb_substr($name, 0, 30)));
    }

    public static function externalEntity(string $name): self
    {
        return new self(sprintf('The file declares the external entity "%s"; nothing outside the file is read.', mb_substr($name, 0, 40)));
    }

    public static function nestedEntity(string $name): self
    {
        return new self(sprintf('The file declares the entity "%s" by means of other entities, which is not allowed.', mb_substr($name, 0, 40)));
    }

    public static function entitiesGrow(int $limit): self
    {
        return new self(sprintf('The entities in the file grow to more than %.1f MB.', $limit / 1e6));
    }

    public static function tooDeep(int $limit, int $line): self
    {
        return new self(sprintf('The elements are nested more than %d deep at line %d.', $limit, $line));
    }

    public static function tooManyAttributes(int $limit, int $line): self
    {
        return new self(sprintf('An element at line %d has more than %d attributes.', $line, $limit));
    }

    public static function tooMany(int $limit): self
    {
        return new self(sprintf('The file draws more than %d pieces.', $limit));
    }

    public static function tooManySegments(int $limit): self
    {
        return new self(sprintf('The outlines have more than %d segments together.', $limit));
    }

    public static function usesItself(string $id, int $line): self
    {
        return new self(sprintf('The element "%s" uses itself at line %d.', mb_substr($id, 0, 40), $line));
    }

    public static function stylesCost(int $limit): self
    {
        return new self(sprintf(
            'The style sheet and the pieces together ask for more than %s comparisons; put the styles on the pieces themselves.',
            number_format($limit),
        ));
    }

    public static function noSize(): self
    {
        return new self('The drawing has no size: its width or height is nothing.');
    }

    public static function hugeSize(float $mm, float $limit): self
    {
        return new self(sprintf('The drawing is %.0f m large, where at most %.0f m are taken.', $mm / 1000, $limit / 1000));
    }
}
