<?php

declare(strict_types=1);

namespace NeatEdge\Core\Format\Svg;

use DOMElement;
use LogicException;
use Symfony\Component\CssSelector\Exception\ExceptionInterface;
use Symfony\Component\CssSelector\Node\AttributeNode;
use Symfony\Component\CssSelector\Node\ClassNode;
use Symfony\Component\CssSelector\Node\CombinedSelectorNode;
use Symfony\Component\CssSelector\Node\ElementNode;
use Symfony\Component\CssSelector\Node\FunctionNode;
use Symfony\Component\CssSelector\Node\HashNode;
use Symfony\Component\CssSelector\Node\NegationNode;
use Symfony\Component\CssSelector\Node\NodeInterface;
use Symfony\Component\CssSelector\Node\PseudoNode;
use Symfony\Component\CssSelector\Parser\Parser;

/**
 * One CSS selector: element names, classes, ids, attributes and the pseudo-classes that a document decides, with all
 * four combinators.
 *
 * @source Selectors Level 3; read by symfony/css-selector
 *
 * @phpstan-type Part array{kind: string, name: string, how: string, value: string, series: array{int, int}, not: self|null}
 */
final class Selector
{
    /** Pseudo-classes that a document decides. */
    private const DECIDED = ['first-child', 'last-child', 'only-child', 'first-of-type', 'last-of-type', 'only-of-type', 'root', 'empty'];

    /** Those of a number: whether counted from the start, and whether among those of one name. */
    private const COUNTED = [
        'nth-child' => [true, false],
        'nth-last-child' => [false, false],
        'nth-of-type' => [true, true],
        'nth-last-of-type' => [false, true],
    ];

    /** Letters and steps beyond which no selector was ever meant. */
    private const LONGEST = 2000;

    private const MOST_STEPS = 24;

    private const MOST_BESIDE = 4;

    private readonly bool $onlyUp;

    private static string $note = 'position-noted';

    /**
     * @param  list<array{string, list<Part>}>  $steps  outermost first: the combinator before it (" ", ">", "+" or "~"), and its parts
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
        try {
            $trees = (new Parser)->parse(trim($text));
        } catch (ExceptionInterface) {
            return null;
        }

        return count($trees) !== 1 || $trees[0]->getPseudoElement() !== null ? null : self::of($trees[0]->getTree());
    }

    private static function of(NodeInterface $tree): ?self
    {
        $steps = [];
        $specificity = 0;
        for ($node = $tree; $node instanceof CombinedSelectorNode; $node = $node->getSelector()) {
            $parts = self::parts($node->getSubSelector(), $specificity);
            if ($parts === null) {
                return null;
            }
            array_unshift($steps, [$node->getCombinator(), $parts]);
        }
        $parts = self::parts($node, $specificity);
        if ($parts === null) {
            return null;
        }
        array_unshift($steps, [' ', $parts]);
        $beside = count(array_filter($steps, static fn (array $step): bool => $step[0] === '+' || $step[0] === '~'));

        return count($steps) > ($beside > 0 ? 2 * self::MOST_BESIDE : self::MOST_STEPS) || $beside > self::MOST_BESIDE ? null : new self($steps, $specificity);
    }

    /**
     * @param  int  $specificity  brought up to date
     * @return list<Part>|null null where one of them is none that a document decides
     */
    private static function parts(NodeInterface $node, int &$specificity): ?array
    {
        $parts = [];
        while ($node instanceof HashNode
            || $node instanceof ClassNode
            || $node instanceof AttributeNode
            || $node instanceof PseudoNode
            || $node instanceof FunctionNode
            || $node instanceof NegationNode) {
            $part = self::part($node, $specificity);
            if ($part === null) {
                return null;
            }
            array_unshift($parts, $part);
            $node = $node->getSelector();
        }
        if (! $node instanceof ElementNode || $node->getNamespace() !== null) {
            return null;
        }
        if ($node->getElement() !== null) {
            $specificity += 1;
        }

        return $node->getElement() === null && $parts !== [] ? $parts : [self::told('element', $node->getElement() ?? '*'), ...$parts];
    }

    /** @return Part|null */
    private static function part(NodeInterface $node, int &$specificity): ?array
    {
        $specificity += $node instanceof HashNode ? 1_000_000 : ($node instanceof NegationNode ? 0 : 1000);
        if ($node instanceof NegationNode) {
            $inner = self::of($node->getSubSelector());
            $specificity += $inner->specificity ?? 0;

            return $inner === null || count($inner->steps) !== 1 ? null : self::told('not', '', not: $inner);
        }
        if ($node instanceof FunctionNode) {
            return isset(self::COUNTED[$node->getName()]) ? self::series($node) : null;
        }

        return match (true) {
            $node instanceof HashNode => self::told('id', $node->getId()),
            $node instanceof ClassNode => self::told('class', $node->getName()),
            $node instanceof AttributeNode => $node->getNamespace() !== null || $node->getOperator() === '!=' ? null : self::told(
                'attribute',
                $node->getAttribute(),
                $node->getOperator(),
                (string) $node->getValue(),
            ),
            $node instanceof PseudoNode => in_array($node->getIdentifier(), self::DECIDED, true) ? self::told('pseudo', $node->getIdentifier()) : null,
            default => null,
        };
    }

