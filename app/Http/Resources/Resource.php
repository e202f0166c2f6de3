<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Words\Words;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;

/**
 * One answer of the HTTP interface. Its shape is the type of its name with "Row" in the head of the class: the description of the interface and the types of
 * the page are made of that, and every answer that a test gets is held to it.
 */
abstract class Resource extends JsonResource
{
    public static $wrap = null;

    protected ?int $status = null;

    /** @return $this with another status than 200 */
    public function status(int $status): static
    {
        $this->status = $status;

        return $this;
    }

    /**
     * As it is: nothing in it is left out or put in another order; what is read of it is in the language of who asks.
     *
     * @param  Request|null  $request
     * @return array<mixed>
     */
    public function resolve($request = null): array
    {
        $request ??= request();

        return Words::of($request)->row((array) $this->toArray($request));
    }

    public function withResponse(Request $request, JsonResponse $response): void
    {
        if ($this->status !== null) {
            $response->setStatusCode($this->status);
        }
    }
}
