<?php

declare(strict_types=1);

namespace NeatEdge\Core\Format;

use NeatEdge\Core\Check\Finding;
use NeatEdge\Core\Check\Severity;
use NeatEdge\Core\Geometry\Point;

/** What the reader has to say about a drawing, one finding each, up to a number. */
final class Notes
{
    private const MOST = 300;

    /** @var list<Finding> */
    public array $findings = [];

    /** @var array<string, true> */
    private array $said = [];

    /** @param  string|null  $of  what it is of, where several of a kind are told apart */
    public function add(string $kind, string $message, Severity $severity, ?Point $at = null, ?string $of = null): void
    {
        if (count($this->findings) < self::MOST) {
            $this->findings[] = new Finding($kind, $severity, $message, $at, sheet: $of);
        }
    }

    /** Says a thing the first time only. */
    public function once(string $kind, string $message, Severity $severity, ?Point $at = null, ?string $of = null): void
    {
        if (! isset($this->said[$message])) {
            $this->said[$message] = true;
            $this->add($kind, $message, $severity, $at, $of);
        }
    }

    public function leftOut(string $kind, string $what, ?Point $at): void
    {
        $this->add($kind, "Left out {$what}: it is not turned into outlines.", $kind === 'script' ? Severity::Note : Severity::Serious, $at);
    }

    public function outside(string $what, ?Point $at): void
    {
        $this->add('external-reference', "Left out {$what} that lies outside the file: nothing outside it is read.", Severity::Warning, $at);
    }
}
