<?php

declare(strict_types=1);

namespace NeatEdge\Core\Format\Json;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Blend;
use NeatEdge\Core\Artwork\GradientKind;
use NeatEdge\Core\Artwork\Picture;
use NeatEdge\Core\Artwork\Side;
use NeatEdge\Core\Artwork\SoftLook;
use NeatEdge\Core\Artwork\Spread;
use NeatEdge\Core\Described\Field;
use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\Geometry\FillRule;
use NeatEdge\Core\Geometry\Matrix;
use NeatEdge\Core\Recipe\Basic\ShapeKind;
use NeatEdge\Core\Recipe\Border\BorderAround;
use NeatEdge\Core\Recipe\Repeat\StepAndRepeat;
use NeatEdge\Core\Recipe\Wrap\Net;
use NeatEdge\Core\Stroke\Cap;
use NeatEdge\Core\Stroke\EndKind;
use NeatEdge\Core\Stroke\Join;
use NeatEdge\Core\Stroke\LineEnds;
use NeatEdge\Core\Stroke\WidthStops;

/**
 * The one door to what is stored: holds pieces as PieceJson has them to their types and to the bounds that typed values have.
 * What came from elsewhere is held before a piece is made of it; what an edit made is held before it is stored.
 */
final class StoredForm
{
    /** mm; no place and no length lies farther off. */
    public const FARTHEST = 1e6;

    private const SEGMENTS = 500_000;

    private const NAME = 200;

    private const DEPTH = 8;

    /**
     * Holds all that a change stores, and that no two pieces of the outcome have one id.
     *
     * @throws StoredFormRefused
     */
    public static function holdAll(ArtworkDifference $difference, Artwork $after): void
    {
        foreach ($difference->pieces as $data) {
            if ($data !== null) {
                self::hold($data);
            }
        }
        self::holdIds($after);
        self::within($after->width, 1e-6, self::FARTHEST, 'the page has no such width');
        self::within($after->height, 1e-6, self::FARTHEST, 'the page has no such height');
    }

    /** @throws StoredFormRefused */
    public static function holdIds(Artwork $artwork): void
    {
        $seen = [];
        foreach ($artwork->pieces as $piece) {
            if (isset($seen[$piece->id])) {
                throw StoredFormRefused::outOfBounds(sprintf('two pieces would be called "%s"', mb_substr($piece->id, 0, 40)));
            }
            $seen[$piece->id] = true;
        }
    }

    /** @throws StoredFormRefused */
    public static function hold(mixed $data, int $depth = 0): void
    {
        $piece = self::record($data, 'it is no piece');
        self::need($depth < self::DEPTH, 'clips lie in clips too deep');
        self::word($piece['id'] ?? null, 80, 'it has no id');
        self::need(($piece['id'] ?? '') !== '', 'it has no id');
        self::word($piece['name'] ?? '', self::NAME, sprintf('a name has more than %d letters', self::NAME));
        self::word($piece['layer'] ?? '', 80, 'its layer has no such name');
        $groups = self::rows($piece['groups'] ?? [], 32, 'its groups lie too deep');
        foreach ($groups as $group) {
            self::word($group, 80, 'a group has no such name');
        }
        foreach (['hidden', 'locked'] as $flag) {
            self::need(is_bool($piece[$flag] ?? false), "\"{$flag}\" is neither yes nor no");
        }
        self::within($piece['turn'] ?? 0.0, -36000, 36000, 'it is turned by no angle');
        self::need(Blend::tryFrom(self::word($piece['blend'] ?? 'normal', 40, 'there is no such blend')) !== null, 'there is no such blend');
        self::shape($piece);
        if (isset($piece['fill'])) {
            self::paint($piece['fill']);
        }
        if (isset($piece['stroke'])) {
            self::stroke($piece['stroke']);
        }
        if (isset($piece['recipe'])) {
            self::recipe($piece['recipe'], $depth);
        }
        if (isset($piece['clip'])) {
            self::hold($piece['clip'], $depth + 1);
        }
        if (isset($piece['soft'])) {
            self::soft($piece['soft'], $depth);
        }
    }

