<?php

declare(strict_types=1);

namespace App\Prep;

use App\Events\JobStands;
use App\Mail\Post;
use App\Models\Approval;
use App\Models\ApprovalAnswer;
use App\Models\Preparation;
use App\Models\ShopJob;
use App\Models\ShopSetting;
use App\Words\Words;
use Illuminate\Database\Eloquent\ModelNotFoundException;
use Illuminate\Support\Facades\DB;
use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\Measure\Colour;
use NeatEdge\Core\Measure\ColourName;

/** F7: a proof is shown to a customer by a link, who says yes or asks for a change; what they said holds for the state that they saw. */
final class Approvals
{
    /** Bytes of a link's secret. */
    private const SECRET = 32;

    /** Dots across of what is shown. */
    private const WIDTH = 1600;

    /** Answers that one link takes. */
    private const MOST_ANSWERS = 30;

    /**
     * Keeps the proof as it is now, and makes a link to it.
     *
     * @param  string  $ground  colour beneath the art
     * @param  int  $days  for which the link leads there
     * @param  string  $to  an address that the link is sent to, or nothing
     * @param  bool  $onThing  whether the art on its thing is shown in place of that on its material
     * @param  callable(string): string  $address  of the page that shows what a secret leads to
     * @return array{Approval, string} with the secret, which is told this once
     *
     * @throws Refused
     */
    public static function share(ShopJob $job, string $ground, int $days, string $to, callable $address, bool $onThing = false): array
    {
        $preparation = Made::prepared($job);
        if ($preparation->version !== $job->version) {
            throw Refused::because('The job was changed since it was prepared; prepare it, and look again.');
        }
        $showing = $onThing ? new Showing($job) : null;
        $picture = $showing?->png(self::WIDTH) ?? Proofs::png($preparation, $ground, self::WIDTH);
        $secret = rtrim(strtr(base64_encode(random_bytes(self::SECRET)), '+/', '-_'), '=');
        $approval = Approval::query()->create([
            'shop_job_id' => $job->id,
            'token' => hash('sha256', $secret),
            'state' => self::state($job),
            'facts' => [...self::facts($job, $preparation, $ground), ...($showing === null ? [] : ['meaning' => $showing->meaning()])],
            'picture' => $picture,
            'sent_to' => $to,
            'ends_at' => now()->addDays($days),
        ]);
        if ($to !== '') {
            $words = Words::of();
            Post::send($to, $words->say("Please look at “{$job->title}”"), [
                $words->say('Here is the proof of your order. Look at it, and say yes or what is to be changed.'), $address($secret),
                $words->say("This link leads there for {$days} days."),
            ], $approval->id);
        }
        JobStands::dispatch($job->id);

        return [$approval, $secret];
    }

    /**
     * What a link leads to.
     *
     * @throws ModelNotFoundException where it leads nowhere, or no more
     */
    public static function shown(string $secret): Approval
    {
        $approval = strlen($secret) > 100 ? null : Approval::query()->where('token', hash('sha256', $secret))->first();
        // A job that was deleted is shown to nobody.
        if ($approval === null || ! $approval->isOpen() || $approval->job->trashed()) {
            throw (new ModelNotFoundException)->setModel(Approval::class);
        }

        return $approval;
    }

    /**
     * @param  array{kind: string, by: string, words?: string|null, pins?: list<array{x: float, y: float, words?: string|null}>|null}  $said
     *
     * @throws Refused
     */
    public static function answer(Approval $approval, array $said): ApprovalAnswer
    {
        $pins = array_map(static fn (array $pin): array => [
            'x' => round((float) $pin['x'], 3), 'y' => round((float) $pin['y'], 3), 'words' => trim((string) ($pin['words'] ?? '')),
            ...(isset($approval->facts['meaning']) ? ['on' => Showing::onArt($approval->facts['meaning'], (float) $pin['x'], (float) $pin['y'])] : []),
        ], $said['kind'] === ApprovalAnswer::CHANGES ? array_values($said['pins'] ?? []) : []);
        $words = trim((string) ($said['words'] ?? ''));
        if ($said['kind'] === ApprovalAnswer::CHANGES && $words === '' && implode('', array_column($pins, 'words')) === '') {
            throw Refused::because('Say in words what is to be changed.');
        }
        // Counted and stored in one, whoever else answers at the same moment.
        $answer = DB::transaction(static function () use ($approval, $said, $words, $pins): ApprovalAnswer {
            Approval::query()->lockForUpdate()->findOrFail($approval->id);
            if ($approval->answers()->count() >= self::MOST_ANSWERS) {
                throw Refused::because('This proof was answered often enough; call the shop.');
            }

            return $approval->answers()->create(['kind' => $said['kind'], 'by' => trim($said['by']), 'words' => $words, 'pins' => $pins]);
        });
        $news = ShopSetting::values()['news'];
        if ($news !== '') {
            Post::send($news, $said['kind'] === ApprovalAnswer::APPROVED
                ? "Approved: {$approval->facts['title']}" : "A change is asked for: {$approval->facts['title']}", [
                    "{$answer->by}: ".($words === '' ? '-' : $words),
                    ...array_map(static fn (array $pin, int $i): string => sprintf('%d. %s', $i + 1, $pin['words']), $pins, array_keys($pins)),
                ]);
        }
        JobStands::dispatch($approval->shop_job_id);

        return $answer;
    }

