<?php

declare(strict_types=1);

namespace NeatEdge\Core\Format\Dxf;

use NeatEdge\Core\Format\FileRefused;
use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\Matrix;

/**
 * Reads text drawings in exchange format: lines, arcs, circles, ellipses, polylines with bulges, splines, and blocks that are placed, to a depth. By layer, in
 * millimetres, y upwards.
 */
final class DxfReader
{
    private const MOST_ENTITIES = 200_000;

    private const DEPTH = 8;

    private const MM = [0 => 1.0, 1 => 25.4, 2 => 304.8, 4 => 1.0, 5 => 10.0, 6 => 1000.0, 8 => 2.54e-5, 9 => 0.0254, 10 => 914.4, 13 => 0.001, 14 => 100.0];

    /** @var array<string, list<Entity>> */
    private array $blocks = [];

    /** @var array<string, array{float, float}> */
    private array $bases = [];

    private int $made = 0;

    private float $unit = 1.0;

    /**
     * @return array<string, list<Contour>> lines by layer, mm, y upwards
     *
     * @throws FileRefused
     */
    public static function lines(string $bytes): array
    {
        $self = new self;
        $out = [];
        foreach ($self->entities(self::pairs($bytes)) as $entity) {
            $self->draw($entity, Matrix::scaling($self->unit, $self->unit), $out, 0, null);
        }

        return $out;
    }

    /**
     * @return list<array{int, string}> codes with their values
     *
     * @throws FileRefused
     */
    private static function pairs(string $bytes): array
    {
        $lines = preg_split('/\r\n|\n|\r/', $bytes) ?: [];
        $out = [];
        for ($i = 0, $n = count($lines) - 1; $i < $n; $i += 2) {
            $code = trim($lines[$i]);
            if (preg_match('/^-?\d{1,4}$/D', $code) !== 1) {
                if ($code === '' && trim(implode('', array_slice($lines, $i, 3))) === '') {
                    break;
                }
                throw FileRefused::at('DXF file', $i + 1, sprintf('"%s" is no group code', mb_substr(mb_scrub($code), 0, 20)));
            }
            $out[] = [(int) $code, trim($lines[$i + 1])];
        }

        return $out;
    }

    /**
     * Blocks and units are taken in; what is drawn comes back.
     *
     * @param  list<array{int, string}>  $pairs
     * @return list<Entity>
     */
    private function entities(array $pairs): array
    {
        $section = $block = $header = '';
        $out = [];
        $entity = null;
        $line = null;
        foreach ([...$pairs, [0, 'EOF']] as [$code, $value]) {
            if ($code === 9) {
                $header = $value;
            } elseif ($code === 70 && $header === '$INSUNITS') {
                $this->unit = self::MM[(int) $value] ?? 1.0;
                $header = '';
            }
            if ($code !== 0) {
                if ($entity !== null) {
                    $entity->add($code, $value);
                }

                continue;
            }
            if ($entity !== null) {
                if ($entity->type === 'SECTION') {
                    $section = $entity->text(2);
                } elseif ($entity->type === 'BLOCK') {
                    $block = $entity->text(2);
                    $this->bases[$block] = [$entity->number(10), $entity->number(20)];
                } elseif ($entity->type === 'POLYLINE') {
                    $line = $entity;
                } elseif ($entity->type === 'VERTEX' && $line !== null) {
                    $line->vertices[] = $entity;
                } elseif ($entity->type === 'SEQEND' && $line !== null) {
                    $this->store($line, $section, $block, $out);
                    $line = null;
                } elseif (! in_array($entity->type, ['ENDSEC', 'ENDBLK', 'TABLE', 'ENDTAB', 'EOF'], true)) {
                    $this->store($entity, $section, $block, $out);
                }
                $block = $entity->type === 'ENDBLK' ? '' : $block;
            }
            $entity = new Entity($value);
        }

        return $out;
    }

