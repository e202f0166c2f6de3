<?php

declare(strict_types=1);

use NeatEdge\Bench\ActCosts;
use NeatEdge\Bench\BadInput;
use NeatEdge\Bench\Compare;
use NeatEdge\Bench\Day;
use NeatEdge\Bench\Doubling;
use NeatEdge\Bench\EditTimes;
use NeatEdge\Bench\Guard;
use NeatEdge\Bench\Jobs;
use NeatEdge\Bench\Look;
use NeatEdge\Bench\ManyAtWork;
use NeatEdge\Bench\Nodes;
use NeatEdge\Bench\Plans;
use NeatEdge\Bench\ProofTimes;
use NeatEdge\Bench\Rates;
use NeatEdge\Bench\Scale;
use NeatEdge\Bench\SendFigures;
use NeatEdge\Bench\Separations;
use NeatEdge\Bench\ShapeNodes;
use NeatEdge\Bench\ShapeTimes;
use NeatEdge\Bench\Soak;
use NeatEdge\Bench\Start;
use NeatEdge\Bench\ThinTime;
use NeatEdge\Bench\TraceFigures;
use NeatEdge\Bench\Web;
use NeatEdge\Bench\WeldGrowth;
use NeatEdge\Bench\WholeLine;

require dirname(__DIR__).'/vendor/autoload.php';

$all = [
    'compare' => Compare::class,
    'weld' => WeldGrowth::class,
    'nodes' => Nodes::class,
    'look' => Look::class,
    'thin' => ThinTime::class,
    'start' => Start::class,
    'bad' => BadInput::class,
    'web' => Web::class,
    'edits' => EditTimes::class,
    'soak' => Soak::class,
    'line' => WholeLine::class,
    'doubling' => Doubling::class,
    'proofs' => ProofTimes::class,
    'trace' => TraceFigures::class,
    'shape' => ShapeTimes::class,
    'shape-nodes' => ShapeNodes::class,
    'send' => SendFigures::class,
    'day' => Day::class,
    'plates' => Separations::class,
    'guard' => Guard::class,
    'jobs' => Jobs::class,
    'shop' => ManyAtWork::class,
    'scale' => Scale::class,
    'acts' => ActCosts::class,
    'plans' => Plans::class,
    'rates' => Rates::class,
];
$words = array_slice($argv, 1);
$keep = in_array('keep', $words, true);
$asked = array_values(array_diff($words, ['keep'])) ?: array_diff(array_keys($all), ['guard', 'shop', 'soak', 'plans', 'rates']);
$failed = false;
printf("%-54s %24s   %s\n%s\n", 'figure', 'measured', 'target', str_repeat('-', 108));
foreach ($asked as $name) {
    if (! isset($all[$name])) {
        fwrite(STDERR, "There is no measure \"{$name}\"; choose from ".implode(', ', array_keys($all)).".\n");
        exit(2);
    }
    $measure = $name === 'guard' ? new Guard($keep) : ($name === 'shop' ? new ManyAtWork($keep) : new $all[$name]);
    foreach ($measure->figures() as [$figure, $measured, $target]) {
        printf("%-54s %24s   %s\n", $figure, $measured, $target);
    }
    $failed = $failed || ($measure instanceof Guard && $measure->failed);
}
exit($failed ? 1 : 0);
