<?php

declare(strict_types=1);

namespace NeatEdge\Console;

use JsonException;
use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Described\Field;
use NeatEdge\Core\Edit\About;
use NeatEdge\Core\Edit\Mark;
use NeatEdge\Core\Line\Edits;
use NeatEdge\Core\Measure\Colour;
use Symfony\Component\Console\Input\ArgvInput;
use Symfony\Component\Console\Input\InputArgument;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Input\InputOption;
use Symfony\Component\Console\Output\OutputInterface;

/** The edits of the bench by command: one kind with its fields, or a list of them as it is stored. */
final class EditCommand extends ArtworkCommand
{
    private const MOST_EDITS = 5000;

    /** @var list<string>|null words that choose the pieces, or say how a drawing is read */
    private static ?array $taken = null;

    protected function configure(): void
    {
        $this->setName('edit')
            ->setDescription('Makes an edit of the bench: weld, part, cells, weave, cut-border and all others (see catalogue)')
            ->addArgument('kind', InputArgument::REQUIRED, 'the kind of the edit; left out with --edits')
            ->takesDrawing()->writesDrawing()
            ->addOption('pieces', null, InputOption::VALUE_REQUIRED, 'ids of the pieces, parted by commas')
            ->addOption('colour', null, InputOption::VALUE_REQUIRED, 'all pieces of this colour, such as #c33')
            ->addOption('all', null, InputOption::VALUE_NONE, 'all pieces')
            ->addOption('edits', null, InputOption::VALUE_REQUIRED, 'a JSON file with a list of edits, each {"kind": ..., "pieces": [...], fields}')
            ->addOption('marks', null, InputOption::VALUE_NONE, 'print what the edit shows on the art (cells, crossings, gaps) as JSON instead of making it')
            ->examples('Every kind and its fields: bin/neat-edge catalogue. A field is given as --field=value; places are x,y in mm on the page, several'
                .' parted by spaces; lengths take units; lines are path data in mm.', [
                    'edit weld logo.svg --all -o welded.svg',
                    'edit part flag.svg --all --angle=45 --at=50,30 -o parts.svg',
                    'edit cells dial.svg --all --rest=lift -o cells.svg',
                    'edit outset mark.svg --colour=#c33 --distance=2mm --join=miter -o larger.svg',
                ]);
    }

    /** The fields are those of the kind: they are options once it is known. */
    public function run(InputInterface $input, OutputInterface $output): int
    {
        $definition = $this->getDefinition();
        $tokens = $input instanceof ArgvInput ? $input->getRawTokens(true) : [];
        if (array_filter($tokens, static fn (string $token): bool => str_starts_with($token, '--edits')) !== []) {
            // With a list there is no kind: what stands first is the drawing.
            $definition->setArguments([$definition->getArgument('input')]);
        }
        $catalogue = Edits::catalogue();
        foreach ($tokens as $token) {
            foreach ($catalogue[$token]->fields ?? [] as $field) {
                if (! $definition->hasOption(self::option($field))) {
                    $flag = $field->type === Field::FLAG;
                    $definition->addOption(new InputOption(
                        self::option($field),
                        null,
                        $flag ? InputOption::VALUE_OPTIONAL : InputOption::VALUE_REQUIRED,
                        $field->label,
                        $flag ? '' : null,
                    ));
                }
            }
        }

        return parent::run($input, $output);
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        $call = $this->call($input);
        $drawing = $this->drawing($input);
        $this->tellLeftOut($output, $drawing->findings);
        $fonts = self::shelf($input);
        $artwork = self::withOwnIds($drawing->artwork);
        $marks = $input->getOption('marks') === true;
        foreach ($call as [$kind, $fields]) {
            $fields['pieces'] ??= $this->chosen($input, $artwork, Edits::catalogue()[$kind] ?? null);
            $edit = Edits::make($kind, $fields, $fonts);
            if ($marks) {
                $output->writeln(
                    json_encode(array_map(self::mark(...), Edits::marks($edit, $artwork)), JSON_THROW_ON_ERROR | JSON_PRETTY_PRINT | JSON_UNESCAPED_UNICODE),
                    OutputInterface::OUTPUT_RAW,
                );

                return self::SUCCESS;
            }
            $artwork = Edits::applied($edit, $artwork, $fonts);
        }

        return $this->save($input, $artwork);
    }

