<?php

declare(strict_types=1);

namespace App\Prep;

use App\Models\Approval;
use App\Models\ApprovalAnswer;
use App\Models\Customer;
use App\Models\Letter;
use App\Models\Preparation;
use App\Models\ShopJob;
use Illuminate\Support\Facades\DB;
use NeatEdge\Core\Described\Refused;

/** Customers as the shop keeps them: what is known of one, two who are one, a list out and in, and all of one forgotten. */
final class Customers
{
    /** Jobs of one that are looked at for colours and told of. */
    private const LOOKED = 100;

    /** Columns of a list, as it goes out and comes in. */
    public const COLUMNS = ['name', 'email', 'phone', 'note'];

    /** @param  array<string, string>  $values  @throws Refused */
    public static function change(Customer $customer, array $values): Customer
    {
        return DB::transaction(static function () use ($customer, $values): Customer {
            $customer->fill($values);
            $other = Customer::query()->where('key', Customer::key($customer->name))->whereKeyNot($customer->id)->first();
            if ($other !== null) {
                throw Refused::because('There is a customer of that name; join the two instead.');
            }
            $named = $customer->isDirty('name');
            $customer->save();
            if ($named) {
                self::write($customer->jobs()->withTrashed()->get(), $customer);
            }

            return $customer;
        });
    }

    /** Two are one: jobs of the first are the other's from now on, and what is known of the one only is kept. */
    public static function merge(Customer $gone, Customer $into): Customer
    {
        if ($gone->is($into)) {
            throw Refused::because('That is the same customer.');
        }

        return DB::transaction(static function () use ($gone, $into): Customer {
            foreach (['email', 'phone'] as $column) {
                $into->{$column} = $into->{$column} !== '' ? $into->{$column} : $gone->{$column};
            }
            $into->note = trim($into->note."\n".$gone->note);
            $into->save();
            self::write($gone->jobs()->withTrashed()->get(), $into);
            $gone->delete();

            return $into;
        });
    }

    /** @param  iterable<ShopJob>  $jobs */
    private static function write(iterable $jobs, ?Customer $customer): void
    {
        foreach ($jobs as $job) {
            // It is no newer by it.
            $job->timestamps = false;
            $job->update(['customer' => $customer->name ?? '', 'customer_id' => $customer?->id]);
        }
    }

    /** @return list<array{colour: string, name: string}> that their jobs were separated into last, each once */
    public static function colours(Customer $customer): array
    {
        $names = Made::names();
        $colours = [];
        $last = $customer->jobs()->whereNotNull('preparation_id')->orderByDesc('updated_at')->limit(20)->pluck('preparation_id');
        foreach (Preparation::query()->whereKey($last->all())->get(['id', 'shop_job_id', 'result']) as $preparation) {
            foreach ($preparation->result['sheets'] ?? [] as $sheet) {
                $colour = (string) $sheet['colour'];
                $colours[$colour] = ['colour' => $colour, 'name' => $names[$colour] ?? ''];
            }
        }

        return array_values($colours);
    }

    /** @return list<array<string, mixed>> their jobs, the latest first */
    public static function jobs(Customer $customer): array
    {
        return array_values($customer->jobs()->orderByDesc('updated_at')->limit(self::LOOKED)->get(WorkList::COLUMNS)->map(WorkList::row(...))->all());
    }

    /** @return list<array<string, mixed>> what they were shown of their jobs and what they said of it, the latest first */
    public static function proofs(Customer $customer): array
    {
        $shown = Approval::query()->whereIn('shop_job_id', $customer->jobs()->select('id'))->with('answers', 'job:id,title,deleted_at')
            ->orderByDesc('id')->limit(self::LOOKED)->get(['id', 'shop_job_id', 'created_at', 'sent_to', 'seen_at', 'ends_at', 'taken_back_at']);

        return array_values($shown->map(static fn (Approval $approval): array => [
            'id' => $approval->id, 'job' => $approval->shop_job_id, 'title' => $approval->job->title, 'at' => $approval->created_at?->toIso8601String(),
            'to' => $approval->sent_to, 'live' => $approval->isOpen(), 'seen' => $approval->seen_at?->toIso8601String(),
            'answers' => $approval->answers->map(static fn (ApprovalAnswer $answer): array => [
                'kind' => $answer->kind, 'by' => $answer->by, 'at' => $answer->created_at?->toIso8601String(), 'settled' => $answer->settled_at !== null,
                'words' => implode(' ', array_filter([$answer->words, ...array_column($answer->pins, 'words')])),
            ])->all(),
        ])->all());
    }

