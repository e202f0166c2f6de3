<?php

declare(strict_types=1);

namespace App\Prep;

use App\Models\ShopJob;
use NeatEdge\Core\Format\Json\ArtworkDifference;

/** What came of a change to a job. */
final readonly class Changed
{
    /**
     * @param  ArtworkDifference|null  $difference  what of its art is otherwise now; null when nothing is
     * @param  array<string, string>  $pages  JSON, as the page draws them, by id of the pieces that are
     */
    public function __construct(public ShopJob $job, public ?ArtworkDifference $difference, public array $pages)
    {
    }
}
