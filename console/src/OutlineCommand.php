<?php

declare(strict_types=1);

namespace NeatEdge\Console;

use NeatEdge\Core\Prepare\OutlineStrokes;
use NeatEdge\Core\Prepare\Step;
use Symfony\Component\Console\Attribute\AsCommand;

#[AsCommand('outline', 'Turn every stroke into a filled outline that looks the same')]
final class OutlineCommand extends StepCommand
{
    protected function configure(): void
    {
        $this->takesDrawing()->writesDrawing()->examples('Strokes become filled outlines; a piece with fill and stroke parts into two.', [
            'outline decal.svg -o outlined.svg',
            'outline - -o - < decal.svg > outlined.svg',
        ]);
    }

    protected function step(): Step
    {
        return new OutlineStrokes;
    }
}
