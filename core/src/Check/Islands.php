<?php

declare(strict_types=1);

namespace NeatEdge\Core\Check;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Geometry\Parts;
use NeatEdge\Core\Geometry\Point;
use NeatEdge\Core\Measure\Inscribed;
use NeatEdge\Core\Measure\Limits;
use NeatEdge\Core\Prepare\Cure\SmallHoles;
use NeatEdge\Core\Prepare\Widths;

/** C3: parts too small to hold by themselves, holes too small to be weeded or to stay open. */
final readonly class Islands implements Rule
{
    /** Beyond so many of a sheet each is no longer looked at: the sheet is a screen, not a drawing. */
    private const MOST = 5000;

    public function __construct(private Limits $limits)
    {
    }

    public static function about(): array
    {
        return [
            new AboutFinding('island', 'Island', 'A part is too small to hold by itself.', 'island', drawn: true),
            new AboutFinding('small-hole', 'Small hole', 'A hole is too small to be weeded or to stay open.', 'hole', drawn: true),
        ];
    }

    public function findings(Artwork $source, Artwork $merged): array
    {
        $merged = $this->limits->printed ? CutBorder::of($merged) : $merged;
        $findings = [];
        $least = $this->limits->island;
        foreach ($least > 0 ? $merged->pieces : [] as $piece) {
            foreach ($piece->isSolid() && count($piece->shape->contours) <= self::MOST ? Parts::of($piece->shape) : [] as $part) {
                if ($part->area() < $least ** 2) {
                    [$x, $y] = Inscribed::in($part, 0.05);
                    $findings[] = $this->finding('island', sqrt($part->area()), $least, $x, $y, $piece->id, Widths::sheet($piece));
                }
            }
        }
        foreach (SmallHoles::small($merged, $this->limits->hole) as [$i, , $x, $y, $side]) {
            $findings[] = $this->finding('small-hole', $side, $this->limits->hole, $x, $y, $merged->pieces[$i]->id, Widths::sheet($merged->pieces[$i]));
        }

        return $findings;
    }

    private function finding(string $kind, float $side, float $least, float $x, float $y, string $piece, string $sheet): Finding
    {
        $what = $kind === 'island' ? 'A part' : 'A hole';

        return new Finding(
            $kind, $side < $least / 2 ? Severity::Serious : Severity::Warning,
            sprintf('%s is as small as a square of %.2f mm; at least %.2f mm are needed.', $what, $side, $least),
            new Point($x, $y), $side, $least, piece: $piece, sheet: $sheet, minor: $side > 0.8 * $least,
        );
    }
}
