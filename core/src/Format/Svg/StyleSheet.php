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

    /** Bytes of style that are read of one drawing. */
    public const MOST = 300_000;

    /** Comparisons of a selector with an element. */
    private const MOST_LOOKS = 20_000_000;

    private int $bytes = 0;

    private int $looks = 0;

    /** @var array<string, array{array<string, string>, array<string, string>}> what applies to elements of one name, id and class, while only these decide */
    private array $known = [];

    private bool $plainOnly = true;

    /** @return list<string> names of what was left out: at-rules */
    public function add(string $css): array
    {
        $this->bytes += strlen($css);
        if ($this->bytes > self::MOST) {
            return [sprintf('a style sheet of more than %d kB', intdiv(self::MOST, 1000))];
        }
        $left = [];
        $this->known = [];
        $css = self::withoutComments($css);
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
                $name = preg_match(
                    '/^\s*(@[\w-]+)/',
                    $block instanceof \Sabberworm\CSS\Renderable ? $block->render(\Sabberworm\CSS\OutputFormat::createCompact()) : '',
                    $found,
                ) === 1 ? $found[1] : '';
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
                if (! Style::knows($property)) {
                    continue;
                }
                $declaration->getIsImportant() ? $important[$property] = $text : $plain[$property] = $text;
            }
            foreach ($block->getSelectors() as $written) {
                $selector = Selector::parse($written->getSelector());
                if ($selector !== null) {
                    $this->plainOnly = $this->plainOnly && $selector->isPlain();
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
        $signature = $this->plainOnly ? $element->localName.'#'.$element->getAttribute('id').'.'.$element->getAttribute('class') : '';
        if ($this->plainOnly && isset($this->known[$signature])) {
            return $this->known[$signature];
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
            $this->looks += count($this->rules[$key] ?? []);
            if ($this->looks > self::MOST_LOOKS) {
                throw SvgRefused::stylesCost(self::MOST_LOOKS);
            }
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
            foreach ($some as $property => $value) {
                // Later ones last, since shorthands are taken apart in the order in which they stand.
                unset($plain[$property]);
                $plain[$property] = $value;
            }
            foreach ($more as $property => $value) {
                unset($important[$property]);
                $important[$property] = $value;
            }
        }
        if ($this->plainOnly) {
            $this->known[$signature] = [$plain, $important];
        }

        return [$plain, $important];
    }

    /** A comment that is not closed takes the rest with it; what looks like one inside quotes is none. */
    private static function withoutComments(string $css): string
    {
        return preg_replace('~("(?:[^"\\\\\n]++|\\\\.)*+"|\'(?:[^\'\\\\\n]++|\\\\.)*+\')(*SKIP)(*FAIL)|/\*(?:[^*]++|\*(?!/))*+(?:\*/|$)~s', ' ', $css) ?? '';
    }
}
