<?php

declare(strict_types=1);

namespace NeatEdge\Pages;

/** What a page of a PDF has that is not kept when it becomes SVG: read from its objects, as qpdf tells them. */
final class Kept
{
    private const DEEPEST = 12;

    /** @var array<string, true> */
    private array $spots = [];

    /** @var array<string, true> kinds of things that were met */
    private array $met = [];

    /** @var array<string, true> objects that were looked at */
    private array $seen = [];

    /** @param  array<string, mixed>  $objects  by name, such as "obj:12 0 R" */
    private function __construct(private readonly array $objects)
    {
    }

    /**
     * @param  string  $json  of qpdf, version 2
     * @param  int  $page  from 1
     * @return array{list<array{string, string}>, array<string, list<float>>} kinds and sentences; boxes of the page in points, by name
     */
    public static function of(string $json, int $page): array
    {
        $data = json_decode($json, true, 200);
        $objects = is_array($data) ? ($data['qpdf'][1] ?? null) : null;
        $number = is_array($data) ? ($data['pages'][$page - 1]['object'] ?? null) : null;
        if (! is_array($objects) || ! is_string($number)) {
            return [[['page-unknown', 'What the page cannot keep is not known: its objects cannot be read.']], []];
        }
        $self = new self($objects);
        $own = $self->at($number);
        $boxes = [];
        foreach (['/MediaBox', '/CropBox', '/TrimBox', '/BleedBox'] as $name) {
            $box = $self->inherited($own, $name);
            if (is_array($box) && count($box) === 4) {
                $boxes[$name] = array_map(static fn (mixed $v): float => is_numeric($v) ? (float) $v : 0.0, array_values($box));
            }
        }
        $self->look($self->inherited($own, '/Resources'), 0);
        $notes = $self->at($own['/Annots'] ?? null);
        $count = 0;
        foreach ($notes as $note) {
            $kind = $self->at($note)['/Subtype'] ?? '';
            $count += in_array($kind, ['/Link', '/Popup'], true) ? 0 : 1;
        }

        return [$self->told($count), $boxes];
    }

    /** @return list<array{string, string}> */
    private function told(int $notes): array
    {
        $spots = array_diff(array_map(strval(...), array_keys($this->spots)), ['All', 'None', 'Cyan', 'Magenta', 'Yellow', 'Black']);
        $names = implode(
            ', ',
            array_map(static fn (string $name): string => '"'.mb_substr(mb_scrub($name), 0, 40).'"', array_slice(array_values($spots), 0, 12)),
        );

        return array_values(array_filter([
            $spots === [] ? null : [
                'spot-colour',
                sprintf(
                    'Spot colours are taken as the colours that stand for them, without their names: %s%s.',
                    $names,
                    count($spots) > 12 ? ' and others' : '',
                ),
            ],
            isset($this->met['overprint']) ? ['overprint', 'Some of it overprints what lies under it; it is taken as what hides.'] : null,
            isset($this->met['mask']) ? ['soft-mask', 'Some of it fades out by a soft mask, which may be taken as a picture or in part.'] : null,
            isset($this->met['blend']) ? ['blend', 'Some of it is blended with what lies under it.'] : null,
            isset($this->met['shading']) ? ['shading', 'A gradient of its own kind is taken as steps or as a picture.'] : null,
            isset($this->met['layers']) ? ['page-note', 'It has layers that can be shown and hidden; what is shown was taken.'] : null,
            isset($this->met['cmyk']) ? ['page-note', 'Colours of four process inks are taken as they are seen on a screen.'] : null,
            isset($this->met['letters']) ? ['page-note', 'Letters are taken as outlines: they cannot be typed over.'] : null,
            $notes > 0 ? ['annotations', sprintf('%d remarks or form fields lie on the page and may be left out.', $notes)] : null,
        ]));
    }

    /** @return array<mixed> an object or the one that a reference leads to */
    private function at(mixed $value): array
    {
        for ($k = 0; $k < 5 && is_string($value) && preg_match('/^\d+ \d+ R$/', $value) === 1; $k++) {
            $value = $this->objects["obj:{$value}"] ?? null;
            $value = is_array($value) ? ($value['value'] ?? $value['stream'] ?? null) : null;
        }
        if (is_array($value) && isset($value['dict']) && is_array($value['dict'])) {
            return $value['dict'];
        }

        return is_array($value) ? $value : [];
    }

