<?php

declare(strict_types=1);

namespace NeatEdge\Core\Format\Svg;

use DOMElement;
use DOMXPath;
use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Check\Finding;
use NeatEdge\Core\Check\Severity;
use NeatEdge\Core\Format\Lines\TakeLines;
use NeatEdge\Core\Format\Notes;
use NeatEdge\Core\Geometry\Length;
use NeatEdge\Core\Geometry\Matrix;
use NeatEdge\Core\Type\FontShelf;

/**
 * Reads SVG into artwork in millimetres. Whatever is not turned into geometry is left out and named in a finding;
 * nothing outside the file is ever read.
 */
final class Reader
{
    /** mm within which ends of lines of our own sheets meet. */
    private const MEET = 0.005;

    /**
     * @param  FontShelf|null  $shelf  the fonts at hand; those that ship when null
     *
     * @throws SvgRefused
     */
    public static function read(string $bytes, ?Limits $limits = null, ?FontShelf $shelf = null): Drawing
    {
        $limits ??= new Limits;
        $root = SafeXml::root($bytes, $limits);
        $definitions = new Definitions;
        $notes = new Notes;
        self::prepare($root, $definitions, $notes);
        [$width, $height, $matrix, $viewport] = self::page($root, $limits);
        $walk = new Walk($definitions, $notes, $limits, $shelf ?? FontShelf::shipped());
        $style = Style::initial()->of($root, $definitions->sheet);
        if ($style->get('display') !== 'none') {
            $walk->within($root, new Scope($style, $matrix, $viewport));
            $walk->canvas->fade(0, Walk::opacityOf($style));
        }

        $cuts = $walk->cuts->isEmpty() ? [] : (new TakeLines(true, self::MEET, 1.0, $shelf ?? FontShelf::shipped(), $notes))->pieces($walk->cuts);
        $before = count($walk->canvas->pieces());
        $cuts = array_map(static fn (Piece $piece, int $i): Piece => $piece->with(id: 'p'.($before + $i + 1)), $cuts, array_keys($cuts));

        return self::sized(new Artwork($width, $height, [...$walk->canvas->pieces(), ...$cuts]), $notes, $root);
    }

    /** A file that states no size is told so; one that has no page either gets the box of its art. */
    private static function sized(Artwork $artwork, Notes $notes, DOMElement $root): Drawing
    {
        $stated = static fn (string $name): bool => ! str_contains($root->getAttribute($name), '%')
            && (new Viewport(1.0, 1.0))->length($root->getAttribute($name), 'x') !== null;
        $hasPage = Viewport::viewBox($root) !== null;
        $drawing = new Drawing($artwork, $notes->findings, $stated('width') || $stated('height'));
        if ($drawing->statesSize && ($hasPage || ($stated('width') && $stated('height')))) {
            return $drawing;
        }
        $what = $drawing->statesSize ? 'only one side' : 'no size';
        $drawing = $hasPage ? $drawing : $drawing->withoutPage(Length::MM_PER['px']);
        $art = $drawing->artwork;
        $finding = new Finding(Drawing::NO_SIZE, Severity::Serious, sprintf(
            'The file states %s; at 96 units an inch it comes to %.2f x %.2f mm. Type the finished width.', $what, $art->width, $art->height,
        ));

        return new Drawing($art, [$finding, ...$drawing->findings], false, $drawing->file, $drawing->viewBox);
    }

    /**
     * The page: its size in mm, the way from user units to mm, and what percentages are taken of.
     *
     * @return array{float, float, Matrix, Viewport}
     */
    private static function page(DOMElement $root, Limits $limits): array
    {
        $box = Viewport::viewBox($root);
        $given = new Viewport($box[2] ?? 300.0, $box[3] ?? 150.0);
        // A percentage or nothing at all: the viewBox then gives the size, one unit a pixel.
        $width = str_contains($root->getAttribute('width'), '%') ? null : $given->length($root->getAttribute('width'), 'x');
        $height = str_contains($root->getAttribute('height'), '%') ? null : $given->length($root->getAttribute('height'), 'y');
        if ($box !== null) {
            [$width, $height] = match (true) {
                $width === null && $height === null => [$box[2], $box[3]],
                $width === null => [$height * $box[2] / $box[3], $height],
                $height === null => [$width, $width * $box[3] / $box[2]],
                default => [$width, $height],
            };
        }
        $width ??= $given->width;
        $height ??= $given->height;
        $px = Length::MM_PER['px'];
        if ($width <= 0 || $height <= 0) {
            throw SvgRefused::noSize();
        }
        if (max($width, $height) * $px > $limits->size) {
            throw SvgRefused::hugeSize(max($width, $height) * $px, $limits->size);
        }
        $fit = $box === null ? Matrix::identity() : Viewport::fit($box, $root->getAttribute('preserveAspectRatio'), 0, 0, $width, $height);

        return [$width * $px, $height * $px, Matrix::scaling($px, $px)->after($fit), $box === null ? new Viewport($width, $height) : $given];
    }

    private static function prepare(DOMElement $root, Definitions $definitions, Notes $notes): void
    {
        $path = new DOMXPath($root->ownerDocument ?? throw SvgRefused::empty());
        $definitions->collect($path);
        foreach ($path->query('//*[local-name()="style"]') ?: [] as $element) {
            $type = $element instanceof DOMElement ? $element->getAttribute('type') : '';
            if ($element instanceof DOMElement && ($type === '' || $type === 'text/css')) {
                foreach ($definitions->sheet->add($element->textContent) as $left) {
                    $notes->once('style', "Left out {$left}.", Severity::Note);
                }
            }
        }
        if (($path->query('//@*[starts-with(local-name(), "on")]') ?: null)?->length > 0) {
            $notes->add('script', 'Left out event handlers: nothing in a drawing is run.', Severity::Note);
        }
        if (($path->query('//processing-instruction("xml-stylesheet")') ?: null)?->length > 0) {
            $notes->add('external-reference', 'Left out a style sheet outside the file: nothing outside it is read.', Severity::Warning);
        }
    }
}