    /** The link leads nowhere from now on; what was said stays. */
    public static function takeBack(Approval $approval): void
    {
        $approval->update(['taken_back_at' => now()]);
        JobStands::dispatch($approval->shop_job_id);
    }

    /** What of a job a customer says yes to: its art, line and size, which are a revision, and how it is made. Undo leads back to what was approved. */
    public static function state(ShopJob $job): string
    {
        return hash('xxh128', json_encode([$job->revision, $job->process->key()], JSON_THROW_ON_ERROR));
    }

    /**
     * Where a job stands with its customer.
     *
     * @return 'none'|'waiting'|'seen'|'changes'|'earlier'|'approved'
     */
    public static function standing(ShopJob $job): string
    {
        $shared = Approval::query()->where('shop_job_id', $job->id)->with('answers')->orderByDesc('id')->limit(20)
            ->get(['id', 'state', 'ends_at', 'taken_back_at', 'seen_at', 'shop_job_id']);
        $state = self::state($job);
        $earlier = false;
        foreach ($shared as $approval) {
            $last = $approval->answers->last();
            if ($last === null) {
                if (! $approval->isOpen()) {
                    continue;
                }

                return $approval->seen_at === null ? 'waiting' : 'seen';
            }
            if ($last->kind === ApprovalAnswer::APPROVED) {
                if ($approval->state === $state) {
                    return 'approved';
                }
                $earlier = true;

                continue;
            }
            if ($last->settled_at === null && ! $earlier) {
                return 'changes';
            }
        }

        return $earlier ? 'earlier' : 'none';
    }

    /** What stands between the job and its machine, in one sentence; nothing where nobody was asked, or said yes to just this. */
    public static function open(ShopJob $job): ?string
    {
        return match (self::standing($job)) {
            'waiting', 'seen' => 'The customer was asked and has not answered yet.',
            'changes' => 'The customer asked for a change.',
            'earlier' => 'The customer approved an earlier state of this job.',
            'none', 'approved' => null,
        };
    }

    /**
     * @return array{title: string, customer: string, width_mm: float, height_mm: float, process: string,
     *     sheets: list<array{colour: string, name: string}>, materials: list<string>, look: string, ground: string}
     */
    private static function facts(ShopJob $job, Preparation $preparation, string $ground): array
    {
        $names = Made::names();
        $sheets = [];
        foreach ($preparation->result['sheets'] ?? [] as $sheet) {
            $sheets[] = ['colour' => (string) $sheet['colour'], 'name' => ($names[$sheet['colour']] ?? '') ?: self::called((string) $sheet['colour'])];
        }

        return [
            'title' => $job->title,
            'customer' => $job->customer,
            'width_mm' => $job->width_mm,
            'height_mm' => $job->height_mm,
            'process' => $job->process->label(),
            'sheets' => $sheets,
            'materials' => Made::materialNames($job),
            'look' => Verdicts::of($preparation, $job)->sentence ?? '',
            'ground' => $ground,
        ];
    }

    /** What people call a colour that the shop has no name for. */
    private static function called(string $hex): string
    {
        return preg_match('/^#[0-9a-f]{6}$/D', $hex) === 1 ? ColourName::of(Colour::fromHex($hex))." {$hex}" : $hex;
    }
}