    private static function soft(mixed $data, int $depth): void
    {
        $look = self::record($data, 'its soft look cannot be read');
        self::within($look['edge'] ?? 0.0, 0, SoftLook::WIDEST, sprintf('a soft edge is wider than %d mm', (int) SoftLook::WIDEST));
        if (isset($look['fade'])) {
            self::gradient(self::rows($look['fade'], 5, 'a fade cannot be read'));
        }
        foreach (self::rows($look['clips'] ?? [], SoftLook::MOST_CLIPS, sprintf('a piece takes at most %d clips', SoftLook::MOST_CLIPS)) as $clip) {
            $pieces = self::rows($clip, SoftLook::MOST_PIECES, sprintf('a clip takes at most %d pieces', SoftLook::MOST_PIECES));
            self::need($pieces !== [], 'a clip is made of nothing');
            foreach ($pieces as $piece) {
                self::hold($piece, $depth + 1);
            }
        }
    }

    private static function shape(mixed $data): void
    {
        $shape = self::record($data, 'its shape cannot be read');
        self::need(FillRule::tryFrom(self::word($shape['rule'] ?? null, 20, 'its fill rule is none')) !== null, 'its fill rule is none');
        $segments = 0;
        foreach (self::rows($shape['contours'] ?? null, self::SEGMENTS, 'it has too many contours') as $contour) {
            $segments += self::contour($contour);
            self::need($segments <= self::SEGMENTS, sprintf('a piece has more than %s segments', number_format(self::SEGMENTS)));
        }
    }

    /** @return int how many segments it has */
    private static function contour(mixed $data): int
    {
        $contour = self::rows($data, 2, 'a contour cannot be read');
        self::need(count($contour) === 2 && is_bool($contour[0]), 'a contour is neither open nor closed');
        $coords = self::rows($contour[1], 6 * self::SEGMENTS + 2, 'a contour has too many nodes');
        self::need(count($coords) % 6 === 2, 'a contour has half a segment');
        $far = self::FARTHEST;
        foreach ($coords as $value) {
            if ((! is_float($value) && ! is_int($value)) || ! ($value <= $far && $value >= -$far)) {
                throw StoredFormRefused::outOfBounds(sprintf('a node lies farther off than %d m', (int) ($far / 1000)));
            }
        }

        return intdiv(count($coords), 6);
    }

    private static function paint(mixed $data): void
    {
        $paint = self::rows($data, 3, 'a paint cannot be read');
        self::colour($paint[0] ?? null);
        self::within($paint[1] ?? null, 0, 1, 'an opacity lies between 0 and 1');
        $more = isset($paint[2]) ? self::record($paint[2], 'a paint cannot be read') : [];
        if (isset($more['gradient'])) {
            self::gradient(self::rows($more['gradient'], 5, 'a gradient cannot be read'));
        }
        if (isset($more['soft'])) {
            $soft = self::record($more['soft'], 'a soft paint cannot be read');
            foreach (self::rows($soft['pieces'] ?? null, SoftLook::MOST_PIECES, 'a soft paint cannot be read') as $piece) {
                self::hold($piece, 1);
            }
            self::soft($soft['look'] ?? null, 1);
        }
        if (isset($more['picture'])) {
            $picture = self::rows($more['picture'], 5, 'a picture cannot be read');
            self::need(is_string($picture[0] ?? null) && Picture::isReference($picture[0]), 'a picture refers to something outside the drawing');
            self::within($picture[1] ?? null, 0, 1e9, 'a picture has no width');
            self::within($picture[2] ?? null, 0, 1e9, 'a picture has no height');
            self::matrix($picture[3] ?? null);
            self::need(preg_match(Picture::FIT, self::word($picture[4] ?? null, 40, 'a picture has no place')) === 1, 'a picture has no place');
        }
    }

