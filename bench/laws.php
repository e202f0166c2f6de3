<?php

/**
 * Usage: bench/laws.php [shaping] [runs] [first seed]: the laws of core/tests/Support/Laws over many random pairs of outlines, or those of
 * core/tests/Support/ShapingLaws over many random selections.
 * Every breach is printed with its seed; the worst of each law at the end. Exits with 1 if any law was broken.
 */

declare(strict_types=1);

use NeatEdge\Core\Tests\Support\Laws;
use NeatEdge\Core\Tests\Support\ShapingLaws;

require dirname(__DIR__).'/vendor/autoload.php';

$shaping = ($argv[1] ?? '') === 'shaping';
if ($shaping) {
    array_splice($argv, 1, 1);
}
$runs = (int) ($argv[1] ?? 100000);
$first = (int) ($argv[2] ?? 1);
$broken = 0;
$worst = [];
$began = microtime(true);
for ($seed = $first; $seed < $first + $runs; $seed++) {
    $bad = [];
    foreach (($shaping ? ShapingLaws::errors($seed) : Laws::errors($seed)) as $law => $error) {
        if ($error > ($worst[$law][0] ?? -1.0)) {
            $worst[$law] = [$error, $seed];
        }
        if ($error > 1) {
            $bad[] = sprintf('%s %.3g', $law, $error);
        }
    }
    if ($bad !== []) {
        $broken++;
        echo "seed {$seed}: ", implode('; ', $bad), "\n";
    }
    if (($seed - $first + 1) % 10000 === 0) {
        printf("%d runs, %d with a law broken, %.0f s\n", $seed - $first + 1, $broken, microtime(true) - $began);
    }
}
ksort($worst);
foreach ($worst as $law => [$error, $seed]) {
    printf("%-52s worst %8.1e of what is allowed (seed %d)\n", $law, $error, $seed);
}
printf("%d runs from seed %d: %d with a law broken.\n", $runs, $first, $broken);
exit($broken === 0 ? 0 : 1);
