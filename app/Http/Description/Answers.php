<?php

declare(strict_types=1);

namespace App\Http\Description;

use App\Http\Resources\Resource;
use Attribute;

/** What an action answers with, said at the action; every answer that a test gets is held to it. */
#[Attribute(Attribute::TARGET_METHOD | Attribute::IS_REPEATABLE)]
final readonly class Answers
{
    /**
     * @param  class-string<resource>|array{class-string<resource>}|null  $of  in brackets for a list of them; null for nothing, or for what is no JSON
     * @param  string  $type  of the answer; several with a bar between
     * @param  bool  $paged  whether it is a page of a longer list
     */
    public function __construct(public string|array|null $of = null, public int $status = 200, public string $type = '', public bool $paged = false)
    {
    }
}
