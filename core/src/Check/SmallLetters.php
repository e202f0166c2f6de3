<?php

declare(strict_types=1);

namespace NeatEdge\Core\Check;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Measure\Limits;
use NeatEdge\Core\Recipe\Letters\Lettering;

/** C10: text of which the capitals are lower than the process can hold. */
final readonly class SmallLetters implements BenchRule
{
    /** Height of capitals in sizes, as most fonts have it. */
    private const CAPITALS = 0.7;

    public function __construct(private Limits $limits)
    {
    }

    public static function about(): array
    {
        return [new AboutFinding('small-letters', 'Small letters', 'Text is set smaller than the process can hold.', 'letter', drawn: true)];
    }

    public function onBench(Artwork $bench): array
    {
        $findings = [];
        foreach ($this->limits->letter > 0 ? $bench->pieces : [] as $piece) {
            $base = $piece->recipe?->base;
            if (! $base instanceof Lettering || $bench->hides($piece)) {
                continue;
            }
            $height = self::CAPITALS * $base->setting->size * ($piece->recipe?->matrix->meanScale() ?? 1.0);
            if ($height < $this->limits->letter - 1e-9) {
                $findings[] = new Finding('small-letters', $height < $this->limits->letter / 2 ? Severity::Serious : Severity::Warning, sprintf(
                    'The capitals of "%s" are %.2f mm high; at least %.2f mm are needed.',
                    mb_substr(trim($base->setting->text), 0, 40),
                    $height,
                    $this->limits->letter,
                ), $piece->box()?->middle(), $height, $this->limits->letter, piece: $piece->id);
            }
        }

        return $findings;
    }
}
