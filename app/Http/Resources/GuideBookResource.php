<?php

declare(strict_types=1);

namespace App\Http\Resources;

/**
 * What the guide holds.
 *
 * @phpstan-type GuideBookRow array{
 *     pages: list<array{page: string, title: string, headings: list<array{id: string, text: string}>}>,
 *     // Tools, steps, findings and outputs; each stands on the page "reference" under its id.
 *     entries: list<array{id: string, sort: 'tool'|'step'|'finding'|'output'|'process', kind: string, label: string, says: string}>,
 * }
 */
final class GuideBookResource extends Resource
{
}
