<?php

declare(strict_types=1);

namespace NeatEdge\Core\Format\Svg;

use DOMElement;

/**
 * One CSS selector: element names, classes, ids, attributes and the pseudo-classes that a document decides, with all
 * four combinators.
 *
 * @source Selectors Level 3
 */
final class Selector
{
    private const PART = '/(?<element>\*|[A-Za-z][\w-]*)|\.(?<class>(?:[\w-]|\\\\.|[^\x00-\x7F])+)|#(?<id>(?:[\w-]|\\\\.|[^\x00-\x7F])+)'
        .'|\[\s*(?<name>[\w:-]+)\s*(?:(?<how>[~|^$*]?=)\s*["\']?(?<value>[^"\'\]]*)["\']?\s*)?\]|:(?<pseudo>[a-z-]+)(?:\((?<argument>[^()]*)\))?/';

    private const DECIDED = ['first-child', 'last-child', 'only-child', 'first-of-type', 'last-of-type', 'only-of-type', 'nth-child', 'nth-last-child', 'nth-of-type', 'root', 'empty', 'not'];

    /** Letters and steps beyond which no selector was ever meant. */
    private const LONGEST = 2000;

    private const MOST_STEPS = 24;

    private const MOST_BESIDE = 4;

    private readonly bool $onlyUp;

    private static string $note = 'position-noted';

    /**
     * @param  list<array{0: string, 1: list<array{string, string, string, string}>}>  $steps  outermost first: the combinator before it (" ", ">", "+" or "~"), and its parts as kind, name, how, value
     * @param  int  $specificity  ids, classes and elements in thousands
     */
    private function __construct(private readonly array $steps, public readonly int $specificity)
    {
        $this->onlyUp = array_filter($steps, static fn (array $step): bool => $step[0] === '+' || $step[0] === '~') === [];
    }

    /** Null for what the page alone could decide, such as :hover: such a rule never applies to a drawing. */
    public static function parse(string $text): ?self
    {
        if (strlen($text) > self::LONGEST) {
            return null;
        }
        $text = preg_replace('/\s*([>+~])(?![^\[]*\])(?!=)\s*/', ' $1', trim($text)) ?? '';
        $steps = [];
        $specificity = 0;
        // Spaces inside brackets part nothing.
        foreach (preg_split('/\s+(?![^\[(]*[\])])/', trim($text), -1, PREG_SPLIT_NO_EMPTY) ?: [] as $written) {
            $combinator = ' ';
            if (in_array($written[0], ['>', '+', '~'], true)) {
                $combinator = $written[0];
                $written = substr($written, 1);
            }
            $parts = [];
            if (preg_match_all(self::PART, $written, $found, PREG_SET_ORDER | PREG_UNMATCHED_AS_NULL) === 0 || implode('', array_column($found, 0)) !== $written) {
                return null;
            }
            foreach ($found as $one) {
                if ($one['element'] !== null) {
                    $parts[] = ['element', $one['element'], '', ''];
                    $specificity += $one['element'] === '*' ? 0 : 1;
                } elseif ($one['class'] !== null) {
                    $parts[] = ['class', stripslashes($one['class']), '', ''];
                    $specificity += 1000;
                } elseif ($one['id'] !== null) {
                    $parts[] = ['id', stripslashes($one['id']), '', ''];
                    $specificity += 1_000_000;
                } elseif ($one['name'] !== null) {
                    $parts[] = ['attribute', $one['name'], $one['how'] ?? '', $one['value'] ?? ''];
                    $specificity += 1000;
                } elseif (! in_array($one['pseudo'], self::DECIDED, true)) {
                    return null;
                } else {
                    $argument = trim($one['argument'] ?? '');
                    if ($one['pseudo'] === 'not') {
                        $inner = self::parse($argument);
                        if ($inner === null || count($inner->steps) !== 1) {
                            return null;
                        }
                        $specificity += $inner->specificity;
                    } else {
                        $specificity += 1000;
                    }
                    $parts[] = ['pseudo', (string) $one['pseudo'], '', $argument];
                }
            }
            $steps[] = [$combinator, $parts];
        }

        $beside = count(array_filter($steps, static fn (array $step): bool => $step[0] === '+' || $step[0] === '~'));

        return $steps === [] || count($steps) > ($beside > 0 ? 2 * self::MOST_BESIDE : self::MOST_STEPS) || $beside > self::MOST_BESIDE ? null : new self($steps, $specificity);
    }

    public function matches(DOMElement $element): bool
    {
        $tried = [];

        return $this->matchesFrom($element, count($this->steps) - 1, 0, $tried);
    }

    /** Whether name, class and id of the element alone decide. */
    public function isPlain(): bool
    {
        return count($this->steps) === 1 && array_filter($this->steps[0][1], static fn (array $part): bool => ! in_array($part[0], ['element', 'class', 'id'], true)) === [];
    }

    /** A class, id or element that its subject must have: for finding candidates fast. */
    public function key(): string
    {
        $key = '*';
        foreach ($this->steps[count($this->steps) - 1][1] as [$kind, $name]) {
            if ($kind === 'id') {
                return "#{$name}";
            }
            $key = match (true) {
                $kind === 'class' => ".{$name}",
                $kind === 'element' && $key === '*' => $name,
                default => $key,
            };
        }

        return $key;
    }

