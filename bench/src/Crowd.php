<?php

declare(strict_types=1);

namespace NeatEdge\Bench;

use CurlHandle;
use CurlMultiHandle;

/**
 * People at a shop, as many as one process can play: each has a job of its own, moves its pieces, tries changes out, prepares it and has it laid out, with
 * pauses between. What was not answered is sent again with its key until it is, and what was acknowledged is written down.
 *
 * @phpstan-type Asked array{person: int, act: string, tries: int, began: float}
 */
final class Crowd
{
    /** Seconds between two acts of one person, in the mean. */
    private const PAUSE = 4.0;

    /** Of a hundred acts. */
    private const ACTS = ['edit' => 74, 'preview' => 18, 'prepare' => 2, 'list' => 3, 'open' => 3];

    /** @var list<int> job by person */
    private array $jobs = [];

    /** @var array<int, int> version of the job by person */
    private array $versions = [];

    /** @var list<array<string, float>> mm that pieces were moved and it was acknowledged, by person and piece */
    private array $moved = [];

    /** @var list<array<string, float>> where pieces lay at first */
    private array $from = [];

    /** @var array<int, array{string, string, float}|null> edit that is not acknowledged yet, by person: key, piece, mm */
    private array $open = [];

    /** @var array<int, array{string, string}> act and path that somebody asks for now and then until it is made */
    private array $waited = [];

    /** @var array<int, float> when each acts next */
    private array $due = [];

    /** @var array<int, Asked> by number of the handle */
    private array $asked = [];

    private readonly CurlMultiHandle $multi;

    /** @var array<string, list<array{float, float}>> when it was acknowledged and milliseconds that it took, by act: only what was answered at the first try */
    public array $took = [];

    /** @var array<string|int, int> answers that were no acknowledgement, by what they were */
    public array $failed = [];

    /** Answers that said nothing of why. */
    public int $silent = 0;

    public int $edits = 0;

    public int $prepared = 0;

    public int $laid = 0;

    public function __construct(private readonly int $people)
    {
        $this->multi = curl_multi_init();
        curl_multi_setopt($this->multi, CURLMOPT_MAX_TOTAL_CONNECTIONS, 64);
        mt_srand(20261201);
    }

    /** Each gets a job. */
    public function come(): void
    {
        $svg = Served::sheet(40);
        for ($person = 0; $person < $this->people; $person++) {
            $this->jobs[] = $job = self::job($svg, 'cut-vinyl');
            $state = self::get("jobs/{$job}");
            $this->versions[] = $state['job']['version'];
            $this->from[] = self::places($state);
            $this->moved[] = [];
            $this->due[] = 0.0;
            $this->open[] = null;
        }
    }

    public static function job(string $svg, string $process, string $width = ''): int
    {
        return (int) self::post('jobs', Served::form($svg, $process, $width), Served::FORM)['id'];
    }

    /**
     * They work for some time.
     *
     * @param  callable(float): void  $meanwhile  called every tenth of a second, with the seconds since they began
     */
    public function work(float $seconds, callable $meanwhile): void
    {
        $start = microtime(true);
        foreach (array_keys($this->due) as $person) {
            $this->due[$person] = $start + mt_rand() / mt_getrandmax() * self::PAUSE;
        }
        $looked = 0.0;
        while (true) {
            $now = microtime(true);
            $isOver = $now - $start > $seconds;
            if ($isOver && $this->asked === [] && array_filter($this->open) === []) {
                return;
            }
            if ($now - $looked > 0.1) {
                $looked = $now;
                $meanwhile($now - $start);
            }
            foreach ($this->due as $person => $due) {
                // What is not acknowledged is brought to its end, also after closing time.
                if ($due < $now && (! $isOver || $this->open[$person] !== null)) {
                    $this->due[$person] = INF;
                    $this->act($person);
                }
            }
            curl_multi_exec($this->multi, $running);
            curl_multi_select($this->multi, 0.02);
            while (($done = curl_multi_info_read($this->multi)) !== false) {
                $this->answered($done['handle'], $done['result']);
            }
        }
    }

