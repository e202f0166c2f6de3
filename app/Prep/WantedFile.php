<?php

declare(strict_types=1);

namespace App\Prep;

use App\Models\ShopJob;
use NeatEdge\Core\Format\Export;
use NeatEdge\Core\Format\Formats;
use NeatEdge\Core\Format\LayoutWriter;
use NeatEdge\Pages\Dots;

/** A file as somebody wants it to leave: one sheet, all of them in one ZIP, or those of another width. */
final readonly class WantedFile
{
    /** The form of what is written; another number makes all of them anew. */
    private const FORM = 1;

    /**
     * @param  string  $format  see Formats
     * @param  array<string, mixed>  $values  what was chosen for the format, as it was typed
     * @param  int|null  $number  of a sheet, null for all
     * @param  bool  $onePlate  all plates in one file, where the format can
     * @param  string|null  $width  another width, as it was typed
     */
    public function __construct(
        public string $format,
        public array $values = [],
        public ?int $number = null,
        public bool $onePlate = false,
        public ?string $width = null,
    ) {
    }

    /** @param  array<string, mixed>  $data  see toArray */
    public static function fromArray(array $data): self
    {
        return new self($data['format'], $data['values'], $data['number'], $data['onePlate'], $data['width']);
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return get_object_vars($this);
    }

    /** By what it is known again: all that goes into it. */
    public function key(ShopJob $job): string
    {
        $of = [self::FORM, $this->toArray(), $job->unit, Made::key($job), ...($this->width === null ? [] : [$job->version])];

        return hash('xxh128', json_encode($of, JSON_THROW_ON_ERROR));
    }

    /** @throws \NeatEdge\Core\Described\Refused when the format does not take what was chosen for it */
    public function writer(ShopJob $job): LayoutWriter
    {
        return Formats::make($this->format, $this->values, $job->unit);
    }

    /** Its bytes, worked out here and now. @throws \NeatEdge\Core\Described\Refused */
    public function bytes(ShopJob $job): string
    {
        $writer = $this->writer($job);
        if ($this->width !== null) {
            return Zip::bytes(Written::atWidth($job, $this->width, $writer, $this->format));
        }
        $layouts = Made::layouts($job);
        if ($this->number !== null) {
            return Formats::bytes($writer, [$layouts[$this->number]], new Dots);
        }
        $files = Export::files($layouts, $this->format, $writer, $this->onePlate, new Dots);
        $manifest = Export::manifest($job->title, $layouts, $files, $this->format, $writer);
        $files['manifest.json'] = json_encode($manifest, JSON_THROW_ON_ERROR | JSON_PRETTY_PRINT | JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE)."\n";

        return Zip::bytes($files);
    }
}