    /** @param  list<Entity>  $out  brought up to date */
    private function store(Entity $one, string $section, string $block, array &$out): void
    {
        if (++$this->made > self::MOST_ENTITIES) {
            throw FileRefused::because(sprintf('The DXF file holds more than %s entities.', number_format(self::MOST_ENTITIES)));
        }
        if ($section === 'BLOCKS' && $block !== '') {
            $this->blocks[$block][] = $one;
        } elseif ($section === 'ENTITIES') {
            $out[] = $one;
        }
    }

    /**
     * @param  array<string, list<Contour>>  $out  brought up to date
     * @param  string|null  $layer  of the block that it stands in
     */
    private function draw(Entity $e, Matrix $place, array &$out, int $depth, ?string $layer): void
    {
        $own = in_array($e->text(8), ['', '0'], true) ? ($layer ?? '0') : $e->text(8);
        if ($e->type === 'INSERT') {
            $this->insert($e, $place, $out, $depth, $own);

            return;
        }
        $contour = match ($e->type) {
            'LINE' => Contour::polygon([[$e->number(10), $e->number(20)], [$e->number(11), $e->number(21)]], false),
            'CIRCLE' => $e->number(40) > 0 ? Contour::circle($e->number(10), $e->number(20), $e->number(40)) : null,
            'ARC' => Curves::arc($e->number(10), $e->number(20), $e->number(40), $e->number(50), $e->number(51)),
            'ELLIPSE' => Curves::ellipse($e),
            'LWPOLYLINE' => Curves::polyline($e->places(), ((int) $e->number(70) & 1) === 1),
            'POLYLINE' => Curves::polyline(array_map(static fn (Entity $v): array => [$v->number(10), $v->number(20), $v->number(42)], $e->vertices), ((int) $e->number(70) & 1) === 1),
            'SPLINE' => Curves::spline($e),
            default => null,
        };
        if ($contour !== null) {
            // Drawn from below, as some programs leave arcs and lines, it is mirrored.
            $contour = $e->number(230) < 0 ? $contour->transformed(new Matrix(-1.0, 0.0, 0.0, 1.0, 0.0, 0.0)) : $contour;
            foreach ($contour->coords as $value) {
                if (! is_finite($value) || abs($value) > 1e9) {
                    throw FileRefused::because(sprintf('A %s of the DXF file lies too far off.', strtolower($e->type)));
                }
            }
            $out[$own][] = $contour->transformed($place);
        }
    }

    /** @param  array<string, list<Contour>>  $out  brought up to date */
    private function insert(Entity $e, Matrix $place, array &$out, int $depth, string $layer): void
    {
        if ($depth >= self::DEPTH) {
            throw FileRefused::because(sprintf('The blocks of the DXF file stand in one another more than %d deep.', self::DEPTH));
        }
        $name = $e->text(2);
        [$bx, $by] = $this->bases[$name] ?? [0.0, 0.0];
        $columns = max(1, min(500, (int) $e->number(70, 1.0)));
        $rows = max(1, min(500, (int) $e->number(71, 1.0)));
        for ($r = 0; $r < $rows; $r++) {
            for ($c = 0; $c < $columns; $c++) {
                $matrix = Matrix::translation($e->number(10), $e->number(20))
                    ->after(Matrix::rotation($e->number(50)))
                    ->after(Matrix::translation($c * $e->number(44), $r * $e->number(45)))
                    ->after(Matrix::scaling($e->number(41, 1.0), $e->number(42, 1.0)))
                    ->after(Matrix::translation(-$bx, -$by));
                foreach ($this->blocks[$name] ?? [] as $one) {
                    if (++$this->made > self::MOST_ENTITIES) {
                        throw FileRefused::because(sprintf('The blocks of the DXF file come to more than %s entities.', number_format(self::MOST_ENTITIES)));
                    }
                    $this->draw($one, $place->after($matrix), $out, $depth + 1, $layer);
                }
            }
        }
    }
}
