<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Backup\Kept;
use App\Http\Description\Answers;
use App\Http\Resources\BackupsResource;

/** Backups that the shop made by itself. */
final class BackupController
{
    /** Those that are kept, the newest first, and whether the last one failed. */
    #[Answers(BackupsResource::class)]
    public function index(): BackupsResource
    {
        return new BackupsResource(Kept::all());
    }
}
