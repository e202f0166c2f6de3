<?php

declare(strict_types=1);

namespace App\Prep;

use App\Models\ShopJob;
use App\Models\Version;
use App\Words\Words;
use Illuminate\Database\Eloquent\ModelNotFoundException;
use Illuminate\Support\Facades\Cache;
use Illuminate\Support\Str;
use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Layer;
use NeatEdge\Core\Described\Field;
use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\Described\Values;
use NeatEdge\Core\Format\Svg\Writer;
use NeatEdge\Core\Geometry\Box;
use NeatEdge\Core\Measure\Colour;
use NeatEdge\Core\Process\Processes;
use NeatEdge\Core\Proof\Laid;
use NeatEdge\Core\Proof\Place;
use NeatEdge\Core\Proof\Product;
use NeatEdge\Core\Proof\Things;
use NeatEdge\Core\Seen\Seen;
use NeatEdge\Pages\ProofFile;

/**
 * F1, F3: a job's art on a thing, always as the art is now: nothing of it is copied. What is chosen is kept with the job, beside its history: it changes
 * nothing that is made.
 *
 * @phpstan-type Shown array{
 *     thing?: string,
 *     colours?: array<string, string>,
 *     arts?: array<string, array<string, mixed>>,
 *     lights?: bool,
 * }
 */
final class Showing
{
    public const USUAL = 'mug';

    /** Jobs whose layers have parts begin so, before their number. */
    private const OWN = 'job-';

    /** Seconds that what was measured is kept. */
    private const KEPT = 86_400;

    /** What says whose art it is, not how it lies. */
    public const WHOSE = ['job' => 1, 'version' => 1];

    /** In place of a job's number: nothing lies there. */
    public const NOTHING = 0;

    private readonly Product $product;

    private readonly string $key;

    /** @throws Refused for a thing that is gone */
    public function __construct(private readonly ShopJob $job)
    {
        $this->key = $job->shown['thing'] ?? self::USUAL;
        $this->product = self::product($this->key);
    }

    /** @return list<array{key: string, label: string, title: string, says: string}> what ships, and what the shop drew itself, the newest first */
    public static function things(): array
    {
        $things = [];
        foreach (Things::all() as $key => $thing) {
            $things[] = ['key' => $key, 'label' => $thing['label'], 'title' => '', 'says' => $thing['says']];
        }
        $own = ShopJob::query()->where('bench', 'like', '%"part":"place"%')->latest('id')->limit(50)->get(['id', 'title']);
        foreach ($own as $job) {
            $things[] = ['key' => self::OWN.$job->id, 'label' => '', 'title' => $job->title, 'says' => 'A thing of the shop’s own.'];
        }

        return $things;
    }

    /**
     * A thing that ships as a job of the shop's, to be changed and shown on.
     *
     * @throws Refused
     */
    public static function asJob(string $key): ShopJob
    {
        $label = Things::all()[$key]['label'] ?? throw Refused::because('There is no such thing to show art on.');

        return Intake::drawn(Words::of()->say($label), Processes::of('plain'), Things::artwork($key), 'A thing to show art on');
    }

    /** @throws Refused */
    private static function product(string $key): Product
    {
        if (preg_match('/^'.self::OWN.'(\d{1,12})$/D', $key, $found) !== 1) {
            return Things::product($key);
        }
        try {
            $product = Product::of(ShopJob::snapshot((int) $found[1])->art());
        } catch (ModelNotFoundException) {
            throw Refused::because('The thing it is shown on is gone. Choose another.');
        }

        return $product ?? throw Refused::because('That job has no place for art: give one of its layers that part.');
    }

    /**
     * Keeps what was chosen, as far as it is said.
     *
     * @param  Shown  $asked
     *
     * @throws Refused
     */
    public static function choose(ShopJob $job, array $asked): void
    {
        $shown = $job->shown ?? [];
        if (isset($asked['thing']) && $asked['thing'] !== ($shown['thing'] ?? self::USUAL)) {
            self::product($asked['thing']);
            // Colours and places are those of another thing.
            $shown = ['thing' => $asked['thing'], 'lights' => $shown['lights'] ?? true];
        }
        foreach ($asked['colours'] ?? [] as $layer => $hex) {
            $shown['colours'][$layer] = $hex;
        }
        $shown['colours'] = array_filter($shown['colours'] ?? [], static fn (string $hex): bool => $hex !== '');
        foreach ($asked['arts'] ?? [] as $layer => $art) {
            $shown['arts'][$layer] = self::chosen($job, $shown['arts'][$layer] ?? [], $art);
        }
        if (isset($asked['lights'])) {
            $shown['lights'] = $asked['lights'];
        }
        $job->timestamps = false;
        $job->update(['shown' => $shown]);
    }

