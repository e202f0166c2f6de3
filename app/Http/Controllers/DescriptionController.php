<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Description\Answers;
use App\Http\Description\Document;
use Illuminate\Http\Response;

/** What this interface is, for those who write programs against it. */
final class DescriptionController
{
    /** The description itself, as it ships. */
    #[Answers(type: 'application/json')]
    public function show(): Response
    {
        return new Response((string) file_get_contents(base_path(Document::FILE)), 200, ['Content-Type' => 'application/json']);
    }
}
