<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Description\Answers;
use App\Http\Requests\LookRequest;
use App\Http\Resources\BroughtResource;
use App\Http\Resources\LookedResource;
use App\Prep\Intake;
use App\Works\Budget;
use NeatEdge\Core\Check\Finding;
use NeatEdge\Core\Check\Severity;
use NeatEdge\Core\Described\Field;
use NeatEdge\Core\Format\Json\ArtworkJson;
use NeatEdge\Core\Format\Json\PieceJson;
use NeatEdge\Core\Format\Svg\Writer;
use NeatEdge\Core\Seen\Extent;
use NeatEdge\Core\Seen\Seen;
use NeatEdge\Pages\PageReader;

/** What a file is before it becomes a job. */
final class LookController
{
    /** What it draws, to be pasted on a bench beside what lies there. */
    #[Answers(BroughtResource::class)]
    public function bring(LookRequest $request): BroughtResource
    {
        $file = $request->sent();
        $arrived = Intake::read((string) $file->get(), $file->getClientOriginalName(), Intake::said($request->validated('taking', [])));
        $art = $arrived->drawing->artwork;
        $box = Budget::within('Measuring this file', static fn () => Extent::of($art));

        return new BroughtResource([
            'art' => ArtworkJson::text(['job' => 0, 'pieces' => array_map(PieceJson::of(...), $art->pieces)]),
            'count' => count($art->pieces),
            'box' => $box === null ? null : [$box->left, $box->top, $box->width(), $box->height()],
            'leftOut' => array_values(array_map(
                static fn (Finding $finding): string => $finding->message,
                array_filter($arrived->drawing->findings, static fn (Finding $finding): bool => $finding->severity !== Severity::Note),
            )),
        ]);
    }

    /** Its page, the box of its art, what would be left out, and what can be chosen of how it is taken. */
    #[Answers(LookedResource::class)]
    public function show(LookRequest $request): LookedResource
    {
        $file = $request->sent();
        $bytes = (string) $file->get();
        $taking = Intake::said($request->validated('taking', []));
        $arrived = Intake::read($bytes, $file->getClientOriginalName(), $taking);
        $art = $arrived->drawing->artwork;
        $box = Budget::within('Measuring this file', static fn () => Extent::of($art));
        $pages = $arrived->pages > 1 && ! isset($taking['page']) ? Budget::within(
            'Looking at the pages of this file',
            static fn (): array => (new PageReader)->pictures($bytes),
        ) : [];

        return new LookedResource([
            'statesSize' => $arrived->drawing->statesSize,
            'page' => [$art->width, $art->height],
            'box' => $box === null ? null : [$box->left, $box->top, $box->width(), $box->height()],
            'outside' => $box !== null && max(-$box->left, -$box->top, $box->right - $art->width, $box->bottom - $art->height) > 0.01,
            'leftOut' => array_map(static fn (Finding $finding): string => $finding->message, $arrived->drawing->findings),
            'picture' => Writer::write(Seen::of($art)),
            'fields' => array_map(static fn (Field $field): array => $field->toArray(), $arrived->fields),
            'says' => $arrived->says,
            'pages' => $arrived->pages,
            'pagePictures' => array_map(static fn (string $png): string => 'data:image/png;base64,'.base64_encode($png), $pages),
        ]);
    }
}
