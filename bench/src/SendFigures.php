<?php

declare(strict_types=1);

namespace NeatEdge\Bench;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Paint;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Format\Formats;
use NeatEdge\Core\Format\Svg\Reader;
use NeatEdge\Core\Geometry\Box;
use NeatEdge\Core\Geometry\Contour;
use NeatEdge\Core\Geometry\Matrix;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Line\PrepLine;
use NeatEdge\Core\Measure\Colour;
use NeatEdge\Core\PlanarMap\Combine;
use NeatEdge\Core\Prepare\WeldAll;
use NeatEdge\Core\Process\CutVinyl;
use NeatEdge\Core\Process\Processes;
use NeatEdge\Core\Process\ScreenPrint;
use NeatEdge\Core\Seen\Seen;
use NeatEdge\Core\Separate\Halftone;
use NeatEdge\Core\Sheet\Cut\CutOrder;
use NeatEdge\Core\Sheet\Layout\Layer;
use NeatEdge\Core\Sheet\Layout\Layout;
use NeatEdge\Core\Sheet\Layout\Role;
use NeatEdge\Core\Sheet\Make\Order;
use NeatEdge\Core\Sheet\Nest\Nesting;
use NeatEdge\Core\Sheet\Nest\Overlap;
use NeatEdge\Core\Sheet\Nest\Placement;
use NeatEdge\Core\Sheet\Nest\Room;
use NeatEdge\Core\Tests\Support\RealArt;
use Symfony\Component\Process\Process;

/** The last stage: plates, cuts, nesting, files, machines. */
final class SendFigures
{
    private const SECONDS = 19.0;

    /** @return iterable<array{string, string, string}> */
    public function figures(): iterable
    {
        yield $this->plates();
        yield from $this->nesting();
        yield from $this->travel();
        yield from $this->files();
        yield $this->halftone();
        yield $this->pulled();
    }

    private static function root(string $path): string
    {
        return dirname(__DIR__, 2).'/'.$path;
    }

    /** @return array{string, string, string} */
    private function plates(): array
    {
        $process = new ScreenPrint;
        $art = Reader::read((string) file_get_contents(self::root('database/demo/stewards-tabard.svg')))->artwork->atWidth(280.0);
        $result = PrepLine::of(Processes::of($process->key())->preset()->steps, $process->limits())->outcome(Seen::of($art));
        $flat = $result->withPieces(array_values(array_filter($result->pieces, static fn (Piece $piece): bool => $piece->fill?->gradient === null)));
        $seen = Combine::weld(array_map(static fn (Piece $piece): Shape => $piece->shape, $flat->pieces), $flat->tolerance())->area();
        $plates = (new Order($flat, 'Tabard', $process->making(), $process->limits(), $process->values(['trap' => '0', 'marks' => ''])))->layouts();
        $sum = array_sum(array_map(
            static fn (Layout $plate): float => array_sum(array_map(static fn (Layer $layer): float => $layer->area(), $plate->layers)),
            $plates,
        ));

        return ['plates before trap against what is seen, off by', sprintf('%.5f %%', 100 * abs($sum - $seen) / $seen), 'at most 0.01 %'];
    }

