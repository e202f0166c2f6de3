<?php

declare(strict_types=1);

namespace NeatEdge\Core\Format\Pdf;

use Closure;

/** The objects of a PDF file, written one after the other as they come; where each lies is told at the end (ISO 32000-1, 7.5). */
final class PdfFile
{
    private int $at = 0;

    /** @var array<int, int> where an object begins, by its number */
    private array $places = [];

    private int $last = 0;

    /** @param  Closure(string): void  $put */
    public function __construct(private readonly Closure $put)
    {
        // Bytes that are no text tell what carries files that this is none either.
        $this->write("%PDF-1.6\n%\xE2\xE3\xCF\xD3\n");
    }

    /** A number for an object that is to come. */
    public function number(): int
    {
        return ++$this->last;
    }

    public function object(int $number, string $body): void
    {
        $this->places[$number] = $this->at;
        $this->write("{$number} 0 obj\n{$body}\nendobj\n");
    }

    /**
     * An object that is a stream, deflated as it comes.
     *
     * @param  Closure(Closure(string): void): void  $fill  told where to put the bytes
     */
    public function stream(int $number, Closure $fill, string $entries = ''): void
    {
        $length = $this->number();
        $this->places[$number] = $this->at;
        $this->write("{$number} 0 obj\n<< {$entries}/Filter /FlateDecode /Length {$length} 0 R >>\nstream\n");
        $from = $this->at;
        $deflate = deflate_init(ZLIB_ENCODING_DEFLATE, ['level' => 6]);
        if ($deflate === false) {
            throw new \RuntimeException('The bytes cannot be deflated.');
        }
        $fill(function (string $part) use ($deflate): void {
            $this->write((string) deflate_add($deflate, $part, ZLIB_NO_FLUSH));
        });
        $this->write((string) deflate_add($deflate, '', ZLIB_FINISH));
        $size = $this->at - $from;
        $this->write("\nendstream\nendobj\n");
        $this->object($length, (string) $size);
    }

    /** The table of where all lies, and the end. */
    public function end(int $catalogue, int $info): void
    {
        $from = $this->at;
        $out = "xref\n0 ".($this->last + 1)."\n0000000000 65535 f \n";
        for ($i = 1; $i <= $this->last; $i++) {
            $out .= isset($this->places[$i]) ? sprintf("%010d 00000 n \n", $this->places[$i]) : "0000000000 65535 f \n";
        }
        $this->write("{$out}trailer\n<< /Size ".($this->last + 1)." /Root {$catalogue} 0 R /Info {$info} 0 R >>\nstartxref\n{$from}\n%%EOF\n");
    }

    private function write(string $bytes): void
    {
        $this->at += strlen($bytes);
        ($this->put)($bytes);
    }

    public static function text(string $text): string
    {
        return '<FEFF'.strtoupper(bin2hex((string) iconv('UTF-8', 'UTF-16BE//IGNORE', mb_scrub($text)))).'>';
    }

    /** A name as the format takes it: what is no plain letter is told by its code. */
    public static function name(string $text): string
    {
        $out = '';
        foreach (str_split(mb_substr(mb_scrub($text), 0, 60)) as $byte) {
            $out .= preg_match('/[A-Za-z0-9_.-]/', $byte) === 1 ? $byte : sprintf('#%02X', ord($byte));
        }

        return '/'.($out === '' ? 'ink' : $out);
    }

    public static function real(float $value, int $digits = 5): string
    {
        $text = number_format($value, $digits, '.', '');
        $text = str_contains($text, '.') ? rtrim(rtrim($text, '0'), '.') : $text;

        return $text === '-0' ? '0' : $text;
    }
}
