<?php

declare(strict_types=1);

namespace NeatEdge\Core\Type;

use ErrorException;
use FontLib\Font as FontFile;
use FontLib\Glyph\OutlineComposite;
use FontLib\Glyph\OutlineSimple;
use FontLib\Table\DirectoryEntry;
use FontLib\TrueType\File;
use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\Matrix;
use NeatEdge\Core\Geometry\Pen;
use Throwable;

/** A font with TrueType or OpenType (CFF) outlines. All measures are in ems: 1 is the size of the type; y runs down, the baseline at 0. */
final class Font
{
    private const DEEPEST = 6;

    public readonly string $family;

    public readonly bool $bold;

    public readonly bool $italic;

    public readonly float $ascent;

    public readonly float $descent;

    public readonly float $xHeight;

    /** Where the middle of a line under the type runs, below the baseline, and how thick it is. */
    public readonly float $underline;

    public readonly float $lineThickness;

    private float $em;

    /** @var array<int, int> code point => glyph */
    private array $map;

    /** @var array<int, array{int, int}> glyph => advance, left bearing */
    private array $advances;

    private ?PairKerning $kerning = null;

    /** Of a font whose glyphs are cubic curves. */
    private ?CffOutlines $cubics;

    /** @var array<int, list<Contour>> */
    private array $outlines = [];

    private function __construct(private readonly File $file, string $name)
    {
        $this->family = mb_substr(mb_scrub(trim((string) $file->getFontName())), 0, 100);
        $style = strtolower((string) $file->getFontSubfamily());
        $this->bold = str_contains($style, 'bold') || str_contains($style, 'black');
        $this->italic = str_contains($style, 'italic') || str_contains($style, 'oblique');
        $head = $file->getData('head');
        $this->em = (float) ($head['unitsPerEm'] ?? 0);
        $this->map = $file->getUnicodeCharMap() ?: [];
        $this->advances = $file->getData('hmtx') ?: [];
        $table = $file->getTable()['CFF '] ?? null;
        $isQuadratic = isset($file->getTable()['glyf']);
        $hasOutlines = $isQuadratic || $table !== null;
        if ($this->family === '' || $this->em < 16 || $this->map === [] || $this->advances === [] || ! $hasOutlines) {
            throw FontRefused::noOutlines($name);
        }
        $this->cubics = $table === null || $isQuadratic ? null : self::cubics($file, $table);
        $this->ascent = $this->measure('hhea', 'ascent', 0.8);
        $this->descent = -$this->measure('hhea', 'descent', -0.2);
        $this->underline = -$this->measure('post', 'underlinePosition', -0.1);
        $this->lineThickness = max(0.01, $this->measure('post', 'underlineThickness', 0.05));
        $box = $this->boxOf('x');
        $this->xHeight = $box > 0 ? $box : 0.5;
    }

    /** A measure of the font, in ems. @param  float  $usual  where it is not said */
    private function measure(string $table, string $name, float $usual): float
    {
        $values = $this->file->getData($table) ?: [];

        return ($values[$name] ?? $usual * $this->em) / $this->em;
    }

    private static function cubics(File $file, DirectoryEntry $table): CffOutlines
    {
        $file->seek($table->offset);

        return new CffOutlines((string) $file->read(max(1, min(20_000_000, $table->length))));
    }

    /**
     * @param  string|null  $name  what people know the file by; its own name when null
     *
     * @throws FontRefused for what is no font, or one with outlines of another kind
     */
    public static function load(string $path, ?string $name = null): self
    {
        $name ??= basename($path);

        return self::guarded(static function () use ($path, $name): self {
            $bytes = (string) file_get_contents($path);
            if (preg_match('/^(wOFF|OTTO|true|\x00\x01\x00\x00)/', $bytes) !== 1) {
                throw FontRefused::noFont($name);
            }
            FontDirectory::hold($bytes);
            $file = FontFile::load($path);
            if (! $file instanceof File) {
                throw FontRefused::noFont($name);
            }
            $file->parseTableEntries();
            CharacterMap::hold($file);
            $file->parse();

            return new self($file, $name);
        }, $name);
    }

    public function has(int $code): bool
    {
        return isset($this->map[$code]);
    }

    /** The glyph of a character; 0, the empty box, when the font has none. */
    public function glyph(int $code): int
    {
        return $this->map[$code] ?? 0;
    }

    public function advance(int $glyph): float
    {
        return ($this->advances[$glyph][0] ?? 0) / $this->em;
    }