    /**
     * @param  int  $far  how many elements it is from the one that was asked about, which tells elements on the way apart
     * @param  array<string, true>  $tried  steps that were found not to match from there: no way is gone twice
     */
    private function matchesFrom(DOMElement $element, int $i, int $far, array &$tried): bool
    {
        [$combinator, $parts] = $this->steps[$i];
        foreach ($parts as $part) {
            if (! self::hasPart($element, $part)) {
                return false;
            }
        }
        if ($i === 0) {
            return true;
        }
        $beside = $combinator === '+' || $combinator === '~';
        $alone = $combinator === '>' || $combinator === '+';
        for ($other = self::next($element, $beside), $n = 1; $other !== null; $other = self::next($other, $beside), $n++) {
            // Going up only, how far tells which element it is; with siblings in it, steps are few enough to be tried again.
            $key = $i.' '.($far + $n);
            if (! isset($tried[$key]) && $this->matchesFrom($other, $i - 1, $far + $n, $tried)) {
                return true;
            }
            if ($this->onlyUp) {
                $tried[$key] = true;
            }
            if ($alone) {
                return false;
            }
        }

        return false;
    }

    private static function next(DOMElement $element, bool $beside): ?DOMElement
    {
        $other = $beside ? $element->previousElementSibling : $element->parentNode;

        return $other instanceof DOMElement ? $other : null;
    }

    /** @param  array{string, string, string, string}  $part */
    private static function hasPart(DOMElement $element, array $part): bool
    {
        [$kind, $name, $how, $value] = $part;

        return match ($kind) {
            'element' => $name === '*' || $name === $element->localName,
            'id' => $element->getAttribute('id') === $name,
            'class' => self::hasClass($element->getAttribute('class'), $name),
            'attribute' => self::hasAttribute($element, $name, $how, $value),
            default => self::isPseudo($element, $name, $value),
        };
    }

    private static function hasClass(string $classes, string $name): bool
    {
        return $classes === $name || (str_contains($classes, $name) && in_array($name, preg_split('/\s+/', $classes) ?: [], true));
    }

    private static function hasAttribute(DOMElement $element, string $name, string $how, string $value): bool
    {
        if (! $element->hasAttribute($name)) {
            return false;
        }
        $has = $element->getAttribute($name);

        return match ($how) {
            '' => true,
            '=' => $has === $value,
            '~=' => $value !== '' && in_array($value, preg_split('/\s+/', $has) ?: [], true),
            '|=' => $has === $value || str_starts_with($has, "{$value}-"),
            '^=' => $value !== '' && str_starts_with($has, $value),
            '$=' => $value !== '' && str_ends_with($has, $value),
            default => $value !== '' && str_contains($has, $value),
        };
    }

    private static function isPseudo(DOMElement $element, string $name, string $argument): bool
    {
        return match ($name) {
            'first-child' => self::position($element, true, false) === 1,
            'last-child' => self::position($element, false, false) === 1,
            'only-child' => self::position($element, true, false) === 1 && self::position($element, false, false) === 1,
            'first-of-type' => self::position($element, true, true) === 1,
            'last-of-type' => self::position($element, false, true) === 1,
            'only-of-type' => self::position($element, true, true) === 1 && self::position($element, false, true) === 1,
            'nth-child' => self::isNth(self::position($element, true, false), $argument),
            'nth-last-child' => self::isNth(self::position($element, false, false), $argument),
            'nth-of-type' => self::isNth(self::position($element, true, true), $argument),
            'root' => ! $element->parentNode instanceof DOMElement,
            'empty' => trim($element->textContent) === '' && $element->firstElementChild === null,
            default => ! (self::parse($argument)?->matches($element) ?? true),
        };
    }

    /** Positions are noted on elements under a name that is made of the whole file: none can hold it already. */
    public static function noteFor(string $bytes): void
    {
        self::$note = 'position-'.hash('sha256', $bytes);
    }

    /** Its number among its siblings, from 1; all of a parent are counted at once and noted on them. */
    private static function position(DOMElement $element, bool $fromStart, bool $sameName): int
    {
        if (! $element->hasAttribute(self::$note)) {
            $siblings = [];
            for ($one = $element->parentNode?->firstChild; $one !== null; $one = $one->nextSibling) {
                if ($one instanceof DOMElement) {
                    $siblings[] = $one;
                }
            }
            $siblings = $siblings === [] ? [$element] : $siblings;
            $names = array_count_values(array_map(static fn (DOMElement $one): string => (string) $one->localName, $siblings));
            $seen = [];
            $n = count($siblings);
            foreach ($siblings as $i => $one) {
                $name = (string) $one->localName;
                $of = $seen[$name] = ($seen[$name] ?? 0) + 1;
                $one->setAttribute(self::$note, implode(' ', [$i + 1, $n - $i, $of, $names[$name] - $of + 1]));
            }
        }
        $counts = array_map(intval(...), explode(' ', $element->getAttribute(self::$note)));

        return $counts[($sameName ? 2 : 0) + ($fromStart ? 0 : 1)] ?? 0;
    }

    private static function isNth(int $position, string $text): bool
    {
        $text = strtolower(preg_replace('/\s+/', '', $text) ?? '');
        $text = ['odd' => '2n+1', 'even' => '2n'][$text] ?? $text;
        if (preg_match('/^(?:([+-]?\d*)n)?([+-]?\d+)?$/', $text, $found) !== 1 || $text === '') {
            return false;
        }
        $each = ! str_contains($text, 'n') ? 0 : (int) (in_array($found[1] ?? '', ['', '+', '-'], true) ? ($found[1] ?? '').'1' : $found[1]);
        $rest = $position - (int) ($found[2] ?? 0);

        return $each === 0 ? $rest === 0 : $rest % $each === 0 && intdiv($rest, $each) >= 0;
    }
}
