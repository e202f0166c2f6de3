<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Http\Resources\WorkResource;
use App\Models\Work;
use App\Prep\Holder;
use App\Works\Apart;
use App\Works\Hold;
use App\Works\Kind;
use App\Works\Kinds;
use App\Works\Lost;
use App\Works\RunWork;
use App\Works\Works;
use Illuminate\Database\Events\QueryExecuted;
use Illuminate\Foundation\Testing\RefreshDatabase;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Queue;
use NeatEdge\Core\Device\Paused;
use NeatEdge\Core\Patience\Patience;
use NeatEdge\Core\Patience\Stopped;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use RuntimeException;
use Tests\TestCase;

/** Laws of every kind of work: one that is added has to keep them too. */
final class EveryWorkTest extends TestCase
{
    use RefreshDatabase;

    protected function setUp(): void
    {
        parent::setUp();
        Queue::fake();
    }

    /** @return iterable<string, array{Kind}> */
    public static function kinds(): iterable
    {
        foreach (Kinds::all() as $key => $kind) {
            yield $key => [$kind];
        }
    }

    private static function start(Kind $kind, string $lane = '', string $key = ''): Work
    {
        return Works::start($kind, null, 'Trial', [], $key, $lane);
    }

    private static function taken(Work $work): Hold
    {
        return Works::take($work->id) ?? throw new RuntimeException('It was not taken.');
    }

    #[Test]
    #[DataProvider('kinds')]
    public function it_is_brought_to_workers_that_bin_start_keeps_and_says_all_of_itself(Kind $kind): void
    {
        self::assertMatchesRegularExpression(
            '/^work \S+ \S*\b'.$kind->queue().'\b/m',
            str_replace(['for number in 1 2 3 4; do ', '"'], ["\n", ''], (string) file_get_contents(base_path('bin/start'))),
            'somebody works on that queue',
        );
        self::assertNotSame('', $kind->label());
        self::assertLessThanOrEqual(20, strlen($kind->key()));
        $work = self::start($kind);
        Queue::assertPushedOn($kind->queue(), RunWork::class);
        $row = WorkResource::row($work);
        self::assertSame(
            [$kind->key(), $kind->label(), 'waiting', $kind->pauses(), false, null],
            [$row['kind'], $row['label'], $row['state'], $row['pauses'], $row['goesOn'], $row['ended']],
        );
        foreach (['', 'The disk is full.', 'The server was stopped.'] as $why) {
            self::assertMatchesRegularExpression('/^[A-Z].*\.$/s', $kind->broke($work, $why), 'a whole sentence, whatever is known');
            self::assertStringNotContainsString('..', $kind->broke($work, $why));
        }
    }

    #[Test]
    #[DataProvider('kinds')]
    public function what_it_computes_stands_back_behind_the_page_and_most_where_nobody_waits(Kind $kind): void
    {
        [$nice, , $by] = Apart::php($kind, 512);
        self::assertSame('nice', $nice);
        self::assertSame($kind->isWaitedFor() ? 5 : 12, (int) $by);
        self::assertSame(in_array($kind->key(), ['prepare', 'lay-out', 'write-files', 'trace'], true), $kind->isWaitedFor(), $kind->key());
        $says = shell_exec(implode(' ', array_map(escapeshellarg(...), [...Apart::php($kind, 512), '-r', 'echo trim((string) shell_exec("nice"));'])));
        self::assertSame((int) $by + (int) shell_exec('nice'), (int) $says);
    }

    #[Test]
    #[DataProvider('kinds')]
    public function it_is_taken_once_stopped_before_its_turn_and_its_lease_is_renewed_as_it_goes(Kind $kind): void
    {
        $work = self::start($kind);
        $hold = self::taken($work);
        self::assertNull(Works::take($work->id));
        $hold->keep(['lease_until' => 0.0]);
        $hold->tell(1, 4, 'Weld');
        self::assertGreaterThan(microtime(true) + Hold::LEASE - 1, $hold->work->refresh()->lease_until);
        self::assertSame([1, 4, 'Weld', 0.25], [$hold->work->done, $hold->work->of, $hold->work->doing, $hold->work->share]);
        $waiting = self::start($kind);
        self::assertSame('stopped', Works::tell($waiting, 'stop')->state);
        self::assertNull(Works::take($waiting->id));
        // What was asked while it ran is heard at the next telling.
        Works::tell($hold->work, 'stop');
        $this->expectException(Stopped::class);
        $hold->tell(2, 4);
    }

