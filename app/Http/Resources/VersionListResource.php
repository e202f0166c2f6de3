<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\Revision;
use App\Models\ShopJob;
use App\Models\Version;
use Illuminate\Http\Request;

/**
 * The versions of a job that were given names, and what was done last.
 *
 * @phpstan-type VersionListRow array{
 *     versions: list<array{id: int, number: int, name: string, made: string, by: string|null, current: bool}>,
 *     steps: list<array{number: int, label: string, made: string, by: string|null, current: bool}>,
 * }
 */
final class VersionListResource extends Resource
{
    /** Changes that are told of. */
    private const STEPS = 200;

    private const VERSION = ['id', 'number', 'name', 'created_at', 'person_id'];

    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        return self::row($this->resource);
    }

    /** @return array<string, mixed> */
    public static function row(ShopJob $job): array
    {
        return [
            'versions' => $job->versions()->with('person:id,name')->orderByDesc('id')->get(self::VERSION)->map(static fn (Version $version): array => [
                'id' => $version->id,
                'number' => $version->number,
                'name' => $version->name,
                'made' => $version->created_at,
                'by' => $version->person?->name,
                'current' => $version->number === $job->revision,
            ])->all(),
            'steps' => $job->revisions()
                ->orderByDesc('number')
                ->limit(self::STEPS)
                ->with('person:id,name')
                ->get(['number', 'parent', 'label', 'created_at', 'person_id'])
                ->map(static fn (Revision $revision): array => [
                    'number' => $revision->number,
                    'label' => $revision->label,
                    'made' => $revision->created_at,
                    'by' => $revision->person?->name,
                    'current' => $revision->number === $job->revision,
                ])->all(),
        ];
    }
}
