<?php

declare(strict_types=1);

namespace NeatEdge\Console;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Layer;
use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\Format\Svg\Writer;
use NeatEdge\Core\Measure\Colour;
use NeatEdge\Core\Proof\Laid;
use NeatEdge\Core\Proof\Product;
use NeatEdge\Core\Proof\Things;
use NeatEdge\Core\Seen\Seen;
use NeatEdge\Pages\ProofFile;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Input\InputOption;
use Symfony\Component\Console\Output\OutputInterface;

#[AsCommand('proof', 'Show a drawing on a thing, such as a mug or a tabard, as a picture')]
final class ProofCommand extends ArtworkCommand
{
    protected function configure(): void
    {
        $things = implode(', ', array_keys(Things::all()));
        $this->takesDrawing()
            ->addOption(
                'product',
                null,
                InputOption::VALUE_REQUIRED | InputOption::VALUE_IS_ARRAY,
                "what it is shown on: {$things}; several give a file each",
                ['mug'],
            )
            ->addOption('width', null, InputOption::VALUE_REQUIRED, 'how wide the art is on the thing, in true size; as it is drawn when left out', '0')
            ->addOption('x', null, InputOption::VALUE_REQUIRED, 'how far right of the middle of the place it lies', '0')
            ->addOption('y', null, InputOption::VALUE_REQUIRED, 'how far below the middle', '0')
            ->addOption('turn', null, InputOption::VALUE_REQUIRED, 'degrees by which a round thing is turned', '0')
            ->addOption(
                'colour',
                null,
                InputOption::VALUE_REQUIRED | InputOption::VALUE_IS_ARRAY,
                'the colour of a part by its name, such as body=#1f3a34 or rim=#1b1b1b',
            )
            ->addOption('no-lights', null, InputOption::VALUE_NONE, 'without shade and light')
            ->addOption('pixels', null, InputOption::VALUE_REQUIRED, 'dots across, of a PNG', '1600')
            ->addOption(
                'output',
                'o',
                InputOption::VALUE_REQUIRED,
                'the file to write, which ends in .png, .pdf or .svg; several things have their names before that',
                'proof.png',
            )
            ->examples('Art lies on the thing in its true size, in the light of the thing.', [
                'proof decal.svg --product=mug --width=180mm --turn=15 --colour=body=#1f3a34 --pixels=1600 -o proof.png',
                'proof decal.svg --product=tabard --product=lantern -o proofs.pdf',
            ]);
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        $path = self::text($input, 'output');
        $ending = strtolower(pathinfo($path, PATHINFO_EXTENSION));
        if (! in_array($ending, ['png', 'pdf', 'svg'], true)) {
            throw BadCall::choice('--output', $path, ['a file that ends in .png', '.pdf', '.svg']);
        }
        $pixels = self::text($input, 'pixels');
        if (preg_match('/^\d{1,5}$/D', $pixels) !== 1 || (int) $pixels < 50 || (int) $pixels > ProofFile::MOST) {
            throw BadCall::choice('--pixels', $pixels, ['a whole number between 50 and '.ProofFile::MOST]);
        }
        $drawing = $this->drawing($input);
        $art = Seen::of($drawing->artwork);
        if ($art->pieces === []) {
            $from = $input->getArgument('input');
            throw BadCall::nothingDrawn(is_string($from) ? $from : '-');
        }
        $keys = array_values(array_unique(array_map(strval(...), array_filter((array) $input->getOption('product'), is_string(...)))));
        $products = [];
        foreach ($keys as $key) {
            if (! isset(Things::all()[$key])) {
                throw BadCall::choice('--product', $key, array_keys(Things::all()));
            }
            $products[$key] = Things::product($key);
        }
        $colours = self::colours($input, array_values($products));
        $files = [];
        foreach ($products as $key => $product) {
            $name = count($products) === 1 ? $path : substr($path, 0, -strlen($ending) - 1)."-{$key}.{$ending}";
            [$picture, $says] = self::shown($input, $product, $art, $colours);
            $files[$name] = self::written($picture, $ending, (int) $pixels);
            $error = self::errors($output);
            foreach ($says as $one) {
                $error->writeln("note: {$key}: {$one}", OutputInterface::OUTPUT_RAW);
            }
        }
        OutputFile::write($files);
        $this->tellLeftOut($output, $drawing->findings);

        return self::SUCCESS;
    }

    /**
     * The colours asked for, by the name of a part of any of the things that are shown.
     *
     * @param  list<Product>  $products
     * @return array<string, Colour>
     *
     * @throws BadCall for a part that none of them has, and for what is no colour
     */
    private static function colours(InputInterface $input, array $products): array
    {
        $parts = array_merge(...array_map(static fn (Product $product): array => $product->coloured(), $products));
        $colours = [];
        foreach ((array) $input->getOption('colour') as $text) {
            [$name, $hex] = [...explode('=', is_string($text) ? $text : '', 2), ''];
            [$name, $hex] = [strtolower($name), strtolower($hex)];
            if (array_filter($parts, static fn (Layer $layer): bool => self::isCalled($layer, $name)) === []) {
                $names = array_map(static fn (Layer $layer): string => strtolower($layer->name), $parts);
                throw BadCall::choice('--colour', $name, array_values(array_unique($names)));
            }
            if (preg_match('/^#[0-9a-f]{6}$/D', $hex) !== 1) {
                throw BadCall::noColour($hex);
            }
            $colours[$name] = Colour::fromHex($hex);
        }

        return $colours;
    }

    private static function isCalled(Layer $layer, string $name): bool
    {
        return strtolower($layer->name) === $name || $layer->part === $name;
    }

    /**
     * @param  array<string, Colour>  $asked  by the name of a part
     * @return array{Artwork, list<string>} the picture, and what does not fit
     */
    private static function shown(InputInterface $input, Product $product, Artwork $art, array $asked): array
    {
        $typed = [];
        foreach (Laid::fields() as $field) {
            $typed[$field->name] = self::text($input, $field->name);
        }
        $laid = $product->everywhere($art, $typed);
        $colours = [];
        foreach ($asked as $name => $colour) {
            foreach ($product->coloured() as $layer) {
                if (self::isCalled($layer, $name)) {
                    $colours[$layer->id] = $colour;
                    break;
                }
            }
        }

        return [$product->shown($colours, $laid, $input->getOption('no-lights') !== true), $product->says($laid)];
    }

    /** @throws Refused */
    private static function written(Artwork $picture, string $ending, int $pixels): string
    {
        return match ($ending) {
            'png' => ProofFile::png($picture, $pixels),
            'pdf' => ProofFile::pdf($picture, 'Proof'),
            default => Writer::write($picture),
        };
    }
}
