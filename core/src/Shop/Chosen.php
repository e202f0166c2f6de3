<?php

declare(strict_types=1);

namespace NeatEdge\Core\Shop;

use NeatEdge\Core\Measure\Limits;
use NeatEdge\Core\Process\Process;

/**
 * What of the shop a ticket names: the material, and what it is made with, as they were when they were chosen. What they hold goes into the limits, what they
 * need into how it is made.
 *
 * @phpstan-type Item array{id: int, name: string, values: array<string, float|string|bool>}
 */
final readonly class Chosen
{
    /** @param  array<string, Item>  $items  by kind; those only that the process has a use for */
    private function __construct(public array $items, private Process $process)
    {
    }

    /** @param  array<string, Item>  $items  by kind */
    public static function of(array $items, Process $process): self
    {
        $kinds = Stock::kinds();

        return new self(
            array_filter($items, static fn (string $kind): bool => in_array($process->key(), $kinds[$kind]->for ?? [], true), ARRAY_FILTER_USE_KEY),
            $process,
        );
    }

    /** The limits of the process, each as strict as the strictest of what is used. */
    public function limits(): Limits
    {
        $limits = get_object_vars($this->process->limits());
        foreach ($this->items as $kind => $item) {
            foreach (Stock::kinds()[$kind]->limits as $field => $limit) {
                $limits[$limit] = max($limits[$limit], (float) ($item['values'][$field] ?? 0.0));
            }
        }
        [$limits['bedWidth'], $limits['bedHeight']] = $this->bed($limits['bedWidth'], $limits['bedHeight']);

        return new Limits(...$limits);
    }

    /** mm across that a machine on the ticket takes at most; nought where none is named. */
    public function across(): float
    {
        return $this->number('machine', 'bedHeight');
    }

    /** @return array<string, float|string|bool> values of ways of making that follow, by name */
    public function makes(): array
    {
        $made = [];
        foreach ($this->items as $kind => $item) {
            foreach (Stock::kinds()[$kind]->makes as $field => $choice) {
                if (isset($item['values'][$field])) {
                    $made[$choice] = $item['values'][$field];
                }
            }
        }

        return $made;
    }

    /**
     * @param  array<string, float|string|bool>  $values  how it is made
     * @return list<string> what of it does not go together, a sentence each
     */
    public function warns(array $values): array
    {
        $warns = [];
        $thick = $this->number('material', 'thickness');
        $deepest = $this->number('blade', 'deepest');
        if ($thick > 0 && $deepest > 0 && $thick > $deepest) {
            $warns[] = sprintf(
                '%s is %.2f mm thick; %s cuts %.2f mm at most.',
                $this->items['material']['name'],
                $thick,
                $this->items['blade']['name'],
                $deepest,
            );
        }
        $fastest = $this->number('head', 'fastest');
        $speed = max((float) ($values['speed'] ?? 0.0), (float) ($values['lineSpeed'] ?? 0.0));
        if ($fastest > 0 && $speed > $fastest) {
            $warns[] = sprintf('It is to go %.0f mm/s; %s goes %.0f mm/s at most.', $speed, $this->items['head']['name'], $fastest);
        }
        $machine = $this->items['machine'] ?? null;
        if ($machine !== null && ($machine['values']['kind'] ?? '') !== $this->process->machine()) {
            $warns[] = sprintf('%s does not make this: choose another machine on the ticket.', $machine['name']);
        }

        return $warns;
    }

    private function number(string $kind, string $field): float
    {
        return (float) ($this->items[$kind]['values'][$field] ?? 0.0);
    }

    /**
     * The bed of the material, no larger than that of the machine.
     *
     * @return array{float, float} a roll by its width, and nought; a sheet by how long it is along the way of the head and across; mm
     */
    private function bed(float $width, float $height): array
    {
        $across = $this->number('material', 'width');
        if ($across > 0) {
            [$width, $height] = ($this->items['material']['values']['form'] ?? 'roll') === 'sheet' ? [
                $this->number('material', 'length'),
                $across,
            ] : [$across, 0.0];
        }
        $most = $this->number('machine', 'bedHeight');

        return $height > 0 ? [self::least($width, $this->number('machine', 'bedWidth')), self::least($height, $most)] : [self::least($width, $most), 0.0];
    }

    /** The lesser of two lengths, of which nought says nothing. */
    private static function least(float $a, float $b): float
    {
        return $a > 0 && $b > 0 ? min($a, $b) : max($a, $b);
    }
}
