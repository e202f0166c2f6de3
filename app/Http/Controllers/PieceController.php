<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Drawn\PageArt;
use App\Drawn\PieceDetail;
use App\Http\Description\Answers;
use App\Http\Requests\Asks;
use App\Http\Requests\PiecesRequest;
use App\Http\Resources\ArtResource;
use App\Http\Resources\ChosenResource;
use App\Http\Resources\SnapsResource;
use App\Http\Resources\TakenResource;
use App\Models\ShopJob;
use App\Prep\TouchUps;
use App\Works\Budget;
use Illuminate\Http\Request;
use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Format\Json\ArtworkJson;
use NeatEdge\Core\Format\Json\PieceJson;
use NeatEdge\Core\Format\Svg\Writer;
use NeatEdge\Core\Seen\Extent;
use NeatEdge\Core\Seen\Seen;

/** What is asked about pieces on the bench besides changing them. */
final class PieceController
{
    /** Nodes and adjustable values of chosen pieces, and the box of them all. */
    #[Answers(ChosenResource::class)]
    public function show(PiecesRequest $request, ShopJob $job): ChosenResource
    {
        $ids = $request->ids();
        $artwork = TouchUps::art($request->touchUp(), $job, static fn (): Artwork => count($ids) > 400 ? $job->art() : ShopJob::part($job->id, $ids)->art());

        return new ChosenResource(PieceDetail::chosen($artwork, $ids));
    }

    /** Pieces as text, to be pasted here or in another job. */
    #[Answers(TakenResource::class)]
    public function take(PiecesRequest $request, ShopJob $job): TakenResource
    {
        $wanted = array_flip($request->ids());
        $art = TouchUps::art($request->touchUp(), $job, $job->art(...));
        $pieces = array_values(array_filter($art->pieces, static fn (Piece $piece): bool => isset($wanted[$piece->id])));

        return new TakenResource([
            'art' => ArtworkJson::text(['job' => $job->id, 'pieces' => array_map(PieceJson::of(...), $pieces)]),
            'count' => count($pieces),
            'svg' => Budget::within('Writing what is copied', static function () use ($art, $pieces): string {
                $some = $art->withPieces($pieces);
                $box = Extent::of($some);

                return Writer::write(Seen::of($box !== null && min($box->width(), $box->height()) > 0 ? $some->framed($box) : $some));
            }),
        ]);
    }

    /** All places to snap to. */
    #[Answers(SnapsResource::class)]
    public function allSnaps(Request $request, ShopJob $job): SnapsResource
    {
        return new SnapsResource(PieceDetail::snaps(TouchUps::art(Asks::step($request), $job, $job->art(...)), null));
    }

    /** Places to snap to of pieces that are named, crossings with what lies near included. */
    #[Answers(SnapsResource::class)]
    public function snaps(PiecesRequest $request, ShopJob $job): SnapsResource
    {
        $ids = $request->ids();

        return new SnapsResource(PieceDetail::snaps(
            TouchUps::art($request->touchUp(), $job, static fn (): Artwork => ShopJob::around($job->id, $ids)->art()),
            $ids,
        ));
    }

    /** The result as it is touched up by hand. */
    #[Answers(ArtResource::class)]
    public function touchUp(ShopJob $job, string $step): ArtResource
    {
        return new ArtResource(Budget::within('The result', static fn (): array => PageArt::of(TouchUps::after(ShopJob::snapshot($job->id), $step))));
    }
}
