<?php

declare(strict_types=1);

namespace App\Prep;

use App\Models\ShopJob;
use App\Models\ShopSetting;
use App\Models\StockItem;
use App\Words\Words;
use NeatEdge\Core\Check\Judgements;
use NeatEdge\Core\Check\Verdict;
use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\Sheet\Cut\Moves;
use NeatEdge\Core\Sheet\JobSheet;
use NeatEdge\Core\Sheet\Layout\Layer;
use NeatEdge\Core\Sheet\Layout\Layout;
use NeatEdge\Core\Sheet\Layout\Role;
use NeatEdge\Core\Shop\ShopSettings;
use NeatEdge\Core\Shop\Stock;

/** O8: what goes with a job through the shop, on paper. */
final class JobSheets
{
    /** @return non-empty-list<Layout> pages */
    public static function of(ShopJob $job): array
    {
        $layouts = Made::ready($job, true);
        if ($layouts === []) {
            throw Refused::because('There is nothing to make.');
        }
        $shop = ShopSetting::values();
        $machine = Made::machine($job);
        $prices = StockItem::query()->whereIn('kind', ['material', 'ink'])->get()->keyBy('name');
        $rows = [];
        foreach ($layouts as $layout) {
            $moves = Moves::of($layout, Made::described($job, $machine));
            $price = (float) ($prices->get($layout->material)?->data['price'] ?? 0.0);
            $rate = (float) ($machine?->data['rate'] ?? 0.0);
            $rows[] = [
                'layout' => $layout, 'seconds' => $moves['seconds'], 'cut_mm' => $moves['cut_mm'],
                'material_cost' => $price > 0 ? $price * (self::inked($layout) ?? $layout->width * $layout->height) / 1e6 : null,
                'machine_cost' => $rate > 0 ? $rate * $moves['seconds'] / 3600 : null,
            ];
        }
        $preparation = $job->latestPreparation;
        $findings = $preparation === null ? [] : Judgements::on($preparation->findings(), $job->judged ?? [], $job->width_mm);
        $accepted = array_values(array_filter([...$job->placedNotices(), ...$findings], static fn (array $finding): bool => isset($finding['accepted'])));
        $verdict = $preparation === null ? null : Verdicts::of($preparation, $job);
        $released = $verdict === null || $verdict->isReady() ? null : Gate::released($job, $verdict);

        return JobSheet::pages(
            $job->title,
            self::ticket($job, $machine->name ?? '', $verdict),
            $rows,
            [
                ...($released === null ? [] : [sprintf('Let go as it is by %s: %s', $released->by, $released->reason)]),
                ...array_map(
                    static fn (string $says): string => "Changed. {$says}",
                    array_values(array_filter($preparation->result['changes'] ?? [], is_string(...))),
                ),
                ...array_map(
                    static fn (array $finding): string => sprintf(
                        '%s Accepted: %s%s',
                        (string) $finding['message'],
                        (string) $finding['accepted'],
                        isset($finding['acceptedBy']) ? " ({$finding['acceptedBy']})" : '',
                    ),
                    $accepted,
                ),
            ],
            $shop['currency'],
            ShopSettings::paper($shop['paper']),
            Words::of()->say(...),
        );
    }

    /** @return array<string, string> what is said of a job, by its name, in the language of who reads it */
    private static function ticket(ShopJob $job, string $machine, ?Verdict $verdict): array
    {
        $words = Words::of();
        $ticket = [
            'Customer' => $job->customer,
            'Due' => ShopSetting::day((string) $job->due, ShopSetting::values()['days'], Words::asked(request())),
            'Process' => $words->say($job->process->label()),
            'Size' => $words->say(sprintf('%.1f × %.1f mm', $job->width_mm, $job->height_mm)),
            ...self::named($job),
            'Copies' => (string) (int) (Made::values($job)['copies'] ?? 1),
            'Made with' => $words->say(
                $job->preset === null ? 'a line of its own' : sprintf('%s, version %d', $job->preset['name'], $job->preset['version']),
            ),
            'Machine' => $machine,
            'Verdict' => $verdict === null ? '' : $words->say(($verdict->isReady() ? 'Ready. ' : 'Not ready. ').$verdict->sentence.'.'),
        ];
        $said = [];
        foreach (array_filter($ticket, static fn (string $text): bool => $text !== '') as $name => $text) {
            $said[$words->say($name)] = $text;
        }

        return $said;
    }

    /** @return array<string, string> what the ticket names to make it from and with, by kind; its machine stands by itself */
    private static function named(ShopJob $job): array
    {
        $names = [];
        foreach ($job->chosen()->items as $kind => $item) {
            if ($kind !== 'machine') {
                $names[Stock::kinds()[$kind]->one] = $item['name'];
            }
        }

        return $names;
    }

    /** mm² of ink on a plate; null for what is no plate. */
    private static function inked(Layout $layout): ?float
    {
        $plates = array_filter($layout->layers, static fn (Layer $layer): bool => $layer->role === Role::Plate);

        return $plates === [] ? null : (float) array_sum(array_map(static fn (Layer $layer): float => $layer->area(), $plates));
    }
}
