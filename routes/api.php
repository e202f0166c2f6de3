<?php

declare(strict_types=1);

use App\Http\Controllers\BatchController;
use App\Http\Controllers\BenchController;
use App\Http\Controllers\CheckController;
use App\Http\Controllers\ColourController;
use App\Http\Controllers\EditController;
use App\Http\Controllers\ExportController;
use App\Http\Controllers\FontController;
use App\Http\Controllers\JobController;
use App\Http\Controllers\LettersController;
use App\Http\Controllers\LookController;
use App\Http\Controllers\MakingController;
use App\Http\Controllers\PreparationController;
use App\Http\Controllers\PresetController;
use App\Http\Controllers\ReleaseController;
use App\Http\Controllers\SendingController;
use App\Http\Controllers\SheetController;
use App\Http\Controllers\StockController;
use App\Http\Controllers\WorkController;
use Illuminate\Support\Facades\Route;

// Brings the page a new token, by its cookie.
Route::get('token', static fn () => response()->noContent());
Route::get('choices', [JobController::class, 'choices']);
Route::get('catalogue', [EditController::class, 'catalogue']);
Route::get('jobs', [JobController::class, 'index']);
Route::post('look', [LookController::class, 'show']);
Route::post('jobs', [JobController::class, 'store']);
Route::get('jobs/{job}', [JobController::class, 'show']);
Route::patch('jobs/{job}', [JobController::class, 'update']);
Route::post('jobs/{job}/copy', [JobController::class, 'copy']);
Route::delete('jobs/{job}', [JobController::class, 'destroy']);
Route::get('trash', [JobController::class, 'trash']);
Route::post('trash/{job}/restore', [JobController::class, 'restore'])->whereNumber('job');
Route::delete('trash/{job}', [JobController::class, 'burn'])->whereNumber('job');
Route::get('jobs/{job}/source.svg', [JobController::class, 'source']);
Route::patch('jobs/{job}/notices/{notice}', [JobController::class, 'accept'])->whereNumber('notice');
Route::patch('jobs/{job}/findings', [JobController::class, 'judge']);
Route::get('jobs/{job}/picture.svg', [JobController::class, 'picture']);
Route::get('fonts', [FontController::class, 'index']);
Route::post('fonts', [FontController::class, 'store']);
Route::delete('fonts/{font}', [FontController::class, 'destroy']);
Route::get('jobs/{job}/letters', [LettersController::class, 'show']);
Route::post('jobs/{job}/letters', [LettersController::class, 'store']);
Route::post('length', [JobController::class, 'length']);

Route::post('jobs/{job}/edits', [EditController::class, 'store']);
Route::post('jobs/{job}/edits/preview', [EditController::class, 'preview']);
Route::post('jobs/{job}/previews', [EditController::class, 'lane']);
Route::post('jobs/{job}/checks', [CheckController::class, 'around']);
Route::post('jobs/{job}/undo', [EditController::class, 'undo']);
Route::post('jobs/{job}/redo', [EditController::class, 'redo']);

Route::post('jobs/{job}/pieces', [BenchController::class, 'pieces']);
Route::post('jobs/{job}/take', [BenchController::class, 'take']);
Route::get('jobs/{job}/snaps', [BenchController::class, 'snaps']);
Route::post('jobs/{job}/snaps', [BenchController::class, 'snaps']);
Route::get('jobs/{job}/touch-up/{step}', [BenchController::class, 'touchUp']);
Route::get('jobs/{job}/versions', [BenchController::class, 'versions']);
Route::post('jobs/{job}/versions', [BenchController::class, 'keepVersion']);
Route::get('jobs/{job}/versions/{version}', [BenchController::class, 'version']);
Route::delete('jobs/{job}/versions/{version}', [BenchController::class, 'dropVersion']);
Route::post('jobs/{job}/versions/{version}/back', [BenchController::class, 'goBack']);
Route::post('jobs/{job}/reference', [BenchController::class, 'addPicture']);
Route::get('reference/{file}', [BenchController::class, 'picture'])->where('file', '[0-9a-f]{32}');

