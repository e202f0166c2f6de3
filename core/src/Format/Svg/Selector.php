<?php

declare(strict_types=1);

namespace NeatEdge\Core\Format\Svg;

use DOMElement;

/** One CSS selector of element names, classes, ids and attributes, with descendant and child combinators. */
final readonly class Selector
{
    /**
     * @param  list<array{element: string, id: list<string>, class: list<string>, attribute: list<array{string, string|null}>, child: bool}>  $steps  outermost first; child: directly inside the step before
     * @param  int  $specificity  ids, classes and elements in thousands
     */
    private function __construct(private array $steps, public int $specificity)
    {
    }

    /** Null for what the page alone could decide, such as :hover: such a rule never applies to a drawing. */
    public static function parse(string $text): ?self
    {
        $text = trim(preg_replace('/\s*>\s*/', ' >', trim($text)) ?? '');
        $steps = [];
        $specificity = 0;
        foreach (preg_split('/\s+/', $text, -1, PREG_SPLIT_NO_EMPTY) ?: [] as $part) {
            $child = str_starts_with($part, '>');
            $step = ['element' => '*', 'id' => [], 'class' => [], 'attribute' => [], 'child' => $child];
            $part = ltrim($part, '>');
            if (preg_match_all('/(\*|[A-Za-z][\w-]*)|\.((?:[\w-]|\\\\.|[^\x00-\x7F])+)|#((?:[\w-]|\\\\.|[^\x00-\x7F])+)|\[\s*([\w:-]+)\s*(?:=\s*["\']?([^"\'\]]*)["\']?\s*)?\]/', $part, $found, PREG_SET_ORDER | PREG_UNMATCHED_AS_NULL) === 0
                || implode('', array_column($found, 0)) !== $part) {
                return null;
            }
            foreach ($found as $one) {
                if ($one[1] !== null) {
                    $step['element'] = $one[1];
                    $specificity += $one[1] === '*' ? 0 : 1;
                } elseif ($one[2] !== null) {
                    $step['class'][] = stripslashes($one[2]);
                    $specificity += 1000;
                } elseif ($one[3] !== null) {
                    $step['id'][] = stripslashes($one[3]);
                    $specificity += 1_000_000;
                } elseif ($one[4] !== null) {
                    $step['attribute'][] = [$one[4], $one[5]];
                    $specificity += 1000;
                }
            }
            $steps[] = $step;
        }

        return $steps === [] ? null : new self($steps, $specificity);
    }

    public function matches(DOMElement $element): bool
    {
        return $this->matchesFrom($element, count($this->steps) - 1);
    }

    private function matchesFrom(DOMElement $element, int $i): bool
    {
        $step = $this->steps[$i];
        if ($step['element'] !== '*' && $step['element'] !== $element->localName) {
            return false;
        }
        foreach ($step['id'] as $id) {
            if ($element->getAttribute('id') !== $id) {
                return false;
            }
        }
        if ($step['class'] !== []) {
            $classes = preg_split('/\s+/', $element->getAttribute('class')) ?: [];
            if (array_diff($step['class'], $classes) !== []) {
                return false;
            }
        }
        foreach ($step['attribute'] as [$name, $value]) {
            if (! $element->hasAttribute($name) || ($value !== null && $element->getAttribute($name) !== $value)) {
                return false;
            }
        }
        if ($i === 0) {
            return true;
        }
        for ($up = $element->parentNode; $up instanceof DOMElement; $up = $up->parentNode) {
            if ($this->matchesFrom($up, $i - 1)) {
                return true;
            }
            if ($step['child']) {
                return false;
            }
        }

        return false;
    }

    /** A class, id or element that its subject must have: for finding candidates fast. */
    public function key(): string
    {
        $last = $this->steps[count($this->steps) - 1];

        return match (true) {
            $last['id'] !== [] => '#'.$last['id'][0],
            $last['class'] !== [] => '.'.$last['class'][0],
            default => $last['element'],
        };
    }
}
