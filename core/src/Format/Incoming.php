<?php

declare(strict_types=1);

namespace NeatEdge\Core\Format;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Check\Finding;
use NeatEdge\Core\Check\Severity;
use NeatEdge\Core\Described\Field;
use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\Described\Values;
use NeatEdge\Core\Format\Dxf\DxfReader;
use NeatEdge\Core\Format\Lines\LineDrawing;
use NeatEdge\Core\Format\Lines\LineProposal;
use NeatEdge\Core\Format\Lines\TakeLines;
use NeatEdge\Core\Format\Plt\PltReader;
use NeatEdge\Core\Format\Svg\Drawing;
use NeatEdge\Core\Format\Svg\Limits;
use NeatEdge\Core\Format\Svg\Reader;
use NeatEdge\Core\Format\Svg\SvgRefused;
use NeatEdge\Core\Format\Svg\Writer;
use NeatEdge\Core\Geometry\Box;
use NeatEdge\Core\Geometry\Length;
use NeatEdge\Core\Geometry\Matrix;
use NeatEdge\Core\Seen\Seen;
use NeatEdge\Core\Trace\Options;
use NeatEdge\Core\Trace\Tracing;
use NeatEdge\Core\Type\FontShelf;

/** The door: what a file is, and how it becomes artwork in true millimetres. What cannot be read is refused by name; what is not taken of it is named. */
final class Incoming
{
    /** Endings of files that are taken, by what they are. */
    public const ENDINGS = [
        'svg' => 'svg',
        'svgz' => 'svg',
        'dxf' => 'dxf',
        'plt' => 'plt',
        'hpgl' => 'plt',
        'hpg' => 'plt',
        'hgl' => 'plt',
        'pdf' => 'pages',
        'ai' => 'pages',
        'ps' => 'pages',
        'eps' => 'pages',
    ];

    /** Names of all that can be chosen of how a file is taken; which of them a file offers, it says itself. */
    public const CHOICES = ['lines', 'gap', 'width', 'unit', 'asleep', 'page', 'trace'];

    /** How pictures begin, by their sort. */
    private const PICTURES = ['PNG' => "\x89PNG", 'JPEG' => "\xFF\xD8\xFF", 'GIF' => 'GIF8', 'TIFF' => "II*\x00", 'BMP' => "BM\x36", 'WebP' => 'RIFF'];

    private const PLT_WORDS = 'IN|DF|PU|PD|PA|PR|SP|IP|SC|VS|RO|PE|EA|RA|ER|RR|CI|PM|NP|PW|PG|BP|PS|TR|LB|LT|FS|AA|AR|WG|EW|DT|SI|DI|CO|MC|WU';

    private function __construct(private readonly Limits $limits, private readonly FontShelf $fonts, private readonly ?Pages $pages)
    {
    }

    /**
     * @param  string  $name  of the file; its ending helps where the first bytes do not tell
     * @param  array<mixed>  $typed  how it is to be taken, by the names of the fields that it offers
     * @param  Pages|null  $pages  what reads PDF and PostScript; they are refused by name when null
     *
     * @throws FileRefused|SvgRefused|Refused
     */
    public static function read(
        string $bytes,
        string $name = '',
        array $typed = [],
        ?Limits $limits = null,
        ?FontShelf $fonts = null,
        ?Pages $pages = null,
    ): Arrived {
        $self = new self($limits ?? new Limits, $fonts ?? FontShelf::shipped(), $pages);
        if (strlen($bytes) > $self->limits->bytes) {
            throw SvgRefused::tooLarge(strlen($bytes), $self->limits->bytes);
        }

        if (isset($typed['trace']) && (str_starts_with($bytes, self::PICTURES['PNG']) || str_starts_with($bytes, self::PICTURES['JPEG']))) {
            return $self->traced($bytes, $typed);
        }

        return match (self::kind($bytes, $name)) {
            'pages' => $self->page($bytes, $typed),
            'dxf' => $self->dxf($bytes, $typed),
            'plt' => $self->lines(PltReader::drawing($bytes), [], $typed, 'The PLT file draws nothing.'),
            default => $self->svg($bytes),
        };
    }

    /** Whether a file of this name is a picture that can be traced, where it is said how wide it is. */
    public static function traces(string $name): bool
    {
        return in_array(strtolower(pathinfo($name, PATHINFO_EXTENSION)), ['png', 'jpg', 'jpeg'], true);
    }

    /** Whether a file of this name is taken at all. */
    public static function takes(string $name): bool
    {
        return isset(self::ENDINGS[strtolower(pathinfo($name, PATHINFO_EXTENSION))]);
    }