    /** @return array<string, mixed> all that the shop keeps of one */
    public static function told(Customer $customer): array
    {
        $jobs = $customer->jobs()->withTrashed()->orderBy('id')->get();
        $approvals = Approval::query()->whereIn('shop_job_id', $jobs->pluck('id'))->with('answers')->orderBy('id')->get();

        return [
            'customer' => array_intersect_key($customer->toArray(), array_flip([...self::COLUMNS, 'created_at'])),
            'jobs' => $jobs->map(static fn (ShopJob $job): array => [
                'number' => $job->id, 'title' => $job->title, 'process' => $job->process->label(), 'due' => $job->due, 'file' => $job->source_name,
                'began' => $job->created_at?->toIso8601String(),
            ])->all(),
            'proofs' => $approvals->map(static fn (Approval $approval): array => [
                'job' => $approval->shop_job_id, 'sent to' => $approval->sent_to, 'shared' => $approval->created_at?->toIso8601String(),
                'seen' => $approval->seen_at?->toIso8601String(),
                'answers' => $approval->answers->map(static fn (ApprovalAnswer $answer): array => [
                    'kind' => $answer->kind, 'by' => $answer->by, 'words' => $answer->words, 'pins' => array_column($answer->pins, 'words'),
                    'at' => $answer->created_at?->toIso8601String(),
                ])->all(),
            ])->all(),
            'letters' => $customer->email === ''
                ? [] : Letter::query()->where('to', $customer->email)->orderBy('id')->get(['subject', 'words', 'created_at'])->toArray(),
        ];
    }

    /** What is known of a person goes, wherever it stands; their jobs stay, as those of nobody. What they wished for of the work stays with it. */
    public static function forget(Customer $customer): void
    {
        DB::transaction(static function () use ($customer): void {
            $jobs = $customer->jobs()->withTrashed()->get();
            $approvals = Approval::query()->whereIn('shop_job_id', $jobs->pluck('id'))->get();
            $addresses = array_filter(array_unique([$customer->email, ...$approvals->pluck('sent_to')->all()]));
            foreach ($approvals as $approval) {
                $approval->update(['sent_to' => '', 'facts' => [...$approval->facts, 'customer' => '']]);
                $approval->answers()->update(['by' => '']);
            }
            Letter::query()->whereIn('to', $addresses)->delete();
            self::write($jobs, null);
            $customer->delete();
        });
    }

    /** @return string a list of all, as a table with commas (RFC 4180) */
    public static function csv(): string
    {
        $out = fopen('php://temp', 'w+') ?: throw Refused::because('There is no room for a list.');
        fputcsv($out, self::COLUMNS, escape: '');
        foreach (Customer::query()->orderBy('name')->cursor() as $customer) {
            fputcsv($out, array_map(static fn (string $column): string => self::harmless((string) $customer->{$column}), self::COLUMNS), escape: '');
        }
        rewind($out);

        return (string) stream_get_contents($out);
    }

    /** A cell that a spreadsheet would take for a formula is told to be words. */
    private static function harmless(string $cell): string
    {
        return preg_match('/^[=+\-@\t\r]/', $cell) === 1 ? "'{$cell}" : $cell;
    }

    /**
     * A list comes in: who is known by name gets what the list knows and the shop does not, others are new.
     *
     * @return array{new: int, known: int, passed: int} rows without a name are passed over
     *
     * @throws Refused where it is no such list: nothing of it is taken then
     */
    public static function take(string $csv): array
    {
        $csv = preg_replace('/^\xEF\xBB\xBF/', '', $csv) ?? '';
        if (! mb_check_encoding($csv, 'UTF-8')) {
            throw Refused::because('The list is not in UTF-8; save it so, and bring it again.');
        }
        $in = fopen('php://temp', 'w+') ?: throw Refused::because('There is no room for a list.');
        fwrite($in, $csv);
        rewind($in);
        $first = (string) strtok($csv, "\r\n");
        $apart = substr_count($first, ';') > substr_count($first, ',') ? ';' : ',';
        $heads = array_map(static fn (?string $head): string => mb_strtolower(trim((string) $head)), fgetcsv($in, null, $apart, escape: '') ?: []);
        if (! in_array('name', $heads, true)) {
            throw Refused::because('The list has no column called name in its first line.');
        }

        return DB::transaction(static function () use ($in, $apart, $heads): array {
            $came = ['new' => 0, 'known' => 0, 'passed' => 0];
            while (($cells = fgetcsv($in, null, $apart, escape: '')) !== false) {
                $row = array_map(static fn (?string $cell): string => trim(preg_replace("/^'(?=[=+\\-@])/", '', (string) $cell) ?? ''), $cells);
                $row = array_combine(array_slice($heads, 0, count($row)), array_slice($row, 0, count($heads)));
                $customer = Customer::named(mb_substr($row['name'] ?? '', 0, 120));
                if ($customer === null) {
                    $came['passed']++;

                    continue;
                }
                $came[$customer->wasRecentlyCreated ? 'new' : 'known']++;
                foreach (['email' => 200, 'phone' => 60, 'note' => 2000] as $column => $most) {
                    $customer->{$column} = $customer->{$column} !== '' ? $customer->{$column} : mb_substr($row[$column] ?? '', 0, $most);
                }
                $customer->save();
            }

            return $came;
        });
    }
}
