<?php

declare(strict_types=1);

namespace App\Http;

use App\Words\Words;
use Illuminate\Http\Request;
use Illuminate\Support\Str;
use NeatEdge\Core\Check\Inspection;
use NeatEdge\Core\Described\Field;
use NeatEdge\Core\Format\Formats;
use NeatEdge\Core\Line\Edits;
use NeatEdge\Core\Line\Steps;
use NeatEdge\Core\Process\Processes;

/** The guide: pages that we wrote (docs/guide), and one that is made of what tools, steps, findings and outputs say of themselves. */
final class Guide
{
    public function __construct(private readonly string $language, private readonly Words $words)
    {
    }

    /** In the language of who asks; a page that nobody has put into it is shown in English. */
    public static function of(Request $request): self
    {
        return new self(Words::asked($request), Words::of($request));
    }

    private const REFERENCE = 'reference';

    /** Headings of the reference, by sort. */
    private const SORTS = ['tool' => 'Tools', 'step' => 'Steps of the prep line', 'finding' => 'Findings', 'output' => 'Files', 'process' => 'Processes'];

    /** @return list<array{page: string, title: string, headings: list<array{id: string, text: string}>}> in the order of the work */
    public function pages(): array
    {
        $pages = [];
        foreach (glob(base_path('docs/guide/*.md')) ?: [] as $path) {
            $text = (string) file_get_contents($this->spoken($path));
            preg_match_all('/^##\s+(.+?)(?:\s*\{#([\w-]+)\})?$/m', $text, $found, PREG_SET_ORDER);
            $pages[] = [
                'page' => (string) preg_replace('/^\d+-/', '', basename($path, '.md')),
                'title' => preg_match('/^#\s+(.+)$/m', $text, $title) === 1 ? $title[1] : '',
                'headings' => array_map(static fn (array $one): array => ['id' => $one[2] ?? Str::slug($one[1]), 'text' => $one[1]], $found),
            ];
        }
        $pages[] = ['page' => self::REFERENCE, 'title' => $this->words->say('All tools, steps, findings and files'), 'headings' => array_map(
            fn (string $sort, string $heading): array => ['id' => $sort, 'text' => $this->words->say($heading)],
            array_keys(self::SORTS),
            self::SORTS,
        )];

        return $pages;
    }

    /** @return array{page: string, title: string, html: string}|null null where there is no such page */
    public function page(string $page): ?array
    {
        foreach ($this->pages() as $known) {
            if ($known['page'] === $page) {
                $path = (glob(base_path("docs/guide/*-{$page}.md")) ?: [''])[0];
                $markdown = $page === self::REFERENCE ? $this->reference() : (string) file_get_contents($this->spoken($path));

                return ['page' => $page, 'title' => $known['title'], 'html' => self::html($markdown)];
            }
        }

        return null;
    }

    /** @return list<array{id: string, sort: string, kind: string, label: string, says: string}> */
    public static function entries(): array
    {
        $entries = [];
        $add = static function (string $sort, string $kind, string $label, string $says) use (&$entries): void {
            $entries[] = ['id' => "{$sort}-{$kind}", 'sort' => $sort, 'kind' => $kind, 'label' => $label, 'says' => $says];
        };
        foreach (Edits::catalogue() as $kind => $about) {
            if ($about->under !== '') {
                $add('tool', $kind, $about->label, $about->says);
            }
        }
        foreach (Steps::catalogue() as $about) {
            $add('step', $about->kind, $about->label, $about->says);
        }
        foreach (Inspection::catalogue() as $about) {
            $add('finding', $about->kind, $about->label, $about->says);
        }
        foreach (Formats::catalogue() as $about) {
            $add('output', $about->key, $about->label, $about->says);
        }
        foreach (Processes::all() as $process) {
            $add('process', $process->key(), $process->label(), $process->says());
        }

        return $entries;
    }

    private function reference(): string
    {
        $fields = [
            'tool' => array_map(static fn ($about): array => $about->fields, Edits::catalogue()),
            'step' => array_column(array_map(static fn ($about): array => [$about->kind, $about->fields], array_values(Steps::catalogue())), 1, 0),
            'output' => array_column(array_map(static fn ($about): array => [$about->key, $about->fields], array_values(Formats::catalogue())), 1, 0),
        ];
        $say = $this->words->say(...);
        $text = "# {$say('All tools, steps, findings and files')}\n\n";
        foreach (self::SORTS as $sort => $heading) {
            $text .= "## {$say($heading)} {#{$sort}}\n\n";
            foreach (self::entries() as $entry) {
                if ($entry['sort'] !== $sort) {
                    continue;
                }
                $text .= "### {$say($entry['label'])} {#{$entry['id']}}\n\n{$say($entry['says'])}\n\n";
                foreach ($fields[$sort][$entry['kind']] ?? [] as $field) {
                    $text .= $this->line($field);
                }
                $text .= "\n";
            }
        }

        return $text;
    }

    private function line(Field $field): string
    {
        if (in_array($field->type, [...Field::STRUCTURED, Field::PIECE, Field::PLACE, Field::PLACES, Field::PATH], true)) {
            return '';
        }
        $say = $this->words->say(...);
        $says = implode('; ', array_filter([$say($field->help), $field->options === [] ? '' : implode(', ', array_map($say, $field->options))]));

        return "- **{$say($field->label)}**".($says === '' ? '' : ": {$says}")."\n";
    }

    /** The same page in the language of who reads, where it is there. */
    private function spoken(string $path): string
    {
        $other = dirname($path)."/{$this->language}/".basename($path);

        return is_file($other) ? $other : $path;
    }

    /** Ids stand at headings, so that help leads to its place; nothing but Markdown is taken. */
    private static function html(string $markdown): string
    {
        $html = Str::markdown($markdown, ['html_input' => 'escape', 'allow_unsafe_links' => false]);
        $html = (string) preg_replace_callback('~<h([23])>(.*?)(?:\s*\{#([\w-]+)\})?</h\1>~', static fn (array $m): string => sprintf(
            '<h%1$s id="%2$s">%3$s</h%1$s>',
            $m[1],
            ($m[3] ?? '') !== '' ? $m[3] : Str::slug(strip_tags($m[2])),
            $m[2],
        ), $html);

        return (string) preg_replace('~src="(?:\.\./)?screenshots/([\w-]+)\.png"~', 'src="/api/v1/guide/pictures/$1.png" loading="lazy"', $html);
    }
}
