<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\JobList;
use App\Http\Ticket;
use App\Models\ShopJob;
use App\Models\StockItem;
use App\Prep\Duplicating;
use App\Prep\Intake;
use App\Prep\ShopFonts;
use App\Works\Works;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\DB;
use Illuminate\Validation\Rule;
use Illuminate\Validation\ValidationException;
use NeatEdge\Core\Check\AboutFinding;
use NeatEdge\Core\Check\Inspection;
use NeatEdge\Core\Check\Judgements;
use NeatEdge\Core\Check\LimitFields;
use NeatEdge\Core\Check\Remedies;
use NeatEdge\Core\Check\Remedy;
use NeatEdge\Core\Described\Field;
use NeatEdge\Core\Described\Values;
use NeatEdge\Core\Format\Incoming;
use NeatEdge\Core\Format\Svg\Isolated;
use NeatEdge\Core\Format\Svg\Writer;
use NeatEdge\Core\Geometry\Box;
use NeatEdge\Core\Geometry\InvalidLength;
use NeatEdge\Core\Geometry\Length;
use NeatEdge\Core\Prepare\AboutStep;
use NeatEdge\Core\Prepare\Steps;
use NeatEdge\Core\Process\Process;
use NeatEdge\Core\Process\Processes;
use NeatEdge\Core\Recipe\Basic\ShapeKind;
use NeatEdge\Core\Recipe\Repeat\StepAndRepeat;
use NeatEdge\Core\Seen\Small;
use NeatEdge\Core\Shop\Stock;
use NeatEdge\Core\Stroke\WidthStops;

final class JobController
{
    /** What there is to choose from, in the core's own words. */
    public function choices(): JsonResponse
    {
        return new JsonResponse([
            'processes' => array_map(static fn (Process $process): array => [
                'value' => $process->key(),
                'label' => $process->label(),
                'says' => $process->says(),
                'line' => $process->limits()->line,
                'gap' => $process->limits()->gap,
            ], array_values(Processes::all())),
            'endings' => array_keys(Incoming::ENDINGS),
            'steps' => array_map(static fn (AboutStep $about): array => $about->toArray(), array_values(Steps::catalogue())),
            'findings' => array_map(static fn (AboutFinding $about): array => [...$about->toArray(), 'remedies' => array_map(static fn (Remedy $remedy): array => $remedy->toArray(), Remedies::of($about->kind))], array_values(Inspection::catalogue())),
            'limits' => array_map(static fn (Field $field): array => $field->toArray(), LimitFields::all()),
            'shapes' => array_map(static fn (ShapeKind $kind): array => [
                'kind' => $kind->value,
                'label' => $kind->label(),
                'fields' => array_map(static fn (Field $field): array => $field->toArray(), $kind->fields()),
            ], ShapeKind::cases()),
            'repeat' => array_map(static fn (Field $field): array => $field->toArray(), StepAndRepeat::fields()),
            'profiles' => array_map(static fn (array $profile): array => ['label' => $profile[0], 'stops' => $profile[1]], WidthStops::profiles()),
            'families' => ShopFonts::shelf()->families(),
        ]);
    }

    /** Jobs that somebody looks for, one page of them: nothing is read that is long, and nothing is worked out. */
    public function index(Request $request): JsonResponse
    {
        $asked = $request->validate([
            'search' => ['nullable', 'string', 'max:200'], 'only' => ['nullable', Rule::in(array_keys(JobList::ONLY))], 'order' => ['nullable', Rule::in(array_keys(JobList::ORDERS))], 'page' => ['nullable', 'integer', 'between:1,100000'],
        ], ['search.*' => 'Search for at most 200 letters.', '*' => 'Choose from what is there.']);

        return new JsonResponse(JobList::page((string) ($asked['search'] ?? ''), $asked['only'] ?? 'all', $asked['order'] ?? 'updated', (int) ($asked['page'] ?? 1)));
    }

    /** A second job like it. */
    public function copy(ShopJob $job): JsonResponse
    {
        return new JsonResponse(Ticket::of(Duplicating::of($job)), 201);
    }

