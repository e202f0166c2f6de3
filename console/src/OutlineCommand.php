<?php

declare(strict_types=1);

namespace NeatEdge\Console;

use NeatEdge\Core\Prepare\OutlineStrokes;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Output\OutputInterface;

#[AsCommand('outline', 'Turn every stroke into a filled outline that looks the same')]
final class OutlineCommand extends ArtworkCommand
{
    protected function configure(): void
    {
        $this->takesDrawing()->writesDrawing()->examples('Strokes become filled outlines; a piece with fill and stroke parts into two.', [
            'outline decal.svg -o outlined.svg',
            'outline - -o - < decal.svg > outlined.svg',
        ]);
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        $drawing = $this->drawing($input);
        $result = (new OutlineStrokes)->apply($drawing->artwork);
        $this->tell($output, $drawing->findings);

        return $this->save($input, $result);
    }
}