    /** @param  list<mixed>  $gradient */
    private static function gradient(array $gradient): void
    {
        self::need(count($gradient) === 5, 'a gradient cannot be read');
        $kind = GradientKind::tryFrom(self::word($gradient[0], 20, 'there is no such gradient'));
        self::need($kind !== null && Spread::tryFrom(self::word($gradient[1], 20, 'there is no such gradient')) !== null, 'there is no such gradient');
        $axis = self::numbers($gradient[2], $kind === GradientKind::Linear ? 4 : 6, 'a gradient has no axis');
        self::need(count($axis) === ($kind === GradientKind::Linear ? 4 : 6), 'a gradient has no axis');
        self::matrix($gradient[3]);
        $stops = self::rows($gradient[4], 200, 'a gradient has more than 200 colours');
        self::need(count($stops) > 1, 'a gradient has fewer than two colours');
        foreach ($stops as $stop) {
            $stop = self::rows($stop, 3, 'a gradient cannot be read');
            self::within($stop[0] ?? null, 0, 1, 'a colour lies outside its gradient');
            self::colour($stop[1] ?? null);
            self::within($stop[2] ?? null, 0, 1, 'an opacity lies between 0 and 1');
        }
    }

    private static function stroke(mixed $data): void
    {
        $stroke = self::record($data, 'a stroke cannot be read');
        self::paint($stroke['paint'] ?? null);
        self::within($stroke['width'] ?? null, 0, 1e5, 'a stroke is wider than 100 m, or has no width');
        self::need(Cap::tryFrom(self::word($stroke['cap'] ?? null, 20, 'a stroke has no such cap')) !== null, 'a stroke has no such cap');
        self::need(Join::tryFrom(self::word($stroke['join'] ?? null, 20, 'a stroke has no such join')) !== null, 'a stroke has no such join');
        self::within($stroke['miter'] ?? null, 0, 1e6, 'a stroke has no such mitre limit');
        foreach (self::numbers($stroke['dashes'] ?? null, 2000, 'a stroke has more than 2000 dashes') as $dash) {
            self::need($dash >= 0, 'a dash has less than no length');
        }
        self::within($stroke['offset'] ?? null, -self::FARTHEST, self::FARTHEST, 'its dashes begin nowhere');
        if (($stroke['pen'] ?? null) !== null) {
            self::matrix($stroke['pen']);
        }
        self::need(Side::tryFrom(self::word($stroke['side'] ?? 'centre', 20, 'a stroke has no such side')) !== null, 'a stroke has no such side');
        self::ends($stroke['ends'] ?? null);
        $at = 0.0;
        foreach (self::rows($stroke['stops'] ?? [], WidthStops::MOST, sprintf('a line takes at most %d width stops', WidthStops::MOST)) as $stop) {
            $pair = self::numbers($stop, 2, 'a width stop cannot be read');
            self::need(count($pair) === 2 && $pair[0] >= $at && $pair[0] <= 1 && $pair[1] >= 0 && $pair[1] <= 10, 'a width stop lies off its line');
            $at = $pair[0] ?? 0.0;
        }
    }

    private static function ends(mixed $ends): void
    {
        if ($ends === null) {
            return;
        }
        self::need(is_array($ends) && array_is_list($ends) && count($ends) === 3, 'the ends of a line cannot be read');
        foreach ([0, 1] as $i) {
            self::need(EndKind::tryFrom(self::word($ends[$i], 20, 'a line has no such end')) !== null, 'a line has no such end');
        }
        self::within($ends[2], LineEnds::LEAST, LineEnds::MOST, 'the ends of a line are of no such size');
    }

