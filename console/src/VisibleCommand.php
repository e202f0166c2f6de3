<?php

declare(strict_types=1);

namespace NeatEdge\Console;

use NeatEdge\Core\Prepare\RemoveHidden;
use NeatEdge\Core\Prepare\Step;
use Symfony\Component\Console\Attribute\AsCommand;

#[AsCommand('visible', 'Keep only what is seen, with no two shapes overlapping')]
final class VisibleCommand extends StepCommand
{
    protected function configure(): void
    {
        $this->takesDrawing()->writesDrawing()->examples('Hidden areas are removed; nothing looks different. Strokes are outlined first.', [
            'visible decal.svg -o seen.svg',
            'outline decal.svg | bin/neat-edge visible - -o seen.svg',
        ]);
    }

    protected function step(): Step
    {
        return new RemoveHidden;
    }
}
