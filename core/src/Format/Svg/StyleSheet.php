<?php

declare(strict_types=1);

namespace NeatEdge\Core\Format\Svg;

use DOMElement;
use Sabberworm\CSS\Parser;
use Sabberworm\CSS\RuleSet\DeclarationBlock;
use Sabberworm\CSS\Settings;
use Throwable;

/** The <style> elements of a drawing: which declarations apply to an element, in the order of the cascade. */
final class StyleSheet
{
    /** @var array<string, list<array{Selector, int, array<string, string>, array<string, string>}>> key => selector, order, plain and important declarations */
    private array $rules = [];

    private int $order = 0;

    /** @return list<string> names of what was left out: at-rules */
    public function add(string $css): array
    {
        $left = [];
        try {
            $sheet = (new Parser($css, Settings::create()->withMultibyteSupport(false)->beStrict()))->parse();
        } catch (Throwable) {
            try {
                $sheet = (new Parser($css, Settings::create()->withMultibyteSupport(false)->withLenientParsing(true)))->parse();
                $left[] = 'a part of a style sheet that cannot be read';
            } catch (Throwable) {
                return ['a style sheet that cannot be read'];
            }
        }
        foreach ($sheet->getContents() as $block) {
            if (! $block instanceof DeclarationBlock) {
                $name = preg_match('/^\s*(@[\w-]+)/', $block instanceof \Sabberworm\CSS\Renderable ? $block->render(\Sabberworm\CSS\OutputFormat::createCompact()) : '', $found) === 1 ? $found[1] : '';
                if ($name !== '' && $name !== '@font-face' && $name !== '@charset' && $name !== '@namespace') {
                    $left[] = "the rule {$name}";
                }

                continue;
            }
            $plain = [];
            $important = [];
            foreach ($block->getDeclarations() as $declaration) {
                $value = $declaration->getValue();
                $text = is_string($value) ? $value : ($value === null ? '' : $value->render(\Sabberworm\CSS\OutputFormat::create()));
                $property = strtolower($declaration->getPropertyName());
                $declaration->getIsImportant() ? $important[$property] = $text : $plain[$property] = $text;
            }
            foreach ($block->getSelectors() as $written) {
                $selector = Selector::parse($written->getSelector());
                if ($selector !== null) {
                    $this->rules[$selector->key()][] = [$selector, $this->order++, $plain, $important];
                }
            }
        }

        return $left;
    }

    /** @return array{array<string, string>, array<string, string>} plain and important declarations */
    public function for(DOMElement $element): array
    {
        if ($this->rules === []) {
            return [[], []];
        }
        $keys = ['*', (string) $element->localName];
        if ($element->hasAttribute('id')) {
            $keys[] = '#'.$element->getAttribute('id');
        }
        foreach (preg_split('/\s+/', $element->getAttribute('class'), -1, PREG_SPLIT_NO_EMPTY) ?: [] as $class) {
            $keys[] = '.'.$class;
        }
        $found = [];
        foreach (array_unique($keys) as $key) {
            foreach ($this->rules[$key] ?? [] as $rule) {
                if ($rule[0]->matches($element)) {
                    $found[] = $rule;
                }
            }
        }
        usort($found, static fn (array $a, array $b): int => [$a[0]->specificity, $a[1]] <=> [$b[0]->specificity, $b[1]]);
        $plain = [];
        $important = [];
        foreach ($found as [, , $some, $more]) {
            $plain = [...$plain, ...$some];
            $important = [...$important, ...$more];
        }

        return [$plain, $important];
    }
}
