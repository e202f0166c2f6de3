<?php

declare(strict_types=1);

namespace NeatEdge\Core\Edit;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Type\FontShelf;

/** The registry: makes an edit from what the page sends. A new edit is one class and one line here. */
final class Edits
{
    /** Beyond so many pieces all are read at once. */
    private const MOST_ALONE = 400;

    /** @var array<string, class-string<Edit>> */
    private const KINDS = [
        'weld' => CombinePieces::class, 'cut-away' => CombinePieces::class, 'keep-overlap' => CombinePieces::class,
        'keep-difference' => CombinePieces::class, 'split-all' => CombinePieces::class,
        'remove' => RemovePieces::class,
        'move' => MovePieces::class, 'transform' => TransformPieces::class, 'place' => PlacePieces::class, 'flip' => FlipPieces::class,
        're-square' => ReSquare::class, 'align' => AlignPieces::class, 'distribute' => DistributePieces::class,
        'copy' => CopyPieces::class, 'paste' => PastePieces::class, 'link-copy' => LinkCopies::class,
        'order' => OrderPieces::class, 'group' => GroupPieces::class, 'ungroup' => UngroupPieces::class, 'mark' => MarkPieces::class,
        'add-layer' => AddLayer::class, 'change-layer' => ChangeLayer::class, 'order-layer' => OrderLayer::class, 'remove-layer' => RemoveLayer::class, 'to-layer' => ToLayer::class,
        'guide' => SetGuide::class, 'remove-guide' => RemoveGuide::class, 'centre-lines' => CentreLines::class,
        'reference' => ChangeReference::class, 'true-size' => TrueSize::class,
        'draw-shape' => DrawShape::class, 'shape-values' => ShapeValues::class, 'bake' => Bake::class,
        'draw-line' => DrawLine::class, 'continue-line' => ContinueLine::class, 'brush-line' => BrushLine::class,
        'move-nodes' => MoveNodes::class, 'move-handle' => MoveHandle::class, 'bend-segment' => BendSegment::class, 'add-node' => AddNode::class,
        'delete-nodes' => DeleteNodes::class, 'node-kind' => NodeKind::class, 'segment-kind' => SegmentKind::class,
        'break-at' => BreakAtNodes::class, 'delete-segment' => DeleteSegment::class, 'join-ends' => JoinEnds::class, 'join-lines' => JoinLines::class, 'close-line' => CloseLine::class, 'reverse-line' => ReverseLine::class,
        'round-corners' => RoundChosenCorners::class, 'mirror-half' => MirrorPieces::class, 'repeat' => RepeatPieces::class,
        'fill' => FillPieces::class, 'stroke' => StrokePieces::class, 'blend' => BlendPieces::class, 'recolour' => Recolour::class,
        'text' => DrawText::class, 'set-text' => SetText::class,
        'clip' => ClipPieces::class, 'release-clip' => ReleaseClip::class, 'compound' => MakeCompound::class, 'separate' => SeparatePieces::class,
    ];

    /**
     * @param  array<mixed>  $fields
     * @param  string  $unit  of lengths that are typed without one
     *
     * @throws EditRefused
     */
    public static function make(string $kind, array $fields, FontShelf $fonts, string $unit = 'mm'): Edit
    {
        $class = self::KINDS[$kind] ?? throw EditRefused::unknown($kind);

        return $class::from(new Input([...$fields, 'kind' => $fields['as'] ?? $kind], $fonts, $unit));
    }

    /**
     * The pieces that an edit names, where it leaves all others alone; null for an edit of which that cannot be said before.
     *
     * @param  array<mixed>  $fields  as they are sent
     * @return list<string>|null
     */
    public static function only(string $kind, array $fields): ?array
    {
        $class = self::KINDS[$kind] ?? '';
        if (! is_a($class, Local::class, true) || ($fields['copies'] ?? false) !== false) {
            return null;
        }
        $ids = array_values(array_filter([...(is_array($fields['pieces'] ?? null) ? $fields['pieces'] : []), $fields['piece'] ?? null, $fields['along'] ?? null], is_string(...)));

        return $ids === [] || count($ids) > self::MOST_ALONE ? null : $ids;
    }

    /** Whether such an edit needs all of a group of which it names a piece. */
    public static function minds(string $kind): bool
    {
        return is_a(self::KINDS[$kind] ?? '', LocalToGroups::class, true);
    }

    /** What an edit gives, with everything that follows what it changed. @throws EditRefused */
    public static function applied(Edit $edit, Artwork $artwork, FontShelf $fonts): Artwork
    {
        return Following::settled($artwork, $edit->apply($artwork), $fonts);
    }
}
