<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Budget;
use App\Http\PageArt;
use App\Http\PieceDetail;
use App\Models\ReferencePicture;
use App\Models\Revision;
use App\Models\ShopJob;
use App\Models\Version;
use App\Prep\ReferencePictures;
use App\Prep\TouchUps;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Http\UploadedFile;
use Illuminate\Validation\ValidationException;
use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\Edit\Arranging\PlacePieces;
use NeatEdge\Core\Edit\Chosen;
use NeatEdge\Core\Format\Json\ArtworkJson;
use NeatEdge\Core\Format\Json\PieceJson;
use NeatEdge\Core\Measure\SnapPlaces;

/** What the bench asks about a job besides changing it: details of pieces, places to snap to, versions, reference pictures. */
final class BenchController
{
    /** Nodes and adjustable values of chosen pieces, and the box of them all. */
    public function pieces(Request $request, ShopJob $job): JsonResponse
    {
        $ids = self::ids($request);
        $artwork = TouchUps::art($request, $job, static fn (): Artwork => count($ids) > 400 ? $job->art() : ShopJob::part($job->id, $ids)->art());
        $wanted = array_flip($ids);
        $found = [];
        foreach ($artwork->pieces as $piece) {
            if (isset($wanted[$piece->id])) {
                $found[$piece->id] = $piece;
            }
        }
        if ($found === []) {
            throw Refused::missingPiece($ids[0] ?? '');
        }
        [$box, $turn] = PlacePieces::frame($found, [0.5, 0.5]);
        $upright = Chosen::box($found);
        $outer = count($found) > 200 ? null : PlacePieces::outer($found, $turn, $artwork->tolerance());

        return new JsonResponse([
            'frame' => ['left' => $box->left, 'top' => $box->top, 'width' => $box->width(), 'height' => $box->height(), 'turn' => $turn],
            'outer' => $outer === null ? null : [$outer->width(), $outer->height()],
            'box' => [$upright->left, $upright->top, $upright->width(), $upright->height()],
            // One at a time has its nodes edited; of many, the page shows only what they have in common.
            'details' => count($found) > 20 ? [] : array_map(PieceDetail::of(...), array_values($found)),
        ]);
    }

    /** The result as it is touched up by hand. */
    public function touchUp(ShopJob $job, string $step): JsonResponse
    {
        return new JsonResponse(Budget::within('The result', static fn (): array => PageArt::of(TouchUps::after(ShopJob::snapshot($job->id), $step))));
    }

    /** Places to snap to: all, or with those that are named only theirs, crossings with what lies near included. */
    public function snaps(Request $request, ShopJob $job): JsonResponse
    {
        $ids = $request->isMethod('POST') ? self::ids($request) : null;
        $artwork = TouchUps::art($request, $job, static fn (): Artwork => $ids === null ? $job->art() : ShopJob::around($job->id, $ids)->art());
        $shapes = [];
        foreach ($artwork->pieces as $piece) {
            if (! $artwork->hides($piece)) {
                $shapes[$piece->id] = $piece->shape;
            }
        }
        $round = static fn (float $value): float => round($value, 6);
        $places = SnapPlaces::of($shapes, $ids === null ? null : array_fill_keys($ids, true));

        return new JsonResponse([
            'points' => array_map(static fn (array $p): array => [$round($p[0]), $round($p[1]), $p[2], $p[3]], $places['points']),
            'edges' => (object) array_map(static fn (array $chains): array => array_map(static fn (array $chain): array => array_map($round, $chain), $chains), $places['edges']),
        ]);
    }

    /** Pieces as text, to be pasted here or in another job. */
    public function take(Request $request, ShopJob $job): JsonResponse
    {
        $wanted = array_flip(self::ids($request));
        $pieces = [];
        foreach (TouchUps::art($request, $job, $job->art(...))->pieces as $piece) {
            if (isset($wanted[$piece->id])) {
                $pieces[] = PieceJson::of($piece);
            }
        }

        return new JsonResponse(['art' => ArtworkJson::text(['job' => $job->id, 'pieces' => $pieces]), 'count' => count($pieces)]);
    }

    /** The versions of a job that were given names, and what was done last. */
    public function versions(ShopJob $job): JsonResponse
    {
        return new JsonResponse([
            'versions' => $job->versions()->orderByDesc('id')->get(['id', 'number', 'name', 'created_at'])->map(static fn (Version $version): array => [
                'id' => $version->id, 'number' => $version->number, 'name' => $version->name, 'made' => $version->created_at, 'current' => $version->number === $job->revision,
            ]),
            'steps' => $job->revisions()->orderByDesc('number')->limit(200)->get(['number', 'parent', 'label', 'created_at'])->map(static fn (Revision $revision): array => [
                'number' => $revision->number, 'label' => $revision->label, 'made' => $revision->created_at, 'current' => $revision->number === $job->revision,
            ]),
        ]);
    }

    public function keepVersion(Request $request, ShopJob $job): JsonResponse
    {
        $name = trim((string) $request->validate(['name' => ['required', 'string', 'max:120']], ['name.*' => 'Give the version a name of up to 120 letters.'])['name']);
        Version::keep($job, $name);

        return $this->versions($job);
    }

    public function version(ShopJob $job, Version $version): JsonResponse
    {
        abort_if($version->shop_job_id !== $job->id, 404);

        return new JsonResponse(PageArt::of($version->art()));
    }

    public function dropVersion(ShopJob $job, Version $version): JsonResponse
    {
        abort_if($version->shop_job_id !== $job->id, 404);
        $version->delete();

        return $this->versions($job);
    }

    /** Lays a version on the bench again, as a new revision: what was done since stays in the history. */
    public function goBack(Request $request, ShopJob $job, Version $version): JsonResponse
    {
        abort_if($version->shop_job_id !== $job->id, 404);

        return History::change($job, EditController::version($request), static fn (ShopJob $job): Proposal => Proposal::state('Back to "'.$version->name.'"', $job->art(), $version->art()));
    }

    public function addPicture(Request $request, ShopJob $job): JsonResponse
    {
        $file = $request->file('file');
        if (! $file instanceof UploadedFile || ! $file->isValid()) {
            throw ValidationException::withMessages(['file' => 'Choose one picture: PNG, JPEG or SVG, up to 20 MB.']);
        }
        $bytes = (string) $file->get();
        $picture = ReferencePictures::add($job, $bytes);

        return new JsonResponse(['file' => $picture->file, 'name' => mb_substr(mb_scrub($file->getClientOriginalName()), 0, 80)], 201);
    }

    public function picture(string $file): Response
    {
        $picture = ReferencePicture::query()->findOrFail($file);

        // Shown only as a picture; opened by itself it may run nothing and fetch nothing, see SafeHeaders.
        return new Response($picture->bytes, 200, ['Content-Type' => $picture->type, 'Cache-Control' => 'private, max-age=86400, immutable']);
    }

    /** @return list<string> */
    private static function ids(Request $request): array
    {
        return array_values($request->validate(['pieces' => ['required', 'array', 'max:50000'], 'pieces.*' => ['string', 'max:80']], ['pieces.*' => 'Choose pieces first.'])['pieces']);
    }
}
