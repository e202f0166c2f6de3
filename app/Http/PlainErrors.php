<?php

declare(strict_types=1);

namespace App\Http;

use App\Prep\Broken;
use App\Works\BeingMade;
use Illuminate\Foundation\Configuration\Exceptions;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
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
    private const REFUSALS = [SvgRefused::class, FileRefused::class, MachineRefused::class, InvalidLength::class, Refused::class, FontRefused::class, PresetRefused::class, MapTooLarge::class, BudgetSpent::class];

    public static function register(Exceptions $exceptions): void
    {
        $exceptions->dontReport([...self::REFUSALS, GivenUp::class, BeingMade::class]);
        $exceptions->render(static function (Throwable $problem, Request $request): ?JsonResponse {
            if (! $request->is('api/*')) {
                return null;
            }
            if ($problem instanceof ValidationException) {
                $fields = array_map(static fn (array $messages): string => (string) ($messages[0] ?? ''), $problem->errors());

                return new JsonResponse(['message' => (string) (reset($fields) ?: 'Something in the form is missing.'), 'fields' => $fields], 422);
            }
            if (in_array($problem::class, self::REFUSALS, true)) {
                return new JsonResponse(['message' => $problem->getMessage()], 422);
            }
            if ($problem instanceof BeingMade) {
                return new JsonResponse(['message' => $problem->getMessage(), 'work' => $problem->work->row()], 202, ['Retry-After' => '1']);
            }
            if ($problem instanceof GivenUp) {
                // The page has asked for something else since.
                return new JsonResponse(['message' => $problem->getMessage()], 409);
            }
            $status = $problem instanceof HttpExceptionInterface ? $problem->getStatusCode() : 500;
            $words = match ($status) {
                404 => 'That is not here any more.',
                405 => 'That cannot be done here.',
                413 => 'The file is too large.',
                419 => 'The page lay open for too long; load it again.',
                429 => 'Too many requests at once; wait a moment and try again.',
                default => Broken::why($problem, 'Something went wrong on our side').' Nothing was changed. Try again.',
            };

            return new JsonResponse(['message' => $words], $status);
        });
    }
}