    /** @throws FileRefused for what is none of the formats that are read */
    private static function kind(string $bytes, string $name): string
    {
        $head = substr($bytes, 0, 4096);
        $text = ltrim($head, "\xEF\xBB\xBF \t\r\n\x00");
        $said = self::ENDINGS[strtolower(pathinfo($name, PATHINFO_EXTENSION))] ?? null;
        if (str_contains(substr($head, 0, 1024), '%PDF-') || str_starts_with($text, '%!') || str_starts_with($head, "\xC5\xD0\xD3\xC6")) {
            return 'pages';
        }
        foreach (self::PICTURES as $sort => $begins) {
            if (str_starts_with($head, $begins) && ($sort !== 'WebP' || substr($head, 8, 4) === 'WEBP')) {
                throw FileRefused::picture($sort);
            }
        }
        if (str_starts_with($head, 'AutoCAD Binary DXF')) {
            throw FileRefused::because('This is a binary DXF; save it as a text DXF of release 12 or 2000.');
        }
        if (preg_match('/^AC10\d\d/', $head) === 1) {
            throw FileRefused::because('This is a DWG drawing; save it as a text DXF of release 12 or 2000.');
        }
        if (preg_match('/^(?:999\s*\R.*\R\s*)*0\s*\R\s*SECTION\b/', $text) === 1) {
            return 'dxf';
        }
        if (str_starts_with($text, '<') || preg_match('/^(?:\x1F\x8B|\xFF\xFE|\xFE\xFF)/', $head) === 1) {
            return 'svg';
        }
        if (preg_match(
            '/^(?:\x1B(?:\.[^;:]{0,40}[;:]?|%-?\d*[A-Z]|[A-Z])|[\s;\x03])*(?:'.self::PLT_WORDS.')(?=[\s;\d.,+-]|[A-Z]{2}|$|:|<|=|>|"|7)/i',
            $text,
        ) === 1) {
            return 'plt';
        }
        if ($bytes === '') {
            throw FileRefused::because('The file is empty.');
        }

        return $said ?? throw FileRefused::because('This is none of the files that are read: SVG, DXF, PLT, PDF or PostScript.');
    }

    private function svg(string $bytes): Arrived
    {
        return new Arrived(Reader::read($bytes, $this->limits, $this->fonts), $bytes);
    }

    /**
     * A picture whose true width was said, as curves.
     *
     * @param  array<mixed>  $typed
     */
    private function traced(string $bytes, array $typed): Arrived
    {
        $width = Values::read([Field::length('trace', 'Wide', 0.0, 0.1)], $typed)->length('trace');
        $traced = Tracing::picture($bytes, $width, new Options);
        $art = $traced->artwork($width);
        if ($art->pieces === []) {
            throw FileRefused::because('The picture has one colour only: there is nothing to trace.');
        }
        $told = array_map(static fn (string $one): Finding => new Finding('page-note', Severity::Note, $one), $traced->says());

        return new Arrived(new Drawing($art, $told), Writer::write($art));
    }

    /** @param  array<mixed>  $typed */
    private function page(string $bytes, array $typed): Arrived
    {
        if ($this->pages === null) {
            throw FileRefused::because('PDF and PostScript files are not read here.');
        }
        $asked = Values::read([Field::count('page', 'Page', 1, 1, 100_000)], $typed)->count('page');
        ['svg' => $svg, 'pages' => $count, 'notes' => $notes] = $this->pages->page($bytes, $asked);
        $drawing = Reader::read($svg, $this->limits, $this->fonts);
        $more = array_map(
            static fn (array $note): Finding => new Finding($note[0], $note[0] === 'page-note' ? Severity::Note : Severity::Warning, $note[1]),
            $notes,
        );
        if ($count > 1) {
            array_unshift($more, new Finding('page-note', Severity::Note, sprintf('Page %d of %d was taken.', $asked, $count)));
        }
        $fields = $count > 1 ? [Field::count('page', 'Page', $asked, 1, $count)] : [];

        return new Arrived(
            new Drawing($drawing->artwork, [...$more, ...$drawing->findings], $drawing->statesSize, $drawing->file, $drawing->viewBox),
            $svg,
            $fields,
            $count > 1 ? sprintf('The file has %d pages.', $count) : '',
            $count,
        );
    }