    #[Test]
    #[DataProvider('kinds')]
    public function one_that_can_be_paused_is_and_another_goes_on(Kind $kind): void
    {
        $hold = self::taken(self::start($kind));
        Works::tell($hold->work, 'pause');
        if (! $kind->pauses()) {
            $hold->tell(1, 2);
            self::assertSame(['running', ''], [$hold->work->refresh()->state, $hold->work->asked]);

            return;
        }
        try {
            $hold->tell(1, 2);
            self::fail('it went on');
        } catch (Paused) {
            Works::end($hold, 'paused');
        }
        self::assertTrue($kind->goesOn($hold->work));
        self::assertSame('waiting', Works::goOn($hold->work)->state);
        self::assertSame('stopped', Works::tell($hold->work, 'stop')->state);
        self::assertFalse($kind->goesOn($hold->work), 'what was ended for good does not go on');
    }

    #[Test]
    #[DataProvider('kinds')]
    public function when_its_process_is_gone_it_is_taken_up_or_named_and_who_had_it_stores_nothing_more(Kind $kind): void
    {
        $hold = self::taken(self::start($kind));
        $hold->keep(['holder' => Holder::machine().':1:gone', 'done' => 3]);
        self::assertSame(1, Works::sweep());
        $now = $hold->work->refresh();
        self::assertSame($kind->resumes() ? ['waiting', ''] : ['failed', $kind->broke($now, 'The server was stopped.')], [$now->state, $now->error]);
        foreach ([static fn () => $hold->tell(4, 9), static fn () => Works::end($hold, 'done')] as $late) {
            try {
                $late();
                self::fail('it stored something');
            } catch (Lost) {
            }
        }
        self::assertSame(3, $hold->work->refresh()->done);
        if ($kind->resumes()) {
            // Another has it now: who had it before is told so, although it runs.
            $other = self::taken($now);
            foreach ([static fn () => $hold->tell(4, 9), static fn () => Works::end($hold, 'done')] as $late) {
                try {
                    $late();
                    self::fail('it stored something in the place of another');
                } catch (Lost) {
                }
            }
            $other->tell(5, 9);
            self::assertSame(5, $other->work->refresh()->done);
        }
        // One that was to be stopped when its process died is stopped, and not begun anew.
        $hold = self::taken(self::start($kind));
        Works::tell($hold->work, 'stop');
        $hold->keep(['holder' => Holder::machine().':1:gone']);
        Works::sweep();
        self::assertSame('stopped', $hold->work->refresh()->state);
    }

    #[Test]
    public function of_two_that_take_it_at_once_one_has_it_also_when_it_was_given_back_between(): void
    {
        $work = self::start(Kinds::of('prepare'));
        // Between the look and the taking another took it, died, and it was handed out again.
        $once = false;
        DB::listen(static function (QueryExecuted $query) use ($work, &$once): void {
            if (! $once && str_starts_with($query->sql, 'select * from "works"')) {
                $once = true;
                Work::query()->whereKey($work->id)->toBase()->update(['fence' => 2]);
            }
        });
        self::assertNull(Works::take($work->id));
        self::assertSame(3, self::taken($work)->work->fence);
    }

    #[Test]
    public function what_uses_the_same_thing_comes_one_after_the_other_and_what_does_not_waits_for_nobody(): void
    {
        $kind = Kinds::of('send');
        [$first, $second, $elsewhere] = [self::start($kind, 'machine a'), self::start($kind, 'machine a'), self::start($kind, 'machine b')];
        $hold = self::taken($first);
        self::assertNull(Works::take($second->id));
        self::assertNotNull(Works::take($elsewhere->id));
        Queue::assertPushed(RunWork::class, 3);
        Works::end($hold, 'done');
        Queue::assertPushed(RunWork::class, 4);
        self::assertNotNull(Works::take($second->id));
    }

    #[Test]
    public function asked_for_again_it_is_the_same_and_computing_hears_what_was_asked(): void
    {
        $kind = Kinds::of('sizes');
        $work = self::start($kind, key: 'k');
        self::assertSame($work->id, self::start($kind, key: 'k')->id);
        self::assertNotSame($work->id, $other = self::start($kind, key: 'l')->id);
        self::assertSame('stopped', $work->refresh()->state, 'another takes its place');
        $hold = self::taken(Work::query()->whereKey($other)->firstOrFail());
        Works::tell($hold->work, 'stop');
        $this->expectException(Stopped::class);
        Patience::with($hold->goesOn(...), static function (): void {
            for ($end = microtime(true) + 6; microtime(true) < $end;) {
                Patience::ask(50);
            }
        });
    }
}
