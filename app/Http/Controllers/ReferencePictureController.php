<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Description\Answers;
use App\Http\Requests\ReferencePictureRequest;
use App\Http\Resources\ReferenceFileResource;
use App\Models\ReferencePicture;
use App\Models\ShopJob;
use App\Prep\ReferencePictures;
use Illuminate\Http\Response;

/** Pictures to draw after. */
final class ReferencePictureController
{
    /** Keeps a picture; an edit lays it under the art. */
    #[Answers(ReferenceFileResource::class, 201)]
    public function store(ReferencePictureRequest $request, ShopJob $job): ReferenceFileResource
    {
        $file = $request->sent();
        $picture = ReferencePictures::add($job, (string) $file->get());

        return (new ReferenceFileResource(['file' => $picture->file, 'name' => mb_substr(mb_scrub($file->getClientOriginalName()), 0, 80)]))->status(201);
    }

    /** Shown only as a picture; opened by itself it may run nothing and fetch nothing. */
    #[Answers(type: 'image/png|image/jpeg|image/svg+xml')]
    public function show(string $file): Response
    {
        $picture = ReferencePicture::query()->findOrFail($file);

        return new Response($picture->bytes, 200, ['Content-Type' => $picture->type, 'Cache-Control' => 'private, max-age=86400, immutable']);
    }
}
