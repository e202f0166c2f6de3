<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Description\Answers;
use App\Http\Pictures;
use App\Http\Requests\MixedRequest;
use App\Http\Resources\MovesResource;
use App\Models\ShopJob;
use App\Models\StockItem;
use App\Prep\Made;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use NeatEdge\Core\Format\Svg\LayoutPicture;
use NeatEdge\Core\Sheet\Cut\Moves;
use NeatEdge\Core\Sheet\Layout\Layout;

/** Sheets and plates as they are laid out. */
final class LayoutController
{
    /** One of them as a picture. */
    #[Answers(type: 'image/svg+xml')]
    public function picture(ShopJob $job, int $number): Response
    {
        return Pictures::text(LayoutPicture::of(self::layout($job, $number)));
    }

    /** One of them for its card. */
    #[Answers(type: 'image/webp'), Answers(status: 304)]
    public function small(Request $request, ShopJob $job, int $number): Response
    {
        return Pictures::small($request, 'layout '.Made::key($job)." {$number}", static fn (): string => LayoutPicture::of(self::layout($job, $number)));
    }

    /** Some plates over each other on the cloth. */
    #[Answers(type: 'image/svg+xml')]
    public function mix(MixedRequest $request, ShopJob $job): Response
    {
        $layouts = Made::ready($job, true);
        $on = array_values(array_filter(
            array_map(intval(...), explode(',', (string) $request->validated('on'))),
            static fn (int $i): bool => isset($layouts[$i]),
        ));
        $inks = StockItem::query()->where('kind', 'ink')->get()->keyBy('name');
        $cover = array_map(static fn (string $name): float => (float) ($inks->get($name)?->data['opacity'] ?? 0.95), Made::names());

        return $layouts === [] ? abort(404) : Pictures::text(LayoutPicture::mixed($layouts, $on, $cover));
    }

    /** What the machine will do, in its order and time. */
    #[Answers(MovesResource::class)]
    public function moves(ShopJob $job, int $number): MovesResource
    {
        return new MovesResource(Moves::of(self::layout($job, $number), Made::described($job, Made::machine($job))));
    }

    private static function layout(ShopJob $job, int $number): Layout
    {
        return Made::ready($job, true)[$number] ?? abort(404);
    }
}
