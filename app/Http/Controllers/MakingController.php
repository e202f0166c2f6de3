<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Ticket;
use App\Models\ShopJob;
use App\Models\StockItem;
use App\Prep\Laid;
use App\Prep\Made;
use App\Works\BeingMade;
use App\Works\Kinds\Lay;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Validation\ValidationException;
use NeatEdge\Core\Described\Field;
use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\Format\AboutFormat;
use NeatEdge\Core\Format\Export;
use NeatEdge\Core\Format\Formats;
use NeatEdge\Core\Format\Svg\LayoutPicture;
use NeatEdge\Core\Format\Svg\Writer;
use NeatEdge\Core\Geometry\Box;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\Sheet\Cut\Moves;
use NeatEdge\Core\Sheet\Layout\Layout;
use NeatEdge\Core\Sheet\Make\Design;
use NeatEdge\Core\Sheet\Make\Laying;
use NeatEdge\Core\Sheet\Nest\Overlap;
use NeatEdge\Core\Sheet\Nest\Placement;

/** A job as it is laid out: choices, sheets and plates, copies on them. */
final class MakingController
{
    /** mm² of overlap of copies that a hand may leave: what shared borders come to. */
    private const TOUCHING = 0.05;

    public function show(ShopJob $job): JsonResponse
    {
        try {
            $layouts = Made::ready($job);
        } catch (BeingMade $being) {
            // Where the job stands is known before its sheets are.
            return new JsonResponse(['work' => $being->work->row(), 'history' => Ticket::history($job)], 202);
        }

        return new JsonResponse([
            'fields' => array_map(static fn (Field $field): array => $field->toArray(), $job->process->fields()),
            'values' => (object) Made::values($job),
            'materials' => (object) ($job->making['materials'] ?? []),
            'layouts' => array_map(static fn (Layout $layout): array => Export::row($layout), $layouts),
            'formats' => array_values(array_map(static fn (AboutFormat $about): array => $about->toArray(), Formats::catalogue())),
            'nested' => ($job->making['placements'] ?? []) !== [],
            'stale' => Made::isStale($job),
            'along' => $job->making['along'] ?? [],
            'others' => Made::others($job),
            'history' => Ticket::history($job),
        ]);
    }

    /** Choices and materials; where copies lie is worked out anew when one of them changes that. */
    public function update(Request $request, ShopJob $job): JsonResponse
    {
        $request->validate([
            'values' => ['sometimes', 'array'], 'materials' => ['sometimes', 'array', 'max:200'], 'materials.*' => ['nullable', 'integer'],
            'along' => ['sometimes', 'array', 'max:40'], 'along.*.job' => ['required', 'integer', 'distinct'], 'along.*.copies' => ['required', 'integer', 'between:1,2000'],
        ], ['along.*.copies.*' => 'Lay 1 to 2000 copies of each job.', 'along.*.job.distinct' => 'Each job is laid with it once; give it more copies instead.', '*' => 'Choose from what is there.']);
        // What is still being laid out is chosen too.
        $pending = Lay::pending($job);
        $from = [$job->making ?? [], ...($pending === null ? [] : [$pending])];
        $making = $pending ?? $job->making ?? [];
        $job = Made::with($job, $making);
        $label = 'Lay it out';
        if ($request->has('values')) {
            // Kept as they are understood, so that a length that was typed once with a unit stays that length.
            $before = Made::values($job);
            $typed = (array) $request->input('values');
            $now = $job->process->values([...$before, ...$typed], $job->unit);
            // What was never typed stays with the ticket and what the shop has.
            $making['values'] = array_intersect_key($now, [...$making['values'] ?? [], ...$typed]);
            $making['placements'] = $now == $before ? ($making['placements'] ?? []) : [];
            $label = self::told($job, array_keys($typed));
        }
        foreach ((array) $request->input('materials', []) as $hex => $id) {
            if ($id !== null && StockItem::query()->where('kind', 'material')->whereKey($id)->doesntExist()) {
                throw ValidationException::withMessages(['materials' => 'That material is not in the shop any more.']);
            }
            $making['materials'][$hex] = $id;
            $making['materials'] = array_filter($making['materials'], static fn (?int $one): bool => $one !== null);
            $making['placements'] = [];
            $label = $request->has('values') ? $label : 'Choose a material';
        }
        if ($request->has('along')) {
            $making['along'] = array_map(static fn (array $one): array => ['job' => (int) $one['job'], 'copies' => (int) $one['copies']], array_values((array) $request->input('along')));
            $unknown = array_diff(array_column($making['along'], 'job'), array_column(Made::others($job), 'id'));
            // One that is gone since it was chosen may stay: the sheets say so.
            if (array_diff($unknown, array_column($job->making['along'] ?? [], 'job')) !== []) {
                throw ValidationException::withMessages(['along' => 'Only another job that is made in the same way can be laid with it.']);
            }
            $making['placements'] = [];
            $label = 'Lay other jobs with it';
        }
        // Only what can be laid out is stored.
        $work = Lay::begin($job, $making, $label, $from);
        if ($work->state === 'failed') {
            throw Refused::because($work->error);
        }

        return $work->isOpen() ? throw new BeingMade($work) : $this->show(ShopJob::query()->findOrFail($job->id));
    }

    /**
     * What the history calls a change of some choices.
     *
     * @param  list<int|string>  $names
     */
    private static function told(ShopJob $job, array $names): string
    {
        $labels = array_values(array_map(static fn (Field $field): string => $field->label, array_filter($job->process->fields(), static fn (Field $field): bool => in_array($field->name, $names, true))));

        return match (count($labels)) {
            0 => 'Lay it out',
            1 => "Lay it out: {$labels[0]}",
            default => sprintf('Lay it out: %d choices', count($labels)),
        };
    }