    /** @return iterable<array{string, string, string}> */
    private function nesting(): iterable
    {
        $designs = [];
        mt_srand(11);
        foreach (['emoji' => 16, 'map-signs' => 12, 'icons' => 12] as $set => $count) {
            foreach (RealArt::of($set, $count) as $svg) {
                $welded = WeldAll::of(Reader::read($svg)->artwork);
                $box = ($welded->pieces[0] ?? null)?->box();
                if ($box !== null && $box->width() > 0 && $box->height() > 0) {
                    $scale = mt_rand(25, 90) / max($box->width(), $box->height());
                    $designs[] = $welded->pieces[0]->shape->transformed(Matrix::scaling($scale, $scale));
                }
            }
        }
        $width = 300.0;
        $area = array_sum(array_map(static fn (Shape $shape): float => $shape->area(), $designs));
        $rows = $area / ($width * self::rows($designs, $width));
        $start = microtime(true);
        $laid = Nesting::of(
            $designs,
            array_fill(0, count($designs), 1),
            new Room(INF, $width, 5.0, 3.0, Room::turns('free')),
            [],
            static fn (): bool => microtime(true) - $start < self::SECONDS,
        );
        $shapes = array_map(
            static fn (Placement $placement): Shape => $designs[$placement->design]->transformed($placement->matrix($designs[$placement->design])),
            $laid,
        );
        $nested = $area / ($width * (5.0 + max([1.0, ...array_map(static fn (Shape $shape): float => $shape->box()->right ?? 0.0, $shapes)])));
        yield [
            sprintf('%d irregular pieces in %.0f s: used %.1f %%, rows %.1f %%', count($designs), microtime(true) - $start, 100 * $nested, 100 * $rows),
            sprintf('%.1f points more', 100 * ($nested - $rows)),
            'at least 15',
        ];
        yield ['pairs of them that overlap', (string) count(Overlap::pairs($shapes)), '0'];
    }

    /**
     * mm of a roll that rows of boxes take, the widest first.
     *
     * @param  list<Shape>  $designs
     */
    private static function rows(array $designs, float $width): float
    {
        $boxes = array_values(array_filter(array_map(static fn (Shape $shape): ?Box => $shape->box(), $designs)));
        usort($boxes, static fn (Box $a, Box $b): int => $b->width() <=> $a->width());
        [$x, $y, $column] = [5.0, 5.0, 0.0];
        foreach ($boxes as $box) {
            if ($y + $box->height() > $width - 5) {
                [$x, $y, $column] = [$x + $column + 3, 5.0, 0.0];
            }
            $y += $box->height() + 3;
            $column = max($column, $box->width());
        }

        return $x + $column + 5;
    }

    /** @return iterable<array{string, string, string}> */
    private function travel(): iterable
    {
        mt_srand(3);
        $lines = [];
        for ($i = 0; $i < 300; $i++) {
            [$x, $y] = [mt_rand(0, 5800) / 10, mt_rand(0, 2800) / 10];
            $lines[] = $i % 3 === 0 ? Contour::rectangle($x, $y, 6, 4) : Contour::circle($x, $y, 3);
        }
        $way = CutOrder::travel(CutOrder::of($lines));
        yield ['travel on 300 pieces, of that in file order', sprintf('%.3f', $way / CutOrder::travel($lines)), 'at most 0.40'];
        yield ['the same, of what a long run finds', sprintf('%.3f', $way / CutOrder::travel(CutOrder::of($lines, [0.0, 0.0], 30.0))), 'at most 1.10'];
    }

    /** @return iterable<array{string, string, string}> */
    private function files(): iterable
    {
        foreach (array_keys(Formats::catalogue()) as $format) {
            $script = sprintf(
                'require %s; [$s, $m] = (new %s)->one(%s); echo "$s $m";',
                var_export(self::root('vendor/autoload.php'), true),
                self::class,
                var_export($format, true),
            );
            $process = new Process(
                [
                    PHP_BINARY, '-d', 'opcache.enable_cli=1', '-d', 'opcache.jit_buffer_size=128M', '-d', 'opcache.jit=function', '-d',
                    'memory_limit=1G', '-r', $script,
                ],
                timeout: 300,
            );
            $process->mustRun();
            [$seconds, $megabytes] = explode(' ', $process->getOutput());
            yield ["5,000 pieces laid out and written as {$format}", sprintf('%.1f s, %.0f MB', (float) $seconds, (float) $megabytes), 'under 5 s and 300 MB'];
        }
    }