    /** What is added to the advance of the left glyph when the right one follows. */
    public function kern(int $left, int $right): float
    {
        $this->kerning ??= PairKerning::of($this->file);

        return $this->kerning->between($left, $right) / $this->em;
    }

    /** @return list<Contour> */
    public function outline(int $glyph): array
    {
        return $this->outlines[$glyph] ??= self::guarded(function () use ($glyph): array {
            if ($this->cubics !== null) {
                $scale = Matrix::scaling(1 / $this->em, -1 / $this->em);

                return array_map(static fn (Contour $contour): Contour => $contour->transformed($scale), $this->cubics->outline($glyph));
            }
            $pen = new Pen;
            $this->draw($pen, $glyph, Matrix::scaling(1 / $this->em, -1 / $this->em), 0);

            return $pen->contours();
        }, $this->family);
    }

    /** Height of capital letters, of the size. */
    public function capHeight(): float
    {
        $height = $this->boxOf('H');

        return $height > 0 ? $height : 0.72;
    }

    private function boxOf(string $character): float
    {
        if (! $this->has(mb_ord($character))) {
            return 0.0;
        }
        $top = 0.0;
        foreach ($this->outline($this->glyph(mb_ord($character))) as $contour) {
            $top = min($top, $contour->box()->top);
        }

        return -$top;
    }

    private function draw(Pen $pen, int $glyph, Matrix $matrix, int $depth): void
    {
        $outline = $this->file->getData('glyf')[$glyph] ?? null;
        if ($outline instanceof OutlineSimple) {
            if ($outline->points === null && $outline->raw !== '') {
                $outline->parseData();
            }
            $contour = [];
            foreach ($outline->points ?? [] as $point) {
                $contour[] = [$matrix->apply((float) $point['x'], (float) $point['y']), (bool) $point['onCurve']];
                if ($point['endOfContour']) {
                    self::contour($pen, $contour);
                    $contour = [];
                }
            }
        } elseif ($outline instanceof OutlineComposite && $depth < self::DEEPEST) {
            if ($outline->components === []) {
                $outline->parseData();
            }
            foreach ($outline->components as $part) {
                $own = new Matrix((float) $part->a, (float) $part->b, (float) $part->c, (float) $part->d, (float) $part->e, (float) $part->f);
                $this->draw($pen, (int) $part->glyphIndex, $matrix->after($own), $depth + 1);
            }
        }
    }

    /**
     * Two points off the curve have one on it midway between them.
     *
     * @source OpenType specification, the glyf table
     *
     * @param  list<array{\NeatEdge\Core\Geometry\Point, bool}>  $points
     */
    private static function contour(Pen $pen, array $points): void
    {
        $n = count($points);
        if ($n < 2) {
            return;
        }
        $start = 0;
        while ($start < $n && ! $points[$start][1]) {
            $start++;
        }
        if ($start === $n) {
            $start = 0;
            [$x, $y] = [($points[$n - 1][0]->x + $points[0][0]->x) / 2, ($points[$n - 1][0]->y + $points[0][0]->y) / 2];
        } else {
            [$x, $y] = [$points[$start][0]->x, $points[$start][0]->y];
            $start++;
            $n--;
        }
        $pen->moveTo($x, $y);
        $count = count($points);
        $handle = null;
        for ($i = 0; $i < $n; $i++) {
            [$point, $on] = $points[($start + $i) % $count];
            if ($handle === null) {
                $on ? $pen->lineTo($point->x, $point->y) : $handle = $point;

                continue;
            }
            if ($on) {
                $pen->quadTo($handle->x, $handle->y, $point->x, $point->y);
                $handle = null;
            } else {
                $pen->quadTo($handle->x, $handle->y, ($handle->x + $point->x) / 2, ($handle->y + $point->y) / 2);
                $handle = $point;
            }
        }
        if ($handle !== null) {
            $pen->quadTo($handle->x, $handle->y, $x, $y);
        }
        $pen->close();
    }

    /**
     * The library trusts fonts; a broken one must not put a warning on a page.
     *
     * @template T
     *
     * @param  \Closure(): T  $read
     * @return T
     */
    private static function guarded(\Closure $read, string $name): mixed
    {
        set_error_handler(static function (int $level, string $message): bool {
            throw new ErrorException($message, 0, $level);
        }, E_ALL & ~E_DEPRECATED & ~E_USER_DEPRECATED);
        try {
            return $read();
        } catch (FontRefused $refused) {
            throw $refused;
        } catch (Throwable) {
            throw FontRefused::broken($name);
        } finally {
            restore_error_handler();
        }
    }
}
