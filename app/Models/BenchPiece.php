<?php

declare(strict_types=1);

namespace App\Models;

use App\Drawn\PageArt;
use Illuminate\Database\Eloquent\Model;
use NeatEdge\Core\Artwork\Artwork;
use NeatEdge\Core\Artwork\Piece;
use NeatEdge\Core\Artwork\References;
use NeatEdge\Core\Edit\FreeIds;
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
 * @property int $page_form of that; another than PageArt's is made anew
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
        $job->bench = ArtworkJson::text([
            ...ArtworkJson::frame($artwork),
            'order' => array_map(static fn (Piece $piece): string => $piece->id, $artwork->pieces),
        ]);
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

        return self::store($job, $changed, self::tolerance($frame));
    }

    /** @param  array<string, mixed>  $frame */
    private static function tolerance(array $frame): Tolerance
    {
        return Tolerance::forExtent(max((float) $frame['width'], (float) $frame['height']));
    }

    /** @return list<string> what the page draws, the lowest first */
    public static function pages(ShopJob $job): array
    {
        $frame = ArtworkJson::data((string) $job->bench);
        $rows = self::query()->toBase()->where('shop_job_id', $job->id)->pluck('page', 'piece')->all();
        $old = self::query()->toBase()->where('shop_job_id', $job->id)->where('page_form', '!=', PageArt::FORM)->pluck('data', 'piece')->all();
        foreach ($old as $id => $data) {
            $rows[$id] = ArtworkJson::text(PageArt::piece(PieceJson::to(ArtworkJson::data($data)), self::tolerance($frame)));
        }

        return array_values(array_map(static fn (string $id): string => $rows[$id], $frame['order']));
    }

    /**
     * Pieces with all that follows them, and what those follow: all that an edit of them alone can have to do with.
     *
     * @param  list<string>  $ids
     * @return array<string, string>|null as they are stored, by id; null where it is not known who follows whom
     */
    public static function some(ShopJob $job, array $ids): ?array
    {
        $all = static fn () => self::query()->toBase()->where('shop_job_id', $job->id);
        if ($all()->whereNull('refers')->exists()) {
            return null;
        }
        /** @var array<string, string> $refers who follows whom, ids parted by spaces, of all followers: there are few */
        $refers = $all()->where('refers', '!=', '')->pluck('refers', 'piece')->all();
        $wanted = array_fill_keys($ids, true);
        for ($grown = -1; $grown !== count($wanted);) {
            $grown = count($wanted);
            foreach ($refers as $follower => $leaders) {
                $leaders = explode(' ', $leaders);
                if (isset($wanted[$follower]) || array_intersect_key($wanted, array_flip($leaders)) !== []) {
                    $wanted[$follower] = true;
                    $wanted += array_fill_keys($leaders, true);
                }
            }
        }
        $pieces = [];
        foreach (array_chunk(array_map(strval(...), array_keys($wanted)), self::AT_ONCE) as $some) {
            $pieces += $all()->whereIn('piece', $some)->pluck('data', 'piece')->all();
        }

        return $pieces;
    }

    /**
     * Pieces whose boxes come near those of others, them included.
     *
     * @param  list<string>  $ids
     * @return array<string, string>|null as they are stored, by id; null where boxes are not known
     */
    public static function near(ShopJob $job, array $ids): ?array
    {
        $all = static fn () => self::query()->toBase()->where('shop_job_id', $job->id);
        if ($all()->whereNull('refers')->exists()) {
            return null;
        }
        $pieces = [];
        foreach (array_chunk($ids, self::AT_ONCE) as $some) {
            foreach ($all()->whereIn('piece', $some)->get(['piece', 'left', 'top', 'right', 'bottom']) as $own) {
                $pieces += $all()->where('left', '<=', $own->right)
                    ->where('right', '>=', $own->left)
                    ->where('top', '<=', $own->bottom)
                    ->where('bottom', '>=', $own->top)
                    ->pluck('data', 'piece')
                    ->all();
            }
        }

        return $pieces;
    }

    /** @return array<string, string> its pieces as they are stored, by id */
    public static function rows(ShopJob $job): array
    {
        return self::query()->toBase()->where('shop_job_id', $job->id)->pluck('data', 'piece')->all();
    }

    /**
     * @param  array<string, string>  $rows  read at the same moment as the job
     * @param  bool  $part  whether they are but some of its pieces
     */
    public static function artwork(ShopJob $job, array $rows, bool $part = false): Artwork
    {
        $frame = ArtworkJson::data((string) $job->bench);
        $all = $frame['order'];
        if ($part) {
            $frame['order'] = array_values(array_filter($all, static fn (string $id): bool => isset($rows[$id])));
        }
        $artwork = ArtworkJson::framed(
            $frame,
            array_values(array_map(static fn (string $id): Piece => PieceJson::to(ArtworkJson::data($rows[$id])), $frame['order'])),
        );

        return $part ? $artwork->with(numbered: max(FreeIds::highestOf($all), self::clips($job))) : $artwork;
    }

    /** The highest number of an id that a clip has: those are in no order. */
    private static function clips(ShopJob $job): int
    {
        return (int) self::query()->toBase()->where('shop_job_id', $job->id)->max('clip_number');
    }

    /** @return list<string> ids of the clips of a piece, each in the one before */
    private static function clipped(Piece $piece): array
    {
        return $piece->clip === null ? [] : [$piece->clip->id, ...self::clipped($piece->clip)];
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
            $box = $piece->box();
            $rows[] = [
                'shop_job_id' => $job->id,
                'piece' => $piece->id,
                'data' => ArtworkJson::text(PieceJson::of($piece)),
                'page' => $page,
                'page_form' => PageArt::FORM,
                'refers' => implode(' ', References::of($piece)),
                'clip_number' => FreeIds::highestOf(self::clipped($piece)),
                'left' => $box?->left,
                'top' => $box?->top,
                'right' => $box?->right,
                'bottom' => $box?->bottom,
            ];
        }
        foreach (array_chunk($rows, self::AT_ONCE) as $some) {
            self::query()->upsert($some, ['shop_job_id', 'piece'], ['data', 'page', 'page_form', 'refers', 'clip_number', 'left', 'top', 'right', 'bottom']);
        }

        return $pages;
    }
}
