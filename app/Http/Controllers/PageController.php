<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Words\Words;
use Illuminate\Contracts\View\View;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

/** The page, and its sentences in the language of who reads it. */
final class PageController
{
    public function show(Request $request): View
    {
        $language = Words::asked($request);
        $file = self::file($language);

        return view('app', [
            'language' => $language,
            'entry' => $request->is('shown/*') ? 'resources/js/shown/main.ts' : 'resources/js/main.ts',
            'words' => is_file($file) ? route('words', $language, false).'?'.substr((string) md5_file($file), 0, 12) : null,
            'needs' => Words::of($request)->say('Neat Edge needs JavaScript to show the bench.'),
        ]);
    }

    /** What stands in the page in English, with what is said instead. */
    public function words(string $language): Response
    {
        abort_unless(isset(Words::LANGUAGES[$language]) && is_file(self::file($language)), 404);

        return new Response('window.neatEdgeWords='.trim((string) file_get_contents(self::file($language))).';', 200, [
            'Content-Type' => 'text/javascript; charset=utf-8',
            'Cache-Control' => 'private, max-age=31536000, immutable',
        ]);
    }

    private static function file(string $language): string
    {
        return lang_path("page/{$language}.json");
    }
}
