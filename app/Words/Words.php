<?php

declare(strict_types=1);

namespace App\Words;

use Illuminate\Http\Request;
use stdClass;

/**
 * What the core and this server say, in the language of who reads it. Everything is said, and kept, in English; at the border each sentence is looked up in
 * `lang/server/LANGUAGE.json`, whose keys are the English sentences with numbered places for what is filled in. Values that are sentences or labels
 * themselves are put into the language too, and numbers written as it has them. So a finding that was kept years ago can be read in a language that came
 * later.
 */
final class Words
{
    public const LANGUAGES = ['en' => 'English', 'de' => 'Deutsch'];

    /** What of an answer is read by a person, and is not what somebody typed. */
    private const SAID = [
        'label' => true, 'nextLabel' => true, 'says' => true, 'under' => true, 'one' => true, 'help' => true, 'sentence' => true, 'open' => true,
        'error' => true, 'message' => true, 'doing' => true, 'changes' => true, 'verdict' => true, 'leftOut' => true, 'warns' => true, 'loses' => true,
        'what' => true, 'how' => true, 'processLabel' => true, 'machineLabel' => true, 'character' => true, 'options' => true, 'fields' => true, 'left' => true,
    ];

    /** What is drawn, and never read. */
    private const DRAWN = ['art' => true, 'pieces' => true, 'ribbon' => true, 'paths' => true, 'designs' => true, 'values' => true, 'stroke' => true];

    private const DEEPEST = 4;

    /** @var array<string, self> by language */
    private static array $kept = [];

    /** @var array<string, string> sentences of others that were met before */
    private array $met = [];

    /** @var array<string, true> */
    private array $missed = [];

    /** @var array<string, list<Template>> the templates by their first word, as far as they were asked for */
    private array $made = [];

    /** @var array<string, array{list<Template>, list<Template>}> what a sentence with such a first word may be: the others, and the sure ones */
    private array $ordered = [];

    /**
     * @param  array<string, string>  $whole  sentences that nothing is filled into
     * @param  array<string, list<array{string, string}>>  $templates  English and said, by first word; under '' those that begin with what is filled in
     * @param  string  $point  of a decimal number
     */
    private function __construct(private readonly array $whole, private readonly array $templates, private readonly string $point)
    {
    }

    /** What a browser asks for, of what there is; what was chosen in the settings of the page goes before. */
    public static function asked(Request $request): string
    {
        $chosen = $request->cookies->get('language');

        return is_string($chosen) && isset(self::LANGUAGES[$chosen]) ? $chosen : (string) $request->getPreferredLanguage(array_keys(self::LANGUAGES));
    }

    public static function of(?Request $request = null): self
    {
        return self::in(self::asked($request ?? request()));
    }

    public static function in(string $language): self
    {
        return self::$kept[$language] ??= self::read($language);
    }

    private static function read(string $language): self
    {
        $file = lang_path("server/{$language}.json");
        $whole = $templates = [];
        foreach (is_file($file) ? (array) json_decode((string) file_get_contents($file), true, flags: JSON_THROW_ON_ERROR) : [] as $english => $said) {
            // What is said in the middle of a sentence is known by its words alone.
            [$english, $said] = [rtrim(ltrim($english, ' ,;')), rtrim(ltrim((string) $said, ' ,;'))];
            if (str_contains($english, '{')) {
                $templates[Template::begins($english)][] = [$english, $said];
            } else {
                $whole[$english] = $said;
            }
        }

        return new self($whole, $templates, $language === 'en' ? '.' : ',');
    }

    /**
     * An answer with what is read in it in this language.
     *
     * @param  array<mixed>  $row
     * @return array<mixed>
     */
    public function row(array $row, bool $said = false, bool $titled = false): array
    {
        if ($this->whole === [] && $this->templates === []) {
            return $row;
        }
        foreach ($row as $key => $value) {
            $reads = is_int($key) ? $said : isset(self::SAID[$key]) || ($titled && $key === 'title') || ($key === 'accepted' && isset($row['cured']))
                || ($said && ! is_array($value));
            $row[$key] = match (true) {
                is_string($value) => $this->words($value, $reads),
                isset(self::DRAWN[$key]) => $value,
                is_array($value) => $this->row($value, $reads && ! self::isRow($value), $titled || $key === 'layouts'),
                $value instanceof stdClass => (object) $this->row(get_object_vars($value), $reads && ! self::isRow(get_object_vars($value)), $titled),
                default => $value,
            };
        }

        return $row;
    }

    /** What is read; and what we call a colour, which has its code behind it. */
    private function words(string $value, bool $reads): string
    {
        return $value !== '' && ($reads || preg_match('/^[a-z ]+ #[0-9a-f]{6}$/', $value) === 1) ? $this->say($value) : $value;
    }

    /**
     * Whether an array has names of its own for what stands in it, and is no list of sentences or map of labels.
     *
     * @param  array<mixed>  $value
     */
    private static function isRow(array $value): bool
    {
        foreach ($value as $one) {
            if (! is_string($one)) {
                return true;
            }
        }

        return false;
    }

