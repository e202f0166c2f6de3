<?php

declare(strict_types=1);

namespace Database\Seeders;

use App\Models\ShopJob;
use App\Models\StockItem;
use App\Prep\Intake;
use App\Prep\ReferencePictures;
use App\Works\Kinds\Prepare;
use Illuminate\Database\Seeder;
use Illuminate\Support\Facades\DB;
use NeatEdge\Core\Described\Values;
use NeatEdge\Core\Device\Devices;
use NeatEdge\Core\Format\Json\ArtworkJson;
use NeatEdge\Core\Process\Processes;
use NeatEdge\Core\Shop\Stock;

/** The demo: what a small shop makes for the Marrowby Lantern Regatta. Run again, it adds nothing twice. */
final class DatabaseSeeder extends Seeder
{
    private const JOBS = [
        ['Proof sticker sheet, six marks', 'sticker', 'sticker-sheet.svg', 200.0, false],
        ['Brass lantern tags, no. 1 to 40', 'engraving', 'brass-lantern-tag.svg', 72.0, false],
        ["Stewards' tabard, three inks on dark cloth", 'screen-print', 'stewards-tabard.svg', 280.0, true],
        ['Window decal for the boathouse', 'cut-vinyl', 'window-decal.svg', 600.0, true],
    ];

    /** Drawn on the bench with only the page: see tests/Browser, DrawnOnTheBenchTest and ShapedByHandTest. */
    private const DRAWN = [
        ['Boathouse mark, redrawn from a picture', 'cut-vinyl', 'boathouse-mark'],
        ["Stewards' tabard, flat", 'plain', 'tabard-flat'],
        ['Regatta emblem', 'screen-print', 'emblem'],
        ['Harbour dial, 36 pieces', 'cut-vinyl', 'harbour-dial'],
        ['Lantern chain, woven', 'cut-vinyl', 'lantern-chain'],
    ];

    /** By name: what they are shown on. */
    private const SHOWN = [
        'emblem' => [
            'thing' => 'mug',
            'colours' => ['l1' => '#b9c6c4', 'l3' => '#1f5a6b', 'l5' => '#1f5a6b', 'l7' => '#14213d'],
            'arts' => ['l6' => ['width' => 64.0, 'turn' => 8.0]],
        ],
        'tabard-flat' => ['thing' => 'tabard', 'colours' => ['l2' => '#f4ead2', 'l3' => '#c8452f'], 'arts' => ['l4' => ['width' => 240.0]]],
        'lantern-chain' => ['thing' => 'lantern', 'colours' => ['l3' => '#f6e7c8'], 'arts' => ['l4' => ['width' => 230.0]]],
    ];

    /** By title: who it is for, and in how many days it is wanted. */
    private const WANTED = [
        'Proof sticker sheet, six marks' => ['Lantern Regatta committee', 6], 'Brass lantern tags, no. 1 to 40' => ['Marrowby Boat Club', 9],
        "Stewards' tabard, three inks on dark cloth" => ['Regatta stewards', 4], 'Window decal for the boathouse' => ['Marrowby Boat Club', 12],
        "Stewards' tabard, flat" => ['Regatta stewards', 4], 'Regatta emblem' => ['Lantern Regatta committee', 20],
    ];

    public function run(): void
    {
        self::stock();
        foreach (self::JOBS as [$title, $process, $file, $width, $prepared]) {
            if (ShopJob::withTrashed()->where('is_demo', true)->where('source_name', $file)->exists()) {
                continue;
            }
            $job = Intake::take($title, Processes::of($process), $width, $file, (string) file_get_contents(database_path("demo/{$file}")), true);
            if ($prepared) {
                // Here and now, whatever the shop's workers do.
                config(['queue.default' => 'sync', 'neat-edge.prepare_in' => 'here']);
                (new Prepare)->ask($job, Values::read([], []));
            }
        }
        foreach (self::DRAWN as [$title, $process, $name]) {
            if (ShopJob::withTrashed()->where('is_demo', true)->where('source_name', "{$name}.json")->exists()) {
                continue;
            }
            $job = Intake::drawn(
                $title,
                Processes::of($process),
                ArtworkJson::decode((string) file_get_contents(database_path("demo/{$name}.json"))),
                'Drawn on the bench',
                "{$name}.json",
                true,
            );
            $job->update(['shown' => self::SHOWN[$name] ?? null]);
            $picture = database_path("demo/{$name}.png");
            if (is_file($picture)) {
                ReferencePictures::add($job, (string) file_get_contents($picture));
            }
        }
        foreach (self::WANTED as $title => [$customer, $days]) {
            ShopJob::query()->where('is_demo', true)->where('title', $title)->where('customer', '')->whereNull('due')->toBase()->update([
                'customer' => $customer,
                'due' => now()->addDays($days)->toDateString(),
            ]);
        }
    }

    private const SAID = [
        '#e07a1f' => 'Orange, opaque', '#f7f3e8' => 'Cream', '#3aa0a8' => 'River teal',
        '#14213d' => 'Harbour blue film', '#e2a72e' => 'Lamp yellow film', '#c8452f' => 'Buoy red film', '#f4ead2' => 'Sailcloth white film',
    ];

    /** What the shop has to begin with, once; and its stand-in machines, at the ports that they listen on. */
    private static function stock(): void
    {
        if (StockItem::query()->doesntExist()) {
            foreach (Stock::samples() as $one) {
                StockItem::query()->create(['kind' => $one['kind'], 'name' => $one['name'], 'data' => Stock::values($one['kind'], $one['values'])]);
            }
            // The shop of the demo has said which colours of its art are its inks and films.
            foreach (self::SAID as $hex => $name) {
                DB::table('shop_colours')->insertOrIgnore(['hex' => $hex, 'name' => $name]);
            }
        }
        $port = (int) config('neat-edge.machines_port');
        $kinds = Devices::catalogue();
        foreach ($port > 0 ? array_keys($kinds) : [] as $i => $kind) {
            $name = 'Stand-in '.strtolower($kinds[$kind]->label);
            $known = StockItem::query()->where('kind', 'machine')->where('name', $name)->first();
            $values = Stock::values('machine', ['kind' => $kind, 'port' => $port + $i, ...($known === null ? $kinds[$kind]->standIn : [])], $known->data ?? []);
            StockItem::query()->updateOrCreate(['kind' => 'machine', 'name' => $name], ['data' => $values]);
        }
    }
}
