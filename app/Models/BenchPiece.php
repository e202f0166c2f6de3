<?php

declare(strict_types=1);

namespace App\Models;

use App\Http\PageArt;
use Illuminate\Database\Eloquent\Model;
use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Format\Json\ArtworkDifference;
use NeatEdge\Core\Format\Json\ArtworkJson;
use NeatEdge\Core\Format\Json\PieceJson;
use NeatEdge\Core\Geometry\Tolerance;

/**
 * One piece as it lies on a job's bench now.
 *
 * @property int $shop_job_id
 * @property string $piece
 * @property string $data as it is stored
 * @property string $page as the page draws it
 */
final class BenchPiece extends Model
{
    /** Rows that SQLite takes in one statement. */
    private const AT_ONCE = 200;

    protected $guarded = [];

    public $timestamps = false;

    public $incrementing = false;

    protected $primaryKey = 'piece';

    protected $keyType = 'string';

    /** Lays a whole artwork on the bench of a job that has nothing there; the job is yet to be saved. */
    public static function layAll(ShopJob $job, Artwork $artwork): void
    {
        self::store($job, $artwork->pieces, $artwork->tolerance());
        $job->bench = ArtworkJson::text([...ArtworkJson::frame($artwork), 'order' => array_map(static fn (Piece $piece): string => $piece->id, $artwork->pieces)]);
    }

    /**
     * Carries a difference over to the bench; the job is yet to be saved.
     *
     * @return array<string, string> what the page draws, by id, of the pieces that were changed or are new
     */
    public static function change(ShopJob $job, ArtworkDifference $difference): array
    {
        $frame = ArtworkJson::data((string) $job->bench);
        $order = $difference->order ?? $frame['order'];
        $frame = [...($difference->frame ?? $frame), 'order' => $order];
        $job->bench = ArtworkJson::text($frame);
        $gone = array_map(strval(...), array_keys(array_filter($difference->pieces, static fn (?array $piece): bool => $piece === null)));
        foreach (array_chunk($gone, self::AT_ONCE) as $ids) {
            self::query()->where('shop_job_id', $job->id)->whereIn('piece', $ids)->delete();
        }
        $changed = array_map(PieceJson::to(...), array_values(array_filter($difference->pieces, static fn (?array $piece): bool => $piece !== null)));

        return self::store($job, $changed, Tolerance::forExtent(max((float) $frame['width'], (float) $frame['height'])));
    }

    /** @return list<string> what the page draws, the lowest first */
    public static function pages(ShopJob $job): array
    {
        $rows = self::query()->toBase()->where('shop_job_id', $job->id)->pluck('page', 'piece')->all();

        return array_values(array_map(static fn (string $id): string => $rows[$id], ArtworkJson::data((string) $job->bench)['order']));
    }

    public static function artwork(ShopJob $job): Artwork
    {
        $frame = ArtworkJson::data((string) $job->bench);
        $rows = self::query()->toBase()->where('shop_job_id', $job->id)->pluck('data', 'piece')->all();

        return ArtworkJson::framed($frame, array_values(array_map(static fn (string $id): Piece => PieceJson::to(ArtworkJson::data($rows[$id])), $frame['order'])));
    }

    /**
     * @param  list<Piece>  $pieces
     * @return array<string, string>
     */
    private static function store(ShopJob $job, array $pieces, Tolerance $tolerance): array
    {
        $rows = $pages = [];
        foreach ($pieces as $piece) {
            $page = ArtworkJson::text(PageArt::piece($piece, $tolerance));
            $pages[$piece->id] = $page;
            $rows[] = ['shop_job_id' => $job->id, 'piece' => $piece->id, 'data' => ArtworkJson::text(PieceJson::of($piece)), 'page' => $page];
        }
        foreach (array_chunk($rows, self::AT_ONCE) as $some) {
            self::query()->upsert($some, ['shop_job_id', 'piece'], ['data', 'page']);
        }

        return $pages;
    }
}
