<?php

declare(strict_types=1);

namespace NeatEdge\Core\Type;

use Closure;

/** The fonts at hand: those that ship with the application and those that a shop added. */
final class FontShelf
{
    private const SHIPPED = [
        'DejaVu Sans' => ['DejaVuSans', 'DejaVuSans-Bold', 'DejaVuSans-Oblique', 'DejaVuSans-BoldOblique'],
        'DejaVu Serif' => ['DejaVuSerif', 'DejaVuSerif-Bold', 'DejaVuSerif-Italic', 'DejaVuSerif-BoldItalic'],
        'DejaVu Sans Mono' => ['DejaVuSansMono', 'DejaVuSansMono-Bold'],
        'Fraunces' => ['fraunces-400', 'fraunces-700'],
        'Josefin Sans' => ['josefin-sans-400', 'josefin-sans-700'],
        'League Gothic' => ['league-gothic-400'],
        'Pacifico' => ['pacifico-400'],
        'Rye' => ['rye-400'],
        'Stardos Stencil' => ['stardos-stencil-400', 'stardos-stencil-700'],
        'Zilla Slab' => ['zilla-slab-400', 'zilla-slab-600'],
    ];

    /** What each family that ships is like, for whoever chooses one. */
    private const CHARACTER = [
        'DejaVu Sans' => 'plain', 'DejaVu Serif' => 'plain, with serifs', 'DejaVu Sans Mono' => 'typewriter', 'Fraunces' => 'soft old style',
        'Josefin Sans' => 'geometric', 'League Gothic' => 'tall and narrow', 'Pacifico' => 'brush script', 'Rye' => 'fairground',
        'Stardos Stencil' => 'stencil', 'Zilla Slab' => 'slab',
    ];

    /** The generic families of CSS. */
    private const GENERIC = [
        'sans-serif' => 'DejaVu Sans', 'serif' => 'DejaVu Serif', 'monospace' => 'DejaVu Sans Mono', 'system-ui' => 'DejaVu Sans',
        'ui-sans-serif' => 'DejaVu Sans',
        'ui-serif' => 'DejaVu Serif',
        'ui-monospace' => 'DejaVu Sans Mono',
        'cursive' => 'DejaVu Serif',
        'fantasy' => 'DejaVu Sans',
    ];

    /** @var array<string, list<array{bold: bool, italic: bool, path: string, font: Font|null}>> by family in small letters */
    private array $faces = [];

    /** @var array<string, Font> by path */
    private array $loaded = [];

    /** Puts more fonts on the shelf the first time that it is looked through. */
    private ?Closure $more = null;

    /** @param  Closure(self): void|null  $more  fills the shelf with what does not ship, when letters need it and not before */
    public static function shipped(?Closure $more = null): self
    {
        $self = new self;
        $self->more = $more;
        foreach (self::SHIPPED as $family => $files) {
            foreach ($files as $i => $file) {
                $self->faces[strtolower($family)][] = [
                    'bold' => ($i & 1) === 1,
                    'italic' => $i >= 2,
                    'path' => dirname(__DIR__, 2)."/fonts/{$file}.".(ctype_upper($file[0]) ? 'ttf' : 'woff'),
                    'font' => null,
                ];
            }
        }

        return $self;
    }

    /** @return list<string> */
    public static function shippedFamilies(): array
    {
        return array_keys(self::SHIPPED);
    }

    /** @return list<array{family: string, character: string, bold: bool, italic: bool}> every family, and whether it has a bold and an italic */
    public function families(): array
    {
        $this->fill();
        $families = [];
        foreach (self::SHIPPED as $family => $files) {
            $families[strtolower($family)] = [
                'family' => $family,
                'character' => self::CHARACTER[$family],
                'bold' => count($files) > 1,
                'italic' => count($files) > 2,
            ];
        }
        foreach ($this->faces as $key => $faces) {
            foreach ($faces as $face) {
                $known = $families[$key] ?? ['family' => $face['font']->family ?? $key, 'character' => 'added by the shop', 'bold' => false, 'italic' => false];
                $families[$key] = [...$known, 'bold' => $known['bold'] || $face['bold'], 'italic' => $known['italic'] || $face['italic']];
            }
        }
        ksort($families);

        return array_values($families);
    }

    private function fill(): void
    {
        $more = $this->more;
        $this->more = null;
        if ($more !== null) {
            $more($this);
        }
    }

    /** Puts a font on the shelf, before those that it has of that family and style. */
    public function put(Font $font): void
    {
        $faces = $this->faces[mb_strtolower($font->family)] ?? [];
        array_unshift($faces, ['bold' => $font->bold, 'italic' => $font->italic, 'path' => '', 'font' => $font]);
        $this->faces[mb_strtolower($font->family)] = $faces;
    }

    /** The same shelf as if it lacked a family, or as if another stood under its name. */
    public function with(string $family, ?string $other): self
    {
        $this->fill();
        $self = clone $this;
        $faces = $other === null ? null : ($this->faces[mb_strtolower($other)] ?? null);
        if ($faces === null) {
            unset($self->faces[mb_strtolower($family)]);
        } else {
            $self->faces[mb_strtolower($family)] = $faces;
        }

        return $self;
    }

    /** Whether a family is at hand under that name. */
    public function knows(string $family): bool
    {
        $this->fill();

        return isset($this->faces[mb_strtolower($family)]);
    }

    /**
     * The first family of a list that is at hand, in the style that comes nearest.
     *
     * @param  list<string>  $families  as CSS names them
     * @return array{Font, string|null} the font, and the family that is missing where another takes its place
     */
    public function find(array $families, bool $bold, bool $italic): array
    {
        $this->fill();
        $missing = null;
        foreach ([...$families, 'sans-serif'] as $family) {
            $key = mb_strtolower($family);
            $generic = self::GENERIC[$key] ?? null;
            $faces = $this->faces[$generic === null ? $key : strtolower($generic)] ?? null;
            if ($faces === null) {
                $missing ??= $family;

                continue;
            }
            usort($faces, static fn (array $a, array $b): int => self::distance($a, $bold, $italic) <=> self::distance($b, $bold, $italic));
            $face = $faces[0];
            $font = $face['font'] ?? $this->loaded[$face['path']] ?? null;
            if ($font === null) {
                $font = Font::load($face['path']);
                $this->loaded[$face['path']] = $font;
            }

            return [$font, $missing];
        }
        throw new \LogicException('The shelf has no font at all.');
    }

    /** @param  array{bold: bool, italic: bool, path: string, font: Font|null}  $face */
    private static function distance(array $face, bool $bold, bool $italic): int
    {
        return ($face['bold'] === $bold ? 0 : 1) + ($face['italic'] === $italic ? 0 : 2);
    }
}
