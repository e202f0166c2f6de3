<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Description\Answers;
use App\Http\Guide;
use App\Http\Resources\GuideBookResource;
use App\Http\Resources\GuidePageResource;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

/** The guide that ships with the application. */
final class GuideController
{
    /** Its pages with their headings, and all that has a name in the core, to be searched. */
    #[Answers(GuideBookResource::class)]
    public function index(Request $request): GuideBookResource
    {
        return new GuideBookResource(['pages' => Guide::of($request)->pages(), 'entries' => Guide::entries()]);
    }

    /** One page. */
    #[Answers(GuidePageResource::class)]
    public function show(Request $request, string $page): GuidePageResource
    {
        return new GuidePageResource(Guide::of($request)->page($page) ?? abort(404));
    }

    /** A picture of a page. */
    #[Answers(type: 'image/png')]
    public function picture(string $picture): Response
    {
        $path = base_path("docs/screenshots/{$picture}.png");
        abort_unless(is_file($path), 404);

        return new Response((string) file_get_contents($path), 200, ['Content-Type' => 'image/png', 'Cache-Control' => 'private, max-age=3600']);
    }
}
