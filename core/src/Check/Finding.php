<?php

declare(strict_types=1);

namespace NeatEdge\Core\Check;

use NeatEdge\Core\Geometry\Point;

/** What a check found: what kind of thing, where, what was measured, against which limit. */
final readonly class Finding
{
    /** Kinds that say nothing of what the file lost. */
    private const BY_RULES = [
        'no-size', 'look-changed', 'made-solid', 'hand-work-lost', 'near-black', 'see-through', 'overlapping-sheets', 'gradient', 'outside-page',
    ];

    /**
     * @param  string  $kind  a fixed word for scripts, such as thin-line
     * @param  string  $message  one sentence for people
     * @param  Point|null  $at  the place, mm
     * @param  float|null  $measured  mm
     * @param  float|null  $limit  mm
     * @param  float|null  $length  how long the stretch is, mm
     * @param  string|null  $piece  id of the piece it is on
     * @param  list<list<Point>>  $ribbon  outlines of the stretch, mm, whole
     * @param  string|null  $step  key of the step of preparation that mends it
     * @param  string|null  $sheet  colour of the sheet that it is on, #rrggbb, or what else it is made of
     * @param  float|null  $typical  mm, as a rule along the stretch
     * @param  bool  $minor  whether it is too small to be looked at before the others
     */
    public function __construct(
        public string $kind,
        public Severity $severity,
        public string $message,
        public ?Point $at = null,
        public ?float $measured = null,
        public ?float $limit = null,
        public ?float $length = null,
        public ?string $piece = null,
        public array $ribbon = [],
        public ?string $step = null,
        public ?string $sheet = null,
        public ?float $typical = null,
        public bool $minor = false,
    ) {
    }

    /** Whether something of the file was left out, replaced or cannot be made: not what a rule measured, nor that the file states no size. */
    public function isLeftOut(): bool
    {
        return $this->measured === null && $this->severity !== Severity::Note && ! in_array($this->kind, self::BY_RULES, true);
    }

    /** Whether it stands between a job and its machine until somebody accepts it: all but what is only good to know. */
    public function blocks(): bool
    {
        return $this->severity !== Severity::Note;
    }

    /** The same finding on art that was scaled, and moved before. */
    public function scaled(float $factor, float $dx = 0.0, float $dy = 0.0): self
    {
        $place = static fn (Point $p): Point => new Point(($p->x + $dx) * $factor, ($p->y + $dy) * $factor);

        return new self(
            $this->kind, $this->severity, $this->message,
            $this->at === null ? null : $place($this->at),
            $this->measured, $this->limit, $this->length, $this->piece,
            array_map(static fn (array $ring): array => array_map($place, $ring), $this->ribbon),
            $this->step, $this->sheet, $this->typical, $this->minor,
        );
    }

    /** @return array<string, mixed> for JSON; the place and measures in mm */
    public function toArray(): array
    {
        $round = static fn (float $mm): float => round($mm, 4);
        $row = ['kind' => $this->kind, 'severity' => $this->severity->value];
        if ($this->measured !== null) {
            $row['width_mm'] = $round($this->measured);
        }
        if ($this->limit !== null) {
            $row['limit_mm'] = $round($this->limit);
        }
        if ($this->length !== null) {
            $row['length_mm'] = $round($this->length);
        }
        if ($this->typical !== null) {
            $row['typical_mm'] = $round($this->typical);
        }
        if ($this->sheet !== null) {
            $row['sheet'] = $this->sheet;
        }
        if ($this->minor) {
            $row['minor'] = true;
        }
        if ($this->at !== null) {
            $row['at'] = [$round($this->at->x), $round($this->at->y)];
        }
        if ($this->piece !== null) {
            $row['piece'] = $this->piece;
        }
        if ($this->ribbon !== []) {
            $row['ribbon'] = array_map(
                static fn (array $ring): array => array_map(static fn (Point $p): array => [$round($p->x), $round($p->y)], $ring),
                $this->ribbon,
            );
        }
        if ($this->step !== null) {
            $row['step'] = $this->step;
        }
        $row['message'] = $this->message;

        return $row;
    }
}