    public function store(Request $request): JsonResponse
    {
        $fields = $request->validate([
            'title' => ['nullable', 'string', 'max:120'],
            'process' => ['required', Rule::in(Processes::keys())],
            'width' => ['nullable', 'string', 'max:200'],
            'height' => ['required_without:file', 'nullable', 'string', 'max:200'],
            'of' => ['nullable', Rule::in(['page', 'art'])],
            'taking' => ['sometimes', 'array'],
            'taking.*' => ['nullable', 'string', 'max:200'],
            'file' => ['required_without:height', 'file', 'max:'.intdiv((int) config('neat-edge.upload_bytes'), 1000)],
        ], [
            'process.*' => 'Choose how the job is made.',
            'of.*' => 'The finished width is that of the page or of the art.',
            'width.*' => 'Type a width such as 300mm.',
            'height.string' => 'Type a height such as 200mm.',
            'title.max' => 'The title is longer than 120 letters.',
            'height.required_without' => 'Drop an SVG file first, or type the height of an empty bench.',
            'file.required_without' => 'Drop an SVG file first, or type the height of an empty bench.',
            'file.max' => sprintf('The file is larger than %d MB.', intdiv((int) config('neat-edge.upload_bytes'), 1_000_000)),
            'file.uploaded' => 'The file did not arrive whole; it may be too large.',
            'file.*' => 'The file did not arrive; drop it again.',
        ]);
        if (! $request->hasFile('file')) {
            return new JsonResponse(Ticket::of(Intake::blank(
                trim((string) ($fields['title'] ?? '')),
                Processes::of($fields['process']),
                Length::positive((string) ($fields['width'] ?? '')),
                Length::positive((string) ($fields['height'] ?? '')),
            )), 201);
        }
        $file = self::file($request);
        $name = $file->getClientOriginalName();
        $title = trim((string) ($fields['title'] ?? ''));
        $job = Intake::take(
            $title !== '' ? $title : mb_substr((string) preg_replace('/\.('.implode('|', array_keys(Incoming::ENDINGS)).')$/i', '', mb_scrub($name)), 0, 120),
            Processes::of($fields['process']),
            Intake::width($fields['width'] ?? null),
            $name,
            (string) $file->get(),
            ofArt: ($fields['of'] ?? 'page') === 'art',
            taking: Intake::said($fields['taking'] ?? []),
        );

        return new JsonResponse(Ticket::of($job), 201);
    }

    public function show(ShopJob $job): JsonResponse
    {
        return new JsonResponse(Ticket::whole($job), 200, [], 0, true);
    }

    /** Changes the ticket; another size scales the art as a new revision. */
    public function update(Request $request, ShopJob $job): JsonResponse
    {
        $fields = $request->validate([
            'title' => ['sometimes', 'string', 'min:1', 'max:120'],
            'customer' => ['sometimes', 'nullable', 'string', 'max:120'],
            'due' => ['sometimes', 'nullable', 'date_format:Y-m-d'],
            'process' => ['sometimes', Rule::in(Processes::keys())],
            'unit' => ['sometimes', Rule::in(['mm', 'cm', 'in', 'pt', 'px'])],
            'width' => ['sometimes', 'string', 'max:200'],
            'limits' => ['sometimes', 'array'],
            'limits.*' => ['nullable', 'string', 'max:200'],
            'line' => ['sometimes', 'nullable', 'string', 'max:200'],
            'gap' => ['sometimes', 'nullable', 'string', 'max:200'],
            'stock' => ['sometimes', 'array:'.implode(',', array_keys(Stock::kinds()))],
            'stock.*' => ['nullable', 'integer'],
        ], ['stock.*' => 'Choose from what the shop has.', 'title.*' => 'A job needs a title of at most 120 letters.', 'customer.*' => 'A customer has a name of at most 120 letters.', 'due.*' => 'Choose a day.', 'process.*' => 'Choose how the job is made.', 'width.*' => 'Type a width such as 300mm.']);
        $unit = $fields['unit'] ?? $job->unit;
        $width = array_key_exists('width', $fields) ? Length::positive($fields['width'], $unit, $job->width_mm)->mm : null;
        $limits = [];
        foreach (['line' => 'line_limit_mm', 'gap' => 'gap_limit_mm'] as $field => $column) {
            if (array_key_exists($field, $fields)) {
                $limits[$column] = Intake::limit($fields[$field], $unit);
            }
        }
        if (isset($fields['limits'])) {
            $limits['more_limits'] = LimitFields::typed([...$job->more_limits ?? []], $fields['limits'], $unit);
        }
        if (isset($fields['stock'])) {
            $limits['stock'] = self::named($fields['stock'], $job->stock ?? []);
        }
        if ($width !== null) {
            Intake::hold($width, $job->height_mm * $width / $job->width_mm);
        }

        return History::change($job, EditController::version($request), static function (ShopJob $job) use ($fields, $width, $limits): Proposal {
            $columns = [...$limits, ...array_intersect_key($fields, ['title' => 1, 'process' => 1, 'unit' => 1, 'due' => 1]), ...(array_key_exists('customer', $fields) ? ['customer' => trim((string) $fields['customer'])] : [])];
            if ($width !== null && abs($width - $job->width_mm) > 1e-9) {
                $before = $job->art();

                return Proposal::state('Change the size', $before, $before->atWidth($width), $columns);
            }
            $job->fill($columns);

            return Proposal::ticket($columns, $job->isDirty(['process', 'line_limit_mm', 'gap_limit_mm', 'more_limits', 'stock']));
        });
    }

