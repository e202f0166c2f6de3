<?php

declare(strict_types=1);

namespace NeatEdge\Core\Format\Plt;

use NeatEdge\Core\Format\FileRefused;

/**
 * Parts plotter language into instructions: words of two letters in either case, their values, the text of labels, packed places. What a device is told between
 * escapes is no drawing.
 */
final class PltScanner
{
    private const MOST_INSTRUCTIONS = 2_000_000;

    private int $at = 0;

    /** The character that ends a label. */
    private string $end = "\x03";

    public function __construct(private readonly string $bytes)
    {
    }

    /**
     * @return \Generator<int, array{string, string}> word and what follows it, as it stands
     *
     * @throws FileRefused
     */
    public function instructions(): \Generator
    {
        $n = strlen($this->bytes);
        for ($count = 0; $this->at < $n;) {
            $char = $this->bytes[$this->at];
            if ($char === "\x1B") {
                $this->escape();
            } elseif (ctype_alpha($char)) {
                if (++$count > self::MOST_INSTRUCTIONS) {
                    throw FileRefused::because(sprintf('The PLT file holds more than %s instructions.', number_format(self::MOST_INSTRUCTIONS)));
                }
                $word = strtoupper(substr($this->bytes, $this->at, 2));
                if (strlen($word) < 2 || ! ctype_alpha($word)) {
                    throw FileRefused::because(sprintf(
                        'Byte %d of the PLT file begins no instruction: "%s".',
                        $this->at + 1,
                        mb_scrub(substr($this->bytes, $this->at, 8)),
                    ));
                }
                $this->at += 2;
                yield [$word, $this->rest($word)];
            } elseif (str_contains("; \t\r\n,\x00\x1A\x03\x04", $char)) {
                $this->at++;
            } else {
                throw FileRefused::because(sprintf(
                    'Byte %d of the PLT file begins no instruction: "%s".',
                    $this->at + 1,
                    mb_scrub(substr($this->bytes, $this->at, 8)),
                ));
            }
        }
    }

    private function rest(string $word): string
    {
        $from = $this->at;
        if ($word === 'PE') {
            // Packed places end at the next semicolon and hold all other characters.
            $to = strpos($this->bytes, ';', $from);
            $to = $to === false ? strlen($this->bytes) : $to;
            $this->at = $to + 1;

            return substr($this->bytes, $from, $to - $from);
        }
        if ($word === 'LB' || $word === 'BL') {
            $to = strpos($this->bytes, $this->end, $from);
            if ($to === false) {
                throw FileRefused::because('A label of the PLT file has no end.');
            }
            $this->at = $to + 1;

            return substr($this->bytes, $from, $to - $from);
        }
        if ($word === 'SM' || $word === 'UC') {
            $this->at += strcspn($this->bytes, ';', $from);

            return substr($this->bytes, $from, $this->at - $from);
        }
        if ($word === 'DT') {
            $char = $this->bytes[$from] ?? ';';
            $this->end = $char === ';' ? "\x03" : $char;
            $this->at = $from + 1 + (preg_match(
                '/^(,\s*[01])?;?/',
                substr($this->bytes, $from + 1, 6),
                $found,
            ) === 1 ? ($char === ';' ? 0 : strlen($found[0])) : 0);

            return '';
        }
        if ($word === 'CO' && ($this->bytes[$from] ?? '') === '"') {
            $to = strpos($this->bytes, '"', $from + 1);
            $this->at = $to === false ? strlen($this->bytes) : $to + 1;

            return '';
        }
        // Numbers, signs, what parts them; a word or an escape ends them as well as a semicolon.
        $this->at += strspn($this->bytes, "0123456789+-., \t\r\n", $from);

        return substr($this->bytes, $from, $this->at - $from);
    }

    /** Takes a device's own instruction: ESC . letter values : or ;, ESC % number letter, ESC letter. */
    private function escape(): void
    {
        $rest = substr($this->bytes, $this->at, 80);
        if (preg_match(
            '/^\x1B\.(?:[()A-Z@])(?:[\d; ]*:|)/',
            $rest,
            $found,
        ) === 1 || preg_match('/^\x1B%-?\d*[A-Z]/',
            $rest,
            $found) === 1 || preg_match('/^\x1B[&*(][a-z]?(?:-?\d*[a-z])*-?\d*[A-Z]/',
                $rest,
                $found) === 1 || preg_match('/^\x1B[A-Z=9]/',
                    $rest,
                    $found) === 1) {
            $this->at += strlen($found[0]);

            return;
        }
        $this->at++;
    }
}
