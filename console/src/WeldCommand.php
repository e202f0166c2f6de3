<?php

declare(strict_types=1);

namespace NeatEdge\Console;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Geometry\Shape;
use NeatEdge\Core\PlanarMap\Combine;
use NeatEdge\Core\Prepare\MergeByColour;
use NeatEdge\Core\Prepare\OutlineStrokes;
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
        $result = $by === 'all' ? self::all($drawing->artwork) : (new MergeByColour)->apply($drawing->artwork);
        $this->tell($output, $drawing->findings);

        return $this->save($input, $result);
    }

    private static function all(Artwork $artwork): Artwork
    {
        $pieces = array_values(array_filter((new OutlineStrokes)->apply($artwork)->pieces, static fn (Piece $piece): bool => $piece->fill !== null));
        if ($pieces === []) {
            return $artwork->withPieces([]);
        }
        $shape = Combine::weld(
            array_map(static fn (Piece $piece): Shape => $piece->shape, $pieces),
            $artwork->tolerance(),
        );

        return $artwork->withPieces($shape->isEmpty() ? [] : [$pieces[0]->withShape($shape)]);
    }
}
