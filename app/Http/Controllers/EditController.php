<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\PageArt;
use App\Models\ShopJob;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use NeatEdge\Core\Edit\Edit;
use NeatEdge\Core\Edit\EditRefused;
use NeatEdge\Core\Edit\Edits;

final class EditController
{
    /** What an edit would give; nothing is stored. */
    public function preview(Request $request, ShopJob $job): JsonResponse
    {
        return new JsonResponse(['art' => PageArt::of(self::edit($request)->apply($job->current()->art()))]);
    }

    public function store(Request $request, ShopJob $job): JsonResponse
    {
        $edit = self::edit($request);

        return self::change($request, $job, static function (ShopJob $job) use ($edit): void {
            History::append($job, $edit->label(), $edit->apply($job->current()->art()));
        });
    }

    public function undo(Request $request, ShopJob $job): JsonResponse
    {
        return self::change($request, $job, static function (ShopJob $job): void {
            $parent = $job->current()->parent;
            if ($parent !== null) {
                History::putInForce($job, $parent, $job->revisions()->where('number', $parent)->firstOrFail()->art());
            }
        });
    }

    public function redo(Request $request, ShopJob $job): JsonResponse
    {
        return self::change($request, $job, static function (ShopJob $job): void {
            $child = $job->revisions()->where('parent', $job->revision)->orderByDesc('number')->first();
            if ($child !== null) {
                History::putInForce($job, $child->number, $child->art());
            }
        });
    }

    /** @throws EditRefused */
    private static function edit(Request $request): Edit
    {
        $fields = $request->validate([
            'edit.kind' => ['required', 'string', 'max:40'],
            'edit.pieces' => ['array', 'max:100000'],
            'edit.pieces.*' => ['string', 'max:80'],
        ]);

        return Edits::make($fields['edit']['kind'], $fields['edit']);
    }

    /** @param  callable(ShopJob): void  $do */
    private static function change(Request $request, ShopJob $job, callable $do): JsonResponse
    {
        $version = (int) $request->validate(['version' => ['required', 'integer']])['version'];

        return History::change($job, $version, static function (ShopJob $job) use ($do): bool {
            $do($job);

            return true;
        });
    }
}
