<?php

declare(strict_types=1);

namespace App\Http\Description;

use App\Http\Resources\Resource;
use LogicException;
use PHPStan\PhpDocParser\Ast\ConstExpr\ConstExprFloatNode;
use PHPStan\PhpDocParser\Ast\ConstExpr\ConstExprIntegerNode;
use PHPStan\PhpDocParser\Ast\ConstExpr\ConstExprStringNode;
use PHPStan\PhpDocParser\Ast\Node;
use PHPStan\PhpDocParser\Ast\PhpDoc\PhpDocNode;
use PHPStan\PhpDocParser\Ast\PhpDoc\PhpDocTextNode;
use PHPStan\PhpDocParser\Ast\Type\ArrayShapeItemNode;
use PHPStan\PhpDocParser\Ast\Type\ArrayShapeNode;
use PHPStan\PhpDocParser\Ast\Type\ConstTypeNode;
use PHPStan\PhpDocParser\Ast\Type\GenericTypeNode;
use PHPStan\PhpDocParser\Ast\Type\IdentifierTypeNode;
use PHPStan\PhpDocParser\Ast\Type\TypeNode;
use PHPStan\PhpDocParser\Ast\Type\UnionTypeNode;
use PHPStan\PhpDocParser\Lexer\Lexer;
use PHPStan\PhpDocParser\Parser\ConstExprParser;
use PHPStan\PhpDocParser\Parser\PhpDocParser;
use PHPStan\PhpDocParser\Parser\TokenIterator;
use PHPStan\PhpDocParser\Parser\TypeParser;
use PHPStan\PhpDocParser\ParserConfig;
use ReflectionClass;

/**
 * Shapes of answers as JSON Schema (2020-12, https://json-schema.org/specification), from the types in the heads of the resources. What is not an optional
 * key is required, and what a shape does not name is not in it, unless it ends with dots.
 */
final class Shapes
{
    private const SCALARS = ['int' => 'integer', 'float' => 'number', 'string' => 'string', 'bool' => 'boolean', 'null' => 'null'];

    /** @var array<string, array<string, mixed>> by name */
    private array $schemas = [];

    private PhpDocParser $parser;

    private Lexer $lexer;

    public function __construct()
    {
        $config = new ParserConfig(['comments' => true]);
        $constants = new ConstExprParser($config);
        $this->lexer = new Lexer($config);
        $this->parser = new PhpDocParser($config, new TypeParser($config, $constants), $constants);
    }

    /** @return array<string, array<string, mixed>> all that was named, by name, in order */
    public function schemas(): array
    {
        ksort($this->schemas);

        return $this->schemas;
    }

    /** @param  class-string<resource>  $resource @return string its name */
    public function add(string $resource): string
    {
        $class = new ReflectionClass($resource);
        $name = substr($class->getShortName(), 0, -strlen('Resource'));
        if (! isset($this->schemas[$name])) {
            $doc = $this->doc($class);
            $says = implode(
                ' ',
                array_filter(array_map(static fn (Node $node): string => $node instanceof PhpDocTextNode ? trim($node->text) : '', $doc->children)),
            );
            foreach ($doc->getTypeAliasTagValues() as $alias) {
                $own = self::named($alias->alias);
                $this->schemas[$own] = [...($own === $name ? ['description' => preg_replace('/\s+/', ' ', $says)] : []), ...$this->schema($alias->type)];
            }
            foreach ($doc->getTypeAliasImportTagValues() as $import) {
                /** @var class-string<resource> $from */
                $from = $class->getNamespaceName().'\\'.$import->importedFrom->name;
                $this->add($from);
            }
            isset($this->schemas[$name]) ?: throw new LogicException("{$resource} does not say its shape as {$name}Row.");
        }

        return $name;
    }

    /** @param  ReflectionClass<resource>  $class */
    private function doc(ReflectionClass $class): PhpDocNode
    {
        return $this->parser->parse(new TokenIterator($this->lexer->tokenize((string) $class->getDocComment())));
    }

