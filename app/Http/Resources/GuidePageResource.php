<?php

declare(strict_types=1);

namespace App\Http\Resources;

/**
 * One page of the guide, made of Markdown that ships with the application.
 *
 * @phpstan-type GuidePageRow array{page: string, title: string, html: string}
 */
final class GuidePageResource extends Resource
{
}
