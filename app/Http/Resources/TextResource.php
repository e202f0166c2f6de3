<?php

declare(strict_types=1);

namespace App\Http\Resources;

use Illuminate\Http\JsonResponse;

/** An answer that is JSON already: pieces are kept as the page draws them, and are not read to be written again. */
abstract class TextResource extends Resource
{
    abstract protected function text(): string;

    public function toResponse($request): JsonResponse
    {
        return new JsonResponse($this->text(), $this->status ?? 200, [], 0, true);
    }
}