    private static function named(string $alias): string
    {
        return str_ends_with($alias, 'Row') ? substr($alias, 0, -3) : throw new LogicException("The shape {$alias} is not called a Row.");
    }

    /** @return array<string, mixed> */
    private function schema(TypeNode $type): array
    {
        return match (true) {
            $type instanceof ArrayShapeNode => $type->items !== [] && $type->items[0]->keyName === null ? $this->tuple($type) : $this->object($type),
            $type instanceof UnionTypeNode => $this->union($type),
            $type instanceof GenericTypeNode => $this->generic($type),
            $type instanceof ConstTypeNode => ['const' => self::constant($type)],
            $type instanceof IdentifierTypeNode => $this->identifier($type->name),
            default => throw new LogicException("A shape of this kind is not known: {$type}."),
        };
    }

    /** @return array<string, mixed> */
    private function identifier(string $name): array
    {
        return isset(self::SCALARS[$name])
            ? ['type' => self::SCALARS[$name]]
            : ($name === 'mixed' ? [] : ['$ref' => '#/components/schemas/'.self::named($name)]);
    }

    /** @return array<string, mixed> */
    private function generic(GenericTypeNode $type): array
    {
        $inner = $this->schema($type->genericTypes[count($type->genericTypes) - 1]);

        return match ($type->type->name) {
            'list' => ['type' => 'array', 'items' => $inner === [] ? (object) [] : $inner],
            'array' => ['type' => 'object', 'additionalProperties' => $inner === [] ? true : $inner],
            default => throw new LogicException("A shape of this kind is not known: {$type}."),
        };
    }

    /** @return array<string, mixed> */
    private function tuple(ArrayShapeNode $type): array
    {
        $items = array_map(fn (ArrayShapeItemNode $item): array => $this->schema($item->valueType), $type->items);

        return ['type' => 'array', 'prefixItems' => array_values($items), 'minItems' => count($items), 'maxItems' => count($items)];
    }

    /** @return array<string, mixed> */
    private function object(ArrayShapeNode $type): array
    {
        $properties = $required = [];
        foreach ($type->items as $item) {
            $name = trim((string) $item->keyName, "'\"");
            $says = trim(implode(
                ' ',
                array_map(static fn ($comment): string => ltrim($comment->getReformattedText(), '/ '), $item->getAttribute('comments') ?? []),
            ));
            $schema = $this->schema($item->valueType);
            $properties[$name] = [...($says === '' ? [] : ['description' => $says]), ...$schema] ?: (object) [];
            if (! $item->optional) {
                $required[] = $name;
            }
        }

        return [
            'type' => 'object',
            'properties' => $properties,
            ...($required === [] ? [] : ['required' => $required]),
            'additionalProperties' => ! $type->sealed,
        ];
    }

    /** @return array<string, mixed> */
    private function union(UnionTypeNode $type): array
    {
        if (array_filter($type->types, static fn (TypeNode $typeNode): bool => ! $typeNode instanceof ConstTypeNode) === []) {
            return ['enum' => array_map(self::constant(...), array_values($type->types))];
        }
        $plain = array_filter(
            $type->types,
            static fn (TypeNode $typeNode): bool => $typeNode instanceof IdentifierTypeNode && isset(self::SCALARS[$typeNode->name]),
        );
        if (count($plain) === count($type->types)) {
            return ['type' => array_values(array_map(static fn (TypeNode $typeNode): string => self::SCALARS[(string) $typeNode] ?? '', $plain))];
        }

        return ['anyOf' => array_values(array_map($this->schema(...), $type->types))];
    }

    private static function constant(TypeNode $type): string|int|float
    {
        $value = $type instanceof ConstTypeNode ? $type->constExpr : null;

        return match (true) {
            $value instanceof ConstExprStringNode => $value->value,
            $value instanceof ConstExprIntegerNode => (int) $value->value,
            $value instanceof ConstExprFloatNode => (float) $value->value,
            default => throw new LogicException("A constant of this kind is not known: {$type}."),
        };
    }
}