    /** @return Part|null */
    private static function series(FunctionNode $node): ?array
    {
        try {
            [$each, $first] = Parser::parseSeries($node->getArguments());
        } catch (ExceptionInterface) {
            return null;
        }

        return self::told('nth', $node->getName(), series: [$each, $first]);
    }

    /**
     * @param  array{int, int}  $series
     * @return Part
     */
    private static function told(string $kind, string $name, string $how = '', string $value = '', array $series = [0, 0], ?self $not = null): array
    {
        return ['kind' => $kind, 'name' => $name, 'how' => $how, 'value' => $value, 'series' => $series, 'not' => $not];
    }

    public function matches(DOMElement $element): bool
    {
        $tried = [];

        return $this->matchesFrom($element, count($this->steps) - 1, 0, $tried);
    }

    /** Whether name, class and id of the element alone decide. */
    public function isPlain(): bool
    {
        return count($this->steps) === 1 && array_filter(
            $this->steps[0][1],
            static fn (array $part): bool => ! in_array($part['kind'], ['element', 'class', 'id'], true),
        ) === [];
    }

    /** A class, id or element that its subject must have: for finding candidates fast. */
    public function key(): string
    {
        $key = '*';
        foreach ($this->steps[count($this->steps) - 1][1] as ['kind' => $kind, 'name' => $name]) {
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

    /** @param  Part  $part */
    private static function hasPart(DOMElement $element, array $part): bool
    {
        $name = $part['name'];

        return match ($part['kind']) {
            'element' => $name === '*' || $name === $element->localName,
            'id' => $element->getAttribute('id') === $name,
            'class' => self::hasClass($element->getAttribute('class'), $name),
            'attribute' => self::hasAttribute($element, $name, $part['how'], $part['value']),
            'nth' => self::isNth(self::position($element, ...self::COUNTED[$name]), ...$part['series']),
            'not' => ! ($part['not']?->matches($element) ?? true),
            default => self::isPseudo($element, $name),
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
            'exists' => true,
            '=' => $has === $value,
            '~=' => $value !== '' && in_array($value, preg_split('/\s+/', $has) ?: [], true),
            '|=' => $has === $value || str_starts_with($has, "{$value}-"),
            '^=' => $value !== '' && str_starts_with($has, $value),
            '$=' => $value !== '' && str_ends_with($has, $value),
            default => $value !== '' && str_contains($has, $value),
        };
    }

    private static function isPseudo(DOMElement $element, string $name): bool
    {
        return match ($name) {
            'first-child' => self::position($element, true, false) === 1,
            'last-child' => self::position($element, false, false) === 1,
            'only-child' => self::position($element, true, false) === 1 && self::position($element, false, false) === 1,
            'first-of-type' => self::position($element, true, true) === 1,
            'last-of-type' => self::position($element, false, true) === 1,
            'only-of-type' => self::position($element, true, true) === 1 && self::position($element, false, true) === 1,
            'root' => ! $element->parentNode instanceof DOMElement,
            'empty' => trim($element->textContent) === '' && $element->firstElementChild === null,
            default => throw new LogicException("The pseudo-class {$name} was read and is not known."),
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
            for ($sibling = $element->parentNode?->firstChild; $sibling !== null; $sibling = $sibling->nextSibling) {
                if ($sibling instanceof DOMElement) {
                    $siblings[] = $sibling;
                }
            }
            $siblings = $siblings === [] ? [$element] : $siblings;
            $names = array_count_values(array_map(static fn (DOMElement $dOMElement): string => (string) $dOMElement->localName, $siblings));
            $seen = [];
            $n = count($siblings);
            foreach ($siblings as $i => $sibling) {
                $name = (string) $sibling->localName;
                $of = $seen[$name] = ($seen[$name] ?? 0) + 1;
                $sibling->setAttribute(self::$note, implode(' ', [$i + 1, $n - $i, $of, $names[$name] - $of + 1]));
            }
        }
        $counts = array_map(intval(...), explode(' ', $element->getAttribute(self::$note)));

        return $counts[($sameName ? 2 : 0) + ($fromStart ? 0 : 1)] ?? 0;
    }

    /** Whether a number is one of each times n and first, n from nought on. */
    private static function isNth(int $position, int $each, int $first): bool
    {
        $rest = $position - $first;

        return $each === 0 ? $rest === 0 : $rest % $each === 0 && intdiv($rest, $each) >= 0;
    }
}
