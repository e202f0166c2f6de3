<?php

declare(strict_types=1);

namespace NeatEdge\Core\Sheet;

use Closure;
use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Check\Finding;
use NeatEdge\Core\Check\Inspection;
use NeatEdge\Core\Check\Severity;
use NeatEdge\Core\Check\Verdict;
use NeatEdge\Core\Line\PrepLine;
use NeatEdge\Core\Line\PrepResult;
use NeatEdge\Core\Measure\Limits;
use NeatEdge\Core\Seen\Seen;

/** One drawing taken through a line: its sheets, what was found, what is told of it, and whether it can be sent. */
final readonly class Prepared
{
    /**
     * @param  list<Sheet>  $sheets
     * @param  list<Finding>  $findings  what the reader left out and what checks found
     */
    private function __construct(public PrepResult $result, public array $sheets, public array $findings, public Verdict $verdict, private Limits $limits)
    {
    }

    /**
     * @param  Artwork  $bench  as it lies there, at its finished size
     * @param  list<Finding>  $read  what the reader had to say
     * @param  Closure(int, int, string, float): void|null  $progress  see PrepLine
     */
    public static function of(Artwork $bench, array $read, PrepLine $line, Limits $limits, ?Closure $progress = null): self
    {
        $source = Seen::of($bench);
        $result = $line->run($source, $progress);
        $findings = Inspection::ofResult($bench, $source, $result, $limits);
        $sheets = Sheet::allOf($result->artwork());
        $leftOut = array_filter($read, static fn (Finding $finding): bool => $finding->isLeftOut());
        $open = array_filter([...$read, ...$findings], static fn (Finding $finding): bool => $finding->blocks() && ! in_array($finding, $leftOut, true));
        $serious = array_filter($open, static fn (Finding $finding): bool => $finding->severity === Severity::Serious);

        return new self(
            $result,
            $sheets,
            [...$read, ...$findings],
            Verdict::of(
                $result->look,
                count($leftOut),
                0,
                count($open),
                empty: $sheets === [],
                serious: count($serious),
                kinds: array_count_values(array_map(static fn (Finding $finding): string => $finding->kind, $open)),
            ),
            $limits,
        );
    }

    /** @return array<string, mixed> see JobReport, with the verdict */
    public function report(): array
    {
        return [...JobReport::of($this->result, $this->sheets, $this->findings, $this->limits), 'verdict' => $this->verdict->toArray()];
    }
}
