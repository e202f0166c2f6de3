<?php

declare(strict_types=1);

namespace NeatEdge\Devices;

/**
 * A stand-in for a machine on a line: a process of its own that listens, takes bytes as they come, does what they say in its own time, and draws what it
 * did. It
 * knows nothing of who sends.
 */
abstract class Machine
{
    /** @var resource|null */
    private $client = null;

    protected string $buffer = '';

    /** @var list<array{at: float, what: string}> */
    protected array $log = [];

    protected int $jobs = 0;

    /** Work that was done, for faults that come after some. */
    protected int $deeds = 0;

    protected bool $failed = false;

    protected float $seconds = 0.0;

    /** mm/s in the air. */
    public float $travel = 400.0;

    /** mm/s² in which speed is gathered and lost. */
    public float $gather = 2000.0;

    /** Seconds for going up or down. */
    public float $lift = 0.05;

    /** mm from the axis of a drag knife to its tip; no other machine has one. */
    public float $blade = 0.0;

    private ?Motion $motion = null;

    /** Seconds of the stroke that were told as they went by. */
    private float $told = 0.0;

    private float $began;

    /**
     * @param  float  $width  of the bed, mm
     * @param  float  $height  mm
     * @param  string  $folder  where it leaves what it did
     * @param  string  $fail  drop, empty, busy, slow, rubbish or none
     * @param  float  $pace  how much faster than life it works; 0 is at once
     * @param  int  $after  deeds after which it fails
     */
    public function __construct(
        protected readonly float $width,
        protected readonly float $height,
        protected readonly string $folder,
        protected readonly string $fail = '',
        protected readonly float $pace = 1.0,
        protected readonly int $after = 40,
    ) {
        $this->began = microtime(true);
    }

    /** Bytes that it holds at once: while they wait no more are taken from the line. */
    protected const HOLDS = 1024;

    /** Does the next whole thing in its buffer; false when there is none. */
    abstract protected function work(): bool;

    /** What is left of a thing that was cut off when the line was. */
    abstract protected function forget(): void;

    /** SVG of what was done since the job began. */
    abstract protected function drawing(): string;

    /** @return array<string, mixed> the job in numbers */
    abstract protected function numbers(): array;

    /**
     * Listens until it is ended.
     *
     * @param  callable(string): void  $say
     */
    public function listen(int $port, callable $say): void
    {
        $server = @stream_socket_server("tcp://127.0.0.1:{$port}", $code, $words);
        if ($server === false) {
            throw new \RuntimeException(sprintf('Port %d cannot be listened on: %s.', $port, $words));
        }
        $say(sprintf('listening on 127.0.0.1:%d, bed %.0f x %.0f mm', $port, $this->width, $this->height));
        for (; ;) {
            $this->turn($server, $say);
        }
    }

    /**
     * @param  resource  $server
     * @param  callable(string): void  $say
     */
    private function turn($server, callable $say): void
    {
        $read = [$server];
        if ($this->client !== null && strlen($this->buffer) < static::HOLDS) {
            $read[] = $this->client;
        }
        $write = $except = null;
        $waits = $this->isWaiting() ? 0 : 20_000;
        if (@stream_select($read, $write, $except, 0, $waits) > 0) {
            foreach ($read as $one) {
                $one === $server ? $this->accept($server, $say) : $this->take($say);
            }
        }
        if (! $this->work()) {
            return;
        }
        $this->deeds++;
        if ($this->fail === 'drop' && ! $this->failed && $this->deeds >= $this->after) {
            $this->failed = true;
            $say('the line is pulled');
            $this->hangUp();
        }
    }

    private function isWaiting(): bool
    {
        return $this->buffer !== '';
    }

    /**
     * @param  resource  $server
     * @param  callable(string): void  $say
     */
    private function accept($server, callable $say): void
    {
        $client = @stream_socket_accept($server, 0);
        if ($client === false) {
            return;
        }
        if ($this->client !== null || ($this->fail === 'busy' && microtime(true) - $this->began < 2.0)) {
            @fwrite($client, "busy\n");
            fclose($client);

            return;
        }
        stream_set_blocking($client, false);
        $this->client = $client;
        $say('somebody is on the line');
    }

