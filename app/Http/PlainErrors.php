<?php

declare(strict_types=1);

namespace App\Http;

use App\Http\Resources\JobStateResource;
use App\Http\Resources\SendingResource;
use App\Http\Resources\WorkResource;
use App\Models\ContentsLost;
use App\Models\DiskFull;
use App\Prep\Broken;
use App\Prep\NotReady;
use App\Prep\SentBefore;
use App\Prep\Stale;
use App\Words\Words;
use App\Works\BeingMade;
use App\Works\BudgetSpent;
use App\Works\GivenUp;
use Illuminate\Foundation\Configuration\Exceptions;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;
use Illuminate\Validation\ValidationException;
use NeatEdge\Core\Described\Refused;
use NeatEdge\Core\Device\MachineRefused;
use NeatEdge\Core\Format\FileRefused;
use NeatEdge\Core\Format\Json\PresetRefused;
use NeatEdge\Core\Format\Svg\SvgRefused;
use NeatEdge\Core\Geometry\InvalidLength;
use NeatEdge\Core\PlanarMap\MapTooLarge;
use NeatEdge\Core\Type\FontRefused;
use Symfony\Component\HttpKernel\Exception\HttpExceptionInterface;
use Throwable;

/** Every refusal is one sentence in plain words; no page ever shows a stack trace. */
final class PlainErrors
{
    /** Their messages are written for the page. */
    private const REFUSALS = [
        SvgRefused::class, FileRefused::class, MachineRefused::class, InvalidLength::class, Refused::class, FontRefused::class, PresetRefused::class,
        MapTooLarge::class, BudgetSpent::class,
    ];

    /** Which contents, is in the log. */
    private const LOST = 'A part of this that is kept beside the database is missing or damaged. '
        .'Nothing was changed; put it back from a backup (docs/running.md).';

    public static function register(Exceptions $exceptions): void
    {
        $exceptions->dontReport([...self::REFUSALS, GivenUp::class, BeingMade::class, NotReady::class, Stale::class, SentBefore::class]);
        $exceptions->render(static function (Throwable $problem, Request $request): ?JsonResponse {
            if (! $request->is('api/*')) {
                return null;
            }
            if ($problem instanceof ValidationException) {
                $fields = array_map(static fn (array $messages): string => (string) ($messages[0] ?? ''), $problem->errors());

                return self::answer(['message' => (string) (reset($fields) ?: 'Something in the form is missing.'), 'fields' => $fields], 422);
            }
            if (in_array($problem::class, self::REFUSALS, true)) {
                return self::answer(['message' => $problem->getMessage()], 422);
            }
            if ($problem instanceof BeingMade) {
                return self::answer(['message' => $problem->getMessage(), 'work' => WorkResource::row($problem->work)], 202, ['Retry-After' => '1']);
            }
            if ($problem instanceof NotReady) {
                return new JsonResponse(
                    ['message' => $problem->getMessage(), 'gate' => true, 'sentence' => $problem->verdict->sentence, 'open' => $problem->verdict->open],
                    409,
                );
            }
            if ($problem instanceof Stale) {
                $message = json_encode(Words::of()->say($problem->getMessage()), JSON_THROW_ON_ERROR);

                return new JsonResponse(
                    "{\"message\":{$message},".substr(JobStateResource::whole($problem->job), 1),
                    409,
                    [],
                    0,
                    true,
                );
            }
            if ($problem instanceof SentBefore) {
                return self::answer(['message' => $problem->getMessage(), 'sent' => SendingResource::row($problem->sending)], 409);
            }
            if ($problem instanceof DiskFull) {
                return self::answer(['message' => $problem->getMessage()], 507);
            }
            if ($problem instanceof ContentsLost) {
                return self::answer(['message' => self::LOST], 500);
            }
            if ($problem instanceof GivenUp) {
                // The page has asked for something else since.
                return self::answer(['message' => $problem->getMessage()], 409);
            }
            $status = $problem instanceof HttpExceptionInterface ? $problem->getStatusCode() : 500;

            $headers = $problem instanceof HttpExceptionInterface ? $problem->getHeaders() : [];

            return self::answer(['message' => self::words($status, $problem)], $status, $headers);
        });
    }

    /** What is said of a refusal that has no words of its own. */
    private static function words(int $status, Throwable $problem): string
    {
        return match ($status) {
            401 => $problem->getMessage() === 'token' ? 'This token does not lead in, or not any more.' : 'Sign in first.',
            403 => Auth::check() ? 'That is not yours to do here; ask the owner of the shop.' : 'You may not do that here.',
            404 => 'That is not here any more.',
            405 => 'That cannot be done here.',
            413 => 'The file is too large.',
            419 => 'The page lay open for too long; load it again.',
            429 => 'Too many requests at once; wait a moment and try again.',
            503 => 'This shop can be reached by others and has no owner yet: run php artisan neat-edge:owner where it is served.',
            default => Broken::why($problem, 'Something went wrong on our side').' Nothing was changed. Try again.',
        };
    }

    /**
     * @param  array<string, mixed>  $body
     * @param  array<string, mixed>  $headers
     */
    private static function answer(array $body, int $status, array $headers = []): JsonResponse
    {
        return new JsonResponse(Words::of()->row($body), $status, $headers);
    }
}
