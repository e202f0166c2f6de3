<?php

declare(strict_types=1);

namespace App\Works;

use App\Works\Kinds\Lay;
use App\Works\Kinds\Nest;
use App\Works\Kinds\Prepare;
use App\Works\Kinds\RunBatch;
use App\Works\Kinds\Send;
use App\Works\Kinds\Trace;
use App\Works\Kinds\TrySizes;
use App\Works\Kinds\WriteFiles;
use LogicException;

/** The kinds of work that there are. */
final class Kinds
{
    /** @return array<string, Kind> by key */
    public static function all(): array
    {
        static $all = null;
        if ($all === null) {
            $all = [];
            foreach ([new Prepare, new Lay, new Nest, new TrySizes, new RunBatch, new Send, new WriteFiles, new Trace] as $kind) {
                $all[$kind->key()] = $kind;
            }
        }

        return $all;
    }

    public static function of(string $key): Kind
    {
        return self::all()[$key] ?? throw new LogicException("There is no kind of work called {$key}.");
    }
}