    private function act(int $person): void
    {
        $job = $this->jobs[$person];
        if ($this->open[$person] !== null) {
            $this->send($person, 'edit', "jobs/{$job}/edits", $this->edit($person), 1);

            return;
        }
        if (isset($this->waited[$person]) && mt_rand(0, 2) === 0) {
            $this->send($person, ...[...$this->waited[$person], null]);

            return;
        }
        $lot = mt_rand(0, 99);
        foreach (self::ACTS as $act => $of) {
            if (($lot -= $of) < 0) {
                break;
            }
        }
        if ($act === 'edit') {
            $pieces = array_keys($this->from[$person]);
            $this->open[$person] = [bin2hex(random_bytes(8)), (string) $pieces[mt_rand(0, count($pieces) - 1)], mt_rand(-40, 40) / 8];
        }
        match ($act) {
            'edit' => $this->send($person, $act, "jobs/{$job}/edits", $this->edit($person)),
            'preview' => $this->send(
                $person,
                $act,
                "jobs/{$job}/previews",
                self::json(
                    [
                        'version' => $this->versions[$person],
                        'what' => 'edit',
                        'edit' => ['kind' => 'outset', 'pieces' => [(string) array_key_first($this->from[$person])], 'distance' => '0.8mm'],
                    ],
                ),
            ),
            'prepare' => $this->send($person, $act, "jobs/{$job}/preparations", '{}'),
            'list' => $this->send($person, $act, 'jobs', null),
            default => $this->send($person, 'open', "jobs/{$job}", null),
        };
    }

    private function edit(int $person): string
    {
        [$key, $piece, $by] = $this->open[$person] ?? ['', '', 0.0];

        return self::json(['version' => $this->versions[$person], 'key' => $key, 'edit' => ['kind' => 'move', 'pieces' => [$piece], 'x' => $by, 'y' => 0]]);
    }

    private function send(int $person, string $act, string $path, ?string $body, int $tries = 0): void
    {
        $handle = self::handle($path, $body);
        curl_setopt($handle, CURLOPT_TIMEOUT, 90);
        $this->asked[spl_object_id($handle)] = [
            'person' => $person,
            'act' => $act,
            'tries' => $tries,
            'began' => microtime(true),
        ];
        curl_multi_add_handle($this->multi, $handle);
    }

    private function answered(CurlHandle $handle, int $result): void
    {
        $asked = $this->asked[spl_object_id($handle)];
        unset($this->asked[spl_object_id($handle)]);
        $status = (int) curl_getinfo($handle, CURLINFO_RESPONSE_CODE);
        $data = json_decode((string) curl_multi_getcontent($handle), true);
        curl_multi_remove_handle($this->multi, $handle);
        ['person' => $person, 'act' => $act] = $asked;
        $now = microtime(true);
        if ($result === CURLE_OK && $status < 300) {
            if ($asked['tries'] === 0) {
                $this->took[$act][] = [$now, 1000 * ($now - $asked['began'])];
            }
            $this->due[$person] = $now - self::PAUSE * log(1 - mt_rand(0, 9999) / 10000);
            $this->acknowledged($person, $act, is_array($data) ? $data : [], $status);

            return;
        }
        $what = $result !== CURLE_OK ? 'no answer' : "{$status}";
        $this->failed[$what] = ($this->failed[$what] ?? 0) + 1;
        // A server in front says by its status that there is none behind it.
        $this->silent += $result === CURLE_OK && ! in_array($status, [502, 503, 504], true) && ! is_string($data['message'] ?? null) ? 1 : 0;
        if ($status === 409 && $act === 'edit' && is_array($state = self::tried("jobs/{$this->jobs[$person]}"))) {
            $this->versions[$person] = $state['job']['version'];
        }
        $this->due[$person] = $now + 0.5;
    }