    /**
     * What lies in a place, with what was asked of it.
     *
     * @param  array<string, mixed>  $now
     * @param  array<string, mixed>  $art  as it was asked
     * @return array<string, mixed>
     *
     * @throws Refused
     */
    private static function chosen(ShopJob $job, array $now, array $art): array
    {
        if (isset($art['job']) && $art['job'] !== self::NOTHING && ShopJob::query()->whereKey($art['job'])->doesntExist()) {
            throw Refused::because('That job is gone.');
        }
        if (array_key_exists('job', $art)) {
            // A version is one of the job's before.
            [$now['job'], $now['version']] = [$art['job'], null];
        }
        if (array_key_exists('version', $art)) {
            $now['version'] = $art['version'];
            $of = Version::query()->where('shop_job_id', $now['job'] ?? $job->id);
            if ($now['version'] !== null && $of->whereKey($now['version'])->doesntExist()) {
                throw Refused::because('That version is gone.');
            }
        }
        // Held to their description before they are kept, and kept as they are understood.
        $values = Values::read(Laid::fields(), array_diff_key($art, self::WHOSE), $job->unit);
        foreach (Laid::fields() as $field) {
            if (array_key_exists($field->name, $art)) {
                $now[$field->name] = $field->type === Field::LENGTH ? $values->length($field->name) : $values->number($field->name);
            }
        }

        return $now;
    }

    /** @return array<string, Laid> by layer of the place: the job's own art unless it has another's, or nothing */
    private function arts(): array
    {
        return array_map(static fn (array $laid): Laid => $laid[0], $this->laid());
    }

    /** @return array<string, array{Laid, string}> the same, each with a name of the state whose art it is */
    private function laid(): array
    {
        $arts = [];
        /** @var array<string, array{Artwork, string}> $seen by job and version: most places have the same */
        $seen = [];
        foreach ($this->product->places as $place) {
            $typed = $this->job->shown['arts'][$place->layer] ?? [];
            $id = (int) ($typed['job'] ?? $this->job->id);
            if ($id === self::NOTHING) {
                continue;
            }
            $version = isset($typed['version']) ? (int) $typed['version'] : null;
            [$art, $state] = $seen["{$id} {$version}"] ??= $this->seen($id, $version);
            if ($art->pieces !== []) {
                $arts[$place->layer] = [Laid::of($art, $place, array_diff_key($typed, self::WHOSE)), $state];
            }
        }

        return $arts;
    }

    /**
     * @param  int|null  $version  a named state of it, as it was; as it is now when null
     * @return array{Artwork, string} what is seen of it, and a name of the very state that was read
     */
    private function seen(int $id, ?int $version): array
    {
        try {
            if ($version !== null) {
                return [Seen::of(Version::query()->where('shop_job_id', $id)->findOrFail($version)->art()), "named {$version}"];
            }
            $job = $id === $this->job->id ? $this->job : ShopJob::snapshot($id);

            return [Seen::of($job->art()), "{$id} at {$job->version}"];
        } catch (ModelNotFoundException) {
            return [new Artwork(1.0, 1.0, []), ''];
        }
    }

    /** @param  'light'|'art'|null  $without  what is left away */
    public function picture(?string $without = null): Artwork
    {
        $colours = array_map(Colour::fromHex(...), $this->job->shown['colours'] ?? []);

        $arts = $without === 'art' ? [] : $this->arts();

        return $this->product->shown($colours, $arts, $without !== 'light' && ($this->job->shown['lights'] ?? true));
    }

    /** @param  'light'|'art'|null  $without  what is left away, to be compared with all of it */
    public function svg(?string $without = null): string
    {
        return Writer::write($this->picture($without));
    }

    /** @param  int  $width  dots across @return string PNG @throws Refused */
    public function png(int $width): string
    {
        return ProofFile::png($this->picture(), $width);
    }

    /** @return string PDF at the size that the thing was drawn in; what is soft as pictures @throws Refused */
    public function pdf(): string
    {
        return ProofFile::pdf($this->picture(), $this->name());
    }

