<?php

declare(strict_types=1);

namespace App\Backup;

use App\Prep\ShopFonts;
use JsonException;
use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\Format\Json\ArtworkJson;
use NeatEdge\Core\Format\Json\StoredForm;
use NeatEdge\Core\Format\Json\StoredFormRefused;
use NeatEdge\Core\Line\PrepLine;
use NeatEdge\Core\Measure\Limits;
use Throwable;
use ZipArchive;

/** Reads the file of one job. It comes from anywhere: every part is looked at before it is believed, and nothing is unpacked beyond its bounds. */
final class JobReader
{
    /** Bytes that one part, and all of them, may come to when unpacked. */
    private const PART = 200_000_000;

    private const ALL = 600_000_000;

    private const PARTS = 500;

    /** Values of a page, at the most, and letters of each. */
    private const VALUES = 20_000;

    private const LETTERS = 2000;

    /** @var array<string, mixed> */
    public readonly array $about;

    private readonly ZipArchive $zip;

    /** @throws Damaged */
    public function __construct(string $path)
    {
        $this->zip = new ZipArchive;
        if (! is_file($path) || $this->zip->open($path, ZipArchive::RDONLY) !== true) {
            throw self::none();
        }
        $all = 0;
        for ($i = 0; $i < $this->zip->numFiles; $i++) {
            $size = $this->zip->statIndex($i)['size'] ?? self::ALL;
            $all += $size;
            if ($size > self::PART || $all > self::ALL || $i >= self::PARTS) {
                throw new Damaged(sprintf('That file of a job would come to more than %d MB.', intdiv(self::ALL, 1_000_000)));
            }
        }
        $about = self::json((string) $this->zip->getFromName(JobArchive::ABOUT, 20_000_000));
        $form = $about['form'] ?? null;
        is_int($form) ?: throw self::none();
        if ($form > JobArchive::FORM) {
            throw new Damaged('That job was written by a newer Neat Edge; bring this one up to date first.');
        }
        self::plain($about);
        $this->about = $about;
    }

    /** @return array<string, mixed> what stands under a name there */
    public function part(string $name): array
    {
        return is_array($this->about[$name] ?? null) ? $this->about[$name] : [];
    }

    /** A file that came along, held against what was written of it. @throws Damaged */
    public function file(string $name): string
    {
        $bytes = $this->zip->getFromName($name, self::PART);
        if ($bytes === false || hash('sha256', $bytes) !== ($this->part('files')[$name] ?? null)) {
            throw new Damaged('The file of the job is damaged: a part of it is not what was written.');
        }

        return $bytes;
    }

    public function has(string $name): bool
    {
        return $this->zip->locateName($name) !== false;
    }

    /** A drawing as it is stored, held to the bounds of what is stored here. @throws Damaged */
    public function artwork(string $name): Artwork
    {
        $text = $this->file($name);
        $data = self::json($text);
        try {
            $pieces = $data['pieces'] ?? null;
            is_array($pieces) && array_is_list($pieces) ?: throw self::none();
            foreach ($pieces as $piece) {
                StoredForm::hold($piece);
            }
            unset($data['pieces']);
            self::plain($data);
            $art = ArtworkJson::decode($text);
            StoredForm::holdIds($art);
            min($art->width, $art->height) > 1e-6 && max($art->width, $art->height) <= (float) config('neat-edge.longest_side_mm') ?: throw self::none();
            if ($art->line !== null) {
                PrepLine::of($art->line, new Limits(0.0, 0.0));
            }

            return $art;
        } catch (Damaged $damaged) {
            throw $damaged;
        } catch (StoredFormRefused|Refused $refused) {
            throw new Damaged($refused->getMessage());
        } catch (Throwable) {
            throw self::none();
        }
    }

    /** @return list<string> faces of letters on the bench that this shop has not */
    public function strangeFaces(Artwork $art): array
    {
        preg_match_all('/"family":("(?:[^"\\\\]|\\\\.)*")/', ArtworkJson::encode($art), $found);
        $faces = array_map(static fn (string $word): string => (string) json_decode($word), array_unique($found[1]));

        return array_values(array_udiff($faces, array_column(ShopFonts::shelf()->families(), 'family'), strcasecmp(...)));
    }

    /** Numbers that are numbers, words of some length, and not too many. */
    private static function plain(mixed $data): void
    {
        $count = 0;
        $walk = static function (mixed $value) use (&$walk, &$count): void {
            ++$count <= self::VALUES ?: throw self::none();
            if (is_array($value)) {
                foreach ($value as $key => $one) {
                    strlen((string) $key) <= self::LETTERS ?: throw self::none();
                    $walk($one);
                }
            } elseif (is_float($value) || is_int($value)) {
                is_finite($value) && abs($value) <= 1e12 ?: throw self::none();
            } elseif (is_string($value)) {
                mb_strlen($value) <= self::LETTERS ?: throw self::none();
            }
        };
        $walk($data);
    }

    /** @return array<string, mixed> */
    private static function json(string $text): array
    {
        try {
            $data = json_decode($text, true, 64, JSON_THROW_ON_ERROR);
        } catch (JsonException) {
            throw self::none();
        }

        return is_array($data) ? $data : throw self::none();
    }

    public static function none(): Damaged
    {
        return new Damaged('That is no file of a job, or it is damaged.');
    }
}