    /** @param  array<mixed>  $data */
    private function acknowledged(int $person, string $act, array $data, int $status): void
    {
        if ($act === 'edit' && $this->open[$person] !== null) {
            [, $piece, $by] = $this->open[$person];
            $this->moved[$person][$piece] = ($this->moved[$person][$piece] ?? 0.0) + $by;
            $this->versions[$person] = $data['job']['version'];
            $this->open[$person] = null;
            $this->edits++;
        } elseif ($act === 'prepare') {
            $this->waited[$person] = ['prepared', 'preparations/'.($data['id'] ?? 0)];
        } elseif ($act === 'prepared') {
            // Asked again with the next pause, as long as it is not.
            if (! in_array($data['status'] ?? '', ['waiting', 'running'], true)) {
                $this->prepared += ($data['status'] ?? '') === 'done' ? 1 : 0;
                $this->waited[$person] = ['layouts', "jobs/{$this->jobs[$person]}/making"];
            }
        } elseif ($act === 'layouts' && $status === 200) {
            $this->laid++;
            unset($this->waited[$person]);
        }
    }

    /**
     * @param  array<mixed>  $state  of a job
     * @return array<string, float> mm from the left, by piece
     */
    private static function places(array $state): array
    {
        return array_column(array_map(static fn (array $piece): array => [$piece['id'], $piece['box'][0]], $state['art']['pieces']), 1, 0);
    }

    /** @return array{int, int} acknowledged moves that are not in their jobs, and pieces that were looked at */
    public function lost(): array
    {
        $lost = $looked = 0;
        foreach ($this->jobs as $person => $job) {
            $now = self::places(self::get("jobs/{$job}"));
            foreach ($this->from[$person] as $piece => $x) {
                $looked++;
                $lost += abs(($now[$piece] ?? INF) - $x - ($this->moved[$person][$piece] ?? 0.0)) > 0.001 ? 1 : 0;
            }
        }

        return [$lost, $looked];
    }

    /**
     * @param  callable(float): bool  $counts  whether what was acknowledged at that moment counts
     * @return list<float> ms, the shortest first
     */
    public function times(string $act, callable $counts): array
    {
        $times = array_column(array_filter($this->took[$act] ?? [], static fn (array $one): bool => $counts($one[0])), 1);
        sort($times);

        return $times;
    }

    /** @return array<mixed> */
    public static function get(string $path): array
    {
        for ($try = 0; $try < 20; $try++) {
            if (($data = self::tried($path)) !== null) {
                return $data;
            }
            usleep(500_000);
        }

        return [];
    }

    /** @return array<mixed>|null */
    public static function tried(string $path, ?string $body = null, string $type = 'application/json', string $method = 'POST'): ?array
    {
        $handle = self::handle($path, $body, $type);
        curl_setopt($handle, CURLOPT_TIMEOUT, 60);
        if ($body !== null && $method !== 'POST' && $method !== '') {
            curl_setopt($handle, CURLOPT_CUSTOMREQUEST, $method);
        }
        $data = json_decode((string) curl_exec($handle), true);

        return is_array($data) && curl_getinfo($handle, CURLINFO_RESPONSE_CODE) < 300 ? $data : null;
    }

    /** @return array<mixed> */
    public static function post(string $path, string $body, string $type = 'application/json'): array
    {
        return self::tried($path, $body, $type) ?? [];
    }

    private static function handle(string $path, ?string $body, string $type = 'application/json'): CurlHandle
    {
        $handle = curl_init('http://127.0.0.1:'.Floor::PORT."/api/v1/{$path}") ?: throw new \RuntimeException('No request can be made.');
        curl_setopt_array(
            $handle,
            [CURLOPT_RETURNTRANSFER => true, CURLOPT_HTTPHEADER => ['Accept: application/json', "Content-Type: {$type}"], CURLOPT_ENCODING => ''],
        );
        if ($body !== null) {
            curl_setopt_array($handle, [CURLOPT_POST => true, CURLOPT_POSTFIELDS => $body]);
        }

        return $handle;
    }

    /** @param  array<mixed>  $data */
    public static function json(array $data): string
    {
        return json_encode($data, JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION);
    }
}
