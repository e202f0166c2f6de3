<?php

declare(strict_types=1);

namespace Tests\Feature;

use NeatEdge\Bench\Rooms;
use PhpParser\Node;
use PhpParser\Node\Stmt\ClassMethod;
use PhpParser\NodeFinder;
use PhpParser\ParserFactory;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;
use RecursiveDirectoryIterator;
use RecursiveIteratorIterator;
use SplFileInfo;
use Symfony\Component\Finder\Finder;

/** What no room may do, wherever it is written. */
final class HouseTest extends TestCase
{
    private const CLOCK_AND_CHANCE = [
        'microtime', 'hrtime', 'time', 'date', 'usleep', 'sleep', 'random_bytes', 'random_int', 'rand', 'mt_rand', 'uniqid', 'getenv',
    ];

    private const FILES = ['file_get_contents', 'file_put_contents', 'fopen', 'unlink', 'glob', 'scandir', 'mkdir', 'tempnam', 'is_file'];

    /** Fonts ship as files with the core, and the library that reads them wants a path. */
    private const READS_FONTS = ['Type/Font.php', 'Type/FontShelf.php', 'Type/FontDirectory.php'];

    #[Test]
    public function the_core_knows_no_clock_no_chance_and_no_file_but_its_fonts(): void
    {
        $found = [];
        foreach (self::calls('core/src') as $file => $names) {
            $found[$file] = array_intersect($names, [...self::CLOCK_AND_CHANCE, ...(in_array($file, self::READS_FONTS, true) ? [] : self::FILES)]);
        }
        self::assertGreaterThan(300, count($found));
        self::assertSame([], array_filter($found));
    }

    #[Test]
    public function nothing_that_was_kept_is_read_as_objects_of_the_language(): void
    {
        foreach (['core/src', 'app', 'console/src', 'pages/src', 'lines/src', 'devices/src'] as $folder) {
            foreach (self::calls($folder) as $file => $names) {
                self::assertSame([], array_intersect($names, ['unserialize', 'eval', 'extract']), "{$folder}/{$file}");
            }
        }
    }

    #[Test]
    public function the_picture_of_the_rooms_is_that_of_the_code_and_every_room_says_what_it_is(): void
    {
        self::assertSame(Rooms::text(), file_get_contents(dirname(__DIR__, 2).'/'.Rooms::FILE), 'run: php bench/rooms.php');
        self::assertStringNotContainsString(') |  |', Rooms::text(), 'a room has a line at its head');
    }

    #[Test]
    public function files_that_the_guide_for_developers_names_are_there(): void
    {
        $root = dirname(__DIR__, 2);
        $named = 0;
        foreach ([
            'CONTRIBUTING.md',
            ...array_map(static fn (string $path): string => substr($path, strlen($root) + 1), glob("{$root}/docs/decisions/*.md") ?: []),
        ] as $guide) {
            preg_match_all(
                '/`((?:core|app|console|devices|lines|pages|tests|resources|bench|docs|bin|routes|database)\/[\w.\/-]+)`/',
                (string) file_get_contents("{$root}/{$guide}"),
                $found,
            );
            foreach ($found[1] as $path) {
                $named++;
                self::assertFileExists("{$root}/{$path}", $guide);
            }
        }
        self::assertGreaterThan(25, $named);
    }

    /** @return iterable<string, list<string>> names of plain functions that are called, by file */
    private static function calls(string $folder): iterable
    {
        $root = dirname(__DIR__, 2)."/{$folder}";
        foreach (new RecursiveIteratorIterator(new RecursiveDirectoryIterator($root, RecursiveDirectoryIterator::SKIP_DOTS)) as $file) {
            if (! $file instanceof SplFileInfo || $file->getExtension() !== 'php') {
                continue;
            }
            $tokens = array_values(array_filter(
                \PhpToken::tokenize((string) file_get_contents($file->getPathname())),
                static fn (\PhpToken $token): bool => ! $token->isIgnorable(),
            ));
            $names = [];
            foreach ($tokens as $i => $token) {
                $before = $tokens[$i - 1] ?? null;
                if ($token->is([T_STRING, T_EVAL]) && ($tokens[$i + 1]->text ?? '') === '(' && ! ($before?->is([
                    T_OBJECT_OPERATOR,
                    T_NULLSAFE_OBJECT_OPERATOR,
                    T_DOUBLE_COLON,
                    T_FUNCTION,
                    T_NEW,
                ]) ?? false)) {
                    $names[] = strtolower($token->text);
                }
            }
            yield substr($file->getPathname(), strlen($root) + 1) => $names;
        }
    }

    #[Test]
    public function no_line_hides_how_much_there_is(): void
    {
        $root = dirname(__DIR__, 2);
        $long = [];
        foreach (self::sources() as $file) {
            foreach (is_file("{$root}/{$file}") ? (file("{$root}/{$file}") ?: []) : [] as $number => $line) {
                // What stands in a test as a drawing is as long as it is.
                if (mb_strlen(rtrim($line)) > 160) {
                    $long[] = $file.':'.($number + 1);
                }
            }
        }
        self::assertSame([], $long);
    }

    /** @return list<string> files of ours that ship or measure, from the root: looked for on the disk, for a machine without git has them too */
    private static function sources(): array
    {
        $root = dirname(__DIR__, 2);
        $files = (new Finder)->files()->name('*.php')->in(array_map(static fn (string $folder): string => "{$root}/{$folder}", self::SOURCES));
        $out = [];
        foreach ($files as $file) {
            $out[] = substr($file->getPathname(), strlen($root) + 1);
        }
        sort($out);
        self::assertGreaterThan(500, count($out));

        return $out;
    }

    private const SOURCES = ['app', 'bench', 'config', 'console/src', 'core/src', 'database', 'devices', 'lines', 'pages/src', 'routes'];

    #[Test]
    public function no_method_is_longer_than_sixty_lines_or_branches_more_than_twenty_times(): void
    {
        $root = dirname(__DIR__, 2);
        $parser = (new ParserFactory)->createForNewestSupportedVersion();
        $long = [];
        foreach (array_filter(self::sources(), static fn (string $file): bool => ! str_starts_with($file, 'database/')) as $file) {
            $tree = is_file("{$root}/{$file}") ? $parser->parse((string) file_get_contents("{$root}/{$file}")) ?? [] : [];
            foreach ((new NodeFinder)->findInstanceOf($tree, ClassMethod::class) as $method) {
                $branches = count((new NodeFinder)->find($method->stmts ?? [], static fn (Node $node): bool => array_filter(self::BRANCHES, static fn (string $kind): bool => $node instanceof $kind) !== []));
                if ($method->getEndLine() - $method->getStartLine() + 1 > 60 || $branches > 20) {
                    $long[] = "{$file}::{$method->name}";
                }
            }
        }
        self::assertSame([], $long, 'name its parts');
    }

    private const BRANCHES = [
        Node\Stmt\If_::class, Node\Stmt\ElseIf_::class, Node\Stmt\For_::class, Node\Stmt\Foreach_::class, Node\Stmt\While_::class, Node\Stmt\Do_::class, Node\Stmt\Case_::class,
        Node\Stmt\Catch_::class, Node\Expr\Ternary::class, Node\MatchArm::class, Node\Expr\BinaryOp\BooleanAnd::class, Node\Expr\BinaryOp\BooleanOr::class, Node\Expr\BinaryOp\Coalesce::class,
    ];
}