    private static function recipe(mixed $data, int $depth): void
    {
        $recipe = self::record($data, 'a recipe cannot be read');
        self::matrix($recipe['matrix'] ?? null);
        $base = self::record($recipe['base'] ?? null, 'a recipe has no base');
        match ($base['is'] ?? null) {
            'basic' => self::basic($base),
            'text' => self::text($base),
            'linked' => self::linked($base),
            'border' => self::border($base),
            'woven' => self::woven($base, $depth),
            'contours' => self::shape($base['shape'] ?? null),
            default => throw StoredFormRefused::wrong('a recipe has no base that is known'),
        };
        foreach (self::rows($recipe['changes'] ?? null, 8, 'a recipe has too many changes') as $change) {
            self::change(self::record($change, 'a recipe cannot be read'));
        }
    }

    /** @param  array<mixed>  $base */
    private static function basic(array $base): void
    {
        $kind = ShapeKind::tryFrom(self::word($base['kind'] ?? null, 20, 'there is no such shape')) ?? throw StoredFormRefused::wrong('there is no such shape');
        $values = self::record($base['values'] ?? null, 'a shape has no values');
        $fields = $kind->fields();
        self::need(count($values) === count($fields), 'a shape has other values than its kind');
        foreach ($fields as $field) {
            self::field($field, $values[$field->name] ?? null);
        }
    }

    private static function field(Field $field, mixed $value): void
    {
        $wrong = sprintf('"%s" is out of bounds', $field->label);
        match ($field->type) {
            Field::FLAG => self::need(is_bool($value), $wrong),
            Field::TEXT => self::word($value, 2000, $wrong),
            Field::CHOICE => self::need(is_string($value) && isset($field->options[$value]), $wrong),
            // What was scaled may be larger than what is typed, and as small as nothing.
            Field::LENGTH => self::within($value, min($field->least, 0.0), max($field->most, self::FARTHEST), $wrong),
            default => self::within($value, $field->least, $field->most, $wrong),
        };
    }

    /** @param  array<mixed>  $base */
    private static function text(array $base): void
    {
        $setting = self::record($base['setting'] ?? null, 'its letters cannot be read');
        self::word($setting['text'] ?? null, 2000, 'it has more than 2000 letters');
        self::word($setting['family'] ?? null, 200, 'it names no font');
        foreach (['bold', 'italic', 'inside'] as $flag) {
            self::need(is_bool($setting[$flag] ?? null), "\"{$flag}\" is neither yes nor no");
        }
        self::within($setting['size'] ?? null, 0, self::FARTHEST, 'letters have no such size');
        self::within($setting['spacing'] ?? null, -self::FARTHEST, self::FARTHEST, 'letters have no such spacing');
        self::within($setting['leading'] ?? null, 0.01, 100, 'lines have no such distance');
        self::within($setting['slide'] ?? null, -10, 10, 'letters begin nowhere');
        self::within($setting['distance'] ?? 0.0, -self::FARTHEST, self::FARTHEST, 'letters are too far from their line');
        self::need(
            in_array($setting['align'] ?? null, ['start', 'middle', 'end'], true) && in_array($setting['stand'] ?? null, ['above', 'on', 'below'], true),
            'letters stand nowhere',
        );
        if (($setting['along'] ?? null) !== null) {
            self::contour($setting['along']);
        }
        if (($base['follows'] ?? null) !== null) {
            self::word($base['follows'], 80, 'its letters follow no line');
        }
        self::shape($base['shape'] ?? null);
    }

    /** @param  array<mixed>  $base */
    private static function border(array $base): void
    {
        $sources = self::rows($base['sources'] ?? null, 5000, 'its border goes round too many pieces');
        self::need($sources !== [], 'its border goes round nothing');
        foreach ($sources as $id) {
            self::word($id, 80, 'its border goes round nothing');
        }
        $values = is_array($base['values'] ?? null) ? $base['values'] : [];
        foreach (BorderAround::fields() as $field) {
            self::within($values[$field->name] ?? null, 0, self::FARTHEST, 'its border has no such distance');
        }
        self::shape($base['shape'] ?? null);
    }