    /** @return array{float, float} seconds, and MB at the most, for one sheet of five thousand pieces in a format */
    public function one(string $format): array
    {
        $contours = [];
        for ($i = 0; $i < 5000; $i++) {
            [$x, $y] = [8.0 * ($i % 72) + 5, 8.0 * intdiv($i, 72) + 5];
            $contours[] = $i % 2 === 0 ? Contour::circle($x, $y, 3) : Contour::rectangle($x - 3, $y - 2, 6, 4);
        }
        $start = microtime(true);
        $art = new Artwork(600, 600, [new Piece('all', new Shape($contours), new Paint(new Colour(32, 48, 80)))]);
        $process = new CutVinyl;
        $layouts = (new Order($art, 'Many', $process->making(), $process->limits(), $process->values(['once' => ''])))->layouts();
        Formats::make($format, $format === 'png' ? ['resolution' => '72'] : [])->write([$layouts[0]], static function (string $part): void {
        });

        return [microtime(true) - $start, memory_get_peak_usage(true) / 1e6];
    }

    /** @return array{string, string, string} */
    private function halftone(): array
    {
        $start = microtime(true);
        $dots = (new Halftone(65.0, 45.0))->dots(Shape::of(Contour::rectangle(0, 0, 100, 92)), static fn (float $x, float $y): float => 0.05 + 0.9 * $x / 100);
        $layer = new Layer(Role::Plate, 'Ink', '#203050', [new Piece('dots', $dots, new Paint(new Colour(32, 48, 80)))]);
        Formats::make('pdf')->write([new Layout('dots', 'Dots', 100, 92, [$layer])], static function (string $part): void {
        });

        return [
            sprintf('%s halftone dots worked out and written as pdf', number_format(count($dots->contours))),
            sprintf('%.1f s', microtime(true) - $start),
            'under 10 s',
        ];
    }

    /** @return array{string, string, string} */
    private function pulled(): array
    {
        $folder = sys_get_temp_dir().'/neat-edge-pulled-'.bin2hex(random_bytes(4));
        mkdir($folder);
        $plt = 'IN;SP1;';
        for ($i = 0; $i < 30; $i++) {
            $x = 400 + 800 * ($i % 10);
            $y = 400 + 800 * intdiv($i, 10);
            $plt .= sprintf('PU%d,%d;PD%d,%d,%d,%d,%d,%d,%d,%d;PU;', $x, $y, $x + 500, $y, $x + 500, $y + 300, $x, $y + 300, $x, $y);
        }
        file_put_contents("{$folder}/sheet.plt", $plt.'PU0,0;SP0;');
        $good = 0;
        for ($try = 0; $try < 50; $try++) {
            $port = 31_000 + random_int(0, 9000);
            $machine = new Process(
                [
                    PHP_BINARY, self::root('console/neat-edge.php'), 'device', 'cutter', "--port={$port}", "--out-dir={$folder}/{$try}", '--pace=0',
                    '--bed=400x300mm', '--fail=drop', '--after='.random_int(2, 300),
                ],
                timeout: 60,
            );
            $machine->start();
            $machine->waitUntil(static fn (string $type, string $said): bool => str_contains($said, 'listening'));
            (new Process(
                [PHP_BINARY, self::root('console/neat-edge.php'), 'send', "{$folder}/sheet.plt", "--to=127.0.0.1:{$port}", '--anew'],
                timeout: 60,
            ))->run();
            $machine->stop(0.0, SIGKILL);
            $logs = glob("{$folder}/{$try}/*.json") ?: [];
            $told = json_decode((string) file_get_contents((string) end($logs)), true);
            $good += is_array($told) && abs($told['cut_mm'] - 30 * 40.0) < 0.01 && str_contains((string) json_encode($told['log']), 'done') ? 1 : 0;
        }
        exec('rm -rf '.escapeshellarg($folder));

        return ['lines pulled in the middle of a send: cut whole, and nothing twice', "{$good} of 50", '50 of 50'];
    }
}
