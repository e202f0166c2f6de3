<?php

declare(strict_types=1);

namespace NeatEdge\Console;

use NeatEdge\Core\Prepare\RemoveHidden;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Output\OutputInterface;

#[AsCommand('visible', 'Keep only what is seen, with no two shapes overlapping')]
final class VisibleCommand extends ArtworkCommand
{
    protected function configure(): void
    {
        $this->takesDrawing()->writesDrawing()->examples('Hidden areas are removed; nothing looks different. Strokes are outlined first.', [
            'visible decal.svg -o seen.svg',
            'outline decal.svg | bin/neat-edge visible - -o seen.svg',
        ]);
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        $drawing = $this->drawing($input);
        $result = (new RemoveHidden)->apply($drawing->artwork);
        $this->tell($output, $drawing->findings);

        return $this->save($input, $result);
    }
}
