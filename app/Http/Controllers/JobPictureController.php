<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Description\Answers;
use App\Models\Bytes;
use App\Models\ShopJob;
use App\Prep\Intake;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\DB;
use NeatEdge\Core\Format\Svg\Isolated;
use NeatEdge\Core\Format\Svg\Writer;
use NeatEdge\Core\Geometry\Box;
use NeatEdge\Core\Seen\Small;

/** Pictures of a job: of the customer's file, and of what lies on the bench. */
final class JobPictureController
{
    /** The customer's file as a picture: a browser draws it by itself, whatever was understood of it. */
    #[Answers(type: 'image/svg+xml')]
    public function source(ShopJob $job): Response
    {
        $source = $job->source()->firstOrFail();
        if ($source->svg === '') {
            abort(404);
        }
        $box = $source->view_box;
        $picture = Isolated::picture($source->svg, $box === null ? null : new Box($box[0], $box[1], $box[0] + $box[2], $box[1] + $box[3]), Intake::limits());

        return new Response($picture, 200, ['Content-Type' => 'image/svg+xml', 'Cache-Control' => 'private, max-age=86400']);
    }

    /** A small picture for the list: made once for each state of the bench, and kept. */
    #[Answers(type: 'image/svg+xml')]
    public function show(Request $request, ShopJob $job): Response
    {
        if ($job->picture === null || $job->picture_version !== $job->version) {
            $read = ShopJob::snapshot($job->id);
            $job->picture = Writer::write(Small::of($read->art()));
            // Looking at a job does not change it.
            DB::table('shop_jobs')->where('id', $job->id)->update(['picture' => Bytes::bound($job->picture), 'picture_version' => $read->version]);
        }

        return new Response(
            $job->picture,
            200,
            [
                'Content-Type' => 'image/svg+xml',
                'Cache-Control' => $request->query('v') === (string) $job->version ? 'private, max-age=31536000, immutable' : 'private, no-cache',
            ],
        );
    }
}
