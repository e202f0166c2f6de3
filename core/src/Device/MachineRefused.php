<?php

declare(strict_types=1);

namespace NeatEdge\Core\Device;

use RuntimeException;

/** The machine does not go on: why, in one sentence. */
final class MachineRefused extends RuntimeException
{
    /** @param  bool  $isBusy  whether it may well go on in a moment */
    private function __construct(string $sentence, public readonly bool $isBusy = false)
    {
        parent::__construct($sentence);
    }

    public static function because(string $sentence): self
    {
        return new self($sentence);
    }

    public static function busy(): self
    {
        return new self('The machine is busy with somebody else.', true);
    }

    public static function rubbish(string $answer): self
    {
        return new self(sprintf('The machine gave an answer that cannot be read: "%s".', mb_substr(preg_replace('/[^\x20-\x7E]/', '?', $answer) ?? '', 0, 30)));
    }

    public static function elsewhere(): self
    {
        return new self('The machine stands elsewhere than it was left: somebody else may have used it. Begin this sheet anew.');
    }
}
