<?php

declare(strict_types=1);

// Writes what Composer settled on as two metapackages: write-pins.php INSTALLED.json FOLDER.
[, $installed, $folder] = $argv;
$settled = json_decode((string) file_get_contents($installed), true, 512, JSON_THROW_ON_ERROR);
$exact = ['pins' => [], 'pins-for-tests' => []];
foreach ($settled['packages'] as $package) {
    $exact[in_array($package['name'], $settled['dev-package-names'], true) ? 'pins-for-tests' : 'pins'][$package['name']] = $package['version'];
}
foreach ($exact as $name => $packages) {
    ksort($packages);
    @mkdir("{$folder}/{$name}", recursive: true);
    file_put_contents("{$folder}/{$name}/composer.json", json_encode([
        'name' => "neat-edge/{$name}",
        'description' => 'Every PHP package at its exact version; written by bin/pin.',
        'type' => 'metapackage',
        'version' => '1.0.0',
        'require' => $packages,
    ], JSON_PRETTY_PRINT | JSON_UNESCAPED_SLASHES | JSON_THROW_ON_ERROR)."\n");
}
