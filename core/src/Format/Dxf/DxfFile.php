<?php

declare(strict_types=1);

namespace NeatEdge\Core\Format\Dxf;

use NeatEdge\Core\Format\FileRefused;
use NeatEdge\Core\Patience\Patience;

/** A text drawing in exchange format, parted: what is drawn, its blocks, what its layers and styles of letters say, its unit. */
final class DxfFile
{
    private const MOST_ENTITIES = 200_000;

    /** Encodings that drawings name before they were UTF-8 throughout, as iconv knows them. */
    private const PAGES = '/^(?:ansi_|cp|dos)?(\d{3,4})$/i';

    /** mm by the number of the unit. */
    private const MM = [
        1 => 25.4,
        2 => 304.8,
        3 => 1_609_344.0,
        4 => 1.0,
        5 => 10.0,
        6 => 1000.0,
        7 => 1e6,
        8 => 2.54e-5,
        9 => 0.0254,
        10 => 914.4,
        11 => 1e-7,
        12 => 1e-6,
        13 => 0.001,
        14 => 100.0,
        15 => 1e4,
        16 => 1e5,
    ];

    /** @var list<Entity> */
    public array $drawn = [];

    /** @var array<string, list<Entity>> */
    public array $blocks = [];

    /** @var array<string, array{float, float}> */
    public array $bases = [];

    /** @var array<string, Entity> by name */
    public array $layers = [];

    /** @var array<string, Entity> by name in small letters */
    public array $styles = [];

    /** mm that one unit is; null where the file does not say */
    public ?float $unit = null;

    /** Whether it says that it is drawn in inches, where it does not name its unit. */
    public bool $inches = false;

    private int $made = 0;

    /** @throws FileRefused */
    public static function read(string $bytes): self
    {
        $self = new self;
        $pairs = self::pairs($bytes);
        $self->header($pairs);
        $self->part($pairs);

        return $self;
    }

    /**
     * @return list<array{int, string}> codes with their values
     *
     * @throws FileRefused
     */
    private static function pairs(string $bytes): array
    {
        $lines = preg_split('/\r\n|\n|\r/', $bytes) ?: [];
        $pairs = [];
        for ($i = 0, $n = count($lines) - 1; $i < $n; $i += 2) {
            Patience::ask();
            $code = trim($lines[$i], " \t\xEF\xBB\xBF");
            if (preg_match('/^-?\d{1,4}$/D', $code) !== 1) {
                if ($code === '' && trim(implode('', array_slice($lines, $i, 3))) === '') {
                    break;
                }
                throw FileRefused::at('DXF file', $i + 1, sprintf('"%s" is no group code', mb_substr(mb_scrub($code), 0, 20)));
            }
            $pairs[] = [(int) $code, trim($lines[$i + 1])];
        }

        return $pairs;
    }

    /** @param  list<array{int, string}>  $pairs  brought into UTF-8 */
    private function header(array &$pairs): void
    {
        $name = '';
        $said = [];
        foreach ($pairs as [$code, $value]) {
            if ($code === 9) {
                $name = $value;
            } elseif ($name !== '') {
                $said[$name] ??= $value;
                $name = '';
            } elseif ($code === 0 && $value === 'ENDSEC') {
                break;
            }
        }
        $this->unit = self::MM[(int) ($said['$INSUNITS'] ?? 0)] ?? null;
        $this->inches = ($said['$MEASUREMENT'] ?? '1') === '0';
        if (preg_match('//u', implode("\n", array_column($pairs, 1))) === 1) {
            return;
        }
        $page = preg_match(self::PAGES, $said['$DWGCODEPAGE'] ?? '', $found) === 1 ? "CP{$found[1]}" : 'CP1252';
        foreach ($pairs as $i => [, $value]) {
            if (preg_match('/[\x80-\xFF]/', $value) === 1) {
                $pairs[$i][1] = (string) (@iconv($page, 'UTF-8//IGNORE', $value) ?: mb_scrub($value));
            }
        }
    }

    /** @param  list<array{int, string}>  $pairs */
    private function part(array $pairs): void
    {
        $section = $block = '';
        $entity = $line = null;
        foreach ([...$pairs, [0, 'EOF']] as [$code, $value]) {
            if ($code !== 0) {
                $entity?->add($code, $value);

                continue;
            }
            if ($entity !== null) {
                match ($entity->type) {
                    'SECTION' => $section = $entity->text(2),
                    'BLOCK' => $block = $this->begin($entity),
                    'POLYLINE' => $line = $entity,
                    'VERTEX' => $line === null ? null : $line->vertices[] = $entity,
                    'SEQEND' => $line === null ? null : $this->store($line, $section, $block),
                    'LAYER' => $section === 'TABLES' ? $this->layers[$entity->text(2)] = $entity : null,
                    'STYLE' => $section === 'TABLES' ? $this->styles[strtolower($entity->text(2))] = $entity : null,
                    'ENDSEC', 'ENDBLK', 'TABLE', 'ENDTAB', 'EOF' => null,
                    default => $this->store($entity, $section, $block),
                };
                $line = $entity->type === 'SEQEND' ? null : $line;
                $block = $entity->type === 'ENDBLK' ? '' : $block;
            }
            $entity = new Entity($value);
        }
    }

    /** @return string its name */
    private function begin(Entity $block): string
    {
        $name = $block->text(2);
        $this->bases[$name] = [$block->number(10), $block->number(20)];

        return $name;
    }

    private function store(Entity $one, string $section, string $block): void
    {
        if (! in_array($section, ['BLOCKS', 'ENTITIES'], true)) {
            return;
        }
        if (++$this->made > self::MOST_ENTITIES) {
            throw FileRefused::because(sprintf('The DXF file holds more than %s entities.', number_format(self::MOST_ENTITIES)));
        }
        if ($section === 'ENTITIES') {
            $this->drawn[] = $one;
        } elseif ($block !== '') {
            $this->blocks[$block][] = $one;
        }
    }
}
