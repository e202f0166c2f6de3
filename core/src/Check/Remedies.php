<?php

declare(strict_types=1);

namespace NeatEdge\Core\Check;

/** The one place that knows what cures which kind of finding, the sensible cure first. */
final class Remedies
{
    /** @return list<Remedy> none where only a person can help */
    public static function of(string $kind): array
    {
        return self::all()[$kind] ?? [];
    }

    /** @return list<string> kinds that are cured where all are: those whose cure changes what was ordered are asked for by name */
    public static function together(): array
    {
        return array_keys(array_filter(self::all(), static fn (array $remedies): bool => ! $remedies[0]->alone));
    }

    /** @return array<string, list<Remedy>> by kind of finding, in the order in which cures of all kinds are made */
    public static function all(): array
    {
        return [
            'larger-than-bed' => [new Remedy('fit-page', 'Make it as small as the bed needs', ['how' => 'bed'], onArt: false, alone: true)],
            'doubled-line' => [new Remedy('drop-doubled', 'Take out the doubled')],
            'open-line' => [new Remedy('close-lines', 'Close it', source: true)],
            'stroke-left' => [new Remedy('outline-strokes', 'Outline strokes', onArt: false)],
            'gradient' => [new Remedy('flat-gradients', 'Make it one colour')],
            'soft-edge' => [
                new Remedy('soft-edges', 'Harden where half is seen'),
                new Remedy('soft-edges', 'Keep the outline', ['how' => 'outline']),
                new Remedy('soft-edges', 'Leave it out', ['how' => 'drop']),
            ],
            'overlapping-sheets' => [new Remedy('solid-colours', 'Lay on what is under it, and on white', ['ground' => '#ffffff'], onArt: false)],
            'see-through' => [new Remedy('solid-colours', 'Lay on white', ['ground' => '#ffffff'], onArt: false)],
            'near-black' => [new Remedy('join-near-blacks', 'Join the blacks')],
            'near-colour' => [new Remedy('join-near-colours', 'Join near colours')],
            'too-many-colours' => [new Remedy('reduce-colours', 'Cut down colours')],
            'overlap' => [
                new Remedy('remove-hidden', 'Remove what is hidden', onArt: false),
                new Remedy('merge-by-colour', 'Weld what has one colour', onArt: false),
            ],
            'hidden-piece' => [new Remedy('remove-hidden', 'Remove what is hidden', onArt: false)],
            'outside-page' => [
                new Remedy('fit-page', 'Cut off at the page', onArt: false),
                new Remedy('fit-page', 'Let the page be that of the art', ['how' => 'page'], onArt: false),
            ],
            'island' => [
                new Remedy('islands', 'Leave out', ['how' => 'drop'], places: true),
                new Remedy('islands', 'Join to the nearest', ['how' => 'join'], places: true),
                new Remedy('islands', 'Enlarge', ['how' => 'enlarge'], places: true),
            ],
            'small-hole' => [new Remedy('fill-holes', 'Fill', places: true)],
            'thin-point' => [new Remedy('blunt-points', 'Blunt', places: true)],
            'thin-line' => [new Remedy('thicken', 'Thicken to the limit', places: true)],
            'narrow-gap' => [new Remedy('widen-gaps', 'Widen to the limit', places: true)],
            'crowded-nodes' => [new Remedy('clean-nodes', 'Clean nodes', ['deviation' => 0.02], onArt: false)],
        ];
    }
}