    /** @param  array<mixed>  $base */
    private static function woven(array $base, int $depth): void
    {
        self::word($base['weave'] ?? null, 80, 'its weave has no name');
        self::hold($base['strand'] ?? null, $depth + 1);
        $values = self::record($base['values'] ?? null, 'its weave has no values');
        self::within($values['gap'] ?? null, 0, self::FARTHEST, 'its weave has no such gap');
        self::need(
            in_array(
                $values['pattern'] ?? null,
                ['alternate', 'upper', 'lower'],
                true,
            ) && in_array($values['start'] ?? null, ['over', 'under'], true) && in_array($values['parts'] ?? null, ['apart', 'together'], true),
            'it is woven in no way that is known',
        );
        foreach (self::rows($values['turn'] ?? null, self::SEGMENTS, 'too many crossings are turned') as $place) {
            self::need(count(self::numbers($place, 2, 'a crossing lies nowhere')) === 2, 'a crossing lies nowhere');
        }
        self::shape($base['shape'] ?? null);
    }

    /** @param  array<mixed>  $base */
    private static function linked(array $base): void
    {
        self::word($base['source'] ?? null, 80, 'it follows no piece');
        if (isset($base['matrix'])) {
            self::matrix($base['matrix']);
        }
        foreach (['x', 'y'] as $name) {
            self::within($base[$name] ?? 0.0, -self::FARTHEST, self::FARTHEST, 'its source lies too far off');
        }
        self::shape($base['shape'] ?? null);
    }

    /** @param  array<mixed>  $change */
    private static function change(array $change): void
    {
        match ($change['is'] ?? null) {
            'corners' => self::corners($change),
            'mirror' => self::mirror($change),
            'repeat' => self::repeat($change),
            'wrap' => self::wrap($change),
            default => throw StoredFormRefused::wrong('a recipe has a change that is not known'),
        };
    }

    /** @param  array<mixed>  $change */
    private static function corners(array $change): void
    {
        foreach (self::rows($change['corners'] ?? null, self::SEGMENTS, 'it has too many round corners') as $corner) {
            $corner = self::rows($corner, 3, 'a round corner cannot be read');
            self::need(is_int($corner[0] ?? null) && is_int($corner[1] ?? null) && $corner[0] >= 0 && $corner[1] >= 0, 'a round corner lies nowhere');
            self::within($corner[2] ?? null, 0, self::FARTHEST, 'a corner has no such radius');
        }
    }

    /** @param  array<mixed>  $change */
    private static function mirror(array $change): void
    {
        self::within($change['x'] ?? null, -self::FARTHEST, self::FARTHEST, 'its axis lies too far off');
        self::within($change['y'] ?? null, -self::FARTHEST, self::FARTHEST, 'its axis lies too far off');
        self::within($change['angle'] ?? null, -36000, 36000, 'its axis has no angle');
        self::within($change['reach'] ?? null, 0, self::FARTHEST, 'its axis has no reach');
        self::need(in_array($change['side'] ?? 0, [-1, 0, 1], true), 'its half has no side');
    }

    /** @param  array<mixed>  $change */
    private static function repeat(array $change): void
    {
        $v = self::rows($change['values'] ?? null, 9, 'its repeat cannot be read');
        self::need(
            count($v) === 9 && in_array($v[0], ['row', 'grid', 'ring'], true) && is_int($v[1]) && is_int($v[2]) && is_bool($v[8]),
            'its repeat cannot be read',
        );
        self::need(
            $v[1] >= 1 && $v[2] >= 1 && $v[1] * ($v[0] === 'grid' ? $v[2] : 1) <= StepAndRepeat::MOST,
            sprintf('at most %d copies are made', StepAndRepeat::MOST),
        );
        self::numbers(array_slice($v, 3, 5), 5, 'its repeat has no steps');
    }

