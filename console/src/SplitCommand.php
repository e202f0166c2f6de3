<?php

declare(strict_types=1);

namespace NeatEdge\Console;

use NeatEdge\Core\Described\Counted;
use NeatEdge\Core\Format\Svg\Writer;
use NeatEdge\Core\Prepare\MergeByColour;
use NeatEdge\Core\Sheet\Sheet;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Output\OutputInterface;

#[AsCommand('split', 'Write one file for each colour that is seen')]
final class SplitCommand extends ArtworkCommand
{
    protected function configure(): void
    {
        $this->takesDrawing()->takesSize()->writesFolder()
            ->examples('Each sheet keeps the page of the drawing, so that sheets lie on one another.', ['split decal.svg --out-dir sheets']);
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        $folder = self::folder($input);
        $drawing = $this->drawing($input);
        $files = [];
        $lines = [];
        foreach (Sheet::allOf((new MergeByColour)->apply($drawing->artwork)) as $i => $sheet) {
            $name = $sheet->fileName($i + 1);
            $files[$name] = Writer::write($sheet->artwork());
            [$pieces, $nodes] = [Counted::of($sheet->partCount(), 'piece'), Counted::of($sheet->nodeCount(), 'node')];
            $lines[] = sprintf('%s: %s, %s, %.1f mm to cut', $name, $pieces, $nodes, $sheet->cutLength());
        }
        if ($files === []) {
            $path = $input->getArgument('input');
            throw BadCall::nothingDrawn(is_string($path) ? $path : '-');
        }
        $folder->write($files);
        $this->tellLeftOut($output, $drawing->findings);
        $output->writeln($lines, OutputInterface::OUTPUT_RAW);

        return self::SUCCESS;
    }
}