    /**
     * Things of the shop as a ticket keeps them: with all that is known of them now, so that what a job was checked for stays known.
     *
     * @param  array<string, int|string|null>  $ids  by kind; null for none
     * @param  array<string, array{id: int, name: string, values: array<string, float|string|bool>}>  $now
     * @return array<string, array{id: int, name: string, values: array<string, float|string|bool>}>
     */
    private static function named(array $ids, array $now): array
    {
        foreach ($ids as $kind => $id) {
            $item = $id === null ? null : StockItem::query()->where('kind', $kind)->whereKey((int) $id)->first();
            if ($id !== null && $item === null) {
                throw ValidationException::withMessages(['stock' => 'That is not in the shop any more.']);
            }
            unset($now[$kind]);
            if ($item !== null) {
                $now[$kind] = ['id' => $item->id, 'name' => $item->name, 'values' => $item->data];
            }
        }
        ksort($now);

        return $now;
    }

    /** To the trash, from where it can be brought back for some weeks. */
    public function destroy(ShopJob $job): JsonResponse
    {
        Works::stopAll($job);
        $job->delete();

        return new JsonResponse(null, 204);
    }

    public function trash(): JsonResponse
    {
        $days = (int) config('neat-edge.trash_days');

        return new JsonResponse([
            'days' => $days,
            'jobs' => ShopJob::onlyTrashed()->orderByDesc('deleted_at')->limit(500)->get()->map(static fn (ShopJob $job): array => [
                'id' => $job->id, 'title' => $job->title, 'processLabel' => $job->process->label(), 'deleted' => $job->deleted_at?->toIso8601String(),
                'gone' => $job->deleted_at?->copy()->addDays($days)->toIso8601String(),
            ])->values(),
        ]);
    }

    public function restore(int $job): JsonResponse
    {
        $found = ShopJob::onlyTrashed()->findOrFail($job);
        $found->restore();

        return new JsonResponse(Ticket::of($found));
    }

    /** Takes a job out of the trash for good, with all that belonged to it. */
    public function burn(int $job): JsonResponse
    {
        ShopJob::onlyTrashed()->findOrFail($job)->forceDelete();

        return new JsonResponse(null, 204);
    }

    /** The customer's file as a picture: a browser draws it by itself, whatever was understood of it. */
    public function source(ShopJob $job): Response
    {
        $source = $job->source()->firstOrFail();
        if ($source->svg === '') {
            abort(404);
        }
        $box = $source->view_box;
        $picture = Isolated::picture($source->svg, $box === null ? null : new Box($box[0], $box[1], $box[0] + $box[2], $box[1] + $box[3]), Intake::limits());

        return new Response($picture, 200, ['Content-Type' => 'image/svg+xml', 'Cache-Control' => 'private, max-age=86400']);
    }

    /** Somebody looked at what was left out or replaced and can do without it; or takes that back. */
    public function accept(Request $request, ShopJob $job, int $notice): JsonResponse
    {
        $fields = $request->validate(['accepted' => ['present', 'nullable', 'string', 'max:200']], ['accepted.*' => 'Give a reason of up to 200 letters.']);
        $reason = $fields['accepted'] === null ? null : trim($fields['accepted']);
        DB::transaction(static function () use ($job, $notice, $reason): void {
            $job = ShopJob::query()->lockForUpdate()->findOrFail($job->id);
            $notices = $job->notices;
            abort_if(! isset($notices[$notice]), 404);
            if ($reason === null) {
                unset($notices[$notice]['accepted']);
            } else {
                $notices[$notice]['accepted'] = $reason;
            }
            $job->update(['notices' => $notices]);
        });

        return new JsonResponse(Ticket::words(ShopJob::query()->findOrFail($job->id)));
    }