    /** @param  array<mixed>  $typed */
    private function dxf(string $bytes, array $typed): Arrived
    {
        $values = Values::read(LineProposal::asked(), $typed);
        $drawing = DxfReader::drawing($bytes, null, $values->flag('asleep'));
        $fields = LineProposal::ofFile($drawing);
        $unit = $fields === [] || ! $values->has('unit') ? null : $values->choice('unit');
        if (! $drawing->statesUnit && $unit !== null) {
            // Somebody said what its numbers are: it states its size now.
            $drawing = DxfReader::drawing($bytes, Length::MM_PER[$unit], $values->flag('asleep'));
            $drawing->statesUnit = true;
        }

        return $this->lines(
            $drawing,
            $fields,
            $typed,
            'The DXF file draws nothing'.($drawing->asleep === [] ? '.' : ' but what lies where it is not drawn: '.LineProposal::asleep($drawing).'.'),
        );
    }

    /**
     * @param  list<Field>  $fields  of the file beside those of all drawings in lines
     * @param  array<mixed>  $typed
     */
    private function lines(LineDrawing $drawing, array $fields, array $typed, string $empty): Arrived
    {
        $box = $drawing->box();
        $fields = [...LineProposal::of($drawing), ...$fields];
        $values = Values::read($fields, $typed)->all();
        if ($drawing->isEmpty()) {
            $held = array_map(static fn (string $what, array $row): string => "{$row['count']} × {$what}", array_keys($drawing->leftOut), $drawing->leftOut);
            throw FileRefused::because($held === [] ? $empty : rtrim($empty, '.').' that is taken: it holds '.implode(', ', $held).'.');
        }
        $largest = $box === null ? 0.0 : max($box->width(), $box->height());
        if ($largest > 1e5) {
            throw FileRefused::because(sprintf('The drawing is %.0f m large, where at most 100 m are taken.', $largest / 1000));
        }
        $notes = new Notes;
        $take = new TakeLines($values['lines'] === 'cut', (float) $values['gap'], (float) $values['width'], $this->fonts, $notes);
        // The stated size is that of the lines; letters may reach beyond them.
        $turned = $drawing->transformed(new Matrix(1.0, 0.0, 0.0, -1.0, 0.0, 0.0));
        $pieces = $take->pieces($turned);
        $page = Box::around(...array_values(array_filter([
            $turned->box(),
            ...array_map(static fn ($piece): ?Box => $piece->recipe === null ? null : $piece->box(), $pieces),
        ])));
        if ($pieces === [] || $page === null || max($page->width(), $page->height()) <= 0) {
            throw FileRefused::because($empty);
        }
        self::tell($turned, $notes);
        $artwork = (new Artwork(1.0, 1.0, $pieces))->framed(new Box(
            $page->left,
            $page->top,
            $page->left + max(0.01, $page->width()),
            $page->top + max(0.01, $page->height()),
        ));
        $moved = array_map(static fn (Finding $finding): Finding => $finding->scaled(1.0, -$page->left, -$page->top), $notes->findings);
        if (! $drawing->statesUnit) {
            $says = 'The file does not say what its numbers are; as %s it comes to %.2f x %.2f mm. Say the unit, or type the finished width.';
            $says = sprintf($says, (string) ($values['unit'] ?? 'mm'), $artwork->width, $artwork->height);
            array_unshift($moved, new Finding(Drawing::NO_SIZE, Severity::Serious, $says));
        }
        [$closed, $open] = $take->counts();
        $says = sprintf(
            '%s and %s',
            $closed === 1 ? '1 outline' : "{$closed} outlines",
            $open === 1 ? '1 line that stays open or runs round others' : "{$open} lines that stay open or run round others",
        );

        return new Arrived(new Drawing($artwork, $moved, $drawing->statesUnit), Writer::write(Seen::of($artwork)), $fields, $says);
    }

    private static function tell(LineDrawing $drawing, Notes $notes): void
    {
        foreach ($drawing->leftOut as $what => ['count' => $count, 'at' => $at, 'why' => $why]) {
            $notes->add('left-out', sprintf('Left out %d × %s: %s.', $count, mb_substr(mb_scrub((string) $what), 0, 60), $why), Severity::Serious, $at);
        }
        foreach ($drawing->replaced as $sentence => ['count' => $count, 'at' => $at]) {
            $notes->add('replaced', $count === 1 ? (string) $sentence : sprintf('%s (%d times)', $sentence, $count), Severity::Warning, $at);
        }
        if ($drawing->asleep !== []) {
            $notes->add('not-drawn', 'Not taken, as it is not drawn: '.LineProposal::asleep($drawing).'.', Severity::Note);
        }
        foreach ($drawing->notes as $sentence) {
            $notes->add('taken-lines', $sentence, Severity::Note);
        }
    }
}
