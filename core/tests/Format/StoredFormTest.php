<?php

declare(strict_types=1);

namespace NeatEdge\Core\Tests\Format;

use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Format\Json\PieceJson;
use NeatEdge\Core\Format\Json\StoredForm;
use NeatEdge\Core\Format\Json\StoredFormRefused;
use NeatEdge\Core\Format\Svg\Reader;
use NeatEdge\Core\Tests\Support\Bench;
use NeatEdge\Core\Tests\Support\RealArt;
use NeatEdge\Core\Tests\Support\SvgFeatures;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Test;
use PHPUnit\Framework\TestCase;

/** The one door to what is stored: everything honest goes through it, nothing else does. */
final class StoredFormTest extends TestCase
{
    /** @return array<string, mixed> a piece with everything that a piece can have */
    private static function whole(): array
    {
        $bench = new Bench;
        $id = $bench->shape('star', 50, 50, 40, 40, ['line' => '#222222', 'lineWidth' => 2]);
        $bench->do('stroke', ['pieces' => [$id], 'dashes' => '4mm 2mm', 'profile' => 'swell', 'side' => 'inside']);
        $bench->do(
            'fill',
            [
                'pieces' => [$id],
                'gradient' => [
                    'kind' => 'linear',
                    'axis' => [30, 50, 70, 50],
                    'stops' => [['at' => 0, 'colour' => '#ff0000'], ['at' => 1, 'colour' => '#0000ff']],
                ],
            ],
        );
        $bench->do('repeat', ['pieces' => [$id], 'as' => 'ring', 'kind' => 'ring', 'count' => 5, 'centreX' => 90, 'centreY' => 50]);

        return PieceJson::of($bench->piece($id));
    }

    /** @return array<string, array{list<int|string>, mixed}> */
    public static function spoilt(): array
    {
        return [
            'no id' => [['id'], ''],
            'an id that is no text' => [['id'], 7],
            'a name of a megabyte' => [['name'], str_repeat('x', 1_000_000)],
            'a name that is no text' => [['name'], ['x']],
            'a name of broken letters' => [['name'], "\xC3\x28"],
            'a node at 1e300' => [['contours', 0, 1, 0], 1e300],
            'a node that is text' => [['contours', 0, 1, 2], '5'],
            'half a segment' => [['contours', 0, 1], [0.0, 0.0, 1.0]],
            'a contour neither open nor closed' => [['contours', 0, 0], 'yes'],
            'no contours' => [['contours'], null],
            'another fill rule' => [['rule'], 'odd'],
            'hidden by a word' => [['hidden'], 'yes'],
            'a hundred groups' => [['groups'], array_fill(0, 100, 'g1')],
            'a colour by name' => [['fill', 0], 'red'],
            'an opacity of two' => [['fill', 1], 2.0],
            'a gradient of one colour' => [['fill', 2, 'gradient', 4], [[0.0, '#ff0000', 1.0]]],
            'a gradient whose colours are none' => [['fill', 2, 'gradient', 4, 0, 1], 'url(#x)'],
            'a gradient without an axis' => [['fill', 2, 'gradient', 2], [1.0]],
            'a gradient that is pressed flat' => [['fill', 2, 'gradient', 3], [0.0, 0.0, 0.0, 0.0, 0.0, 0.0]],
            'a picture from elsewhere' => [['fill', 2], ['picture' => ['https://example.test/spy.png', 9.0, 9.0, [1.0, 0.0, 0.0, 1.0, 0.0, 0.0], 'none']]],
            'a picture out of its folder' => [['fill', 2], ['picture' => ['../../etc/passwd', 9.0, 9.0, [1.0, 0.0, 0.0, 1.0, 0.0, 0.0], 'none']]],
            'a picture that is a page' => [['fill', 2], ['picture' => ['data:text/html;base64,AAAA', 9.0, 9.0, [1.0, 0.0, 0.0, 1.0, 0.0, 0.0], 'none']]],
            'a picture that breaks out of its place' => [['fill', 2], ['picture' => ['a.png', 9.0, 9.0, [1.0, 0.0, 0.0, 1.0, 0.0, 0.0], '"><script>']]],
            'a stroke without a paint' => [['stroke', 'paint'], null],
            'a stroke of endless width' => [['stroke', 'width'], INF],
            'a cap of another kind' => [['stroke', 'cap'], 'fluffy'],
            'dashes of less than nothing' => [['stroke', 'dashes', 0], -1.0],
            'width stops out of order' => [['stroke', 'stops'], [[0.8, 1.0], [0.2, 1.0]]],
            'a star of ten million points' => [['recipe', 'base', 'values', 'points'], 1e7],
            'a star with a value of its own' => [['recipe', 'base', 'values', 'secret'], 1.0],
            'a shape of another kind' => [['recipe', 'base', 'kind'], 'blob'],
            'a base that is none' => [['recipe', 'base', 'is'], 'code'],
            'ten million copies' => [['recipe', 'changes', 0, 'values', 1], 10_000_000],
            'a change of another kind' => [['recipe', 'changes', 0, 'is'], 'melt'],
            'a recipe laid nowhere' => [['recipe', 'matrix'], [1.0, 0.0]],
            'a blend of another kind' => [['blend'], 'burn'],
            'a clip that is no piece' => [['clip'], ['id' => 'x']],
        ];
    }

