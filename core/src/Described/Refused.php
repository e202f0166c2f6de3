<?php

declare(strict_types=1);

namespace NeatEdge\Core\Described;

use DomainException;

/** What cannot be made of what was said, with the reason in one sentence. */
final class Refused extends DomainException
{
    public static function unknown(string $kind): self
    {
        return new self(sprintf('There is no edit called "%s".', mb_substr($kind, 0, 40)));
    }

    public static function missingPiece(string $id): self
    {
        return new self(sprintf('The piece "%s" is not on the bench any more.', mb_substr($id, 0, 40)));
    }

    public static function tooFew(int $needed): self
    {
        return new self(sprintf('Choose at least %d pieces first.', $needed));
    }

    public static function nothingLeft(): self
    {
        return new self('Nothing would be left: the pieces do not lie over one another in that way.');
    }

    public static function unpainted(): self
    {
        return new self('The pieces have neither fill nor stroke, so there is nothing to combine.');
    }

    public static function because(string $sentence): self
    {
        return new self($sentence);
    }

    /** A value that is none, or beyond its bounds. */
    public static function field(Field $field): self
    {
        return new self("{$field->label}: {$field->wanted()}.");
    }

    public static function missing(Field $field): self
    {
        return new self("{$field->label} is missing: {$field->wanted()}.");
    }

    public static function locked(string $what): self
    {
        return new self(sprintf('%s is locked; unlock it in the list of pieces first.', $what === '' ? 'The piece' : '"'.mb_substr($what, 0, 40).'"'));
    }

    public static function stillAdjustable(string $what): self
    {
        return new self(sprintf('This %s is still adjustable: change its numbers, or turn it into plain curves first.', $what));
    }
}