    /** A sentence in this language, or as it is where nobody knows it. */
    public function say(string $english): string
    {
        if (! isset($this->met[$english])) {
            $known = $this->known($english, 0);
            $this->met[$english] = $known ?? $english;
            if ($known === null && preg_match('/\pL{2}/u', $english) === 1) {
                $this->missed[$english] = true;
            }
        }

        return $this->met[$english];
    }

    /** @return list<string> what was to be said and is in no catalogue */
    public function missed(): array
    {
        return array_map(strval(...), array_keys($this->missed));
    }

    private function known(string $english, int $depth): ?string
    {
        if (isset($this->whole[$english])) {
            return $this->whole[$english];
        }
        if (preg_match('/^([a-z ]+) (#[0-9a-f]{6})$/', $english, $colour) === 1 && isset($this->whole[$colour[1]])) {
            return "{$this->whole[$colour[1]]} {$colour[2]}";
        }
        if ($depth > self::DEEPEST || strlen($english) > 4000) {
            return null;
        }

        // Two sentences in a row are rather two than one that happens to hold the other.
        return $this->templated($english, true, $depth) ?? $this->parted($english, $depth)
            ?? $this->templated($english, false, $depth) ?? $this->parted($english, $depth, true);
    }

    /** @param  bool  $sure  whether by those that say so much themselves that nothing else can be meant, or by the others */
    private function templated(string $english, bool $sure, int $depth): ?string
    {
        foreach ($this->like($english)[(int) $sure] as $template) {
            $values = $template->values($english);
            if ($values !== null && ($said = $this->filled($template, $values, $depth)) !== null) {
                return $said;
            }
        }

        return null;
    }

    /** @return array{list<Template>, list<Template>} the templates that a sentence may be by its first word: the others, and the sure ones */
    private function like(string $english): array
    {
        $first = Template::firstOf($english);
        $first = isset($this->templates[$first]) ? $first : '';
        if (! isset($this->ordered[$first])) {
            $some = $first === '' ? $this->made('') : [...$this->made($first), ...$this->made('')];
            // The more a template says itself, the surer it is meant.
            usort($some, static fn (Template $a, Template $b): int => $b->weight <=> $a->weight);
            $ordered = [[], []];
            foreach ($some as $template) {
                $ordered[(int) $template->isSure()][] = $template;
            }
            $this->ordered[$first] = $ordered;
        }

        return $this->ordered[$first];
    }

    /** @return list<Template> */
    private function made(string $first): array
    {
        return $this->made[$first] ??= array_map(static fn (array $pair): Template => new Template(...$pair), $this->templates[$first] ?? []);
    }

    /** @param  list<string>  $values */
    private function filled(Template $template, array $values, int $depth): ?string
    {
        $said = [];
        foreach ($values as $i => $value) {
            $known = $template->isNamed($i) ? $value : $this->value($value, $depth + 1);
            // Names begin with a capital; other words that nobody knows belong to another sentence.
            if ($known === null && ! $template->isSure() && ! $template->isQuoted($i) && preg_match('/^\s*[^\p{Lu}\d"“#(]/u', $value) === 1) {
                return null;
            }
            $said[] = $known ?? $value;
        }

        return $template->fill($said);
    }

    /** A number, a name between quotation marks, a label or a sentence of its own; null for other words. */
    private function value(string $value, int $depth): ?string
    {
        if (preg_match('/^-?[\d,]*\d(?:\.\d+)?(?:\s?(?:mm²|mm|cm²|cm|m|%|°|kB|MB|s|min|in|pt|px|[A-Z]{3}|[€$£]))?$/u', $value) === 1) {
            return strtr($value, [',' => $this->point === ',' ? '.' : ',', '.' => $this->point]);
        }
        if ($value === '' || preg_match('/^(?:[#(]?[0-9a-f]{3,8}\)?|"[^"]*"|“[^”]*”)$/i', $value) === 1) {
            return $value;
        }

        // A label within a sentence has lost its capital.
        return $this->whole[$value] ?? $this->whole[ucfirst($value)] ?? $this->known($value, $depth);
    }

    /**
     * Several sentences, or several things in a row: each by itself, where all of them are known.
     *
     * @param  bool  $named  whether what stands before a colon may be a name
     */
    private function parted(string $english, int $depth, bool $named = false): ?string
    {
        foreach (['/(?<=[.!?]) (?=["“\p{Lu}\d])/u' => ' ', '/; /' => '; ', '/: /' => ': ', '/, /' => ', ', '/ (?=\(\d+\)$)/' => ' '] as $between => $sign) {
            $parts = preg_split($between, $english, $sign === ': ' ? 2 : -1) ?: [];
            if (count($parts) < 2) {
                continue;
            }
            $said = [];
            foreach ($parts as $i => $part) {
                $known = preg_match('/^\(\d+\)$/', $part) === 1 ? $part : $this->value($part, $depth + 1);
                // The last of a row has the full stop of the whole.
                $known ??= str_ends_with($part, '.') && ($bare = $this->value(substr($part, 0, -1), $depth + 1)) !== null ? "{$bare}." : null;
                if ($known === null && ! ($named && $sign === ': ' && $i === 0)) {
                    continue 2;
                }
                $said[] = $known ?? $part;
            }

            return implode($sign, $said);
        }

        return null;
    }
}