    /** Pieces under the ids that they have in the file, as far as no two have the same: what a script calls them by, before and after. */
    private static function withOwnIds(Artwork $artwork): Artwork
    {
        $names = array_count_values(array_map(static fn (Piece $piece): string => $piece->name, $artwork->pieces));
        $taken = array_flip(array_map(static fn (Piece $piece): string => $piece->id, $artwork->pieces));

        return $artwork->withPieces(array_map(
            static fn (Piece $piece): Piece => preg_match('/^[A-Za-z_][\w.-]{0,60}$/D', $piece->name) === 1
                && $names[$piece->name] === 1
                && ! isset($taken[$piece->name])
                ? $piece->with(id: $piece->name) : $piece,
            $artwork->pieces,
        ));
    }

    /** @return array<string, mixed> */
    private static function mark(Mark $mark): array
    {
        return array_filter([
            'kind' => $mark->kind, 'x' => round($mark->x, 4), 'y' => round($mark->y, 4), 'says' => $mark->says, 'state' => $mark->state,
            'area' => $mark->shape === null ? '' : round($mark->shape->area(), 4), 'nodes' => $mark->shape === null ? '' : $mark->shape->nodeCount(),
        ], static fn (mixed $value): bool => $value !== '');
    }

    /** @return list<array{string, array<string, mixed>}> kinds and their fields */
    private function call(InputInterface $input): array
    {
        $list = self::text($input, 'edits');
        if ($list !== '') {
            return self::listed($list);
        }
        $kind = $input->getArgument('kind');
        $kind = is_string($kind) ? $kind : '';
        $about = Edits::catalogue()[$kind] ?? throw BadCall::choice('the kind', $kind, array_keys(Edits::catalogue()));
        $calls = [];
        foreach ($about->fields as $field) {
            $value = $input->getOption(self::option($field));
            if ($field->type === Field::FLAG ? $value !== '' : $value !== null) {
                $calls[$field->name] = self::value($field, is_string($value) ? $value : '', self::option($field));
            }
        }

        return [[$kind, $calls]];
    }

    private static function value(Field $field, string $text, string $name): mixed
    {
        if ($field->type === Field::FLAG) {
            return $text === '' ? true : strtolower($text);
        }
        if (in_array($field->type, Field::STRUCTURED, true)) {
            $data = json_decode($text, true);

            return is_array($data) ? $data : throw BadCall::missing("a JSON list for --{$name}");
        }

        return $text;
    }

    /** How a field is called on the command line. */
    public static function option(Field $field): string
    {
        $name = strtolower((string) preg_replace('/(?<!^)[A-Z]/', '-$0', $field->name));

        // Words that choose the pieces, or say how a drawing is read, mean that here too.
        self::$taken ??= array_map(strval(...), array_keys((new self)->getDefinition()->getOptions()));

        return in_array($name, self::$taken, true) ? "set-{$name}" : $name;
    }

    /** @return list<array{string, array<string, mixed>}> */
    private static function listed(string $path): array
    {
        $bytes = is_file($path) ? @file_get_contents($path, length: 50_000_000) : false;
        if ($bytes === false) {
            throw BadCall::noFile($path);
        }
        try {
            $data = json_decode($bytes, true, 32, JSON_THROW_ON_ERROR);
        } catch (JsonException) {
            $data = null;
        }
        if (! is_array($data) || ! array_is_list($data) || count($data) > self::MOST_EDITS) {
            throw BadCall::missing('a JSON list of edits in '.$path);
        }
        $calls = [];
        foreach ($data as $one) {
            $kind = is_array($one) ? $one['kind'] ?? null : null;
            if (! is_string($kind)) {
                throw BadCall::missing('a kind in every edit of '.$path);
            }
            $calls[] = [$kind, $one];
        }

        return $calls;
    }

    /** @return list<string> */
    private function chosen(InputInterface $input, Artwork $artwork, ?About $about): array
    {
        $all = array_map(static fn (Piece $piece): string => $piece->id, $artwork->pieces);
        $ids = array_values(array_filter(array_map(trim(...), explode(',', self::text($input, 'pieces'))), static fn (string $id): bool => $id !== ''));
        if ($ids !== []) {
            return $ids;
        }
        $colour = self::text($input, 'colour');
        if ($colour !== '') {
            $hex = (Colour::parse($colour) ?? throw BadCall::noColour($colour))->hex();
            $ids = array_map(static fn (Piece $piece): string => $piece->id, array_values(array_filter(
                $artwork->pieces,
                static fn (Piece $piece): bool => ($piece->fill ?? $piece->stroke?->paint)?->colour->hex() === $hex,
            )));

            return $ids === [] ? throw BadCall::missing("a piece of the colour {$colour}") : $ids;
        }

        return $input->getOption('all') === true ? $all : ($about !== null && $about->least === 0 ? [] : throw BadCall::missing('--pieces, --colour or --all'));
    }
}