    /** Somebody looked at findings, accepts them with a reason, or takes that back. */
    public function judge(Request $request, ShopJob $job): JsonResponse
    {
        $fields = $request->validate([
            'preparation' => ['required', 'integer'],
            'findings' => ['required', 'array', 'min:1', 'max:20000'],
            'findings.*' => ['integer', 'min:0'],
            'accepted' => ['sometimes', 'nullable', 'string', 'min:1', 'max:200'],
            'open' => ['sometimes', 'boolean'],
        ], ['accepted.*' => 'Give a reason of up to 200 letters.', 'open.*' => 'Say true or false.', '*' => 'Choose findings first.']);
        DB::transaction(static function () use ($job, $fields): void {
            $job = ShopJob::query()->lockForUpdate()->findOrFail($job->id);
            $preparation = $job->preparations()->whereKey((int) $fields['preparation'])->first() ?? abort(404);
            $rows = $preparation->findings();
            $chosen = array_map(static fn (int $number): array => $rows[$number] ?? abort(404), array_values($fields['findings']));
            $judged = Judgements::without($job->judged ?? [], $chosen, $job->width_mm);
            if (! ($fields['open'] ?? false)) {
                $reason = isset($fields['accepted']) ? trim($fields['accepted']) : null;
                array_push($judged, ...array_map(static fn (array $row): array => Judgements::of($row, $job->width_mm, $reason), $chosen));
            }
            $job->update(['judged' => $judged]);
            $preparation->update(['summary' => $preparation->summed($judged, $job->width_mm)]);
        });

        return new JsonResponse(Ticket::words(ShopJob::query()->findOrFail($job->id)));
    }

    /** A small picture for the list: made once for each state of the bench, and kept. */
    public function picture(Request $request, ShopJob $job): Response
    {
        if ($job->picture === null || $job->picture_version !== $job->version) {
            $read = ShopJob::snapshot($job->id);
            $job->picture = Writer::write(Small::of($read->art()));
            // Looking at a job does not change it.
            DB::table('shop_jobs')->where('id', $job->id)->update(['picture' => $job->picture, 'picture_version' => $read->version]);
        }

        return new Response($job->picture, 200, ['Content-Type' => 'image/svg+xml', 'Cache-Control' => $request->query('v') === (string) $job->version ? 'private, max-age=31536000, immutable' : 'private, no-cache']);
    }

    /** Tells what a typed length comes to, so that the page computes nothing itself. */
    public function length(Request $request): JsonResponse
    {
        $fields = $request->validate([
            'text' => ['required', 'string', 'max:200'],
            'unit' => ['sometimes', Rule::in(array_keys(Length::MM_PER))],
            'of' => ['sometimes', 'nullable', 'numeric'],
            'any' => ['sometimes', 'boolean'],
            'label' => ['sometimes', 'string', 'max:60'], 'least' => ['sometimes', 'numeric'], 'most' => ['sometimes', 'numeric'],
        ], ['text.*' => 'Type a length such as 300mm.', 'unit.*' => 'There is no such unit.', 'of.*' => 'Type a length such as 300mm.', 'any.*' => 'Type a length such as 300mm.']);
        [$unit, $of] = [$fields['unit'] ?? 'mm', isset($fields['of']) ? (float) $fields['of'] : null];
        if (isset($fields['label'])) {
            // A described value: its bounds hold, and are told in the words in which they always are.
            $field = new Field('value', $fields['label'], Field::LENGTH, 0.0, (float) ($fields['least'] ?? -Field::FARTHEST), (float) ($fields['most'] ?? Field::FARTHEST));

            return new JsonResponse(['mm' => Values::read([$field], ['value' => $fields['text']], $unit)->length('value', $of)]);
        }
        $length = Length::parse($fields['text'], $unit, $of);
        if ($length->mm <= 0 && ! ($fields['any'] ?? false)) {
            throw InvalidLength::notPositive($fields['text']);
        }

        return new JsonResponse(['mm' => $length->mm]);
    }

    /** @throws ValidationException where there are several, or none */
    private static function file(Request $request): UploadedFile
    {
        $file = $request->file('file');

        return $file instanceof UploadedFile ? $file : throw ValidationException::withMessages(['file' => 'Drop one SVG file.']);
    }
}
