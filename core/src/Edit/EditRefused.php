<?php

declare(strict_types=1);

namespace NeatEdge\Core\Edit;

use DomainException;

/** An edit that cannot be made, with the reason in one sentence. */
final class EditRefused extends DomainException
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
}
