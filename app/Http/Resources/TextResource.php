<?php

declare(strict_types=1);

namespace App\Http\Resources;

use Illuminate\Http\JsonResponse;

/** An answer that is JSON already: pieces are kept as the page draws them, and are not read to be written again. */
abstract class TextResource extends Resource
{
    private int $code = 200;

    public function status(int $status): static
    {
        $this->code = $status;

        return $this;
    }

    abstract protected function text(): string;

    public function toResponse($request): JsonResponse
    {
        return new JsonResponse($this->text(), $this->code, [], 0, true);
    }
}
