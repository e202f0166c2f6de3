<?php

declare(strict_types=1);

namespace NeatEdge\Core\Format\Json;

use DomainException;

/** A file that is no preset, with what is wrong in one sentence. */
final class PresetRefused extends DomainException
{
    /** @param  string  $what  such as "the preset is no JSON", without a full stop */
    public static function wrong(string $what): self
    {
        return new self(sprintf('That preset cannot be taken: %s.', $what));
    }
}
