<?php

declare(strict_types=1);

namespace NeatEdge\Console;

use DomainException;

/** A call that cannot be carried out, with the reason in one sentence. */
final class BadCall extends DomainException
{
    public static function noFile(string $path): self
    {
        return new self(sprintf('There is no file "%s" that can be read.', $path));
    }

    public static function noFolder(string $path): self
    {
        return new self(sprintf('There is no folder "%s".', $path));
    }

    public static function cannotWrite(string $path): self
    {
        return new self(sprintf('"%s" cannot be written.', $path));
    }

    public static function missing(string $option): self
    {
        return new self(sprintf('The option %s is missing.', $option));
    }

    /** @param  list<string>  $choices */
    public static function choice(string $option, string $value, array $choices): self
    {
        return new self(sprintf('%s=%s is not known; use %s.', $option, $value, implode(', ', $choices)));
    }

    public static function wrong(string $option, string $value, string $says): self
    {
        return new self(sprintf('%s=%s cannot be read; %s.', $option, mb_substr($value, 0, 40), $says));
    }

    public static function severalPages(int $pages): self
    {
        return new self("The file has {$pages} pages: say which with --take page=1.");
    }

    /** @param  list<string>  $open */
    public static function notReady(string $sentence, array $open): self
    {
        return new self(sprintf('It is not ready, so no file was written. %s. %s Say --anyway to write it all the same.', $sentence, implode(' ', $open)), 1);
    }

    public static function nothingDrawn(string $path): self
    {
        return new self(sprintf('"%s" draws nothing that can be used.', $path));
    }

    public static function noColour(string $text): self
    {
        return new self(sprintf('"%s" is no colour; write it as # and six digits, such as #ffffff.', mb_substr($text, 0, 20)));
    }

    public static function usedFolder(string $path): self
    {
        return new self(sprintf(
            '"%s" is not empty: the sheets of another job would lie beside these. Choose a new folder, or say --replace to take away what an earlier run'
                .' wrote there.',
            $path,
        ));
    }

    public static function notOurFolder(string $path): self
    {
        return new self(sprintf('"%s" holds files and no list of an earlier run, so nothing there is taken away; choose a new folder.', $path));
    }
}
