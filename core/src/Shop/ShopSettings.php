<?php

declare(strict_types=1);

namespace NeatEdge\Core\Shop;

use NeatEdge\Core\Described\Field;
use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\Described\Values;

/** What a shop has its own way in: units, money, paper and days. */
final class ShopSettings
{
    /** Paper that job sheets are printed on: width and height, mm. */
    private const PAPERS = ['a4' => [210.0, 297.0], 'letter' => [215.9, 279.4]];

    /** @return list<Field> */
    public static function fields(): array
    {
        return [
            Field::choice('unit', 'Unit of new jobs', 'mm', ['mm' => 'mm', 'cm' => 'cm', 'in' => 'in', 'pt' => 'pt', 'px' => 'px']),
            Field::words('currency', 'Currency', usual: 'EUR', help: 'As it stands behind prices on the job sheet', most: 8),
            Field::choice('paper', 'Paper of the job sheet', 'a4', ['a4' => 'A4', 'letter' => 'Letter']),
            Field::choice('days', 'Days on paper', 'day', ['day' => '30 Nov 2026', 'month' => 'Nov 30, 2026', 'iso' => '2026-11-30']),
            Field::words('news', 'Mail for news', help: 'Where it is told what customers say of proofs; nowhere when left empty', most: 200),
        ];
    }

    /**
     * @param  array<mixed>  $typed  by name
     * @param  array<string, string>  $now
     * @return array<string, string>
     *
     * @throws Refused
     */
    public static function values(array $typed, array $now = []): array
    {
        $in = Values::read(self::fields(), $typed);
        $values = [];
        foreach (self::fields() as $field) {
            $known = $now[$field->name] ?? null;
            $values[$field->name] = $field->type === Field::CHOICE
                ? $in->choice($field->name, $known)
                : ($in->has($field->name) ? trim($in->text($field->name)) : ($known ?? (string) $field->usual));
        }

        if ($values['news'] !== '' && filter_var($values['news'], FILTER_VALIDATE_EMAIL) === false) {
            throw Refused::because('That is no address of mail.');
        }

        return $values;
    }

    /** @return array{float, float} width and height, mm */
    public static function paper(string $paper): array
    {
        return self::PAPERS[$paper] ?? self::PAPERS['a4'];
    }
}