    /** What its files are called. */
    public function name(): string
    {
        return (Str::slug($this->job->title) ?: 'job').'-on-'.(Str::slug($this->key) ?: 'thing');
    }

    /**
     * What is too thin at the size that it has on the thing. Measured once for each state and size.
     *
     * @param  array<string, array{Laid, string}>  $arts
     * @return list<string>
     */
    private function thin(array $arts): array
    {
        $limit = $this->job->limits()->line;
        $says = [];
        foreach ($limit > 0.0 ? $arts : [] as [$laid, $state]) {
            $key = sprintf('thin %s %.4f %.6f', $state, $limit, $laid->scale());
            /** @var float $least nought where nothing is */
            $least = Cache::remember($key, self::KEPT, static fn (): float => $laid->narrowest($limit) ?? 0.0);
            if ($least > 0.0) {
                $says[] = sprintf('The narrowest line is %.2f mm wide there; at least %.2f mm are needed.', $least, $limit);
            }
        }

        return array_values(array_unique($says));
    }

    /**
     * What a place on the picture means, to be kept with it: the art may be another when somebody asks.
     *
     * @return array{thing: string, size: array{float, float}, arts: array<string, array{width: float, x: float, y: float, turn: float, box: list<float>}>}
     */
    public function meaning(): array
    {
        $arts = [];
        foreach ($this->arts() as $layer => $laid) {
            // A mark on another job's art says nothing of this one.
            if (! isset($this->job->shown['arts'][$layer]['job'])) {
                $box = $laid->box();
                $arts[$layer] = [
                    'width' => $laid->width, 'x' => $laid->x, 'y' => $laid->y, 'turn' => $laid->turn,
                    'box' => [$box->left, $box->top, $box->right, $box->bottom],
                ];
            }
        }

        return ['thing' => $this->key, 'size' => $this->product->size(), 'arts' => $arts];
    }

    /**
     * The place on the art that a place on its picture means.
     *
     * @param  array{thing: string, arts: array<string, array{width: float|int, x: float|int, y: float|int, turn: float|int, box: list<float|int>}>}  $meaning
     * @return array{float, float}|null mm of the job's page; null for what lies beside the art, and where the thing is gone
     */
    public static function onArt(array $meaning, float $x, float $y): ?array
    {
        try {
            $product = self::product($meaning['thing']);
        } catch (Refused) {
            return null;
        }
        foreach ($product->places as $place) {
            $art = $meaning['arts'][$place->layer] ?? null;
            $flat = $art === null ? null : $place->flat($x, $y, (float) $art['turn']);
            if ($art !== null && $flat !== null) {
                $box = new Box(...array_map(floatval(...), $art['box']));

                return Laid::onPage($box, (float) $art['width'], (float) $art['x'], (float) $art['y'], ...$flat);
            }
        }

        return null;
    }

    /** @return array<string, mixed> as ShowingResource has it */
    public function told(): array
    {
        $laid = $this->laid();
        $arts = array_map(static fn (array $one): Laid => $one[0], $laid);
        $shown = $this->job->shown ?? [];
        $fields = array_map(static fn (Field $field): array => $field->toArray(), Laid::fields());

        return [
            'thing' => $this->key,
            'width' => $this->product->size()[0],
            'height' => $this->product->size()[1],
            'lights' => $shown['lights'] ?? true,
            'parts' => array_map(
                fn (Layer $layer): array => [
                    'layer' => $layer->id,
                    'label' => $layer->name,
                    'colour' => $shown['colours'][$layer->id] ?? null,
                    'drawn' => $this->product->drawnColour($layer->id)->hex(),
                ],
                $this->product->coloured(),
            ),
            'places' => array_map(static fn (Place $place): array => [
                'layer' => $place->layer,
                'label' => $place->name,
                'job' => $shown['arts'][$place->layer]['job'] ?? null,
                'version' => $shown['arts'][$place->layer]['version'] ?? null,
                'turns' => $place->turns(),
                'fields' => $fields,
                'values' => (object) array_diff_key($shown['arts'][$place->layer] ?? [], self::WHOSE),
                'size' => isset($arts[$place->layer]) ? [$arts[$place->layer]->width, $arts[$place->layer]->height()] : null,
            ], $this->product->places),
            'says' => [...$this->product->says($arts), ...$this->thin($laid)],
        ];
    }
}