    /** @param  array<mixed>  $page */
    private function inherited(array $page, string $name): mixed
    {
        for ($k = 0; $k < 20; $k++) {
            if (isset($page[$name])) {
                return $this->at($page[$name]);
            }
            $parent = $this->at($page['/Parent'] ?? null);
            if ($parent === []) {
                return null;
            }
            $page = $parent;
        }

        return null;
    }

    private function look(mixed $resources, int $depth): void
    {
        $own = $this->at($resources);
        if ($depth > self::DEEPEST) {
            return;
        }
        foreach ($this->at($own['/ColorSpace'] ?? null) as $space) {
            $this->colour($space);
        }
        foreach ($this->at($own['/ExtGState'] ?? null) as $state) {
            $this->state($this->at($state));
        }
        foreach ($this->at($own['/Shading'] ?? null) as $shading) {
            $this->shading($shading);
            $this->colour($this->at($shading)['/ColorSpace'] ?? null);
        }
        $this->meet('letters', $this->at($own['/Font'] ?? null) !== []);
        foreach ($this->at($own['/Properties'] ?? null) as $group) {
            $this->meet('layers', ($this->at($group)['/Type'] ?? '') === '/OCG');
        }
        foreach ([...array_values($this->at($own['/XObject'] ?? null)), ...array_values($this->at($own['/Pattern'] ?? null))] as $form) {
            $key = is_string($form) ? $form : '';
            if ($key === '' || ! isset($this->seen[$key])) {
                $this->seen[$key] = true;
                $this->form($this->at($form), $depth);
            }
        }
    }

    /** @param  array<mixed>  $form */
    private function form(array $form, int $depth): void
    {
        $this->meet('mask', isset($form['/SMask']));
        $this->colour($form['/ColorSpace'] ?? null);
        if (isset($form['/Shading'])) {
            $this->shading($form['/Shading']);
        }
        $this->look($form['/Resources'] ?? null, $depth + 1);
    }

    /** @param  array<mixed>  $state */
    private function state(array $state): void
    {
        $this->meet('overprint', ($state['/OP'] ?? false) === true || ($state['/op'] ?? false) === true);
        $this->meet('mask', isset($state['/SMask']) && $state['/SMask'] !== '/None');
        $this->meet('blend', ! in_array($state['/BM'] ?? '/Normal', ['/Normal', '/Compatible'], true));
    }

    private function shading(mixed $shading): void
    {
        $this->meet('shading', ! in_array($this->at($shading)['/ShadingType'] ?? 2, [2, 3], true));
    }

    private function meet(string $what, bool $is): void
    {
        if ($is) {
            $this->met[$what] = true;
        }
    }

    private function colour(mixed $space, int $depth = 0): void
    {
        if ($space === '/DeviceCMYK') {
            $this->meet('cmyk', true);
        }
        $space = $this->at($space);
        $kind = $space[0] ?? null;
        if ($depth > self::DEEPEST || ! is_string($kind)) {
            return;
        }
        if ($kind === '/Separation' && is_string($space[1] ?? null)) {
            $this->spots[self::name($space[1])] = true;
        } elseif ($kind === '/DeviceN') {
            foreach ($this->at($space[1] ?? null) as $name) {
                if (is_string($name)) {
                    $this->spots[self::name($name)] = true;
                }
            }
        } elseif (in_array($kind, ['/Indexed', '/Pattern'], true)) {
            $this->colour($space[1] ?? null, $depth + 1);
        } elseif ($kind === '/ICCBased') {
            $this->meet('cmyk', ($this->at($space[1] ?? null)['/N'] ?? 3) === 4);
        }
    }

    /** A name without its slash, with what stands in it for other characters. */
    private static function name(string $name): string
    {
        return preg_replace_callback('/#([0-9A-Fa-f]{2})/', static fn (array $m): string => chr((int) hexdec($m[1])), ltrim($name, '/')) ?? $name;
    }
}