    /** @param  callable(string): void  $say */
    private function take(callable $say): void
    {
        $bytes = $this->client === null ? false : @fread($this->client, 512);
        if ($bytes === false || ($bytes === '' && $this->client !== null && feof($this->client))) {
            $say('the line is gone');
            $this->hangUp();

            return;
        }
        $this->buffer .= $bytes;
    }

    /** What came is done; what was cut off is forgotten. */
    protected function hangUp(): void
    {
        if ($this->client !== null) {
            @fclose($this->client);
        }
        $this->client = null;
        while ($this->work()) {
            $this->deeds++;
        }
        $this->forget();
        $this->leave();
    }

    protected function answer(string $text): void
    {
        if ($this->client === null) {
            return;
        }
        if ($this->fail === 'rubbish' && $this->deeds >= $this->after && $this->deeds < $this->after + 3) {
            $text = "\x00?!\xFF\r";
        }
        @fwrite($this->client, $text);
    }

    /** One more piece of a stroke; what gathering and braking adds is spent when it comes to rest. */
    protected function along(float $dx, float $dy, float $speed): void
    {
        $this->motion ??= new Motion($this->gather);
        $this->motion->push($dx, $dy, $speed);
        $this->told += hypot($dx, $dy) / $speed;
        $this->spend(hypot($dx, $dy) / $speed);
    }

    protected function rest(): void
    {
        $this->spend(($this->motion?->rest() ?? 0.0) - $this->told);
        $this->told = 0.0;
    }

    /** From rest to rest in the air. */
    protected function fly(float $dx, float $dy): void
    {
        $this->rest();
        $this->along($dx, $dy, $this->travel);
        $this->rest();
    }

    /** Takes its time. */
    protected function spend(float $seconds): void
    {
        $this->seconds += $seconds;
        if ($seconds <= 0) {
            return;
        }
        $pace = $this->fail === 'slow' ? $this->pace / 10 : $this->pace;
        if ($pace > 0) {
            usleep((int) min(5e6, 1e6 * $seconds / $pace));
        }
    }

    protected function note(string $what): void
    {
        $this->log[] = ['at' => round($this->seconds, 3), 'what' => $what];
    }

    /** Leaves what was done so far. */
    protected function leave(): void
    {
        if ($this->jobs === 0) {
            return;
        }
        if (! is_dir($this->folder)) {
            @mkdir($this->folder, 0775, true);
        }
        $name = sprintf('%s/job-%04d', $this->folder, $this->jobs);
        $whole = [
            "{$name}.svg" => $this->drawing(),
            "{$name}.json" => json_encode(
                [...$this->numbers(), 'seconds' => round($this->seconds, 3), 'log' => $this->log],
                JSON_PRETTY_PRINT | JSON_THROW_ON_ERROR | JSON_INVALID_UTF8_SUBSTITUTE,
            )."\n",
        ];
        // Whoever looks while it is written, or ends the machine then, finds what was written before.
        foreach ($whole as $path => $text) {
            file_put_contents("{$path}.part", $text);
            rename("{$path}.part", $path);
        }
    }

    protected function begin(string $what): void
    {
        $this->jobs++;
        $this->seconds = 0.0;
        $this->log = [];
        $this->note($what);
    }

    protected static function head(float $width, float $height): string
    {
        return sprintf(
            '<svg xmlns="http://www.w3.org/2000/svg" width="%1$.2Fmm" height="%2$.2Fmm" viewBox="0 0 %1$.2F %2$.2F"><rect width="%1$.2F" height="%2$.2F"'
                .' fill="#fffdf7" stroke="#bbb" stroke-width=".3"/>',
            $width,
            $height,
        )."\n";
    }
}