Route::post('jobs/{job}/preparations', [PreparationController::class, 'store']);
Route::get('preparations/{preparation}', [PreparationController::class, 'show']);
Route::get('preparations/{preparation}/stages/{stage}', [PreparationController::class, 'stage'])->whereNumber('stage');
Route::get('preparations/{preparation}/stages/{stage}/look', [PreparationController::class, 'look'])->whereNumber('stage');
Route::get('preparations/{preparation}/stages/{stage}/found', [PreparationController::class, 'found'])->whereNumber('stage');
Route::get('preparations/{preparation}/stages/{stage}/changes', [PreparationController::class, 'changes'])->whereNumber('stage');
Route::get('preparations/{preparation}/stages/{stage}/picture.svg', [PreparationController::class, 'picture'])->whereNumber('stage');

Route::get('preparations/{preparation}/sheets.zip', [SheetController::class, 'all']);
Route::get('preparations/{preparation}/sheets/{number}.svg', [SheetController::class, 'one'])->whereNumber('number');
Route::get('preparations/{preparation}/sheets/{number}/picture.svg', [SheetController::class, 'picture'])->whereNumber('number');

Route::get('presets', [PresetController::class, 'index']);
Route::post('presets/import', [PresetController::class, 'import']);
Route::get('presets/compare', [PresetController::class, 'compare']);
Route::get('presets/{name}.json', [PresetController::class, 'export']);
Route::delete('presets/{name}', [PresetController::class, 'destroy']);
Route::post('jobs/{job}/presets', [PresetController::class, 'store']);
Route::post('jobs/{job}/preset', [PresetController::class, 'use']);

Route::get('jobs/{job}/colours', [ColourController::class, 'show']);
Route::get('colours', [ColourController::class, 'index']);
Route::put('colours', [ColourController::class, 'name']);

Route::get('batches', [BatchController::class, 'index']);
Route::post('batches', [BatchController::class, 'store']);
Route::get('batches/{batch}', [BatchController::class, 'show']);
Route::post('batches/{batch}/again', [BatchController::class, 'again']);
Route::post('batches/{batch}/open', [BatchController::class, 'open']);
Route::get('batches/{batch}/picture/{file}', [BatchController::class, 'picture']);
Route::get('batches/{batch}/all.zip', [BatchController::class, 'zip']);
Route::delete('batches/{batch}', [BatchController::class, 'destroy']);

Route::get('stock', [StockController::class, 'index']);
Route::post('stock', [StockController::class, 'store']);
Route::patch('stock/{item}', [StockController::class, 'update'])->whereNumber('item');
Route::delete('stock/{item}', [StockController::class, 'destroy'])->whereNumber('item');

Route::get('jobs/{job}/making', [MakingController::class, 'show']);
Route::put('jobs/{job}/making', [MakingController::class, 'update']);
Route::get('jobs/{job}/layouts/{number}/picture.svg', [MakingController::class, 'picture'])->whereNumber('number');
Route::get('jobs/{job}/layouts/{number}/moves', [MakingController::class, 'moves'])->whereNumber('number');
Route::get('jobs/{job}/layouts/mix.svg', [MakingController::class, 'mix']);
Route::get('jobs/{job}/copies', [MakingController::class, 'copies']);
Route::post('jobs/{job}/copies', [MakingController::class, 'move']);

Route::get('jobs/{job}/files.zip', [ExportController::class, 'all']);
Route::get('jobs/{job}/files/{number}.{format}', [ExportController::class, 'one'])->whereNumber('number')->whereAlpha('format');
Route::get('jobs/{job}/job-sheet.pdf', [ExportController::class, 'jobSheet']);
Route::get('jobs/{job}/sizes.zip', [ExportController::class, 'size']);

Route::get('jobs/{job}/releases', [ReleaseController::class, 'index']);
Route::post('jobs/{job}/releases', [ReleaseController::class, 'store']);
Route::get('jobs/{job}/sendings', [SendingController::class, 'index']);
Route::post('jobs/{job}/sendings', [SendingController::class, 'store']);
Route::get('sendings/{sending}', [SendingController::class, 'show']);
Route::get('sendings/{sending}/done', [SendingController::class, 'done']);

Route::get('works', [WorkController::class, 'index']);
Route::post('jobs/{job}/works', [WorkController::class, 'store']);
Route::get('works/{work}', [WorkController::class, 'show'])->whereNumber('work');
Route::post('works/{work}/stop', [WorkController::class, 'stop'])->whereNumber('work');
Route::post('works/{work}/pause', [WorkController::class, 'pause'])->whereNumber('work');
Route::post('works/{work}/go', [WorkController::class, 'go'])->whereNumber('work');