    public function picture(ShopJob $job, int $number): Response
    {
        return Pictures::text(LayoutPicture::of(self::layout($job, $number)));
    }

    /** Some plates over each other on the cloth. */
    public function mix(Request $request, ShopJob $job): Response
    {
        $layouts = Made::ready($job, true);
        $on = array_values(array_filter(array_map(intval(...), explode(',', is_string($request->query('on')) ? $request->query('on') : '')), static fn (int $i): bool => isset($layouts[$i])));
        $inks = StockItem::query()->where('kind', 'ink')->get()->keyBy('name');
        $cover = array_map(static fn (string $name): float => (float) ($inks->get($name)?->data['opacity'] ?? 0.95), Made::names());

        return $layouts === [] ? abort(404) : Pictures::text(LayoutPicture::mixed($layouts, $on, $cover));
    }

    /** What the machine will do, in its order and time. */
    public function moves(ShopJob $job, int $number): JsonResponse
    {
        return new JsonResponse(Moves::of(self::layout($job, $number), Made::described($job, Made::machine($job))));
    }

    /** Where the copies of a sheet lie, with their outlines, to be moved by hand. */
    public function copies(ShopJob $job): JsonResponse
    {
        $order = Made::order($job);
        $out = [];
        foreach ($order->designs() as $hex => $designs) {
            $room = Laying::room($order, $hex);
            $out[] = [
                'sheet' => $hex === '' ? 'all' : $hex,
                'width' => is_finite($room->length) ? $room->length : 0.0,
                'height' => $room->width,
                'designs' => array_map(static fn (Design $one): string => Writer::path($one->outline), $designs),
                'copies' => array_map(static fn (Placement $one): array => [...$one->toArray(), 'matrix' => array_values(get_object_vars($one->matrix($designs[$one->design]->outline)))], Laying::of($designs, $order, $hex)),
            ];
        }

        return new JsonResponse($out);
    }

    /** Copies are moved or turned by hand, together, and stay there; where one would lie on another all stay where they were. */
    public function move(Request $request, ShopJob $job): JsonResponse
    {
        $fields = $request->validate([
            'sheet' => ['required', 'string', 'max:7'], 'moved' => ['required', 'array', 'list', 'between:1,2000'], 'moved.*.copy' => ['required', 'integer', 'min:0', 'distinct'],
            'moved.*.x' => ['required', 'numeric', 'between:-10000,100000'], 'moved.*.y' => ['required', 'numeric', 'between:-10000,100000'], 'moved.*.turn' => ['sometimes', 'numeric', 'between:-360,360'],
        ], ['*' => 'Say which copies, and where they are to lie.']);
        $order = Made::order($job);
        $hex = $fields['sheet'] === 'all' ? '' : $fields['sheet'];
        $designs = $order->designs()[$hex] ?? abort(404);
        $laid = Laying::of($designs, $order, $hex);
        foreach ($fields['moved'] as $one) {
            $old = $laid[(int) $one['copy']] ?? abort(404);
            $laid[(int) $one['copy']] = new Placement($old->design, $old->sheet, (float) $one['x'], (float) $one['y'], (float) ($one['turn'] ?? $old->turn), true);
        }
        $moved = array_map(static fn (array $one): int => (int) $one['copy'], $fields['moved']);
        self::holdApart($designs, $laid, array_flip($moved), Laying::room($order, $hex)->length, Laying::room($order, $hex)->width);
        $rows = array_map(static fn (Placement $one): array => $one->toArray(), $laid);
        $label = count($moved) === 1 ? sprintf('Lay copy %d by hand', $moved[0] + 1) : sprintf('Lay %d copies by hand', count($moved));
        Laid::change($job, $label, static function (array $making) use ($fields, $rows): array {
            $making['placements'][$fields['sheet']] = $rows;

            return $making;
        });

        return $this->copies($job->refresh());
    }

    /**
     * @param  list<Design>  $designs
     * @param  list<Placement>  $laid
     * @param  array<int, int>  $moved  by number of the copies that were moved
     *
     * @throws Refused
     */
    private static function holdApart(array $designs, array $laid, array $moved, float $length, float $width): void
    {
        $shapes = array_map(static fn (Placement $one): Shape => $designs[$one->design]->outline->transformed($one->matrix($designs[$one->design]->outline)), $laid);
        $boxes = array_map(static fn (Shape $one): ?Box => $one->box(), $shapes);
        foreach ($moved as $copy => $k) {
            $box = $boxes[$copy];
            if ($box === null || $box->left < -0.01 || $box->top < -0.01 || $box->right > $length + 0.01 || $box->bottom > $width + 0.01) {
                throw Refused::because('There it would lie beyond the bed.');
            }
            foreach ($boxes as $i => $other) {
                // Each pair once: of two that were both moved, at the later one.
                if ($i === $copy || ($moved[$i] ?? INF) < $k || $laid[$i]->sheet !== $laid[$copy]->sheet || ! ($other?->overlaps($box) ?? false)) {
                    continue;
                }
                $pairs = Overlap::pairs([$shapes[$copy], $shapes[$i]]);
                if ($pairs !== [] && $pairs[0][2] > self::TOUCHING) {
                    throw Refused::because(sprintf('There it would lie on another copy, on %.1f mm².', $pairs[0][2]));
                }
            }
        }
    }

    private static function layout(ShopJob $job, int $number): Layout
    {
        return Made::ready($job, true)[$number] ?? abort(404);
    }
}
