<?php

declare(strict_types=1);

namespace NeatEdge\Console;

use NeatEdge\Core\Prepare\MergeByColour;
use NeatEdge\Core\Prepare\WeldAll;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Input\InputOption;
use Symfony\Component\Console\Output\OutputInterface;

#[AsCommand('weld', 'Weld overlapping shapes into one outline, by colour or all together')]
final class WeldCommand extends ArtworkCommand
{
    protected function configure(): void
    {
        $this->takesDrawing()->writesDrawing()
            ->addOption('by', null, InputOption::VALUE_REQUIRED, 'colour: each colour by itself, cut by what lies on it; all: everything into one', 'colour')
            ->examples('Strokes are outlined first.', ['weld decal.svg -o welded.svg', 'weld decal.svg --by=all -o silhouette.svg']);
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        $by = self::text($input, 'by');
        if (! in_array($by, ['colour', 'color', 'all'], true)) {
            throw BadCall::choice('--by', $by, ['colour', 'all']);
        }
        $drawing = $this->drawing($input);
        $result = $by === 'all' ? WeldAll::of($drawing->artwork) : (new MergeByColour)->apply($drawing->artwork);
        $this->tellLeftOut($output, $drawing->findings);

        return $this->save($input, $result);
    }
}
