<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\JobTemplate;
use Illuminate\Http\Request;
use NeatEdge\Core\Process\Processes;

/**
 * What a new job can begin with.
 *
 * @phpstan-type TemplateRow array{
 *     id: int, name: string, process: string, processLabel: string,
 *     // mm
 *     width: float,
 *     height: float,
 *     guides: int,
 * }
 */
final class TemplateResource extends Resource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        return self::row($this->resource);
    }

    /** @return array<string, mixed> */
    public static function row(JobTemplate $template): array
    {
        $frame = $template->data['frame'];
        $process = (string) $template->data['process'];

        return [
            'id' => $template->id,
            'name' => $template->name,
            'process' => $process,
            'processLabel' => Processes::of($process)->label(),
            'width' => (float) $frame['width'],
            'height' => (float) $frame['height'],
            'guides' => count($frame['guides'] ?? []),
        ];
    }
}
