<?php

declare(strict_types=1);

namespace NeatEdge\Console;

use NeatEdge\Core\Prepare\Step;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Output\OutputInterface;

/** A command that takes a drawing through one step of preparation. */
abstract class StepCommand extends ArtworkCommand
{
    abstract protected function step(): Step;

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        $drawing = $this->drawing($input);
        $result = $this->step()->apply($drawing->artwork);
        $this->tellLeftOut($output, $drawing->findings);

        return $this->save($input, $result);
    }
}