    /** @param  array<mixed>  $change */
    private static function wrap(array $change): void
    {
        self::numbers($change['box'] ?? null, 4, 'its frame cannot be read');
        $sides = self::rows($change['sides'] ?? null, 4, 'its frame has four sides');
        self::need(count($sides) === 4 && count($change['box']) === 4, 'its frame has four sides');
        foreach ($sides as $side) {
            self::need(count(self::numbers($side, 8, 'its frame cannot be read')) === 8, 'its frame cannot be read');
        }
        self::matrix($change['lay'] ?? null);
        $values = $change['values'] ?? null;
        self::need(is_array($values) && count($values) <= 12, 'its frame cannot be read');
        if (isset($change['flat'])) {
            self::need(count(self::numbers($change['flat'], 8, 'its frame cannot be read')) === 8, 'its frame has four sides');
        }
        if (isset($change['net'])) {
            self::net($change['net']);
        }
        if (isset($change['round'])) {
            $round = self::numbers($change['round'], 5, 'its frame cannot be read');
            self::need(count($round) === 5 && min(array_slice($round, 0, 3)) > 0 && $round[3] >= 0 && $round[3] <= 80, 'its frame cannot be read');
        }
        foreach ((array) $values as $value) {
            self::need(is_scalar($value) && strlen((string) $value) < 40, 'its frame cannot be read');
        }
    }

    private static function net(mixed $net): void
    {
        self::need(is_array($net), 'its net cannot be read');
        foreach (['columns', 'rows'] as $name) {
            self::need(count(self::numbers($net[$name] ?? null, Net::MOST, 'its net cannot be read', 1.0)) >= 2, 'its net cannot be read');
        }
        foreach (self::rows($net['lines'] ?? null, 2 * Net::MOST, 'its net cannot be read') as $line) {
            $many = count(self::numbers($line, 6 * (Net::MOST - 1) + 2, 'its net cannot be read'));
            self::need($many >= 8 && $many % 6 === 2, 'its net cannot be read');
        }
        try {
            Net::read($net);
        } catch (Refused) {
            throw StoredFormRefused::wrong('its net cannot be read');
        }
    }

    private static function matrix(mixed $data): void
    {
        $n = self::numbers($data, 6, 'a matrix has six numbers', 1e9);
        self::need(count($n) === 6, 'a matrix has six numbers');
        self::need(
            ! (new Matrix($n[0] ?? 0.0, $n[1] ?? 0.0, $n[2] ?? 0.0, $n[3] ?? 0.0, $n[4] ?? 0.0, $n[5] ?? 0.0))->isSingular(),
            'it is pressed flat to nothing',
        );
    }

    private static function colour(mixed $value): void
    {
        self::need(is_string($value) && preg_match('/^#[0-9a-f]{6}$/D', $value) === 1, 'a colour is written as # and six digits, such as #1d5c46');
    }

    /** @return list<float> */
    private static function numbers(mixed $data, int $most, string $wrong, float $far = self::FARTHEST): array
    {
        $numbers = [];
        foreach (self::rows($data, $most, $wrong) as $value) {
            self::within($value, -$far, $far, $wrong);
            $numbers[] = is_numeric($value) ? (float) $value : 0.0;
        }

        return $numbers;
    }

    private static function within(mixed $value, float $least, float $most, string $wrong): void
    {
        if ((! is_float($value) && ! is_int($value)) || ! ($value >= $least && $value <= $most)) {
            throw StoredFormRefused::outOfBounds($wrong);
        }
    }

    private static function word(mixed $value, int $most, string $wrong): string
    {
        return is_string($value) && strlen($value) <= 4 * $most
            && mb_strlen($value) <= $most
            && mb_check_encoding($value, 'UTF-8') ? $value : throw StoredFormRefused::outOfBounds($wrong);
    }

    /** @return array<mixed> */
    private static function record(mixed $value, string $wrong): array
    {
        return is_array($value) ? $value : throw StoredFormRefused::wrong($wrong);
    }

    /** @return list<mixed> */
    private static function rows(mixed $value, int $most, string $wrong): array
    {
        return is_array($value) && array_is_list($value) && count($value) <= $most ? $value : throw StoredFormRefused::outOfBounds($wrong);
    }

    private static function need(bool $true, string $wrong): void
    {
        if (! $true) {
            throw StoredFormRefused::wrong($wrong);
        }
    }
}