    /** @param  list<int|string>  $path */
    #[Test]
    #[DataProvider('spoilt')]
    public function what_is_no_piece_is_refused_in_one_sentence(array $path, mixed $value): void
    {
        $data = self::whole();
        StoredForm::hold($data);
        $at = &$data;
        foreach ($path as $step) {
            $at = &$at[$step];
        }
        $at = $value;
        unset($at);
        try {
            StoredForm::hold($data);
            self::fail('It was taken.');
        } catch (StoredFormRefused $refused) {
            self::assertMatchesRegularExpression('/^[A-Z][^\n]{10,200}\.$/u', $refused->getMessage());
        }
    }

    /** @return array<string, array{list<int|string>, mixed}> */
    public static function spoiltLive(): array
    {
        return [
            'a border round nothing' => [['recipe', 'base', 'sources'], []],
            'a border round a number' => [['recipe', 'base', 'sources'], [7]],
            'a border at no distance' => [['recipe', 'base', 'values', 'distance'], 'far'],
            'a border at an endless distance' => [['recipe', 'base', 'values', 'bridge'], INF],
            'a border without a line' => [['recipe', 'base', 'shape'], null],
            'a frame of three sides' => [['recipe', 'changes', 0, 'sides'], [[0, 0, 0, 0, 0, 0, 1, 1], [0, 0, 0, 0, 0, 0, 1, 1], [0, 0, 0, 0, 0, 0, 1, 1]]],
            'a side of seven numbers' => [['recipe', 'changes', 0, 'sides', 2], [0, 0, 0, 0, 0, 0, 1]],
            'a frame round half a box' => [['recipe', 'changes', 0, 'box'], [0.0, 1.0]],
            'a frame that was laid flat' => [['recipe', 'changes', 0, 'lay'], [0.0, 0.0, 0.0, 0.0, 0.0, 0.0]],
            'a frame with a thousand values' => [['recipe', 'changes', 0, 'values'], array_fill(0, 1000, 1.0)],
            'a frame with a list in it' => [['recipe', 'changes', 0, 'values', 'shape'], ['arc']],
        ];
    }

    /** @param  list<int|string>  $path */
    #[Test]
    #[DataProvider('spoiltLive')]
    public function a_border_or_a_frame_that_is_none_is_refused(array $path, mixed $value): void
    {
        $bench = new Bench;
        $id = $bench->shape('rectangle', 50, 50, 40, 20);
        $bench->do('cut-border', ['pieces' => [$id], 'distance' => 2]);
        $border = $bench->made[0];
        $bench->do('wrap', ['pieces' => [$border], 'shape' => 'flag', 'amount' => 0.1]);
        $data = PieceJson::of($bench->piece($border));
        StoredForm::hold($data);
        $at = &$data;
        foreach ($path as $step) {
            $at = &$at[$step];
        }
        $at = $value;
        unset($at);
        $this->expectException(StoredFormRefused::class);
        StoredForm::hold($data);
    }

    #[Test]
    public function clips_in_clips_end_somewhere(): void
    {
        $data = self::whole();
        for ($i = 0; $i < 40; $i++) {
            $data = [...self::whole(), 'clip' => $data];
        }
        $this->expectException(StoredFormRefused::class);
        StoredForm::hold($data);
    }

    #[Test]
    public function two_pieces_of_one_id_are_never_stored(): void
    {
        $bench = new Bench;
        $bench->shape('rectangle', 10, 10, 5, 5);
        $this->expectExceptionMessage('two pieces would be called "'.$bench->order()[0].'"');
        StoredForm::holdIds(new Artwork(100, 100, [...$bench->art->pieces, ...$bench->art->pieces]));
    }

    #[Test]
    public function all_that_real_files_bring_is_taken(): void
    {
        $count = 0;
        foreach ([...SvgFeatures::all(), ...RealArt::of('icons', 40), ...RealArt::of('emoji', 40)] as $svg) {
            foreach (Reader::read($svg)->artwork->pieces as $piece) {
                $data = PieceJson::of($piece);
                StoredForm::hold($data);
                // And comes back as it was.
                self::assertSame($data, PieceJson::of(PieceJson::to($data)));
                $count++;
            }
        }
        self::assertGreaterThan(300, $count);
    }
}
