<?php

declare(strict_types=1);

namespace App\Prep;

/** What whoever asks for a change says of itself. */
final readonly class Asker
{
    /**
     * @param  int  $version  of the job that it knows
     * @param  string  $key  what it calls the change: one whose answer was lost is known by it; empty for none
     * @param  string|null  $touchUp  the step of touching up that it works on; null for the source
     * @param  string  $page  what tells one open page from another
     */
    public function __construct(public int $version, public string $key = '', public ?string $touchUp = null, public string $page = '')
    {
    }
}
