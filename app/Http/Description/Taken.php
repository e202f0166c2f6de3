<?php

declare(strict_types=1);

namespace App\Http\Description;

use App\Http\Requests\Asks;
use App\Works\Kinds;
use NeatEdge\Core\Check\LimitFields;
use NeatEdge\Core\Line\Edits;
use NeatEdge\Core\Process\Processes;
use NeatEdge\Core\Shop\Stock;

/** What requests take: by their rules, and by what is described where a request hands values on to what describes them. */
final class Taken
{
    /**
     * @param  class-string<Asks>  $request
     * @return array<string, mixed>
     */
    public static function of(string $request): array
    {
        $schema = Rules::of($request);
        foreach ($request::described() as $name => $which) {
            $described = ['$ref' => "#/components/schemas/{$which}"];
            $name === '' ? $schema['allOf'] = [$described] : $schema['properties'][$name] = $described;
        }

        return $schema;
    }

    /** @return array<string, array<string, mixed>> schemas of what is described, by name */
    public static function schemas(): array
    {
        $edits = $works = $stock = $making = [];
        foreach (Edits::catalogue() as $kind => $about) {
            $edits[] = Fields::object($about->fields, $kind, $about->says);
        }
        foreach (Kinds::all() as $key => $kind) {
            $works[] = Fields::object($kind->fields(), $key, $kind->label());
        }
        foreach (Stock::kinds() as $key => $kind) {
            $stock[] = Fields::object($kind->fields, says: $kind->says);
        }
        foreach (Processes::all() as $process) {
            $making[] = Fields::object($process->fields(), says: $process->label());
        }

        return [
            'Edit' => ['description' => 'A change of the art, by its kind.', 'oneOf' => $edits],
            'AskedWork' => ['description' => 'A kind of long work with its values.', 'anyOf' => $works],
            'StockValues' => ['description' => 'Values of a thing of the shop; which there are its kind says, see /stock.', 'anyOf' => $stock],
            'MakingValues' => ['description' => 'Choices of how a job is laid out, by its process.', 'anyOf' => $making],
            'TypedLimits' => Fields::object(array_values(LimitFields::all()), says: 'Limits of a ticket besides line and gap; an empty word takes one back.'),
        ];
    }
}
